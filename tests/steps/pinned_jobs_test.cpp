#include "steps/pinned_jobs.h"

#include "steps/planned_sessions.h"
#include "steps/steps_of.h"
#include "written_record.h"

using namespace columna;
using namespace columna::test;

namespace {

const Date kFirst = *dateOf("2026-12-01"); // a Tuesday

OpenTime evenings() {
  WorkWeek week;
  week.week = *readWeek("tue 20:00-21:30, thu 20:00-21:30, sat 10:00-12:00");
  return {week, kFirst};
}

/// The otter's steps and its jobs.
struct Otter {
  Plan plan = planned(project("river_otter", 160));
  StepPlan steps;
  Otter() {
    const Project p = project("river_otter", 160);
    const auto face = faceSums(p, shelf(), plan);
    steps = stepsOf(p, shelf(), plan, face.get());
  }
  [[nodiscard]] StepJobs jobs() const {
    return jobsOf(steps, progressOf(steps, {}, kStart), shelf().steps, 0, [](std::int64_t) { return 0; });
  }
};
const Otter& otter() {
  static const Otter made;
  return made;
}

SearchedPlan placed(const StepJobs& jobs, const OpenTime& time) {
  return searchedPlan(jobs.list, time, {7, 40, {}, nullptr});
}

/// The moments the sessions begin, those with work.
std::vector<int> begins(const StepJobs& jobs, const SearchedPlan& found, const OpenTime& time) {
  std::vector<int> out;
  for (const PlannedSession& s : plannedSessions(jobs, found, time)) out.push_back(s.from);
  return out;
}

} // namespace

TEST(PinnedJobs, AStepLiesInTheSessionItIsKeptToAndAllElseIsStillPlaced) {
  const OpenTime time = evenings();
  StepJobs free = otter().jobs();
  const SearchedPlan before = placed(free, time);
  ASSERT_LT(before.plan.finish, OpenTime::kNever);
  const std::vector<int> sessions = begins(free, before, time);
  ASSERT_GT(sessions.size(), 6U);
  int tried = 0;
  for (size_t i = 0; i < otter().steps.steps.size(); i += 7) {
    const Step& step = otter().steps.steps[i];
    const auto job = std::find(free.step.begin(), free.step.end(), static_cast<int>(i));
    if (job == free.step.end() || free.list.jobs[static_cast<size_t>(job - free.step.begin())].called)
      continue;
    // Two sessions later than it would be.
    const int begin = before.plan.begin[static_cast<size_t>(job - free.step.begin())];
    const auto now = std::upper_bound(sessions.begin(), sessions.end(), begin);
    const auto later = static_cast<size_t>(now - sessions.begin()) + 1;
    if (later >= sessions.size()) continue;
    StepJobs kept = otter().jobs();
    const auto pinned = pinJobs(kept, {pinAt(step.id, kFirst, sessions[later])}, otter().steps, time, kFirst);
    ASSERT_EQ(pinned.size(), 1U) << step.id;
    EXPECT_EQ(pinned.front().step, static_cast<int>(i));
    const SearchedPlan found = placed(kept, time);
    ASSERT_LT(found.plan.finish, OpenTime::kNever) << step.id;
    EXPECT_TRUE(notHeld(pinned, found.plan).empty()) << step.id;
    EXPECT_GE(found.plan.begin[static_cast<size_t>(pinned.front().job)], sessions[later]);
    EXPECT_EQ(found.plan.order.size(), kept.list.jobs.size());
    // What comes before what is as it was.
    for (const Follow& f : kept.list.follows)
      EXPECT_GE(found.plan.begin[static_cast<size_t>(f.after)],
                found.plan.end[static_cast<size_t>(f.before)] + f.lag);
    ++tried;
  }
  EXPECT_GT(tried, 5);
}

TEST(PinnedJobs, WhatAStepWaitsForIsDoneFirstSoThatItCanBeKept) {
  // The last core of all is wanted early: as soon as the bare need of it allows.
  const OpenTime time = evenings();
  StepJobs free = otter().jobs();
  const SearchedPlan before = placed(free, time);
  const std::vector<int> sessions = begins(free, before, time);
  const auto tail = otter().steps.find("wind/tail");
  ASSERT_TRUE(tail);
  bool sooner = false;
  for (size_t s = 1; s < sessions.size() && !sooner; ++s) {
    StepJobs kept = otter().jobs();
    const auto pinned = pinJobs(kept, {pinAt("wind/tail", kFirst, sessions[s])}, otter().steps, time, kFirst);
    const SearchedPlan found = placed(kept, time);
    if (!notHeld(pinned, found.plan).empty()) continue; // too early even so
    const auto job = static_cast<size_t>(pinned.front().job);
    sooner = found.plan.begin[job] <= before.plan.begin[job];
    EXPECT_TRUE(sooner) << "the first session that can hold it is no later than where it lay by itself";
  }
  EXPECT_TRUE(sooner);
}

TEST(PinnedJobs, WhatCannotBeKeptIsSaidAndWhatIsNoSessionPassedOver) {
  const OpenTime time = evenings();
  StepJobs jobs = otter().jobs();
  const int tuesday = 20 * 60;
  const auto pinned = pinJobs(jobs,
                              {pinAt("look/done", kFirst, tuesday), // the very last, on the first evening
                               pinAt("print/sheet", kFirst, tuesday + 5), // no session begins then
                               pinAt("no/step", kFirst, tuesday)},
                              otter().steps, time, kFirst);
  ASSERT_EQ(pinned.size(), 1U);
  const SearchedPlan found = placed(jobs, time);
  ASSERT_LT(found.plan.finish, OpenTime::kNever);
  EXPECT_EQ(notHeld(pinned, found.plan), std::vector<int>{*otter().steps.find("look/done")});
  // A session that is over keeps nothing.
  StepJobs late = otter().jobs();
  late.list.now = 3 * kDay;
  EXPECT_TRUE(pinJobs(late, {pinAt("print/sheet", kFirst, tuesday)}, otter().steps, time, kFirst).empty());
}
