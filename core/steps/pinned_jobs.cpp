#include "steps/pinned_jobs.h"

#include <algorithm>

namespace columna {
namespace {

constexpr std::int64_t kPinnedFirst =
    1'000'000'000'000;                                ///< minutes of pressing: before all else in its session
constexpr std::int64_t kPinnedBefore = 1'000'000'000; ///< and what it waits for

} // namespace

std::vector<PinnedJob> pinJobs(StepJobs& jobs, const std::vector<StepPin>& pins, const StepPlan& plan,
                               const OpenTime& time, const Date& first) {
  std::vector<PinnedJob> out;
  const Links links(jobs.list);
  for (const StepPin& pin : pins) {
    const auto step = plan.find(pin.step);
    if (!step) continue;
    const auto at = std::find(jobs.step.begin(), jobs.step.end(), *step);
    if (at == jobs.step.end()) continue;
    const auto job = static_cast<size_t>(at - jobs.step.begin());
    const int begins = pin.moment(first);
    const OpenStretch* session = nullptr;
    int ends = 0;
    for (const OpenStretch& s : time.stretches()) {
      if (!session && s.from == begins) session = &s;
      if (session && s.session == session->session) ends = s.to;
    }
    if (!session || ends <= jobs.list.now) continue;
    jobs.list.jobs[job].release = std::max(jobs.list.jobs[job].release, begins);
    jobs.list.jobs[job].press = kPinnedFirst;
    std::vector<size_t> waiting{job};
    while (!waiting.empty()) {
      const size_t next = waiting.back();
      waiting.pop_back();
      for (const Links::To& before : links.in[next]) {
        Job& one = jobs.list.jobs[static_cast<size_t>(before.job)];
        if (one.press > 0) continue;
        one.press = kPinnedBefore;
        waiting.push_back(static_cast<size_t>(before.job));
      }
    }
    out.push_back({static_cast<int>(job), *step, begins, ends});
  }
  return out;
}

std::vector<int> notHeld(const std::vector<PinnedJob>& pinned, const Placement& placed) {
  std::vector<int> out;
  for (const PinnedJob& p : pinned) {
    const auto job = static_cast<size_t>(p.job);
    if (job >= placed.begin.size() || placed.begin[job] < p.from || placed.begin[job] >= p.to)
      out.push_back(p.step);
  }
  return out;
}

std::vector<Finding> pinFindings(const std::vector<int>& notHeld, const StepPlan& plan,
                                 const Figure& figure) {
  std::vector<Finding> out;
  for (const int step : notHeld) {
    const Step& s = plan.steps[static_cast<size_t>(step)];
    Finding f;
    f.level = Level::Doubtful;
    f.where = s.limb >= 0 ? figure.limbs[static_cast<size_t>(s.limb)].id : "figure";
    f.text =
        say("{} cannot be kept to the session you chose: what comes before it is not done by then, or there "
            "is no room",
            s.words);
    f.brief = say("{} not in its session", s.words);
    out.push_back(std::move(f));
  }
  return out;
}

} // namespace columna
