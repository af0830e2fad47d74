// The rules that judge a limb and a joint, held against their formulas at the ends of their ranges.
#include "hold/contacts.h"
#include "hold/gauge_rule.h"
#include "hold/joint_hold.h"
#include "hold/life.h"
#include "support.h"

#include <numbers>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

WireSection of(const Material& material, double d, int wires = 1) {
  WireSection s;
  s.material = material;
  s.diameter = d;
  s.wires = wires;
  return s;
}

/// One demand: so much moment of weight at a lever of a knock.
Demand demand(double gravity, double lever) {
  Demand d;
  d.gravity = gravity;
  d.lever = lever;
  return d;
}

} // namespace

TEST(GaugeRuleLaws, TheNeededWireHoldsExactlyWhatIsAskedOfIt) {
  const PoseRules& rules = shelf().pose;
  for (const Material& m : shelf().materials)
    for (const int wires : {1, 2})
      for (const double gravity : {0.5, 5.0, 60.0})
        for (const double lever : {0.0, 20.0, 120.0}) {
          const std::vector<Demand> demands{demand(gravity, lever)};
          const double nudge = 0.5;
          const Need need = neededWire(demands, nudge, of(m, m.diameters.front(), wires), rules);
          ASSERT_GT(need.diameter, 0) << m.id;
          const Hold at = holdOf(demands, nudge, of(m, need.diameter, wires), 80, rules);
          const double spare =
              std::min(at.hold / rules.holdNeeded, lever > 0 ? at.nudge / rules.nudgeNeeded : 1e9);
          EXPECT_NEAR(spare, 1, 0.02) << m.id << " " << wires << " " << gravity << " " << lever;
          EXPECT_LE(need.low, need.diameter) << m.id;
          EXPECT_GE(need.high, need.diameter) << m.id;
        }
}

TEST(GaugeRuleLaws, MoreLoadAsksForMoreWireAndTheWorstDemandGoverns) {
  const PoseRules& rules = shelf().pose;
  const Material& m = *shelf().material("aluminium-annealed");
  double last = 0;
  for (double gravity = 0.1; gravity < 500; gravity *= 1.7) {
    const Need need = neededWire({demand(gravity, 30)}, 0.5, of(m, 1), rules);
    EXPECT_GT(need.diameter, last);
    last = need.diameter;
  }
  const Need both = neededWire({demand(1, 10), demand(40, 10), demand(2, 5)}, 0.5, of(m, 1), rules);
  EXPECT_EQ(both.demand, 1U);
  EXPECT_NEAR(both.diameter, neededWire({demand(40, 10)}, 0.5, of(m, 1), rules).diameter, 1e-12);
  const Hold free = holdOf({}, 0.5, of(m, 1), 80, rules);
  EXPECT_TRUE(std::isinf(free.hold)) << "nothing loads it";
}

TEST(GaugeRuleLaws, TwiceAsThickIsEightTimesAsStrong) {
  const PoseRules& rules = shelf().pose;
  for (const Material& m : shelf().materials) {
    if (m.strandsPerWire > 1) continue;
    const Hold thin = holdOf({demand(10, 30)}, 0.4, of(m, 1), 80, rules);
    const Hold thick = holdOf({demand(10, 30)}, 0.4, of(m, 2), 80, rules);
    EXPECT_NEAR(thick.hold / thin.hold, 8, 1e-9) << m.id;
    EXPECT_NEAR(thick.nudge / thin.nudge, 8, 1e-9) << m.id;
    EXPECT_NEAR(thick.effort / thin.effort, 8, 1e-6) << m.id;
    EXPECT_LE(thin.holdLow, thin.hold) << m.id;
    EXPECT_GE(thin.holdHigh, thin.hold) << m.id;
  }
}

TEST(GaugeRuleLaws, TheThinnestSoldThatIsThickEnoughIsTaken) {
  for (const Material& m : shelf().materials) {
    for (const double d : m.diameters) {
      EXPECT_EQ(thinnestAtLeast(m, d), d) << m.id;
      EXPECT_EQ(thinnestAtLeast(m, d - 1e-6).value_or(0), d) << m.id;
    }
    EXPECT_FALSE(thinnestAtLeast(m, m.diameters.back() + 0.01)) << m.id;
    EXPECT_EQ(thinnestAtLeast(m, 0), m.diameters.front()) << m.id;
  }
}

TEST(JointLaws, TheWorstKnockIsWorseThanAnyThatIsTried) {
  std::mt19937 chance(3);
  std::normal_distribution<double> draw;
  for (int k = 0; k < 60; ++k) {
    const Vec2 m(draw(chance), draw(chance));
    Eigen::Matrix<double, 2, 3> a;
    for (int i = 0; i < 6; ++i) a(i / 3, i % 3) = draw(chance);
    const double f = std::abs(draw(chance));
    const WorstWay worst = worstWay(m, a, f);
    EXPECT_NEAR(worst.way.norm(), 1, 1e-6);
    EXPECT_NEAR((m + f * a * worst.way).norm(), worst.length, 1e-6 * (1 + worst.length));
    for (int t = 0; t < 200; ++t) {
      const Vec3 way = Vec3(draw(chance), draw(chance), draw(chance)).normalized();
      EXPECT_LE((m + f * a * way).norm(), worst.length + 1e-6) << k;
    }
  }
}

TEST(JointLaws, FeltPullsBackByTheFourthPowerOfItsThickness) {
  const double once = feltRecoil(0.1, 20, 0.5, 10);
  EXPECT_NEAR(once, 0.1 * std::numbers::pi * 160000 / 64 * 0.5 / 10, 1e-9);
  EXPECT_NEAR(feltRecoil(0.1, 40, 0.5, 10) / once, 16, 1e-9);
  EXPECT_NEAR(feltRecoil(0.1, 20, 1.0, 10) / once, 2, 1e-9);
  EXPECT_NEAR(feltRecoil(0.1, 20, 0.5, 20) / once, 0.5, 1e-9);
  EXPECT_EQ(feltRecoil(0.1, 20, 0, 10), 0);
}

TEST(LifeLaws, ALargerSwingAThickerWireOrATighterBendBreaksSooner) {
  for (const Material& m : shelf().materials) {
    double last = std::numeric_limits<double>::infinity();
    for (const double swing : {0.1, 0.3, 0.8, 1.5, 2.5}) {
      const JointLife life = jointLife(of(m, 1.5), swing, 0, 0, shelf().pose);
      EXPECT_LT(life.bends, last) << m.id << " " << swing;
      EXPECT_LE(life.low, life.bends) << m.id;
      EXPECT_GE(life.high, life.bends) << m.id;
      last = life.bends;
    }
    const double thin = jointLife(of(m, 0.8), 1, 60, 0, shelf().pose).bends;
    const double thick = jointLife(of(m, 2.4), 1, 60, 0, shelf().pose).bends;
    EXPECT_GT(thin, thick) << m.id << " over the same soft gap";
    EXPECT_GT(jointLife(of(m, 1.5), 1, 90, 0, shelf().pose).bends,
              jointLife(of(m, 1.5), 1, 2, 0, shelf().pose).bends)
        << m.id;
    EXPECT_TRUE(std::isinf(jointLife(of(m, 1.5), 0, 0, 0, shelf().pose).bends))
        << m.id << ": not bent at all";
  }
}

TEST(LifeLaws, DamageAddsUpAndTwiceTheSwingsAreTwiceTheDamage) {
  const WireSection wire = of(*shelf().material("aluminium-annealed"), 1.5);
  const double one = minersSum(wire, {0.8}, 10, 0);
  EXPECT_NEAR(minersSum(wire, {0.8}, 20, 0), 2 * one, 1e-12);
  EXPECT_NEAR(minersSum(wire, {0.8, 0.3}, 10, 0), one + minersSum(wire, {0.3}, 10, 0), 1e-12);
  EXPECT_EQ(minersSum(wire, {}, 10, 0), 0);
  EXPECT_EQ(minersSum(wire, {0.0}, 10, 0), 0);
  // Bent as often as it lasts, it is used up.
  const double bends = jointLife(wire, 0.8, 0, 0, shelf().pose).bends;
  EXPECT_NEAR(minersSum(wire, {0.8}, bends, 0), 1, 0.02);
  EXPECT_NEAR(bendStrain(1, 2, 10), 0.1, 1e-12) << "theta d over twice the length";
  EXPECT_NEAR(radiusStrain(9, 2), 0.1, 1e-12) << "d over twice the radius and d";
}

TEST(StandingWords, TheCompassNamesWhereItFalls) {
  EXPECT_EQ(compass({1, 0}), compass({5, 0})) << "however far";
  std::set<std::string> all;
  for (int k = 0; k < 8; ++k) {
    const double a = k * std::numbers::pi / 4;
    all.insert(compass({std::cos(a), std::sin(a)}));
  }
  EXPECT_EQ(all.size(), 8U) << "each of eight ways has its own words";
}
