// The wall clock of the machine: seconds since 1970 as local days, minutes and the words of the record. The
// zone is the system's; a moment keeps the zone it was written in.
#pragma once

#include "make/open_time.h"

#include <cstdint>
#include <string>

namespace columna {

/// Seconds since 1970.
[[nodiscard]] std::int64_t secondsNow();

/// Minutes of the wall clock since midnight at the start of `first`; below nought before it.
[[nodiscard]] int localMinute(std::int64_t seconds, const Date& first);

[[nodiscard]] Date localDay(std::int64_t seconds);

/// As the record has it: "2026-11-26T20:14:05+01:00".
[[nodiscard]] std::string zonedText(std::int64_t seconds);

/// In Greenwich time, as calendar files have it: "20261126T191405Z".
[[nodiscard]] std::string universalText(std::int64_t seconds);

} // namespace columna
