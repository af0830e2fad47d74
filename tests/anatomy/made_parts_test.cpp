#include "judge/planning.h"
#include "support.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

double lengthOf(const Plan& plan, const char* id) {
  return plan.figure->limbs[static_cast<size_t>(*plan.figure->limb(id))].length;
}

MadePart part(const char* limb, std::optional<double> length, std::optional<double> across = {}) {
  return {limb, length, across, "2026-11-25"};
}

} // namespace

TEST(MadeParts, ThePlannedValueChangesNothingToTheLastBit) {
  for (const Pattern& p : animals()) {
    Project before = project(p.id, 160);
    const Plan planned160 = planned(before);
    const FigureLimb& trunk =
        planned160.figure->limbs[static_cast<size_t>(*planned160.figure->limb("trunk"))];
    before.made = {part("trunk", trunk.length, widestAcross(planned160.figure, trunk))};
    const Plan after = planned(before);
    EXPECT_EQ(after.figure->scale, planned160.figure->scale) << p.id;
    EXPECT_EQ(after.figure->shapeKey, planned160.figure->shapeKey) << p.id;
    EXPECT_EQ(after.totals.core, planned160.totals.core) << p.id;
    EXPECT_EQ(after.made->ratio, 1) << p.id;
  }
}

TEST(MadeParts, OnePartReSizesTheRest) {
  Project p = project("red_fox", 160);
  const Plan before = planned(p);
  const double trunk = lengthOf(before, "trunk");
  p.made = {part("trunk", trunk * 1.1)};
  const Plan after = planned(p);
  EXPECT_NEAR(after.made->ratio, 1.1, 1e-12);
  EXPECT_NEAR(lengthOf(after, "trunk"), trunk * 1.1, 1e-9);
  EXPECT_NEAR(lengthOf(after, "left-foreleg"), lengthOf(before, "left-foreleg") * 1.1, 1e-9);
  p.made = {part("trunk", trunk * 1.1, 61)};
  const Plan thick = planned(p);
  EXPECT_NEAR(
      widestAcross(thick.figure, thick.figure->limbs[static_cast<size_t>(*thick.figure->limb("trunk"))]), 61,
      1e-9)
      << "made parts stay as measured";
  EXPECT_NEAR(lengthOf(thick, "tail"), lengthOf(before, "tail") * 1.1, 1e-9);
  p.made.clear();
  EXPECT_EQ(planned(p).figure->shapeKey, before.figure->shapeKey) << "and it is reversible";
}

TEST(MadeParts, SeveralAreFittedByLeastSquaresAndSayWhatIsOff) {
  Project p = project("river_otter", 108);
  const Plan before = planned(p);
  const double head = lengthOf(before, "head");
  const double trunk = lengthOf(before, "trunk");
  const double leg = lengthOf(before, "left-hindleg");
  p.made = {part("head", head * 1.2), part("trunk", trunk * 1.05), part("hindleg", leg * 1.05)};
  const Plan after = planned(p);
  const double r = (1.44 + 2 * 1.05 * 1.05) / (1.2 + 2 * 1.05);
  EXPECT_NEAR(after.made->ratio, r, 1e-12);
  // No other ratio leaves a smaller sum of squared relative residuals.
  const auto rest = [](double ratio) {
    return std::pow(1.2 / ratio - 1, 2) + 2 * std::pow(1.05 / ratio - 1, 2);
  };
  EXPECT_LT(rest(r), rest(r * 1.001));
  EXPECT_LT(rest(r), rest(r / 1.001));
  EXPECT_EQ(render(after.made->residuals[0].words), "the head is 9 % large for this body");
  EXPECT_NEAR(lengthOf(after, "head"), head * 1.2, 1e-9);
  EXPECT_NEAR(lengthOf(after, "left-hindleg"), leg * 1.05, 1e-9);
  EXPECT_NEAR(lengthOf(after, "right-hindleg"), leg * 1.05, 1e-9);
  EXPECT_NEAR(lengthOf(after, "tail"), lengthOf(before, "tail") * r, 1e-9);
}

TEST(MadeParts, BadMeasuresAreOneSentence) {
  for (const MadePart& bad :
       {part("antler", 30), part("trunk", 0), part("trunk", -3), part("trunk", std::nan("")),
        part("trunk", 9e9), part("trunk", {}), part("head", 30, 0)}) {
    Project p = project("river_otter", 108);
    p.made = {bad};
    const auto made = plan(p, shelf());
    ASSERT_FALSE(made.ok());
    EXPECT_NE(made.problem().sentence().find(';'), std::string::npos) << made.problem().sentence();
  }
}
