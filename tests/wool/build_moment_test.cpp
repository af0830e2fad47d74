// Where every limb is by the steps that are done is where it is by the wool that is on.
#include "support.h"

#include "wool/build_up.h"

using namespace columna;
using namespace columna::test;

TEST(BuildMoment, OfDoneStepsIsThatOfTheirWeight) {
  const Plan plan = planned(project("river_otter", 108));
  const auto builds = buildSteps(plan.figure, plan.wool);
  const size_t limbs = plan.figure->limbs.size();
  std::vector<bool> done(builds.size(), false);
  for (size_t i = 0; i <= builds.size(); ++i) {
    const double on = i < builds.size() ? builds[i].from : buildTotal(builds);
    const auto a = momentOf(builds, limbs, done);
    const auto b = momentAt(builds, limbs, on);
    for (size_t l = 0; l < limbs; ++l) {
      EXPECT_NEAR(a[l].wound, b[l].wound, 1e-9) << i;
      EXPECT_NEAR(a[l].padded, b[l].padded, 1e-9) << i;
      EXPECT_NEAR(a[l].skin, b[l].skin, 1e-9) << i;
      EXPECT_NEAR(a[l].coat, b[l].coat, 1e-9) << i;
    }
    if (i < builds.size()) done[i] = true;
  }
}
