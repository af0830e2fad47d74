// Counts of things, from sums that may run away.
#pragma once

#include <algorithm>
#include <cmath>

namespace columna {

/// A count as a whole number, at most a thousand million either way; what is no number counts as none. (A sum
/// made of extremes, wool of 0.001 g/m for a figure of ten metres, has more strips than an int holds.)
[[nodiscard]] inline int wholeOf(double count) {
  constexpr double most = 1e9;
  return std::isnan(count) ? 0 : static_cast<int>(std::clamp(count, -most, most));
}

/// The nearest whole number, within the same.
[[nodiscard]] inline int nearestWhole(double value) { return wholeOf(std::round(value)); }

} // namespace columna
