#include "steps/progress.h"

#include "make/session_decode.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace columna {
namespace {

constexpr double kLongWait = 120;              ///< minutes: what dries so long is begun first
constexpr std::int64_t kFirst = 1'000'000'000; ///< in minutes of pressing, before all else

struct Clock {
  std::optional<std::int64_t> running; ///< since when
  double seconds = 0;
  bool begun = false, done = false, out = false;
  std::int64_t ended = 0;

  void stop(std::int64_t at) {
    if (running) seconds += static_cast<double>(std::max<std::int64_t>(0, at - *running));
    running.reset();
  }
};

void take(Clock& clock, const Entry& e, std::int64_t at) {
  switch (e.kind) {
  case EntryKind::Begin:
  case EntryKind::Resume:
    clock.stop(at);
    clock.running = at;
    clock.begun = true;
    clock.done = clock.out = false;
    break;
  case EntryKind::Pause:
    clock.stop(at);
    break;
  case EntryKind::Done:
    clock.stop(at);
    // Minutes that were typed, or the usual ones taken for a clock left running, go before the clock's.
    if (e.value) clock.seconds = std::max(0.0, *e.value) * 60;
    clock.done = true;
    clock.out = false;
    clock.ended = at;
    break;
  case EntryKind::LeaveOut:
    clock.stop(at);
    clock.out = true;
    clock.ended = at;
    break;
  case EntryKind::TakenUp:
    clock.out = clock.done = false;
    break;
  default:
    break;
  }
}

} // namespace

std::string_view id(StepState state) {
  constexpr std::array<std::string_view, 6> ids{"later", "ready", "under-way", "drying", "done", "left-out"};
  return ids[static_cast<size_t>(state)];
}

Progress progressOf(const StepPlan& plan, const std::vector<Entry>& entries, std::int64_t now) {
  const std::set<std::string> withdrawnIds = withdrawn(entries);
  std::map<std::string, Clock> clocks;
  for (const Entry& e : entries) {
    if (e.step.empty() || withdrawnIds.contains(e.id)) continue;
    if (const auto at = secondsOf(e.at)) take(clocks[e.step], e, *at);
  }
  Progress out;
  const auto over = [](const Clock& c) { return c.done || c.out; };
  for (const auto& [id, clock] : clocks)
    if (over(clock) && !plan.find(id)) out.gone.push_back(id);
  out.steps.resize(plan.steps.size());
  std::vector<char> waits(plan.steps.size(), 0);  // for something that is not done
  std::vector<char> drying(plan.steps.size(), 0); // something waits for it
  std::vector<const Clock*> own(plan.steps.size(), nullptr);
  for (size_t i = 0; i < plan.steps.size(); ++i)
    if (const auto found = clocks.find(plan.steps[i].id); found != clocks.end()) own[i] = &found->second;
  for (const StepEdge& e : plan.edges) {
    const auto before = static_cast<size_t>(e.before);
    const auto after = static_cast<size_t>(e.after);
    if (!own[before] || !over(*own[before])) {
      waits[after] = 1;
      continue;
    }
    const double wait = own[before]->out ? 0 : plan.steps[before].wait;
    const std::int64_t dry = own[before]->ended + std::llround(60 * wait);
    out.steps[after].ready = std::max(out.steps[after].ready, dry);
    if (dry > now) drying[before] = 1;
  }
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    StepProgress& p = out.steps[i];
    if (waits[i]) p.ready = 0;
    if (own[i]) {
      Clock clock = *own[i];
      p.ended = clock.ended;
      clock.stop(now);
      p.spent = clock.seconds / 60;
      if (clock.out || clock.done || clock.begun) {
        p.state = clock.out                 ? StepState::LeftOut
                  : clock.done && drying[i] ? StepState::Drying
                  : clock.done              ? StepState::Done
                                            : StepState::UnderWay;
        continue;
      }
    }
    p.state = !waits[i] && p.ready <= now ? StepState::Ready : StepState::Later;
  }
  return out;
}

StepJobs jobsOf(const StepPlan& plan, const Progress& progress, const StepBook& book, int now,
                const std::function<int(std::int64_t)>& moment, const StepMinutes& minutes, double layOut) {
  StepJobs out;
  out.list.now = now;
  for (const double each : book.layOut)
    out.list.layOut.push_back(static_cast<int>(std::lround(layOut * each)));
  std::vector<int> job(plan.steps.size(), -1);
  std::map<std::string, int> batches;
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    const Step& s = plan.steps[i];
    const StepProgress& p = progress.steps[i];
    if (p.state == StepState::Done || p.state == StepState::Drying || p.state == StepState::LeftOut) continue;
    job[i] = static_cast<int>(out.list.jobs.size());
    Job j;
    const double all = minutes ? minutes(s) : s.planned;
    j.minutes = std::max(1, static_cast<int>(std::lround(all - p.spent)));
    j.station = static_cast<int>(s.bench);
    j.pausable = s.pausable;
    if (!s.batch.empty()) j.batch = batches.emplace(s.batch, static_cast<int>(batches.size())).first->second;
    out.list.jobs.push_back(j);
    out.step.push_back(static_cast<int>(i));
  }
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    const auto back = plan.steps[i].calls.empty() ? std::nullopt : plan.find(plan.steps[i].calls);
    const int called = back ? job[static_cast<size_t>(*back)] : -1;
    if (called < 0) continue;
    Job& later = out.list.jobs[static_cast<size_t>(called)];
    if (job[i] < 0) { // it is in the oven, if it was put in
      if (progress.steps[i].state != StepState::LeftOut) later.press = kFirst;
      continue;
    }
    Job& first = out.list.jobs[static_cast<size_t>(job[i])];
    first.call = called;
    first.callAfter = static_cast<int>(std::lround(plan.steps[i].wait));
    first.callWithin = static_cast<int>(std::lround(plan.steps[i].callWithin));
    later.called = true;
  }
  for (const StepEdge& e : plan.edges) {
    const auto before = static_cast<size_t>(e.before);
    const int after = job[static_cast<size_t>(e.after)];
    if (after < 0) continue;
    const Step& s = plan.steps[before];
    const int lag = static_cast<int>(std::lround(s.wait));
    if (job[before] >= 0) {
      out.list.follows.push_back({job[before], after, lag});
    } else if (progress.steps[before].state != StepState::LeftOut) {
      int& release = out.list.jobs[static_cast<size_t>(after)].release;
      release = std::max(release, moment(progress.steps[before].ended) + lag);
    }
  }
  return out;
}

Fitting fitting(const StepPlan& plan, const StepJobs& jobs, int minutes) {
  Fitting out;
  WorkWeek breaks;
  const OpenTime time = OpenTime::only(jobs.list.now, minutes, breaks);
  PlaceRule rule;
  std::vector<int> inTurn;
  for (size_t j = 0; j < jobs.list.jobs.size(); ++j) {
    inTurn.push_back(static_cast<int>(j));
    const Step& s = plan.steps[static_cast<size_t>(jobs.step[j])];
    rule.key.push_back(s.wait >= kLongWait ? -kFirst : 0);
  }
  const Placement fit = placed(jobs.list, Links(jobs.list), time, inTurn, rule, true);
  int used = 0;
  for (size_t j = 0; j < jobs.list.jobs.size(); ++j) {
    if (fit.begin[j] < 0) continue;
    int spent = 0;
    for (const OpenStretch& s : fit.stretches[j]) spent += s.to - s.from;
    used += spent;
    out.pieces.push_back(
        {jobs.step[j], fit.begin[j] - jobs.list.now, spent, spent == jobs.list.jobs[j].minutes});
  }
  std::sort(out.pieces.begin(), out.pieces.end(),
            [](const Fitting::Piece& a, const Fitting::Piece& b) { return a.begin < b.begin; });
  out.layMinutes = fit.layMinutes;
  out.left = std::max(0, time.between(jobs.list.now, jobs.list.now + minutes) - used - fit.layMinutes);
  return out;
}

} // namespace columna
