#include "anatomy/outline.h"
#include "anatomy/sizing.h"
#include "pose/pose.h"
#include "support.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

TEST(Pose, EveryPatternHasTwoWithinItsLimits) {
  for (const Pattern& p : animals()) {
    EXPECT_GE(p.poses.size(), 2U) << p.id;
    for (const PatternPose& pose : p.poses) {
      const auto problem = beyondLimits(p, pose);
      EXPECT_FALSE(problem.has_value()) << problem->sentence();
    }
  }
}

TEST(Pose, KeepsEveryLengthAndStandsOnTheGround) {
  for (const Pattern& p : animals())
    for (const PatternPose& pose : p.poses) {
      const Figure before = inModules(p);
      const Figure after = inModules(posed(p, pose));
      for (size_t b = 0; b < before.bones.size(); ++b)
        EXPECT_NEAR(after.bones[b].length, before.bones[b].length, 1e-9)
            << p.id << ' ' << pose.name << ' ' << before.bones[b].id;
      EXPECT_NEAR(lowestPoint(after), 0, 1e-9) << p.id << ' ' << pose.name;
      EXPECT_FALSE(silhouette(after, View::Side).empty());
    }
}

TEST(Pose, NoneAtAllIsTheNeutralStance) {
  for (const Pattern& p : animals()) {
    const Figure before = inModules(p);
    const Figure after = inModules(posed(p, {"none", {}}));
    const double drop = lowestPoint(before);
    for (size_t b = 0; b < before.bones.size(); ++b)
      EXPECT_NEAR((after.bones[b].begin - before.bones[b].begin + Vec3(0, 0, drop)).norm(), 0, 1e-9) << p.id;
  }
}

TEST(Pose, TurnsAboutTheHingeByTheAngle) {
  const Pattern& otter = *shelf().pattern("river_otter");
  PatternPose pose{"bend", {}};
  pose.turns["forearm"].flex = 0.5;
  const Pattern made = posed(otter, pose);
  const auto along = [](const Pattern& p) { return Vec3(p.joints.at("wrist_j") - p.joints.at("elbow")); };
  EXPECT_NEAR(bendAngle(along(otter), along(made)), 0.5, 1e-3)
      << "the forearm lies all but square to its hinge";
  EXPECT_GT(along(made).x(), along(otter).x()) << "flex swings a hanging limb forward";
  // Both sides alike.
  const Vec3 right = made.right->joints.at("wrist_j");
  EXPECT_NEAR((right - Vec3(made.joints.at("wrist_j").x(), -made.joints.at("wrist_j").y(),
                            made.joints.at("wrist_j").z()))
                  .norm(),
              0, 1e-12);
  // An apostrophe turns the right copy alone.
  pose.turns.clear();
  pose.turns["forearm'"].flex = 0.5;
  const Pattern one = posed(otter, pose);
  EXPECT_NEAR(bendAngle(along(otter), along(one)), 0, 1e-9);
  EXPECT_GT(one.right->joints.at("wrist_j").x(), one.joints.at("wrist_j").x());
}

TEST(Pose, BeyondItsLimitsIsSaid) {
  const Pattern& otter = *shelf().pattern("river_otter");
  PatternPose pose{"too far", {}};
  pose.turns["shin"].flex = 3;
  const auto problem = beyondLimits(otter, pose);
  ASSERT_TRUE(problem.has_value());
  EXPECT_NE(problem->sentence().find("shin"), std::string::npos);
}
