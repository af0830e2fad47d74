// What a maker at the bench asks: what is next, what dries, what was read, and what to look at.
#include "written_record.h"

#include "steps/at_bench.h"
#include "steps/pace_of.h"
#include "steps/session_events.h"
#include "steps/steps_of.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

/// Four steps in a row, and ears beside them.
StepPlan five() {
  StepPlan out = fourSteps();
  Step ears;
  ears.id = "flats/ears";
  ears.words = say("cut the ears");
  ears.planned = 24;
  ears.bench = Bench::FlatFelt;
  ears.goals.push_back({Goal::What::Weight, 1.2, 0.2, 0, say("flat felt")});
  ears.goals.push_back({Goal::What::Round, 70, 2, 35, say("round")});
  out.steps.push_back(ears);
  return out;
}

std::optional<int> next(const StepPlan& plan, const WrittenRecord& w, double minute,
                        const std::vector<int>& order = {}, const std::set<std::string>& putOff = {}) {
  return nextStep(plan, progressOf(plan, w.entries, at(minute)), order, putOff);
}

} // namespace

TEST(AtBench, TheNextStepIsTheOneUnderWayElseThePlannedOneThatCanBeDone) {
  const StepPlan plan = five();
  WrittenRecord w;
  EXPECT_EQ(next(plan, w, 0), 0);
  EXPECT_EQ(next(plan, w, 0, {4, 0, 1, 2, 3}), 4) << "the sessions' order goes before the plan's";
  EXPECT_EQ(next(plan, w, 0, {1, 2, 3, 0, 4}), 0) << "what cannot begin is passed over";
  EXPECT_EQ(next(plan, w, 0, {}, {"print/sheet"}), 4) << "put off";
  EXPECT_EQ(next(plan, w, 0, {}, {"print/sheet", "flats/ears"}), 0) << "all put off: the first again";
  w.add(EntryKind::Begin, "flats/ears", 1);
  EXPECT_EQ(next(plan, w, 2), 4);
  w.add(EntryKind::Pause, "flats/ears", 3);
  EXPECT_EQ(next(plan, w, 4), 4) << "what is begun is gone on with";
  EXPECT_EQ(next(plan, w, 4, {}, {"flats/ears"}), 0);
  w.add(EntryKind::Done, "flats/ears", 5);
  w.add(EntryKind::Done, "print/sheet", 5);
  w.add(EntryKind::Done, "shape/spine", 6);
  w.add(EntryKind::Done, "stay/hips", 7);
  EXPECT_EQ(next(plan, w, 8), std::nullopt) << "the glue dries";
  EXPECT_EQ(next(plan, w, 7 + 480), 3);
}

TEST(AtBench, WhatDriesTellsWhenAndWhatItHoldsUp) {
  const StepPlan plan = five();
  WrittenRecord w;
  for (const char* id : {"print/sheet", "shape/spine", "stay/hips"}) w.add(EntryKind::Done, id, 10);
  const auto drying = dryingNow(plan, progressOf(plan, w.entries, at(60)));
  ASSERT_EQ(drying.size(), 1U);
  EXPECT_EQ(plan.steps[static_cast<size_t>(drying[0].step)].id, "stay/hips");
  EXPECT_EQ(drying[0].until, at(10 + 480));
  EXPECT_EQ(drying[0].lowest, at(10 + 240));
  EXPECT_EQ(drying[0].holds, std::vector<int>{3});
  EXPECT_TRUE(dryingNow(plan, progressOf(plan, w.entries, at(10 + 480))).empty()) << "dry to the minute";
}

TEST(AtBench, TheLastReadingThatCountsIsTheGoals) {
  const StepPlan plan = five();
  const Step& ears = plan.steps[4];
  WrittenRecord w;
  EXPECT_EQ(Readings(w.entries).of(ears, ears.goals[0]), nullptr);
  w.add(EntryKind::WeightRead, "flats/ears", 1).value = 1.0;
  w.add(EntryKind::WeightRead, "flats/ears", 2).value = 1.5;
  Entry& girth = w.add(EntryKind::GirthRead, "flats/ears", 3);
  girth.value = 71;
  girth.along = 35.04;
  Entry& elsewhere = w.add(EntryKind::GirthRead, "flats/ears", 4);
  elsewhere.value = 50;
  elsewhere.along = 10;
  Readings r(w.entries);
  EXPECT_EQ(r.of(ears, ears.goals[0])->value, 1.5);
  EXPECT_EQ(r.of(ears, ears.goals[1])->value, 71) << "at its own place along the limb";
  w.withdraw(1, 5);
  r = Readings(w.entries);
  EXPECT_EQ(r.of(ears, ears.goals[0])->value, 1.0) << "the one before it counts again";
  EXPECT_TRUE(meets(ears.goals[0], 1.4));
  EXPECT_FALSE(meets(ears.goals[0], 1.41));
  EXPECT_TRUE(farOff(ears.goals[0], 3.6));
  EXPECT_TRUE(farOff(ears.goals[0], 0.4));
  EXPECT_FALSE(farOff(ears.goals[0], 3.5));
}

TEST(AtBench, FindsWhatIsOffTooEarlyAndNotDry) {
  const Plan of = planned(project("river_otter", 160));
  const StepPlan plan = five();
  const auto found = [&](const WrittenRecord& w, double minute) {
    std::vector<std::string> ids;
    for (const Finding& f : makeFindings(plan, of.figure, progressOf(plan, w.entries, at(minute)), w.entries))
      ids.push_back(f.id());
    return ids;
  };
  WrittenRecord w;
  for (const char* id : {"print/sheet", "shape/spine"}) w.add(EntryKind::Done, id, 0);
  w.add(EntryKind::WeightRead, "flats/ears", 1).value = 1.3;
  EXPECT_TRUE(found(w, 2).empty()) << "within its tolerance";
  w.add(EntryKind::WeightRead, "flats/ears", 2).value = 2;
  EXPECT_EQ(found(w, 3).size(), 1U);
  w.add(EntryKind::Done, "wind/trunk", 4); // before the stay
  EXPECT_EQ(found(w, 5).size(), 2U);
  w.withdraw(w.entries.size() - 1, 6);
  w.add(EntryKind::Done, "stay/hips", 10);
  w.add(EntryKind::Done, "wind/trunk", 10 + 239); // a minute short of the least it may dry
  EXPECT_EQ(found(w, 300).size(), 2U);
  w.withdraw(w.entries.size() - 1, 301);
  w.add(EntryKind::Done, "wind/trunk", 10 + 241); // told late, though dry in time
  EXPECT_EQ(found(w, 302).size(), 1U);
}

TEST(AtBench, HandsAreCountedSinceTheirLastRest) {
  constexpr double rest = 10;
  WrittenRecord w;
  const auto worked = [&](double minute) { return sinceRest(w.entries, at(minute), rest); };
  EXPECT_EQ(worked(0), 0) << "nothing is begun";
  w.add(EntryKind::Begin, "a", 0);
  EXPECT_NEAR(worked(25), 25, 1e-6);
  w.add(EntryKind::Pause, "a", 30);
  EXPECT_NEAR(worked(34), 30, 1e-6) << "a short gap is no rest, and no work";
  w.add(EntryKind::Begin, "b", 36);
  EXPECT_NEAR(worked(50), 44, 1e-6);
  w.add(EntryKind::Done, "b", 56);
  EXPECT_NEAR(worked(60), 50, 1e-6);
  EXPECT_EQ(worked(66), 0) << "ten minutes are a rest";
  w.add(EntryKind::Resume, "a", 80);
  EXPECT_NEAR(worked(85), 5, 1e-6);
  // A step begun while another runs goes on without a gap.
  w.add(EntryKind::Begin, "c", 90);
  EXPECT_NEAR(worked(95), 15, 1e-6);
  // Over night, the usual time taken: nobody worked that long.
  Entry& usual = w.add(EntryKind::Done, "c", 700);
  usual.by = EntryBy::Usual;
  usual.value = 20;
  EXPECT_EQ(worked(701), 0);
  // A clock set back gives nothing below nought.
  w.add(EntryKind::Begin, "d", 650);
  EXPECT_GE(worked(600), 0);
}

TEST(AtBench, WoolIsOnWithItsStepInWhateverOrder) {
  for (const char* animal : {"river_otter", "horse", "owl"}) { // with a mane, and with discs of feathers
    const Project p = project(shelf().pattern(animal) ? animal : "river_otter", 160);
    const Plan of = planned(p);
    const StepPlan plan = stepsOf(p, shelf(), of, faceSums(p, shelf(), of).get());
    const auto build = buildSteps(of.figure, of.wool);
    WrittenRecord w;
    const auto on = [&] {
      const auto flags = woolOn(plan, progressOf(plan, w.entries, at(1e6)), build);
      EXPECT_EQ(flags.size(), build.size());
      return flags;
    };
    const auto none = on();
    EXPECT_EQ(std::count(none.begin(), none.end(), true), 0) << animal;
    double minute = 1;
    // From the last to the first: each is on with its own step, and nothing before it.
    for (size_t b = build.size(); b-- > 0;) {
      bool stepped = false;
      for (const Step& s : plan.steps)
        if (s.build == static_cast<int>(b)) {
          w.add(EntryKind::Done, s.id, minute++);
          stepped = true;
        }
      if (!stepped) continue;
      const auto flags = on();
      EXPECT_TRUE(flags[b]) << animal << ' ' << b;
      if (b > 0 && build[b - 1].kind != build[b].kind) {
        EXPECT_FALSE(flags[b - 1]) << animal << ' ' << b;
      }
    }
    const auto all = on();
    EXPECT_EQ(std::count(all.begin(), all.end(), false), 0) << animal;
  }
}

TEST(PaceOf, IsTheShippedOneUntilStepsAreTimed) {
  const StepPlan plan = five();
  WrittenRecord w;
  const MakersPace none = paceOf(plan, progressOf(plan, w.entries, at(0)), w.entries, shelf().hand);
  EXPECT_EQ(none.steps, 0);
  for (const double f : none.factor) EXPECT_EQ(f, 1);
  double all = 0;
  for (const Step& s : plan.steps) all += s.planned;
  // The mean is what is planned; the middle of a wide spread lies under it.
  EXPECT_LT(none.left.middle, all);
  EXPECT_GT(none.left.middle, 0.8 * all);
  EXPECT_LT(none.left.low, 0.7 * all);
  EXPECT_GT(none.left.high, 1.3 * all);
}

TEST(PaceOf, FollowsAQuickHandAndNotAClockLeftRunning) {
  const Project p = project("river_otter", 160);
  const Plan of = planned(p);
  const StepPlan plan = stepsOf(p, shelf(), of, faceSums(p, shelf(), of).get());
  const auto after = [&](bool overnight, EntryBy by) {
    WrittenRecord w;
    double minute = 0;
    int done = 0;
    for (const Step& s : plan.steps) {
      if (s.pace != PaceKind::CoreFirm || s.planned <= 0) continue;
      w.add(EntryKind::Begin, s.id, minute);
      minute += overnight && done == 3 ? 600 : 0.7 * s.planned;
      Entry& e = w.add(EntryKind::Done, s.id, minute);
      if (overnight && done == 3) {
        e.by = by;
        if (by == EntryBy::Usual) e.value = s.planned;
      }
      if (++done == 12) break;
    }
    EXPECT_EQ(done, 12);
    return paceOf(plan, progressOf(plan, w.entries, at(minute)), w.entries, shelf().hand);
  };
  const MakersPace quick = after(false, EntryBy::Typed);
  const MakersPace slept = after(true, EntryBy::Typed);
  const MakersPace usual = after(true, EntryBy::Usual);
  EXPECT_EQ(quick.steps, 12);
  EXPECT_LT(quick.factor[static_cast<size_t>(PaceKind::CoreFirm)], 0.85);
  EXPECT_GT(quick.factor[static_cast<size_t>(PaceKind::CoreFirm)], 0.65);
  EXPECT_LT(quick.factor[static_cast<size_t>(PaceKind::Face)], 1) << "the same hand";
  EXPECT_GT(quick.factor[static_cast<size_t>(PaceKind::Face)],
            quick.factor[static_cast<size_t>(PaceKind::CoreFirm)])
      << "but another kind of work";
  EXPECT_NEAR(slept.left.middle / quick.left.middle, 1, 0.03) << "left running overnight";
  EXPECT_EQ(usual.steps, 11) << "the usual time teaches nothing";
}

TEST(SessionCalendar, HasAnEventASessionThatIsTheSameWhenWrittenAgain) {
  const StepPlan plan = five();
  const std::vector<PlannedSession> sessions{
      {20 * 60, 20 * 60 + 90, {{0, 1202, 1212, 10, 10, 10}, {1, 1215, 1245, 30, 30, 30}}},
      {2 * kDay + 1200, 2 * kDay + 1290, {{3, 2 * kDay + 1203, 2 * kDay + 1263, 60, 60, 60}}}};
  const auto text = [&](std::int64_t written) {
    return sessionCalendar(plan, sessions, "Otter on watch", "river_otter", *dateOf("2026-12-01"), written);
  };
  const std::string one = text(kStart);
  size_t events = 0;
  for (size_t at_ = one.find("BEGIN:VEVENT"); at_ != std::string::npos;
       at_ = one.find("BEGIN:VEVENT", at_ + 1))
    ++events;
  EXPECT_EQ(events, 2U);
  EXPECT_NE(one.find("DTSTART:20261201T200000"), std::string::npos);
  EXPECT_NE(one.find("DTSTART:20261203T200000"), std::string::npos);
  const auto uid = [](const std::string& of) { return of.substr(of.find("UID:"), 60); };
  EXPECT_EQ(uid(one), uid(text(kStart + 86400)));
}

TEST(ShownBy, CutsAndLengthsAreReadAgainstThePlanAndStandInsAreNot) {
  const Project p = project("river_otter", 160);
  const Plan of = planned(p);
  const StepPlan plan = stepsOf(p, shelf(), of, faceSums(p, shelf(), of).get());
  WrittenRecord w;
  double minute = 0;
  int cuts = 0;
  for (const Step& s : plan.steps)
    for (const Goal& g : s.goals)
      if (g.what == Goal::What::Long && s.id.starts_with("cut/")) {
        Entry& read = w.add(EntryKind::LengthRead, s.id, minute++);
        read.value = g.value + 2;
        read.text = goalMark(s, g);
        Entry& practised = w.add(EntryKind::LengthRead, s.id, minute++);
        practised.text = goalMark(s, g);
        practised.value = g.value + 80;
        practised.by = EntryBy::StandIn;
        ++cuts;
      }
  const HandFigure shown = shownBy(plan, progressOf(plan, w.entries, at(minute)), w.entries);
  if (cuts > 0) {
    ASSERT_TRUE(shown.factors.contains("wire_cut"));
    EXPECT_EQ(shown.factors.at("wire_cut").size(), static_cast<size_t>(cuts));
    for (const double x : shown.factors.at("wire_cut")) EXPECT_NEAR(x, 2, 1e-9);
  }
  EXPECT_TRUE(shown.paces.empty()) << "nothing was timed";
}

TEST(ShownBy, FeltsDensityIsWhatIsOnOverTheGirthSquared) {
  const Project p = project("river_otter", 160);
  const Plan of = planned(p);
  const StepPlan plan = stepsOf(p, shelf(), of, faceSums(p, shelf(), of).get());
  WrittenRecord w;
  double minute = 0;
  const auto read = [&](const char* id, Goal::What what, double ratio, EntryBy by = EntryBy::Typed) {
    for (const Goal& g : plan.steps[static_cast<size_t>(plan.find(id).value_or(0))].goals)
      if (g.what == what) {
        Entry& e = w.add(readingOf(what), id, minute++);
        e.value = ratio * g.value;
        e.by = by;
        if (g.along > 0) e.along = g.along;
      }
  };
  const auto shown = [&] {
    const auto found = shownBy(plan, progressOf(plan, w.entries, at(minute)), w.entries).factors;
    const auto dense = found.find("felt_density");
    return dense == found.end() ? std::vector<double>() : dense->second;
  };
  read("firm/trunk", Goal::What::Round, 1.01);
  EXPECT_TRUE(shown().empty()) << "a girth says nothing without a weight";
  read("wind/trunk", Goal::What::Weight, 2, EntryBy::StandIn);
  EXPECT_TRUE(shown().empty());
  read("wind/trunk", Goal::What::Weight, 0.9125);
  ASSERT_EQ(shown().size(), 1U);
  EXPECT_NEAR(shown()[0], std::log(0.9125 / (1.01 * 1.01)), 1e-9);
  // A weight alone is none either.
  read("wind/tail", Goal::What::Weight, 1.1);
  EXPECT_EQ(shown().size(), 1U);
}

TEST(HandTraits, NarrowWithEveryFigure) {
  HandFigure one;
  one.project = "a";
  for (int i = 0; i < 8; ++i) one.paces.push_back({std::string(id(PaceKind::Coat)), std::log(0.73), 30});
  one.factors["wire_cut"] = {3, 2, 4, 3};
  HandFigure two = one;
  two.project = "b";
  const auto first = handTraits({&one}, shelf().hand);
  const auto then = handTraits({&one, &two}, shelf().hand);
  ASSERT_EQ(first.size(), 2U);
  ASSERT_EQ(then.size(), 2U);
  EXPECT_EQ(first[0].id, id(PaceKind::Coat));
  EXPECT_LT(first[0].now.high / first[0].now.low, first[0].usual.high / first[0].usual.low);
  EXPECT_LT(then[0].now.high / then[0].now.low, first[0].now.high / first[0].now.low);
  EXPECT_LT(then[0].now.middle, 1);
  EXPECT_EQ(then[0].readings, 16);
  // The same cuts of one figure as they were reckoned outside: 2.4432 mm (-0.1743 to 5.0606).
  EXPECT_NEAR(first[1].now.middle, 2.4432, 1e-3);
  EXPECT_NEAR(first[1].now.low, -0.1743, 1e-3);
  EXPECT_NEAR(first[1].now.high, 5.0606, 1e-3);
  EXPECT_FALSE(first[1].ratio);
  EXPECT_TRUE(handTraits({}, shelf().hand).empty());
}

TEST(PaceOf, GoesByEarlierFiguresUntilThisOneSpeaks) {
  const StepPlan plan = five();
  const WrittenRecord w;
  HandFigure quick;
  quick.project = "a";
  for (int i = 0; i < 12; ++i) quick.paces.push_back({std::string(id(PaceKind::Around)), std::log(0.6), 20});
  const Progress none = progressOf(plan, w.entries, at(0));
  const MakersPace with = paceOf(plan, none, w.entries, shelf().hand, {&quick});
  const MakersPace without = paceOf(plan, none, w.entries, shelf().hand);
  EXPECT_EQ(with.figures, 1);
  EXPECT_LT(with.left.middle, without.left.middle);
  EXPECT_LT(with.factor[static_cast<size_t>(PaceKind::Around)], 0.9);
}

TEST(AtBench, TwoGoalsThatAreReadAlikeAreToldApartByTheirWords) {
  Step cut;
  cut.id = "cut/thin";
  cut.goals = {{Goal::What::Long, 92, 2, 0, say("foreleg lashing")},
               {Goal::What::Long, 113, 2, 0, say("hindleg lashing")}};
  WrittenRecord w;
  for (const Goal& g : cut.goals) {
    Entry& e = w.add(EntryKind::LengthRead, cut.id, 1);
    e.value = g.value + 1;
    e.text = goalMark(cut, g);
    EXPECT_FALSE(e.text.empty());
  }
  const Readings r(w.entries);
  EXPECT_EQ(r.of(cut, cut.goals[0])->value, 93);
  EXPECT_EQ(r.of(cut, cut.goals[1])->value, 114);
  cut.goals.pop_back();
  EXPECT_TRUE(goalMark(cut, cut.goals[0]).empty()) << "one alone needs no mark";
}
