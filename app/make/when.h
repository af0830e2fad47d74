// Days, times and minutes as Make tells them.
#pragma once

#include "make/open_time.h"

#include <QString>

#include <string>

namespace columna {

/// "Tue 1 Dec".
[[nodiscard]] QString dayText(const Date& first, int moment);
/// "20:03".
[[nodiscard]] QString timeText(int moment);
/// The local time of seconds since 1970.
[[nodiscard]] QString timeOf(std::int64_t seconds);
/// "Tue 20:03".
[[nodiscard]] QString dayTimeOf(std::int64_t seconds);
/// "Sat 21 Nov 10:50".
[[nodiscard]] QString dateTimeOf(std::int64_t seconds);
/// "34 min", "2 h 31".
[[nodiscard]] QString minutesText(double minutes);
/// A clock: "9:12", "1:02:07".
[[nodiscard]] QString clockText(double minutes);

/// A week or days as they are kept ("tue 20:00-21:30", "2026-12-24 off"), in the window's language; and back.
[[nodiscard]] QString shownTimes(const std::string& kept);
[[nodiscard]] std::string keptTimes(const QString& typed);

} // namespace columna
