// Sessions: the maker's week, how early it could be done at all, and what is placed into it.
#include "drawn_work.h"
#include "support.h"

#include "make/session_search.h"

#include <numeric>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

// Tuesday 1 December 2026 is the calendar's first day in all of them.
constexpr Date kFirst{std::chrono::year(2026), std::chrono::December, std::chrono::day(1)};
constexpr int kTue = 0, kThu = 2 * kDay, kSat = 4 * kDay;

int clock(int hour, int minute) { return 60 * hour + minute; }

WorkWeek evenings() { return {readWeek("tue 20:00-21:30, thu 20:00-21:30, sat 10-12").value(), {}}; }

OpenTime openTime() { return {evenings(), kFirst}; }

SearchWish seeded(std::uint64_t seed, int placings = -1) { return {seed, placings, {}, nullptr}; }

/// Every rule of a placing, checked from the outside.
void expectHolds(const Worklist& list, const OpenTime& time, const Placement& plan) {
  ASSERT_LT(plan.finish, OpenTime::kNever);
  std::vector<int> taken; // minutes
  for (size_t j = 0; j < list.jobs.size(); ++j) {
    const Job& job = list.jobs[j];
    int minutes = 0;
    for (const OpenStretch& s : plan.stretches[j]) {
      minutes += s.to - s.from;
      for (int t = s.from; t < s.to; ++t) taken.push_back(t);
      EXPECT_EQ(time.between(s.from, s.to), s.to - s.from) << "all of it is open";
    }
    EXPECT_EQ(minutes, job.minutes);
    EXPECT_GE(plan.begin[j], std::max(list.now, job.release));
    if (!job.pausable) {
      EXPECT_EQ(plan.end[j] - plan.begin[j], job.minutes);
    }
    if (job.call >= 0) {
      const auto called = static_cast<size_t>(job.call);
      EXPECT_GE(plan.begin[called], plan.end[j] + job.callAfter);
      EXPECT_LE(plan.begin[called], plan.end[j] + job.callAfter + job.callWithin);
      EXPECT_EQ(plan.stretches[called].front().session, plan.stretches[j].front().session);
    }
  }
  for (const Follow& f : list.follows)
    EXPECT_GE(plan.begin[static_cast<size_t>(f.after)], plan.end[static_cast<size_t>(f.before)] + f.lag);
  std::sort(taken.begin(), taken.end());
  EXPECT_EQ(std::adjacent_find(taken.begin(), taken.end()), taken.end()) << "two jobs at once";
  const int open = time.between(list.now, plan.finish);
  EXPECT_GE(open, static_cast<int>(taken.size()) + plan.layMinutes);
}

} // namespace

TEST(OpenTime, CountsTheWeeksMinutesAndCarriesWorkOverRestsAndSessions) {
  const OpenTime time = openTime();
  EXPECT_EQ(time.between(0, 7 * kDay), 260);
  EXPECT_EQ(time.forward(kTue + clock(20, 0), 90, true), kThu + clock(20, 10));
  EXPECT_EQ(time.forward(kTue + clock(20, 20), 40, false), kThu + clock(20, 40));
  EXPECT_EQ(time.back(kSat + clock(12, 0), 60, true), kSat + clock(10, 40));
  EXPECT_EQ(time.forward(kTue + clock(20, 15), 80, true), kThu + clock(20, 15));
  EXPECT_EQ(time.longestSession(), 110); // the last ten minutes of Saturday's are a rest
  // Forward and back are each other's inverse, whatever is drawn.
  std::mt19937 draw(7);
  for (int i = 0; i < 500; ++i) {
    const int t = static_cast<int>(draw() % (20 * kDay));
    const int minutes = 1 + static_cast<int>(draw() % 200);
    for (const bool pausable : {true, false}) {
      const int end = time.forward(t, minutes, pausable);
      if (end >= OpenTime::kNever) {
        EXPECT_FALSE(pausable);
        continue;
      }
      const int begin = time.back(end, minutes, pausable);
      EXPECT_GE(begin, t);
      EXPECT_EQ(time.forward(begin, minutes, pausable), end);
      if (pausable) {
        EXPECT_EQ(time.between(begin, end), minutes);
      }
    }
  }
}

TEST(OpenTime, DaysThatDifferCountInsteadAndASessionMayPassMidnight) {
  WorkWeek week = evenings();
  week.others.push_back({*dateOf("2026-12-03"), {}});                             // not this Thursday
  week.others.push_back({*dateOf("2026-12-04"), {{clock(23, 0), clock(25, 0)}}}); // Friday night
  const OpenTime time(week, kFirst);
  EXPECT_EQ(time.between(kThu, kThu + kDay), 0);
  EXPECT_EQ(time.between(3 * kDay + clock(23, 0), 4 * kDay + clock(1, 0)), 100);
  EXPECT_EQ(time.sessionsBefore(7 * kDay), 3);
  EXPECT_FALSE(weekProblem(week));
}

TEST(OpenTime, AWeekIsReadAndWrittenAndWhatIsNoneIsRefused) {
  const std::string text = "tue 20:00-21:30, thu 20:00-21:30, sat 10:00-12:00";
  EXPECT_EQ(weekText(readWeek(text).value()), text);
  EXPECT_EQ(readWeek("sat 10-12").value(), (std::vector<WeeklySession>{{5, {600, 720}}}));
  for (const char* wrong :
       {"", "tuesday 20:00-21:30", "tue 20:00", "tue 21:00-20:00", "tue 25:00-26:00", "tue 8:61-9",
        "tue 6-19", "tue 20-21:30, tue 21-22", "tue 20-20", "tue -1-2", "tue"})
    EXPECT_FALSE(readWeek(wrong)) << wrong;
  EXPECT_EQ(dateText(*dateOf("2028-02-29")), "2028-02-29");
  for (const char* wrong : {"2027-02-29", "2027-13-01", "27-01-01", "2027/01/01", "", "2027-1-01"})
    EXPECT_FALSE(dateOf(wrong)) << wrong;
  WorkWeek week = evenings();
  week.rest = -1;
  EXPECT_TRUE(weekProblem(week));
  week = evenings();
  week.stretch = 0;
  EXPECT_TRUE(weekProblem(week));
}

/// Print, shape, glue that dries over night, wind, look; ears beside it.
TEST(Sessions, WhatDriesIsWorkedRoundAndTheBenchIsSeldomLaidOut) {
  Worklist list;
  list.layOut = {2, 3, 3, 3, 4, 2};
  list.jobs = {{10, 0, true, 0}, {30, 1, true, 1}, {3, 2, false, 2},
               {24, 4, true, 3}, {60, 3, true, 4}, {10, 5, true, 5}};
  list.follows = {{0, 1, 0}, {1, 2, 0}, {2, 4, 480}, {4, 5, 0}, {3, 5, 0}};
  const OpenTime time = openTime();
  const SearchedPlan out = searchedPlan(list, time, seeded(1));
  EXPECT_EQ(time.before(out.bound.finish), 154);
  EXPECT_EQ(time.before(out.plan.finish), 155);
  EXPECT_EQ(out.plan.layMinutes, 17);
  expectHolds(list, time, out.plan);
  EXPECT_EQ(out.plan.begin[0], kTue + clock(20, 2));
  EXPECT_EQ(out.plan.begin[1], kTue + clock(20, 15));
  EXPECT_EQ(out.plan.begin[3], kTue + clock(20, 49));
  EXPECT_EQ(out.plan.begin[2], kTue + clock(21, 26));
  EXPECT_EQ(out.plan.begin[4], kThu + clock(20, 3));
  EXPECT_EQ(out.plan.begin[5], kThu + clock(21, 15));
}

TEST(Sessions, WhatIsInTheOvenIsTakenOutInTheMiddleOfOtherWork) {
  Worklist list;
  list.layOut = {6, 3};
  list.jobs = {{15, 0, true, 0}, {2, 0, false, 1}, {2, 0, false, 2}, {40, 1, true, 3}};
  list.jobs[1].call = 2;
  list.jobs[1].callAfter = 25;
  list.jobs[1].callWithin = 5;
  list.jobs[2].called = true;
  list.follows = {{0, 1, 0}, {1, 2, 25}};
  const OpenTime time = openTime();
  const SearchedPlan out = searchedPlan(list, time, seeded(1));
  EXPECT_EQ(time.before(out.bound.finish), 68);
  EXPECT_EQ(time.before(out.plan.finish), 68);
  expectHolds(list, time, out.plan);
  EXPECT_EQ(out.plan.begin[0], kTue + clock(20, 6));
  EXPECT_EQ(out.plan.begin[1], kTue + clock(20, 21));
  EXPECT_EQ(out.plan.begin[3], kTue + clock(20, 26));
  EXPECT_EQ(out.plan.begin[2], kTue + clock(20, 48));
  // Where no session is long enough to come back, it is not planned at all.
  const OpenTime small({readWeek("mon 20-20:30").value(), {}}, kFirst);
  EXPECT_EQ(searchedPlan(list, small, seeded(1)).plan.finish, OpenTime::kNever);
}

TEST(Sessions, OfDrawnFiguresHoldEveryRuleAndComeNearTheBound) {
  const OpenTime time = openTime();
  for (const auto& [count, most] : {std::pair{60, 0.06}, {150, 0.04}, {400, 0.03}}) {
    double over = 0;
    const unsigned drawn = count == 400 ? 3 : 10;
    for (unsigned seed = 1; seed <= drawn; ++seed) {
      const DrawnWork work(count, seed);
      ASSERT_EQ(work.list.jobs.size(), static_cast<size_t>(count));
      const SearchedPlan out = searchedPlan(work.list, time, seeded(seed));
      expectHolds(work.list, time, out.plan);
      EXPECT_GE(out.plan.finish, out.bound.finish);
      over += static_cast<double>(time.before(out.plan.finish)) / time.before(out.bound.finish) - 1;
      if (seed > 2) continue;
      const SearchedPlan again = searchedPlan(work.list, time, seeded(seed));
      EXPECT_EQ(again.plan.order, out.plan.order);
      EXPECT_EQ(again.plan.begin, out.plan.begin);
    }

    EXPECT_LT(over / drawn, most) << count;
  }
}

/// No order of six jobs ends before the bound, whichever comes first.
TEST(Sessions, NoOrderOfAFewJobsEndsBeforeTheBound) {
  const OpenTime time({readWeek("tue 20-20:40, thu 20-20:40").value(), {}}, kFirst);
  std::mt19937 draw(3);
  int tight = 0;
  for (int round = 0; round < 30; ++round) {
    Worklist list;
    list.layOut = {2, 5, 3};
    for (int j = 0; j < 6; ++j)
      list.jobs.push_back({1 + static_cast<int>(draw() % 30), static_cast<int>(draw() % 3), draw() % 4 != 0});
    for (int j = 1; j < 6; ++j)
      if (draw() % 2)
        list.follows.push_back(
            {static_cast<int>(draw() % static_cast<unsigned>(j)), j, draw() % 3 ? 0 : 300});
    const Links links(list);
    const FinishBound bound = finishBound(list, links, time);
    ASSERT_LT(bound.finish, OpenTime::kNever);
    std::vector<int> order(6);
    std::iota(order.begin(), order.end(), 0);
    int best = OpenTime::kNever;
    do {
      PlaceRule rule;
      for (const int place : order) rule.key.push_back(1'000'000LL * place);
      best = std::min(best, placed(list, links, time, bound.latest, rule).finish);
    } while (std::next_permutation(order.begin(), order.end()));
    EXPECT_GE(best, bound.finish);
    if (best == bound.finish) ++tight;
    const SearchedPlan found = searchedPlan(list, time, seeded(5));
    EXPECT_LE(found.plan.finish, best) << "the search is no worse than any one order";
  }
  EXPECT_GE(tight, 3);
}

TEST(Sessions, ReplanningKeepsTheOrderThatWasThere) {
  const OpenTime time = openTime();
  int moved = 0;
  for (unsigned seed = 1; seed <= 5; ++seed) {
    const DrawnWork work(60, seed);
    const SearchedPlan first = searchedPlan(work.list, time, seeded(seed, 500));
    // After three sessions everything is 25 minutes behind.
    const int now = kSat + clock(12, 0);
    std::vector<int> place(work.list.jobs.size(), -1);
    Worklist rest;
    rest.layOut = work.list.layOut;
    rest.now = now;
    std::vector<int> left;
    for (const int j : first.plan.order) {
      const auto at = static_cast<size_t>(j);
      const Job& job = work.list.jobs[at];
      const bool begun = job.called && first.plan.end[at] - 60 <= now - 25;
      if (first.plan.end[at] > now - 25 && !begun) left.push_back(j);
    }
    for (const int j : left) {
      place[static_cast<size_t>(j)] = static_cast<int>(rest.jobs.size());
      rest.jobs.push_back(work.list.jobs[static_cast<size_t>(j)]);
    }
    for (Job& job : rest.jobs)
      if (job.call >= 0) job.call = place[static_cast<size_t>(job.call)];
    for (const Follow& f : work.list.follows) {
      const int after = place[static_cast<size_t>(f.after)];
      const int before = place[static_cast<size_t>(f.before)];
      if (after < 0) continue;
      if (before >= 0)
        rest.follows.push_back({before, after, f.lag});
      else
        rest.jobs[static_cast<size_t>(after)].release =
            std::max(rest.jobs[static_cast<size_t>(after)].release,
                     first.plan.end[static_cast<size_t>(f.before)] + f.lag);
    }
    SearchWish wish = seeded(seed + 100, 500);
    wish.before.resize(rest.jobs.size());
    std::iota(wish.before.begin(), wish.before.end(), 0); // they were copied in that order
    const SearchedPlan again = searchedPlan(rest, time, wish);
    expectHolds(rest, time, again.plan);
    if (!again.asBefore) continue; // a whole session sooner
    for (size_t q = 0; q < 8; ++q) moved += again.plan.order[q] != wish.before[q];
  }
  EXPECT_LE(moved, 10);
}
