// How a figure stands, in one sentence: only what is not as it should be.
#pragma once

#include "hold/standing.h"
#include "plan/finding.h"

#include <optional>
#include <string>

namespace columna {

struct StandingWords {
  Level level = Level::Doubtful;
  Said text, brief;
};

/// What can be done about it: to the armature before it is made, or to a pose.
enum class Cure { Armature, Pose };

/// Nothing when it stands as well as is wanted. `towards` is where it tips or falls, by its name; `onBase`
/// that it stands on a base, not on its feet; `tipNeeded` in radians, `marginNeeded` in mm.
[[nodiscard]] std::optional<StandingWords> standingWords(const Standing& standing, const std::string& towards,
                                                         bool onBase, double tipNeeded, double marginNeeded,
                                                         Cure cure);

} // namespace columna
