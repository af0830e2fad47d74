// How a figure stands, in one sentence: only what is not as it should be.
#pragma once

#include "hold/standing.h"
#include "plan/finding.h"

#include <optional>
#include <string>

namespace columna {

struct StandingWords {
  Level level = Level::Doubtful;
  std::string text, brief;
};

/// Nothing when it stands as well as is wanted. `towards` is where it tips or falls, `on` what it stands on
/// ("its feet"), `cure` what would help.
[[nodiscard]] std::optional<StandingWords> standingWords(const Standing& standing, const std::string& towards,
                                                         const std::string& on, double tipNeeded,
                                                         double marginNeeded, const std::string& fallCure,
                                                         const std::string& tipCure);

} // namespace columna
