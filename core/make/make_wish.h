// When a maker works on a figure, as they said it.
#pragma once

#include "make/open_time.h"

#include <string>

namespace columna {

/// A week to begin with, where nothing is said of it.
inline constexpr const char* kUsualWeek = "tue 20:00-21:30, thu 20:00-21:30, sat 10:00-12:00";

struct MakeWish {
  std::string week; ///< "tue 20:00-21:30, sat 10:00-12:00"; empty: not said yet
  std::string days; ///< days that differ: "2026-12-24 off, 2026-12-26 10:00-12:00"
  std::string pins; ///< steps kept to a session: "coat/trunk 2026-12-05 10:00"
  int stretch = 50; ///< minutes of handwork in one go
  int rest = 10;    ///< minutes of rest after it

  [[nodiscard]] bool operator==(const MakeWish&) const = default;
};

/// Days of their own: "2026-12-24 off, 2026-12-26 10:00-12:00, 2026-12-26 14-16". Errors name what is no day
/// or time, and a day that is off and worked on.
[[nodiscard]] Result<std::vector<OtherDay>> readOtherDays(std::string_view text);
[[nodiscard]] std::string otherDaysText(const std::vector<OtherDay>& days);

/// All of it as sessions can be laid by it; an empty week is one without sessions. Errors as readWeek(),
/// readOtherDays() and weekProblem().
[[nodiscard]] Result<WorkWeek> weekOf(const MakeWish& wish);

} // namespace columna
