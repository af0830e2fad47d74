// How far the work is, from its record, and what can be done now.
#include "written_record.h"

#include "make/session_search.h"
#include "steps/progress.h"
#include "steps/steps_of.h"

using namespace columna;
using namespace columna::test;

namespace {

StepState stateOf(const StepPlan& plan, const Progress& p, const char* id) {
  return p.steps[static_cast<size_t>(*plan.find(id))].state;
}

} // namespace

TEST(Progress, GoesByTheRecordAlone) {
  const StepPlan plan = fourSteps();
  WrittenRecord w;
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
  w.withdraw(5, 600);
  p = progressOf(plan, w.entries, at(700));
  EXPECT_EQ(stateOf(plan, p, "stay/hips"), StepState::Ready);
  EXPECT_EQ(stateOf(plan, p, "wind/trunk"), StepState::Later);
  w.withdraw(6, 601);
  p = progressOf(plan, w.entries, at(700));
  EXPECT_EQ(stateOf(plan, p, "wind/trunk"), StepState::Ready);
}

TEST(Progress, LeftOutHoldsNothingUpAndClocksSetBackGiveNoMinutes) {
  const StepPlan plan = fourSteps();
  WrittenRecord w;
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
  const StepPlan plan = fourSteps();
  WrittenRecord w;
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
