// Findings: things to look at.
#pragma once

#include "words/said.h"

#include <string>
#include <string_view>

namespace columna {

enum class Level { Good, Doubtful, Wrong };

[[nodiscard]] constexpr std::string_view word(Level level) {
  switch (level) {
  case Level::Good:
    return named("good");
  case Level::Doubtful:
    return named("doubtful");
  case Level::Wrong:
    return named("wrong");
  }
  return named("good");
}

/// What a finding is about, so that the one who reads it is led to where it can be mended.
enum class Topic { Shape, Wire, Pose, Wool, Face };

/// The word for files: "shape".
[[nodiscard]] constexpr std::string_view id(Topic topic) {
  switch (topic) {
  case Topic::Shape:
    return "shape";
  case Topic::Pose:
    return "pose";
  case Topic::Wool:
    return "wool";
  case Topic::Face:
    return "face";
  case Topic::Wire:
    break;
  }
  return "wire";
}

struct Finding {
  Level level = Level::Doubtful;
  std::string where; ///< a limb's id, or "figure"
  Said text;         ///< one sentence: what, and what would help
  Said brief;        ///< the same in a few words, for the tally
  Topic topic = Topic::Wire;

  /// What it is, whatever part and figures it names and in whatever language: "will-not-hold". By it tests,
  /// scripts and screens know a finding; it is the brief's template as one word.
  [[nodiscard]] std::string id() const;
};

} // namespace columna
