// A factor in the maker's words.
#pragma once

#include <string>

namespace columna {

/// "2.4 times", "31 times", "over 99 times", "less than 0.1 times". Beside a `limit` it misses it never reads
/// the same as that: "1.97 times" beside 2.
[[nodiscard]] std::string timesWords(double factor, double limit = 0);

/// "12", "over 1000" bends.
[[nodiscard]] std::string bendsWords(double bends);

} // namespace columna
