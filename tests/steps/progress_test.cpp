// How far the work is, from its record, and what can be done now.
#include "support.h"

#include "make/session_search.h"
#include "steps/progress.h"
#include "steps/steps_of.h"

#include <fmt/format.h>

using namespace columna;
using namespace columna::test;

namespace {

constexpr std::int64_t kStart = 1'764'000'000;

std::string stampAt(std::int64_t seconds) {
  const auto day = seconds / 86400;
  const Date date{std::chrono::sys_days{std::chrono::days(day)}};
  const auto rest = seconds % 86400;
  return fmt::format("{}T{:02}:{:02}:{:02}Z", dateText(date), rest / 3600, rest % 3600 / 60, rest % 60);
}

/// A record that is written as the work goes.
class Writing {
public:
  std::vector<Entry> entries;
  Entry& add(EntryKind kind, const std::string& step, double minute) {
    Entry e;
    e.n = static_cast<int>(entries.size()) + 1;
    e.id = "e" + std::to_string(e.n);
    e.at = stampAt(kStart + std::llround(60 * minute));
    e.kind = kind;
    e.step = step;
    entries.push_back(e);
    return entries.back();
  }
};

std::int64_t at(double minute) { return kStart + std::llround(60 * minute); }

/// Print, shape, stay that dries eight hours, wind.
StepPlan four() {
  StepPlan out;
  const auto add = [&](const char* id, double minutes, double wait, Bench bench) {
    Step s;
    s.id = id;
    s.planned = minutes;
    s.wait = wait;
    s.bench = bench;
    s.pausable = wait <= 0;
    out.steps.push_back(s);
  };
  add("print/sheet", 10, 0, Bench::Paper);
  add("shape/spine", 30, 0, Bench::Wire);
  add("stay/hips", 3, 480, Bench::Glue);
  add("wind/trunk", 60, 0, Bench::CoreWool);
  out.edges = {{0, 1, say("a")}, {1, 2, say("b")}, {2, 3, say("c")}};
  return out;
}

StepState stateOf(const StepPlan& plan, const Progress& p, const char* id) {
  return p.steps[static_cast<size_t>(*plan.find(id))].state;
}

} // namespace

TEST(Progress, GoesByTheRecordAlone) {
  const StepPlan plan = four();
  Writing w;
  Progress p = progressOf(plan, w.entries, at(0));
  EXPECT_EQ(stateOf(plan, p, "print/sheet"), StepState::Ready);
  EXPECT_EQ(stateOf(plan, p, "shape/spine"), StepState::Later);
  w.add(EntryKind::Begin, "print/sheet", 0);
  p = progressOf(plan, w.entries, at(4));
  EXPECT_EQ(stateOf(plan, p, "print/sheet"), StepState::UnderWay);
  EXPECT_NEAR(p.steps[0].spent, 4, 1e-9);
  w.add(EntryKind::Pause, "print/sheet", 5);
  w.add(EntryKind::Resume, "print/sheet", 65);
  w.add(EntryKind::Done, "print/sheet", 70);
  p = progressOf(plan, w.entries, at(70));
  EXPECT_EQ(stateOf(plan, p, "print/sheet"), StepState::Done);
  EXPECT_NEAR(p.steps[0].spent, 10, 1e-9);
  EXPECT_EQ(stateOf(plan, p, "shape/spine"), StepState::Ready);
  // The glue dries: what follows is not ready a minute before it is, and ready then.
  w.add(EntryKind::Done, "shape/spine", 100);
  w.add(EntryKind::Done, "stay/hips", 110);
  p = progressOf(plan, w.entries, at(110 + 479));
  EXPECT_EQ(stateOf(plan, p, "stay/hips"), StepState::Drying);
  EXPECT_EQ(stateOf(plan, p, "wind/trunk"), StepState::Later);
  EXPECT_EQ(p.steps[3].ready, at(110 + 480));
  p = progressOf(plan, w.entries, at(110 + 480));
  EXPECT_EQ(stateOf(plan, p, "stay/hips"), StepState::Done);
  EXPECT_EQ(stateOf(plan, p, "wind/trunk"), StepState::Ready);
  // Withdrawn it is not done after all; and withdrawing that brings it back.
  w.add(EntryKind::Withdraw, "", 600).of = w.entries[5].id;
  p = progressOf(plan, w.entries, at(700));
  EXPECT_EQ(stateOf(plan, p, "stay/hips"), StepState::Ready);
  EXPECT_EQ(stateOf(plan, p, "wind/trunk"), StepState::Later);
  w.add(EntryKind::Withdraw, "", 601).of = w.entries[6].id;
  p = progressOf(plan, w.entries, at(700));
  EXPECT_EQ(stateOf(plan, p, "wind/trunk"), StepState::Ready);
}

TEST(Progress, LeftOutHoldsNothingUpAndClocksSetBackGiveNoMinutes) {
  const StepPlan plan = four();
  Writing w;
  w.add(EntryKind::LeaveOut, "print/sheet", 0);
  w.add(EntryKind::LeaveOut, "shape/spine", 0);
  w.add(EntryKind::LeaveOut, "stay/hips", 0);
  Progress p = progressOf(plan, w.entries, at(1));
  EXPECT_EQ(stateOf(plan, p, "stay/hips"), StepState::LeftOut);
  EXPECT_EQ(stateOf(plan, p, "wind/trunk"), StepState::Ready) << "nothing dries of what was left out";
  w.add(EntryKind::TakenUp, "stay/hips", 2);
  p = progressOf(plan, w.entries, at(3));
  EXPECT_EQ(stateOf(plan, p, "stay/hips"), StepState::Ready);
  w.add(EntryKind::Begin, "stay/hips", 10);
  w.add(EntryKind::Done, "stay/hips", -1440); // the clock was set back a day
  p = progressOf(plan, w.entries, at(20));
  EXPECT_EQ(p.steps[2].spent, 0);
  // What the plan has no more is told, and frees nothing.
  w.add(EntryKind::Done, "wind/antler", 30);
  EXPECT_EQ(progressOf(plan, w.entries, at(40)).gone, std::vector<std::string>{"wind/antler"});
  // The usual minutes for a clock that was left running.
  w.add(EntryKind::Begin, "wind/trunk", 600);
  w.add(EntryKind::Done, "wind/trunk", 1400).value = 60;
  EXPECT_EQ(progressOf(plan, w.entries, at(1500)).steps[3].spent, 60);
}

TEST(Progress, WhatIsLeftIsPlacedAfterWhatDries) {
  const StepPlan plan = four();
  Writing w;
  w.add(EntryKind::Done, "print/sheet", 10);
  w.add(EntryKind::Done, "shape/spine", 40);
  w.add(EntryKind::Done, "stay/hips", 45);
  w.add(EntryKind::Begin, "wind/trunk", 530);
  const Progress p = progressOf(plan, w.entries, at(545));
  const auto moment = [](std::int64_t s) { return static_cast<int>((s - kStart) / 60); };
  const StepJobs jobs = jobsOf(plan, p, shelf().steps, 545, moment);
  ASSERT_EQ(jobs.list.jobs.size(), 1U);
  EXPECT_EQ(jobs.list.jobs[0].minutes, 45);
  EXPECT_EQ(jobs.list.jobs[0].release, 45 + 480);
  const StepJobs all = jobsOf(plan, progressOf(plan, {}, at(0)), shelf().steps, 0, moment,
                              [](const Step& s) { return 2 * s.planned; });
  EXPECT_EQ(all.list.jobs.size(), 4U);
  EXPECT_EQ(all.list.follows[2].lag, 480);
  EXPECT_EQ(all.list.jobs[3].minutes, 120);
}

TEST(Progress, WhatFitsIntoFortyMinutesNeverTakesMore) {
  const Project fox = project("red_fox", 180);
  const Plan plan = planned(fox);
  const auto face = faceSums(fox, shelf(), plan);
  const StepPlan steps = stepsOf(fox, shelf(), plan, face.get());
  const StepJobs jobs =
      jobsOf(steps, progressOf(steps, {}, at(0)), shelf().steps, 0, [](std::int64_t) { return 0; });
  for (const int minutes : {0, 1, 12, 40, 90, 600}) {
    const Fitting fits = fitting(steps, jobs, minutes);
    int sum = fits.layMinutes + fits.left;
    for (const Fitting::Piece& p : fits.pieces) {
      sum += p.minutes;
      EXPECT_LE(p.begin + p.minutes, minutes);
      EXPECT_TRUE(p.whole || steps.steps[static_cast<size_t>(p.step)].pausable);
    }
    EXPECT_LE(sum, minutes);
    EXPECT_EQ(fits.pieces.empty(), minutes < 3);
  }
  // All of it in one sitting is never one that would have to dry first.
  const Fitting evening = fitting(steps, jobs, 600);
  for (const Fitting::Piece& p : evening.pieces)
    for (const StepEdge& e : steps.edges)
      if (e.after == p.step) {
        EXPECT_LT(steps.steps[static_cast<size_t>(e.before)].wait, 600);
      }
}

TEST(Progress, AFiguresSessionsHoldAllItsEdges) {
  const Project otter = project("river_otter", 190);
  const Plan plan = planned(otter);
  const auto face = faceSums(otter, shelf(), plan);
  const StepPlan steps = stepsOf(otter, shelf(), plan, face.get());
  const StepJobs jobs =
      jobsOf(steps, progressOf(steps, {}, at(0)), shelf().steps, 0, [](std::int64_t) { return 0; });
  const OpenTime time({readWeek("tue 20:00-21:30, thu 20:00-21:30, sat 10-12").value(), {}},
                      *dateOf("2026-12-01"));
  const SearchedPlan found = searchedPlan(jobs.list, time, {1, 300, {}, nullptr});
  ASSERT_LT(found.plan.finish, OpenTime::kNever);
  EXPECT_GE(found.plan.finish, found.bound.finish);
  for (const Follow& f : jobs.list.follows)
    EXPECT_GE(found.plan.begin[static_cast<size_t>(f.after)],
              found.plan.end[static_cast<size_t>(f.before)] + f.lag);
}
