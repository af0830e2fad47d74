// Days, times and minutes as Make tells them.
#pragma once

#include "make/open_time.h"

#include <QString>

namespace columna {

/// "Tue 1 Dec".
[[nodiscard]] QString dayText(const Date& first, int moment);
/// "20:03".
[[nodiscard]] QString timeText(int moment);
/// The local time of seconds since 1970.
[[nodiscard]] QString timeOf(std::int64_t seconds);
/// "Tue 20:03".
[[nodiscard]] QString dayTimeOf(std::int64_t seconds);
/// "34 min", "2 h 31".
[[nodiscard]] QString minutesText(double minutes);
/// A clock: "9:12", "1:02:07".
[[nodiscard]] QString clockText(double minutes);

} // namespace columna
