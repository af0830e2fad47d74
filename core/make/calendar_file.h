// Sessions as a calendar file (RFC 5545), to be taken into any calendar: times are those of the wall clock
// where it is opened.
#pragma once

#include "make/open_time.h"

namespace columna {

struct CalendarEvent {
  std::int64_t from = 0, to = 0; ///< minutes since midnight of `first`
  std::string summary, description;
};

/// `project` and the moment an event begins name it, so that it is the same one when it is written again;
/// `sequence` is raised with each writing that differs; `written` is "20261126T104500Z".
[[nodiscard]] std::string calendarFile(const std::string& project, const Date& first,
                                       const std::vector<CalendarEvent>& events, int sequence,
                                       const std::string& written);

} // namespace columna
