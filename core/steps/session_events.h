// A figure's sessions as a calendar file.
#pragma once

#include "steps/planned_sessions.h"

#include <cstdint>
#include <string>

namespace columna {

/// An event a session: what is done in it, and how long. `written` is when, seconds since 1970; the sessions
/// begin on `first`.
[[nodiscard]] std::string sessionCalendar(const StepPlan& plan, const std::vector<PlannedSession>& sessions,
                                          const std::string& name, const std::string& pattern,
                                          const Date& first, std::int64_t written);

} // namespace columna
