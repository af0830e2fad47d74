// What a pose is called.
#pragma once

#include "anatomy/pattern.h"
#include "words/said.h"

namespace columna {

/// The animal's own in the maker's language, one the maker saved as it was written; without a name it is the
/// neutral stance.
[[nodiscard]] Said poseName(const Pattern& pattern, const PatternPose& pose);

} // namespace columna
