#include "steps/planned_sessions.h"

#include <algorithm>
#include <map>

namespace columna {

std::vector<PlannedSession> plannedSessions(const StepJobs& jobs, const SearchedPlan& found,
                                            const OpenTime& time) {
  std::map<int, PlannedSession> sessions;
  for (const OpenStretch& s : time.stretches()) {
    const auto [at, fresh] = sessions.try_emplace(s.session, PlannedSession{s.from, s.to, {}});
    if (!fresh) at->second.to = s.to;
  }
  for (const int job : found.plan.order) {
    const auto j = static_cast<size_t>(job);
    int done = 0;
    for (const OpenStretch& s : found.plan.stretches[j]) {
      done += s.to - s.from;
      auto& work = sessions[s.session].work;
      if (work.empty() || work.back().step != jobs.step[j])
        work.push_back({jobs.step[j], s.from, s.to, 0, 0, jobs.list.jobs[j].minutes});
      work.back().to = s.to;
      work.back().minutes += s.to - s.from;
      work.back().done = done;
    }
  }
  std::vector<PlannedSession> out;
  for (auto& [number, session] : sessions) {
    if (session.work.empty()) continue;
    std::stable_sort(
        session.work.begin(), session.work.end(),
        [](const PlannedSession::Work& a, const PlannedSession::Work& b) { return a.from < b.from; });
    out.push_back(std::move(session));
  }
  return out;
}

} // namespace columna
