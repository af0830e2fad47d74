// What a figure's record shows of how far felt shrinks, and of the wool that is lost.
#include "written_record.h"

#include "steps/at_bench.h"
#include "steps/measures.h"
#include "steps/pace_of.h"
#include "steps/steps_of.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

struct Worked {
  Project of = project("river_otter", 160);
  Plan made = planned(of);
  StepPlan plan = stepsOf(of, shelf(), made, faceSums(of, shelf(), made).get());
  WrittenRecord w;
  double minute = 0;

  [[nodiscard]] const Step& step(const std::string& id) const {
    return plan.steps[static_cast<size_t>(plan.find(id).value_or(0))];
  }
  void read(const std::string& id, Goal::What what, double ratio) {
    for (const Goal& g : step(id).goals)
      if (g.what == what) {
        Entry& e = w.add(readingOf(what), id, minute++);
        e.value = ratio * g.value;
        if (g.along > 0) e.along = g.along;
        return;
      }
    ADD_FAILURE() << id;
  }
  /// Every heap weighed as planned but for a factor; planned grams of all.
  double heaps(double ratio, double share = 1) {
    double all = 0;
    double weighed = 0;
    for (const Step& s : plan.steps)
      if (ownHeap(s))
        for (const Goal& g : s.goals) all += g.what == Goal::What::Weight ? g.value : 0;
    for (const Step& s : plan.steps)
      for (const Goal& g : s.goals)
        if (g.what == Goal::What::Weight && ownHeap(s) && weighed < share * all) {
          weighed += g.value;
          read(s.id, g.what, ratio);
        }
    return all;
  }
  /// What the face is padded with is of the head's heap, which has been counted.
  static bool ownHeap(const Step& s) {
    return std::any_of(s.fetch.begin(), s.fetch.end(), [](const Fetch& f) {
      return f.what == Fetch::What::Core || f.what == Fetch::What::Coat;
    });
  }
  void whole(double grams) {
    Entry& e = w.add(EntryKind::WeightRead, kWeighedWhole, minute++);
    e.value = grams;
  }
  void left(const char* limb, double grams) {
    Entry& e = w.add(EntryKind::WeightRead, std::string(kMeasuredLeft), minute++);
    e.limb = limb;
    e.value = grams;
  }
  [[nodiscard]] std::vector<double> shown(const char* factor) const {
    const auto found = shownBy(plan, progressOf(plan, w.entries, at(minute)), w.entries).factors;
    const auto here = found.find(factor);
    return here == found.end() ? std::vector<double>() : here->second;
  }
};

} // namespace

TEST(ShownBy, ShrinkageIsTheGirthFeltedOverTheGirthWoundAgainstThePlans) {
  Worked one;
  one.read("firm/trunk", Goal::What::Round, 1.02);
  EXPECT_TRUE(one.shown("wound_share").empty()) << "nothing says how thick it was wound";
  one.read("wind/trunk", Goal::What::Round, 1.10);
  ASSERT_EQ(one.shown("wound_share").size(), 1U);
  EXPECT_NEAR(one.shown("wound_share")[0], std::log(1.02 / 1.10), 1e-9);
  one.w.withdraw(1, one.minute);
  EXPECT_TRUE(one.shown("wound_share").empty());
  // Of one part nothing is said by another.
  one.read("wind/tail", Goal::What::Round, 1);
  EXPECT_TRUE(one.shown("wound_share").empty());
}

TEST(ShownBy, WoolLostIsWhatWasTakenAndIsNeitherOnItNorLeft) {
  Worked one;
  const double wool = one.heaps(1.06);
  ASSERT_GT(wool, 5);
  EXPECT_TRUE(one.shown("wool_lost").empty()) << "the figure is not weighed";
  const double planned = one.step(kWeighedWhole).goals.front().value;
  one.whole(planned);
  ASSERT_EQ(one.shown("wool_lost").size(), 1U);
  EXPECT_NEAR(std::exp(one.shown("wool_lost")[0]), 0.06 / 1.06, 1e-6);
  // What was weighed back is not lost; what was left while the part was still wound, is no rest.
  one.left("trunk", 0.02 * wool);
  EXPECT_NEAR(std::exp(one.shown("wool_lost")[0]), 0.04 / 1.04, 1e-6);
  one.w.add(EntryKind::Begin, "wind/trunk", one.minute++);
  one.w.add(EntryKind::Done, "wind/trunk", one.minute++).limb = "trunk";
  EXPECT_NEAR(std::exp(one.shown("wool_lost")[0]), 0.06 / 1.06, 1e-6);
  one.left("trunk", 0.01 * wool);
  EXPECT_NEAR(std::exp(one.shown("wool_lost")[0]), 0.05 / 1.05, 1e-6);
}

TEST(ShownBy, NoLossIsReadWhereTooLittleWasWeighedAndNoneBelowWhatAScaleTells) {
  Worked part;
  part.heaps(1.06, 0.6);
  part.whole(part.step(kWeighedWhole).goals.front().value);
  EXPECT_TRUE(part.shown("wool_lost").empty());
  Worked heavier;
  heavier.heaps(1);
  heavier.whole(heavier.step(kWeighedWhole).goals.front().value * 1.01); // more on it than was taken
  ASSERT_EQ(heavier.shown("wool_lost").size(), 1U);
  EXPECT_NEAR(std::exp(heavier.shown("wool_lost")[0]), 0.002, 1e-9);
}

TEST(HandTraits, LossAndShrinkageGoByTheirOwnPriors) {
  HandFigure one;
  one.project = "a";
  one.factors["wool_lost"] = {std::log(0.08), std::log(0.06)};
  one.factors["wound_share"] = {std::log(0.62 / 0.65)};
  const auto traits = handTraits({&one}, shelf().hand);
  ASSERT_EQ(traits.size(), 2U);
  // As they were reckoned outside.
  EXPECT_NEAR(traits[0].now.middle, 0.9623, 1e-3);
  EXPECT_NEAR(traits[0].now.low, 0.8706, 1e-3);
  EXPECT_NEAR(traits[0].now.high, 1.0638, 1e-3);
  EXPECT_NEAR(traits[1].now.middle, 0.0653, 1e-3);
  EXPECT_NEAR(traits[1].now.low, 0.0324, 1e-3);
  EXPECT_NEAR(traits[1].now.high, 0.1315, 1e-3);
}

namespace {

/// The minutes between steps, of stations by turns; what is shown of it.
std::vector<double> laid(const std::vector<double>& gaps, EntryBy by = EntryBy::Timer) {
  StepPlan plan = fourSteps();
  plan.layOut = shelf().steps.layOut;
  WrittenRecord w;
  double minute = 0;
  for (size_t i = 0; i <= gaps.size(); ++i) {
    const Step& s = plan.steps[i];
    w.add(EntryKind::Begin, s.id, minute);
    minute += s.planned;
    Entry& done = w.add(EntryKind::Done, s.id, minute);
    done.by = by;
    if (by == EntryBy::Usual) done.value = s.planned;
    if (i < gaps.size()) minute += gaps[i];
  }
  const auto factors = shownBy(plan, progressOf(plan, w.entries, at(minute)), w.entries).factors;
  const auto found = factors.find("lay_out");
  return found == factors.end() ? std::vector<double>() : found->second;
}

} // namespace

TEST(ShownBy, TheBenchIsLaidOutBetweenStepsOfTwoStations) {
  const auto& usual = shelf().steps.layOut;
  const double wire = usual[static_cast<size_t>(Bench::Wire)];
  const double glue = usual[static_cast<size_t>(Bench::Glue)];
  const std::vector<double> x = laid({2 * wire, glue});
  ASSERT_EQ(x.size(), 2U);
  EXPECT_NEAR(x[0], std::log(2), 1e-9);
  EXPECT_NEAR(x[1], 0, 1e-9);
  EXPECT_EQ(laid({0, glue}).size(), 1U) << "in no time at all it was laid out already";
  EXPECT_EQ(laid({10, glue}).size(), 1U) << "the hands had their rest";
  EXPECT_EQ(laid({900, glue}).size(), 1U) << "another evening";
  EXPECT_TRUE(laid({wire, glue}, EntryBy::Usual).empty()) << "when it ended is not known";
}

TEST(HandTraits, LayingOutIsLearntAndTakesItsMinutesInTheSessions) {
  StepPlan plan = fourSteps();
  HandFigure slow;
  slow.project = "p";
  slow.factors["lay_out"] = std::vector<double>(12, std::log(2));
  const Progress none = progressOf(plan, {}, at(0));
  const MakersPace usual = paceOf(plan, none, {}, shelf().hand);
  const MakersPace taught = paceOf(plan, none, {}, shelf().hand, {&slow});
  EXPECT_EQ(usual.layOut, 1);
  EXPECT_GT(taught.layOut, 1.6);
  EXPECT_LT(taught.layOut, 2);
  for (size_t k = 0; k < kPaceKinds; ++k) EXPECT_EQ(taught.factor[k], 1) << "the work itself is as quick";
  const auto lays = [&](const MakersPace& pace) {
    return jobsOf(
               plan, none, shelf().steps, 0, [](std::int64_t) { return 0; }, {}, pace.layOut)
        .list.layOut;
  };
  const std::vector<int> before = lays(usual);
  const std::vector<int> after = lays(taught);
  ASSERT_EQ(before.size(), kBenches);
  for (size_t k = 0; k < kBenches; ++k) {
    EXPECT_EQ(before[k], std::lround(shelf().steps.layOut[k]));
    EXPECT_EQ(after[k], std::lround(taught.layOut * shelf().steps.layOut[k]));
  }
  const std::vector<HandTrait> traits = handTraits({&slow}, shelf().hand);
  ASSERT_EQ(traits.size(), 1U);
  EXPECT_EQ(traits[0].id, "lay_out");
  EXPECT_TRUE(traits[0].ratio);
  EXPECT_EQ(traits[0].readings, 12);
}
