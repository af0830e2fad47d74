// Posed figures on their feet: falling, wobbling, and what mends it.
#include "edit/pose_remedies.h"
#include "judge/posed.h"
#include "support.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

TEST(PoseReport, ABirdFallsAndItsTailMends) {
  Project p = project("heron", 160);
  const Plan plan = planned(p);
  // Head far forward, tail up: over its toes it goes.
  PatternPose lean;
  lean.whole.flex = 0.6;
  const PoseReport falls = poseReport(p, plan, shelf(), lean);
  EXPECT_FALSE(falls.standing.base.stands);
  EXPECT_EQ(falls.standing.towards.substr(0, 7), "forward");
  EXPECT_TRUE(says(falls, "falls over"));
  // Glued to a base that reaches under its weight, it stands.
  p.stances.support.feet = Feet::Base;
  p.stances.support.baseLength = 400;
  p.stances.support.baseWidth = 200;
  p.stances.support.baseMass = 300;
  EXPECT_TRUE(poseReport(p, plan, shelf(), lean).standing.base.stands);
}

TEST(PoseReport, ATailPutDownIsAThirdFoot) {
  // A bird that leans back, its tail in the air, falls over its heels; the tail put down holds it.
  const Project p = project("songbird", 160);
  const Plan plan = planned(p);
  PatternPose back;
  back.whole.flex = -0.3;
  const PoseReport up = poseReport(p, plan, shelf(), back);
  const int tail = *plan.figure->limb("tail");
  const auto down = [&](const PoseReport& r) {
    return std::any_of(r.standing.contacts.begin(), r.standing.contacts.end(),
                       [tail](const Contact& c) { return c.limb == tail; });
  };
  ASSERT_FALSE(up.standing.base.stands);
  ASSERT_FALSE(down(up));
  EXPECT_EQ(up.standing.towards, "backward");
  const auto tried = standingRemedies(p, shelf(), plan, up);
  const auto third = std::find_if(tried.begin(), tried.end(), [](const PoseRemedy& r) {
    return render(r.words).find("third foot") != std::string::npos;
  });
  ASSERT_NE(third, tried.end());
  const PoseReport then = poseReport(third->project, plan, shelf(), third->project.stances.now);
  EXPECT_TRUE(down(then));
  EXPECT_TRUE(then.standing.base.stands);
  // Every remedy's result is what planning it gives.
  for (const PoseRemedy& r : tried) {
    const Plan again = planned(r.project);
    const PoseReport result = poseReport(r.project, again, shelf(), r.project.stances.now);
    EXPECT_EQ(render(r.result).find("then it stands") == 0, result.standing.base.stands) << r.words;
  }
}

TEST(PoseReport, TheEdgeDecidesToTheMillimetre) {
  const Project p = project("river_otter", 108);
  const PoseReport r = reported(p, {});
  ASSERT_TRUE(r.standing.base.stands);
  ASSERT_EQ(r.standing.rosette.size(), 72U);
  const Vec3 c = r.sums.armature.centre;
  const Vec2 out = r.standing.falls;
  const auto at = [&](double beyond) {
    const Vec2 moved = Vec2(c.x(), c.y()) + out * (r.standing.base.margin + beyond);
    return poseStanding(r.figure, {moved.x(), moved.y(), c.z()}, 100, {}, shelf().pose).base.stands;
  };
  EXPECT_TRUE(at(-1));
  EXPECT_FALSE(at(1));
  // The least of the rosette is the tip.
  double least = 9;
  for (const RosetteRay& ray : r.standing.rosette) least = std::min(least, ray.tip);
  EXPECT_NEAR(least, r.standing.base.tip, 0.02);
}

TEST(PoseReport, WobbleOfFourLegs) {
  const PoseReport r = reported(project("horse", 160), {});
  ASSERT_EQ(r.wobble.feet.size(), 4U);
  double sum = 0;
  Vec2 turn = Vec2::Zero();
  for (const WobbleFoot& f : r.wobble.feet) {
    sum += f.share;
    turn += f.share * f.at;
  }
  EXPECT_NEAR(sum, 0, 1e-9);
  EXPECT_LT(turn.norm(), 1e-6);
  EXPECT_GT(r.wobble.worst, r.wobble.usual);
  EXPECT_GT(r.wobble.rocks, 0);
  // A rectangle of feet: a gap under one is mended by lengthening it, or pushing up its neighbours.
  const auto cures = legCures(r.wobble, r.wobble.feet[0].limb, 1.0);
  ASSERT_EQ(cures.size(), 4U);
  EXPECT_NEAR(cures[0].longer, 1, 1e-9);
  int up = 0;
  for (const LegCure& each : cures) up += each.longer < 0 ? 1 : 0;
  EXPECT_EQ(up, 2);
  EXPECT_TRUE(reported(project("heron", 160), {}).wobble.feet.empty()) << "two feet cannot wobble so";
}
