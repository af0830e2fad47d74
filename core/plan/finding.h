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

/// What a finding is about, so that the one who reads it is led to where it can be mended.
enum class Topic { Shape, Wire, Pose, Wool };

/// The word for files: "shape".
[[nodiscard]] constexpr std::string_view id(Topic topic) {
  switch (topic) {
  case Topic::Shape:
    return "shape";
  case Topic::Pose:
    return "pose";
  case Topic::Wool:
    return "wool";
  case Topic::Wire:
    break;
  }
  return "wire";
}

struct Finding {
  Level level = Level::Doubtful;
  std::string where; ///< a limb's id, or "figure"
  std::string text;  ///< one sentence: what, and what would help
  std::string brief; ///< the same in a few words, for the tally
  Topic topic = Topic::Wire;
};

} // namespace columna
