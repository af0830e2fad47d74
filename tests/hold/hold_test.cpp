#include "support.h"
#include "wire/allowance.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

TEST(Loads, LevelChainIsWeightTimesArm) {
  // A uniform limb of 5 g over 70 mm with 2 g at its tip: g (m L/2 + m_t L).
  std::vector<Hung> parts;
  for (int i = 0; i < 70; ++i) parts.push_back({5.0 / 70, i + 0.5});
  parts.push_back({2, 70});
  EXPECT_NEAR(levelMoment(parts), 9.81e-3 * (5 * 35 + 2 * 70), 1e-9);
}

TEST(Loads, NudgeIsHalfTheWeightWithinItsBounds) {
  EXPECT_DOUBLE_EQ(nudgeForce(0.6, Use::Shelf), 0.3);
  EXPECT_DOUBLE_EQ(nudgeForce(0.05, Use::Shelf), 0.10);
  EXPECT_DOUBLE_EQ(nudgeForce(9, Use::Shelf), 0.50);
  EXPECT_DOUBLE_EQ(nudgeForce(0.6, Use::Display), 0.15);
  EXPECT_DOUBLE_EQ(nudgeForce(0.6, Use::Handled), 0.6);
}

TEST(Loads, TailsMomentIsThatOfItsBones) {
  const Plan plan = planned(project("river_otter", 108));
  const auto tail = static_cast<size_t>(*plan.figure->limb("tail"));
  // By hand from the wool and wire of the tail's bones, each half way along its length.
  const WireSection& s = plan.limbs[tail].section;
  double at = 0;
  double moment = 0;
  for (const int b : plan.figure->limbs[tail].bones) {
    const auto i = static_cast<size_t>(b);
    const double length = plan.figure->bones[i].length;
    const double g = plan.carried[i].grams + 2 * s.lengthFactor() * s.linearMass() * length;
    moment += 9.81e-3 * g * (at + length / 2);
    at += length;
  }
  double found = 0;
  for (const Demand& d : plan.loads.limbs[tail])
    if (d.joint == "tail0") found = std::max(found, d.gravity);
  EXPECT_NEAR(found, moment, 1e-6 * moment);
}

TEST(GaugeRule, IsItsFormula) {
  // 20 N mm held twice over by a pair at 34 N/mm2.
  EXPECT_NEAR(neededDiameter(20, 2, 2, 0.9776, 34), std::cbrt(6 * 2 * 20 / (2 * 0.9776 * 34)), 1e-12);
  WireSection pair;
  pair.material = *shelf().material("aluminium-annealed");
  pair.wires = 2;
  const std::vector<Demand> demands{{"a", 20, 0, {}, {}}, {"b", 5, 100, {}, {}}};
  const Need need = neededWire(demands, 0.3, pair, PoseRules());
  const double share = pair.strengthShare();
  const double weight = std::cbrt(240 / (2 * share * 34));
  const double knock = std::cbrt(6 * (5 + 30) / (2 * share * 60));
  EXPECT_NEAR(need.diameter, std::max(weight, knock), 1e-12);
  EXPECT_LT(need.low, need.diameter);
  EXPECT_GT(need.high, need.diameter);
  EXPECT_NEAR(need.high / need.diameter, std::cbrt(34.0 / 28.0), 1e-9) << "strength enters by its cube root";

  pair.diameter = need.diameter;
  const Hold hold = holdOf(demands, 0.3, pair, 100, PoseRules());
  EXPECT_NEAR(hold.hold, pair.capacity(34) / 20, 1e-9);
  EXPECT_NEAR(std::min(hold.hold / 2, hold.nudge), 1, 1e-9) << "the needed wire only just does";
  EXPECT_NEAR(hold.effort, pair.capacity(90) / 30, 1e-9);
  EXPECT_NEAR(holdOf(demands, 0.3, pair, 15, PoseRules()).effort, pair.capacity(90) / 15, 1e-9)
      << "a short part gives fingers a short lever";
}

TEST(GaugeRule, TwiceTheLoadIsTwoGaugeNumbers) {
  const double once = neededDiameter(20, 2, 1, 1, 34);
  const double twice = neededDiameter(40, 2, 1, 1, 34);
  EXPECT_NEAR(39 * std::log(twice / once) / std::log(92.0), 2.0, 0.01);
}

TEST(GaugeRule, LargestWireFingersBend) {
  // Reference: one wire over a 30 mm lever within 10 N.
  struct Row {
    const char* material;
    double d;
  };
  for (const Row& r : {Row{"aluminium-annealed", 2.71},
                       {"copper-soft", 2.00},
                       {"brass-half-hard", 1.62},
                       {"steel-binding", 1.71},
                       {"stainless-annealed", 1.41}}) {
    WireSection s;
    s.material = *shelf().material(r.material);
    s.diameter = r.d;
    EXPECT_NEAR(holdOf({}, 0, s, 100, PoseRules()).effort, 10, 0.1) << r.material;
  }
}

TEST(Hold, TheNeckOfTheReferenceFrameGivesWay) {
  // A 12 g head on 85 mm of neck and head, 9.43 N mm at the neck's root: one annealed 1.02 mm wire does not
  // hold it, a pair holds 1.24 times.
  const std::vector<Demand> neck{{"neck", 9.43121, 0, {}, {}}};
  WireSection wire;
  wire.material = *shelf().material("aluminium-annealed");
  wire.diameter = 1.02;
  EXPECT_NEAR(1 / holdOf(neck, 0, wire, 85, PoseRules()).hold, 1.57, 0.005);
  wire.wires = 2;
  EXPECT_NEAR(holdOf(neck, 0, wire, 85, PoseRules()).hold, 1.24, 0.01);
}

TEST(Standing, RectangleOfFeet) {
  // The reference frame: feet 110 x 40 mm, centre of mass at 82.56, 0, 67.31.
  const Standing s = standingOn({{0, 20}, {0, -20}, {110, 20}, {110, -20}, {55, 0}}, Vec3(82.56, 0, 67.31));
  EXPECT_EQ(s.support.size(), 4U);
  EXPECT_NEAR(s.margin, 20, 1e-9);
  EXPECT_NEAR(s.tip * 180 / M_PI, 16.55, 0.01);
  EXPECT_EQ(s.towards, "to the side");
  const Standing forward = standingOn({{0, 90}, {0, -90}, {110, 90}, {110, -90}}, Vec3(82.56, 0, 67.31));
  EXPECT_NEAR(forward.tip * 180 / M_PI, 22.18, 0.01);
  EXPECT_EQ(forward.towards, "forward");
}

TEST(Standing, AMillimetrePastTheEdgeFalls) {
  const std::vector<Vec2> feet{{0, 20}, {0, -20}, {110, 20}, {110, -20}};
  EXPECT_TRUE(standingOn(feet, Vec3(109, 0, 60)).stands);
  const Standing past = standingOn(feet, Vec3(111, 0, 60));
  EXPECT_FALSE(past.stands);
  EXPECT_NEAR(past.margin, -1, 1e-9);
  EXPECT_FALSE(standingOn({{0, 0}, {10, 0}, {20, 0}}, Vec3(10, 0, 5)).stands)
      << "feet in one line hold nothing";
  EXPECT_FALSE(standingOn({}, Vec3(0, 0, 5)).stands);
}

TEST(Standing, FourLegsOfTheOtterStand) {
  const Plan plan = planned(project("river_otter", 160));
  EXPECT_EQ(plan.loads.legs, 4);
  EXPECT_TRUE(plan.standing.stands);
  EXPECT_EQ(planned(project("heron", 300)).loads.legs, 2) << "wings do not stand";
}
