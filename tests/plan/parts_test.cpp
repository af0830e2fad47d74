// A plan in parts: what does not follow from a change is the very same, and what is taken over never makes
// another plan than one made from nothing.
#include "edit/figure_edit.h"
#include "edit/study_edit.h"
#include "edit/wire_edit.h"
#include "edit/wool_edit.h"
#include "file/project_json.h"
#include "report/plan_json.h"
#include "support.h"

#include <random>

using namespace columna;
using namespace columna::test;

namespace {

/// Planned after another, in no hurry: what is new is made exactly.
Plan after(const Project& p, const Plan& before) {
  auto made = plan(p, shelf(), {before.solid, false, 2.5, &before});
  EXPECT_TRUE(made.ok()) << (made.ok() ? "" : made.problem().sentence());
  return std::move(made).value();
}

int limb(const Plan& plan, const char* id) { return *plan.figure->limb(id); }

bool sameFigure(const Plan& a, const Plan& b) {
  return a.figure.same(b.figure) && a.pattern.same(b.pattern) && a.animal.same(b.animal) &&
         a.made.same(b.made) && a.skeleton.same(b.skeleton) && a.footing.same(b.footing);
}

} // namespace

TEST(PlanParts, AnotherFinishMakesHoursAndNothingElse) {
  Project p = project("red_fox", 160);
  const Plan before = plannedExactly(p);
  p.finish = Finish::Fine;
  const Plan then = after(p, before);
  EXPECT_TRUE(sameFigure(before, then));
  EXPECT_EQ(before.solid, then.solid);
  EXPECT_TRUE(before.wool.same(then.wool));
  EXPECT_TRUE(before.pieces.same(then.pieces));
  EXPECT_TRUE(before.stock.same(then.stock));
  EXPECT_GT(then.time.total, before.time.total);
}

TEST(PlanParts, FirmnessMakesWoolAndWeightButNoFigureAndNoSolid) {
  const Project p = project("red_fox", 160);
  const Plan before = plannedExactly(p);
  const auto softer = edit::softened(p, before, limb(before, "head"));
  ASSERT_TRUE(softer);
  const Plan then = after(*softer, before);
  EXPECT_TRUE(sameFigure(before, then));
  EXPECT_EQ(before.solid, then.solid);
  EXPECT_FALSE(before.wool.same(then.wool));
  EXPECT_LT(then.totals.mass, before.totals.mass);
}

TEST(PlanParts, AGaugeMakesPiecesAndTheWoolRoundItAlone) {
  const Project p = project("red_fox", 160);
  const Plan before = plannedExactly(p);
  const auto stepped = edit::wireStepped(p, before, limb(before, "left-hindleg"), 1);
  ASSERT_TRUE(stepped);
  const Plan then = after(*stepped, before);
  EXPECT_TRUE(sameFigure(before, then));
  EXPECT_EQ(before.solid, then.solid);
  EXPECT_FALSE(before.pieces.same(then.pieces));
  const auto leg = static_cast<size_t>(limb(before, "left-hindleg"));
  const auto tail = static_cast<size_t>(limb(before, "tail"));
  EXPECT_NE(then.wool->limbs[leg].wireVolume, before.wool->limbs[leg].wireVolume);
  EXPECT_EQ(then.wool->limbs[tail].wireVolume, before.wool->limbs[tail].wireVolume);
}

TEST(PlanParts, AWireInTheDrawerThatIsNotTakenMakesTheStockAlone) {
  const Project p = project("red_fox", 160);
  const Plan before = plannedExactly(p);
  const auto more = edit::wireAdded(p, {"florist", "steel-florist", 0.9, 0, 0, 1, {}});
  ASSERT_TRUE(more);
  const Plan then = after(*more, before);
  EXPECT_TRUE(sameFigure(before, then));
  EXPECT_TRUE(before.wool.same(then.wool));
  EXPECT_TRUE(before.pieces.same(then.pieces));
  EXPECT_FALSE(before.stock.same(then.stock));
}

TEST(PlanParts, AnotherSizeMakesAllOfThem) {
  const Project p = project("red_fox", 160);
  const Plan before = plannedExactly(p);
  const Plan then = after(edit::sizedBy(p, 1.1), before);
  EXPECT_FALSE(before.figure.same(then.figure));
  EXPECT_FALSE(before.skeleton.same(then.skeleton));
  EXPECT_NE(before.solid, then.solid);
  EXPECT_FALSE(before.wool.same(then.wool));
  EXPECT_FALSE(before.pieces.same(then.pieces));
}

TEST(PlanParts, AFigureUnderTheHandLendsNothingOfTheRest) {
  const Project p = project("red_fox", 160);
  const Plan whole = plannedExactly(p);
  const Project larger = edit::sizedBy(p, 1.2);
  Plan moved = whole; // the figure follows the hand, the rest is of before
  moved.takeFigure(*planFigure(larger, shelf()));
  const Plan then = after(larger, moved);
  EXPECT_TRUE(then.figure.same(moved.figure)) << "the figure is known";
  EXPECT_FALSE(then.wool.same(moved.wool));
  EXPECT_EQ(toJson(then).dump(), toJson(plannedExactly(larger)).dump());
  // And back: the figure of the hand must not be taken for the first one.
  const Plan back = after(p, moved);
  EXPECT_EQ(toJson(back).dump(), toJson(whole).dump());
}

TEST(PlanParts, CopiesShareTheirParts) {
  const Plan one = planned(project("red_fox", 160));
  const Plan two = one;
  EXPECT_TRUE(sameFigure(one, two));
  EXPECT_EQ(&*one.figure, &*two.figure);
  EXPECT_TRUE(one.wool.same(two.wool));
  EXPECT_TRUE(Plan().figure->limbs.empty()) << "an empty plan reads as an empty figure";
}

class AnyEdits : public ::testing::TestWithParam<const char*> {};

TEST_P(AnyEdits, TakingOverNeverMakesAnotherPlan) {
  std::mt19937 chance(7);
  const auto pick = [&](int below) { return std::uniform_int_distribution<int>(0, below - 1)(chance); };
  Project p = project(GetParam(), 160);
  Plan now = plannedExactly(p);
  int taken = 0;
  for (int k = 0; k < 14; ++k) {
    const int l = pick(static_cast<int>(now.figure->limbs.size()));
    Project next = p;
    switch (pick(11)) {
    case 0:
      next = edit::feltedStep(p, now, l, pick(2) ? 1 : -1);
      break;
    case 1:
      if (auto made = edit::wireStepped(p, now, l, pick(2) ? 1 : -1)) next = *made;
      break;
    case 2:
      next = edit::sizedBy(p, pick(2) ? 1.05 : 0.95);
      break;
    case 3:
      next.construction = kConstructions[static_cast<size_t>(pick(static_cast<int>(kConstructions.size())))];
      break;
    case 4:
      next = *edit::coatLaid(p, 1.0 + pick(3));
      break;
    case 5:
      next = *edit::wireAdded(p, {"w", "aluminium-annealed", 0.8 + 0.4 * pick(5), 0, 0, 1, {}});
      break;
    case 6:
      next.wool.markings = {{"bib", Tone::Dark, View::Side, {{0, 0}, {1, 0}, {1, 1}, {0, 1}}, true, {}}};
      break;
    case 7:
      next = *edit::allowanceSet(p, {}, allowanceFields[static_cast<size_t>(pick(5))], 5);
      break;
    case 8:
      next.mostWires = 1 + pick(4);
      break;
    case 9:
      next.wool.ball = TestBall{30, 1.6 + 0.2 * pick(3), Firmness::Medium, {30, 30, 30}};
      break;
    default:
      next.use = static_cast<Use>(pick(3));
    }
    const auto scratch = plan(next, shelf(), {nullptr, false, 2.5});
    if (!scratch) continue;
    const Plan then = after(next, now);
    ASSERT_EQ(toJson(then).dump(), toJson(*scratch).dump()) << GetParam() << ", change " << k;
    taken += then.figure.same(now.figure) ? 1 : 0;
    p = next;
    now = then;
  }
  EXPECT_GT(taken, 4);
}

INSTANTIATE_TEST_SUITE_P(Animals, AnyEdits, ::testing::Values("red_fox", "heron", "beetle", "toy_bear"));
