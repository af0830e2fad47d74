// The steps of making a figure and the sessions they are placed in, as JSON: minutes, g, mm.
#pragma once

#include "anatomy/figure.h"
#include "make/session_search.h"
#include "steps/progress.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

[[nodiscard]] nlohmann::json stepsJson(const StepPlan& plan, const Figure& figure, const Progress& progress);

/// Sessions with their steps, the finish and the bound, as local dates and times.
[[nodiscard]] nlohmann::json sessionsJson(const StepPlan& plan, const StepJobs& jobs,
                                          const SearchedPlan& found, const OpenTime& time, const Date& first);

/// A moment of a calendar: "2026-12-01T20:00".
[[nodiscard]] std::string momentText(const Date& first, int moment);

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
