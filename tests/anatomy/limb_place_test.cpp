// A place along a limb's middle line.
#include "support.h"

#include "anatomy/limb_place.h"

using namespace columna;
using namespace columna::test;

TEST(LimbPlace, RunsAlongTheBones) {
  const Plan plan = planned(project("river_otter", 108));
  const Figure& figure = plan.figure;
  for (size_t l = 0; l < figure.limbs.size(); ++l) {
    const auto& bones = figure.limbs[l].bones;
    ASSERT_FALSE(bones.empty());
    const FigureBone& first = figure.bones[static_cast<size_t>(bones.front())];
    const FigureBone& last = figure.bones[static_cast<size_t>(bones.back())];
    EXPECT_LT((limbPlace(figure, static_cast<int>(l), -5).at - first.begin).norm(), 1e-9);
    EXPECT_LT((limbPlace(figure, static_cast<int>(l), 0).at - first.begin).norm(), 1e-9);
    EXPECT_LT((limbPlace(figure, static_cast<int>(l), 1e6).at - last.end).norm(), 1e-9);
    const double half = (first.end - first.begin).norm() / 2;
    const LimbPlace middle = limbPlace(figure, static_cast<int>(l), half);
    EXPECT_LT((middle.at - (first.begin + first.end) / 2).norm(), 1e-9);
    EXPECT_NEAR(middle.way.norm(), 1, 1e-12);
  }
}
