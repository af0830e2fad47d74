// The steps of making a figure and the sessions they are placed in, as JSON: minutes, g, mm.
#pragma once

#include "anatomy/figure.h"
#include "steps/planned_sessions.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

[[nodiscard]] nlohmann::json stepsJson(const StepPlan& plan, const Figure& figure, const Progress& progress);

/// Sessions with their steps, the finish and the bound, as local dates and times.
[[nodiscard]] nlohmann::json sessionsJson(const StepPlan& plan, const StepJobs& jobs,
                                          const SearchedPlan& found, const OpenTime& time, const Date& first);

} // namespace columna
