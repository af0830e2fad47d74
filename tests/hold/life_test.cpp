// How often wire can be re-bent, against the printed table.
#include "support.h"

#include "hold/life.h"

#include <cmath>
#include <numbers>

using namespace columna;
using namespace columna::test;

namespace {

WireSection of(const std::string& material, double d, int wires = 1) {
  WireSection s;
  s.material = *shelf().material(material);
  s.diameter = d;
  s.wires = wires;
  return s;
}

} // namespace

TEST(Life, TheTableOfBends) {
  struct Row {
    const char* material;
    double lambda, n30, n60, n90;
  };
  for (const Row& row :
       {Row{"aluminium-annealed", 3.10, 122, 43, 24}, Row{"aluminium-craft", 2.60, 64, 22, 12},
        Row{"copper-soft", 4.00, 221, 67, 34}, Row{"brass-half-hard", 2.50, 33, 9.9, 4.9},
        Row{"brass-soft", 4.10, 121, 36, 18}, Row{"steel-binding", 3.00, 68, 21, 11},
        Row{"steel-florist", 2.60, 38, 12, 5.9}, Row{"stainless-annealed", 4.00, 134, 39, 20}}) {
    const WireSection s = of(row.material, 1);
    EXPECT_NEAR(hingeLength(s.material, 1, 0), row.lambda, 0.005) << row.material;
    for (const auto& [degrees, cycles] : {std::pair{30.0, row.n30}, {60.0, row.n60}, {90.0, row.n90}})
      EXPECT_NEAR(jointLife(s, degrees * kDegree, 0, 0, shelf().pose).bends / cycles, 1, 0.05)
          << row.material << ' ' << degrees;
  }
  // By radius: two diameters of soft aluminium.
  EXPECT_NEAR(cyclesToBreak(of("aluminium-annealed", 1).material, radiusStrain(2, 1) / 2), 34, 1);
  EXPECT_NEAR(radiusStrain(2, 1), 0.2, 1e-12);
}

TEST(Life, ASoftGapSpreadsTheBend) {
  const WireSection thin = of("copper-soft", 0.64);
  EXPECT_NEAR(hingeLength(thin.material, 0.64, 15), 4.3, 0.05);
  const double bare = jointLife(thin, kDegree * 60, 0, 0, shelf().pose).bends;
  EXPECT_NEAR(jointLife(thin, kDegree * 60, 15, 0, shelf().pose).bends / bare, 2.4, 0.1);
  const WireSection thick = of("aluminium-annealed", 1);
  EXPECT_EQ(jointLife(thick, 1, 15, 0, shelf().pose).bends, jointLife(thick, 1, 0, 0, shelf().pose).bends);
}

TEST(Life, WhatWasDoneCounts) {
  const WireSection s = of("steel-binding", 1);
  const JointLife fresh = jointLife(s, kDegree * 90, 0, 0, shelf().pose);
  EXPECT_EQ(fresh.used, 0);
  EXPECT_NEAR(fresh.low * 3, fresh.bends, 1e-9);
  EXPECT_EQ(fresh.usable, LifeClass::Once);
  const JointLife after = jointLife(s, kDegree * 90, 0, minersSum(s, {kDegree * 90}, 5, 0), shelf().pose);
  EXPECT_NEAR(after.bends, fresh.bends - 5, 1e-6);
  EXPECT_NEAR(minersSum(s, {kDegree * 90}, fresh.bends, 0), 1, 1e-9);
  EXPECT_EQ(jointLife(s, kDegree * 90, 0, minersSum(s, {kDegree * 90}, 50, 0), shelf().pose).bends, 0);
  EXPECT_GT(jointLife(of("steel-binding", 1, 2), 1, 0, 0, shelf().pose).used, 0) << "twisting costs some";
  EXPECT_TRUE(std::isinf(jointLife(s, 0, 0, 0, shelf().pose).bends)) << "what is not bent does not break";
}

TEST(Life, RulesAreReadWithTheirSources) {
  EXPECT_EQ(effortLimit(shelf().pose, Hands::Adult), 10);
  EXPECT_LT(effortLimit(shelf().pose, Hands::Sore), effortLimit(shelf().pose, Hands::Child));
  const auto bad =
      readPoseRules(R"({"schema":"columna-pose-rules/1","hold_needed":{"value":2}})", "posing.json");
  ASSERT_FALSE(bad.ok());
  EXPECT_NE(bad.problem().sentence().find("hold_needed.source"), std::string::npos);
  EXPECT_FALSE(readPoseRules("[]", "posing.json").ok());
}
