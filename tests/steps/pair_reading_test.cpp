// The two of a pair side by side: which goals there are a pair of, and when they are alike.
#include "written_record.h"

#include "judge/face_sums.h"
#include "steps/pair_reading.h"
#include "steps/steps_of.h"

using namespace columna;
using namespace columna::test;

namespace {

struct PairedOtter {
  Project of = project("river_otter", 160);
  Plan plan = planned(of);
  std::shared_ptr<const FaceSums> face = faceSums(of, shelf(), plan);
  StepPlan steps = stepsOf(of, shelf(), plan, face.get());
  WrittenRecord record;

  [[nodiscard]] int at(const char* id) const { return steps.find(id).value(); }
  [[nodiscard]] const Goal& goal(int step, Goal::What what) const {
    for (const Goal& g : steps.steps[static_cast<size_t>(step)].goals)
      if (g.what == what) return g;
    throw std::runtime_error("no such goal");
  }
  [[nodiscard]] std::optional<PairReading> pair(const char* id, Goal::What what) const {
    return pairReading(steps, *plan.figure, Readings(record.entries), at(id), goal(at(id), what));
  }
  void read(const char* id, Goal::What what, double value) {
    const Goal& g = goal(at(id), what);
    Entry& e = record.add(readingOf(what), id, 1);
    e.value = value;
    e.along = what == Goal::What::Round ? std::optional(g.along) : std::nullopt;
    e.text = goalMark(steps.steps[static_cast<size_t>(at(id))], g);
  }
};

} // namespace

TEST(PairReading, TellsWhatEachCameToWhicheverIsAskedAbout) {
  PairedOtter o;
  const auto none = o.pair("wind/left-foreleg", Goal::What::Weight);
  ASSERT_TRUE(none);
  EXPECT_FALSE(none->leftRead || none->rightRead || none->apart());
  EXPECT_FALSE(none->alike()) << "what is not read is not alike";
  const Goal& goal = o.goal(o.at("wind/left-foreleg"), Goal::What::Weight);
  o.read("wind/right-foreleg", Goal::What::Weight, goal.value);
  const auto left = o.pair("wind/left-foreleg", Goal::What::Weight);
  EXPECT_TRUE(left->leftHere);
  EXPECT_FALSE(left->leftRead);
  EXPECT_EQ(left->rightRead, goal.value);
  const auto right = o.pair("wind/right-foreleg", Goal::What::Weight);
  EXPECT_FALSE(right->leftHere);
  EXPECT_EQ(right->rightRead, goal.value);
  EXPECT_EQ(left->left, right->left);
  EXPECT_EQ(left->right, right->right);
  // What lies on the scale counts for the one that is asked about, and is in no record.
  EXPECT_TRUE(left->with(goal.value).alike());
  EXPECT_FALSE(right->with(3 * goal.value).apart()) << "the left one is still unread";
  EXPECT_EQ(*left->with(goal.value / 2).apart(), goal.value / 2);
}

TEST(PairReading, IsWithinATenthOfAGramAndOfSmallPartsATenthOfThem) {
  PairedOtter o;
  const StepBook& book = shelf().steps;
  for (const char* id : {"wind/left-foreleg", "wind/left-hindleg"}) {
    const int step = o.at(id);
    const Goal& goal = o.goal(step, Goal::What::Weight);
    const auto pair = o.pair(id, Goal::What::Weight);
    ASSERT_TRUE(pair) << id;
    EXPECT_DOUBLE_EQ(pair->within, std::min(book.pairWeight, book.pairShare * goal.value)) << id;
    PairReading both = *pair;
    both.leftRead = goal.value;
    both.rightRead = goal.value + pair->within;
    EXPECT_TRUE(both.alike()) << id;
    both.rightRead = goal.value + 1.01 * pair->within;
    EXPECT_FALSE(both.alike()) << id;
    std::swap(both.leftRead, both.rightRead);
    EXPECT_LT(*both.apart(), 0) << id;
    EXPECT_FALSE(both.alike()) << id;
  }
}

TEST(PairReading, IsOfPairsAloneAndOfTheSamePlaceOnThem) {
  PairedOtter o;
  for (size_t i = 0; i < o.steps.steps.size(); ++i) {
    const Step& step = o.steps.steps[i];
    for (const Goal& g : step.goals) {
      const auto pair =
          pairReading(o.steps, *o.plan.figure, Readings(o.record.entries), static_cast<int>(i), g);
      const bool twins = step.limb >= 0 && o.plan.figure->limbs[static_cast<size_t>(step.limb)].twin >= 0;
      EXPECT_EQ(pair.has_value(), twins && !step.batch.empty() && g.what != Goal::What::Count) << step.id;
      if (!pair) continue;
      EXPECT_NE(pair->left, pair->right) << step.id;
      EXPECT_EQ(pair->leftHere ? pair->left : pair->right, static_cast<int>(i)) << step.id;
      EXPECT_GT(pair->within, 0) << step.id;
    }
  }
  // Two girths of one part: each beside that in the same place.
  for (const char* id : {"firm/left-hindleg", "firm/right-hindleg"})
    for (const Goal& g : o.steps.steps[static_cast<size_t>(o.at(id))].goals) {
      Entry& e = o.record.add(readingOf(g.what), id, 2);
      e.value = g.value;
      e.along = g.along;
      e.text = goalMark(o.steps.steps[static_cast<size_t>(o.at(id))], g);
    }
  for (const Goal& g : o.steps.steps[static_cast<size_t>(o.at("firm/left-hindleg"))].goals) {
    const auto pair =
        pairReading(o.steps, *o.plan.figure, Readings(o.record.entries), o.at("firm/left-hindleg"), g);
    ASSERT_TRUE(pair && pair->apart());
    EXPECT_NEAR(*pair->apart(), 0, 1e-6);
    EXPECT_TRUE(pair->alike());
  }
}
