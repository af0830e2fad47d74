// Findings: things to look at.
#pragma once

#include <string>
#include <string_view>

namespace columna {

enum class Level { Good, Doubtful, Wrong };

[[nodiscard]] constexpr std::string_view word(Level level) {
  switch (level) {
  case Level::Good:
    return "good";
  case Level::Doubtful:
    return "doubtful";
  case Level::Wrong:
    return "wrong";
  }
  return "good";
}

struct Finding {
  Level level = Level::Doubtful;
  std::string where; ///< a limb's id, or "figure"
  std::string text;  ///< one sentence: what, and what would help
  std::string brief; ///< the same in a few words, for the tally
};

} // namespace columna
