// A figure's sessions as they are told: what is done in each, and how far it is then.
#pragma once

#include "make/session_search.h"
#include "steps/progress.h"

#include <vector>

namespace columna {

/// One session: its stretches and what is done in it.
struct PlannedSession {
  int from = 0, to = 0; ///< moments, the session's own
  struct Work {
    int step = 0, from = 0, to = 0; ///< of the plan; moments, rests in between counted in
    int minutes = 0;                ///< in this session
    int done = 0, all = 0;          ///< minutes of it done at the end, and in all
  };
  std::vector<Work> work;
};
[[nodiscard]] std::vector<PlannedSession> plannedSessions(const StepJobs& jobs, const SearchedPlan& found,
                                                          const OpenTime& time);

} // namespace columna
