// What goes along with a bone: places in the round, and places drawn on a view.
#include "judge/pose_report.h"
#include "pose/carried.h"
#include "pose/pose.h"
#include "support.h"

#include <Eigen/Geometry>

using namespace columna;
using namespace columna::test;

namespace {

/// The middle of a bone.
Vec3 middle(const FigureBone& bone) { return (bone.begin + bone.end) / 2; }

} // namespace

TEST(Carried, ABonesOwnEndsAndAxesGoWithIt) {
  for (const char* id : {"river_otter", "heron", "dragon"}) {
    const Plan plan = planned(project(id, 120));
    for (const PatternPose& pose : plan.pattern->poses) {
      const Figure posed = posedFigure(plan, pose);
      for (size_t b = 0; b < posed.bones.size(); ++b) {
        const FigureBone& from = plan.figure->bones[b];
        const FigureBone& to = posed.bones[b];
        EXPECT_LT((carried(from.begin, from, to) - to.begin).norm(), 1e-9);
        EXPECT_LT((carried(from.end, from, to) - to.end).norm(), 1e-6 * from.length) << id << ' ' << from.id;
        const Eigen::Matrix3d turn = boneTurn(from, to);
        EXPECT_NEAR(turn.determinant(), 1, 1e-9) << "a rotation, no mirror image";
        EXPECT_LT((turn * from.deepAxis - to.deepAxis).norm(), 1e-9);
        // There and back again.
        const Vec3 place = middle(from) + Vec3(1, 2, 3);
        EXPECT_LT((carried(carried(place, from, to), to, from) - place).norm(), 1e-9);
      }
    }
  }
}

TEST(Carried, APlaceOnAViewGoesWithTheNearestBones) {
  const Plan plan = planned(project("river_otter", 120));
  for (const View view : {View::Side, View::Front, View::Above})
    for (const Vec2& at : {Vec2(0, 0), Vec2(-40, 60), Vec2(80, 30)})
      EXPECT_LT((carriedOnView(at, view, plan.figure, plan.figure) - at).norm(), 1e-9) << "nothing moves";
  // The tail alone is raised: what lies on the trunk stays, what lies on the tail goes up with it.
  PatternPose up;
  const Figure neutral = posedFigure(plan, up);
  const FigureLimb& tail = plan.figure->limbs[static_cast<size_t>(*plan.figure->limb("tail"))];
  const auto root = static_cast<size_t>(tail.bones.front());
  const auto tip = static_cast<size_t>(tail.bones.back());
  up.turns[neutral.bones[root].patternBone] = Turn{0.6, 0, 0};
  const Figure raised = posedFigure(plan, up);
  ASSERT_GT((middle(raised.bones[tip]) - middle(neutral.bones[tip])).norm(), 10);
  const Vec2 on = project(middle(neutral.bones[tip]), View::Side);
  EXPECT_LT((carriedOnView(on, View::Side, neutral, raised) - project(middle(raised.bones[tip]), View::Side))
                .norm(),
            0.5);
  const auto breast =
      static_cast<size_t>(plan.figure->limbs[static_cast<size_t>(*plan.figure->limb("trunk"))].bones.back());
  const Vec2 chest = project(middle(neutral.bones[breast]), View::Side);
  EXPECT_LT(
      (carriedOnView(chest, View::Side, neutral, raised) - project(middle(raised.bones[breast]), View::Side))
          .norm(),
      0.5);
  // A patch keeps about its size: it is not torn apart between bones.
  const Vec2 a = carriedOnView(on + Vec2(0, 3), View::Side, neutral, raised);
  const Vec2 b = carriedOnView(on + Vec2(0, -3), View::Side, neutral, raised);
  EXPECT_NEAR((a - b).norm(), 6, 1);
}
