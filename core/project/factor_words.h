// A factor in the maker's words.
#pragma once

#include <string>

namespace columna {

/// "2.4 times", "31 times", "over 99 times".
[[nodiscard]] std::string timesWords(double factor);

} // namespace columna
