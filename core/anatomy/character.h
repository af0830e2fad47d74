// The character dials worked into a pattern. Used by shape.cpp only.
#pragma once

#include "anatomy/shape.h"

namespace columna {

/// Head, muzzle and eyes about the head's root; legs so that feet stay on the ground; girths of all parts.
[[nodiscard]] Pattern withCharacter(const Pattern& pattern, const Character& character);

/// Shoulder height and body length of the changed pattern, from those of the one it was.
void followMeasures(const Pattern& before, Pattern& after);

} // namespace columna
