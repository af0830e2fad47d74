// The reference numbers of the wire rules, to the digits they are known to.
#include "measure/gauge.h"
#include "support.h"
#include "wire/allowance.h"
#include "wire/section.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

double awgWire(int n) { return awgToMm(n); }

double deg(double radians) { return radians * 180 / M_PI; }

WireSection of(const char* material, double d, int wires) {
  WireSection s;
  s.material = *shelf().material(material);
  s.diameter = d;
  s.wires = wires;
  return s;
}

} // namespace

TEST(Section, PlasticAndYieldMoments) {
  EXPECT_NEAR(yieldMoment(34, 1), 3.3379, 1e-4);
  EXPECT_NEAR(plasticMoment(34, 1), 5.6667, 1e-4);
  EXPECT_NEAR(plasticMoment(34, 1) / yieldMoment(34, 1), 1.69765, 1e-5);
  // AWG 12 to 28, annealed aluminium and half-hard brass.
  const std::vector<std::array<double, 4>> rows{{2.0525, 49.00, 86.47, 446.76},
                                                {1.6277, 24.44, 43.13, 222.82},
                                                {1.0237, 6.08, 10.73, 55.43},
                                                {0.6438, 1.51, 2.67, 13.79},
                                                {0.3211, 0.19, 0.33, 1.71}};
  for (const auto& row : rows) {
    EXPECT_NEAR(plasticMoment(34, row[0]), row[1], 0.006 + row[1] * 2e-4);
    EXPECT_NEAR(plasticMoment(60, row[0]), row[2], 0.006 + row[2] * 2e-4);
    EXPECT_NEAR(plasticMoment(310, row[0]), row[3], 0.006 + row[3] * 2e-4);
  }
}

TEST(Section, MomentGrowsWithCurvatureAsTheSolidDoes) {
  const std::vector<std::pair<double, double>> shares{{1, 0.58905}, {1.5, 0.79350}, {2, 0.87984},
                                                      {3, 0.94538}, {5, 0.98012},   {10, 0.99501}};
  for (const auto& [ratio, share] : shares) EXPECT_NEAR(momentShare(ratio), share, 6e-6) << ratio;
  // Against an outside finite-element slice of a 1 mm wire at 34 N/mm2, to 0.15 %.
  const std::vector<std::pair<double, double>> solid{
      {1, 3.33795}, {2, 4.99064}, {3, 5.36124}, {5, 5.55746}, {10, 5.63776}};
  for (const auto& [ratio, moment] : solid)
    EXPECT_NEAR(momentShare(ratio) * plasticMoment(34, 1), moment, 0.0015 * moment);
}

TEST(Section, TwistFactors) {
  struct Row {
    double lay, angle, length, stiffness, strength;
  };
  for (const Row& r : {Row{4, 38.1, 1.2716, 0.7399, 0.9612},
                       {5, 32.1, 1.1810, 0.8090, 0.9708},
                       {6, 27.6, 1.1288, 0.8555, 0.9776},
                       {8, 21.4, 1.0743, 0.9107, 0.9859},
                       {12, 14.7, 1.0337, 0.9573, 0.9931}}) {
    const double b = helixAngle(2, 1, r.lay);
    EXPECT_NEAR(deg(b), r.angle, 0.06);
    EXPECT_NEAR(twistLengthFactor(b), r.length, 6e-5);
    EXPECT_NEAR(twistStiffness(b, 0.33), r.stiffness, 6e-5);
    EXPECT_NEAR(twistStrength(b), r.strength, 6e-5);
  }
  EXPECT_NEAR(deg(helixAngle(2, 1, M_PI)), 45, 1e-9) << "where strands lock";
  EXPECT_EQ(helixAngle(1, 1, 6), 0);
}

TEST(Section, CapacityOfWiresAndStems) {
  EXPECT_NEAR(of("aluminium-annealed", 1.02, 1).capacity(34), 6.014, 5e-4);
  EXPECT_NEAR(of("aluminium-annealed", 1.02, 2).capacity(34), 2 * 0.9776 * 6.014, 2e-3);
  EXPECT_NEAR(of("pipe-cleaner", 0.45, 1).capacity(250), 7.4, 0.05);
  EXPECT_EQ(of("pipe-cleaner", 0.45, 1).strands(), 2);
  // A stem of usual strands weighs what a stem weighs.
  EXPECT_NEAR(of("pipe-cleaner", 0.45, 1).linearMass() * 305, 1.0, 0.03);
  EXPECT_NEAR(bundleDiameter(4, 1), 2.414, 1e-9);
}

TEST(Allowance, HairpinLoopAndTurns) {
  EXPECT_NEAR(foldLength(0.4049), 1.27, 0.005);
  EXPECT_NEAR(loopLength(5, 1), M_PI * 6, 1e-9);
  EXPECT_NEAR(closingTurnsLength(1), 9.4, 0.03);
  EXPECT_NEAR(turnBackLength(0.5), M_PI * 0.5 + 6, 1e-9);
  EXPECT_NEAR(turnBackLength(1), M_PI + 8, 1e-9);
  EXPECT_NEAR(mutualTwistLength(2, 1), 13.55, 0.005);
  // Two close-wound turns, from the table of cores and lashing wires.
  EXPECT_NEAR(lashingLength(2, 1.024, 1.024), 13.0, 0.05);
  EXPECT_NEAR(lashingLength(2, 0.644, 0.405), 6.6, 0.05);
  EXPECT_NEAR(lashingLength(2, 2.252, 0.644), 18.2, 0.05);
}

TEST(Allowance, DigitsHandsAndLegs) {
  EXPECT_NEAR(digitLength(6, awgWire(26), 6), 15.6, 0.05);
  EXPECT_NEAR(4 * digitLength(6, awgWire(26), 6) + 2 * Allowances().gripTail, 93, 0.6);
  EXPECT_NEAR(fourStrandLength(32, awgWire(22), 6, 40), 207, 0.5);
}

TEST(Allowance, WasteIsAShareAndALength) { EXPECT_NEAR(wasteLength(100), 13, 1e-12); }

TEST(Material, AllNineAreThereWithRangesAndSources) {
  for (const char* id :
       {"aluminium-annealed", "aluminium-craft", "copper-soft", "brass-half-hard", "brass-soft",
        "steel-binding", "steel-florist", "stainless-annealed", "pipe-cleaner"}) {
    const Material* m = shelf().material(id);
    ASSERT_NE(m, nullptr) << id;
    EXPECT_LT(m->yield.low, m->yield.high) << id;
    EXPECT_GT(m->flow2, m->yield.value) << id;
    EXPECT_GT(m->ultimate, m->flow10) << id;
    EXPECT_FALSE(m->source.empty()) << id;
    EXPECT_FALSE(m->caution.empty()) << id;
  }
}

TEST(Material, BadFilesAreRefusedByName) {
  const std::string good = Scratch::read(std::string(COLUMNA_DATA_DIR) + "/materials/copper-soft.json");
  ASSERT_TRUE(readMaterial(good, "m.json").ok());
  auto json = nlohmann::json::parse(good);
  for (const char* key : {"id", "yield_MPa", "diameters_mm", "density_g_per_cm3", "strain_life", "source"}) {
    auto spoilt = json;
    spoilt.erase(key);
    EXPECT_FALSE(readMaterial(spoilt.dump(), "m.json").ok()) << key;
  }
  json["yield_MPa"]["low"] = 500;
  EXPECT_NE(readMaterial(json.dump(), "m.json").problem().sentence().find("yield_MPa"), std::string::npos);
  EXPECT_FALSE(readMaterial("[]", "m.json").ok());
}
