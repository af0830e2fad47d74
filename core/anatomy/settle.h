// Setting a changed pattern back on the ground.
#pragma once

#include "anatomy/pattern.h"

#include <functional>

namespace columna {

/// Applies a map of space to every place of the pattern (joints, flat parts, eyes); `turn` to every
/// direction.
void transformPlaces(Pattern& pattern, const std::function<Vec3(const Vec3&)>& place,
                     const std::function<Vec3(const Vec3&)>& turn);

/// Moves the whole pattern so that its lowest point lies at z = 0.
void settle(Pattern& pattern);

/// z of the lowest place of the legs and what they carry; of everything when there are no legs. Modules.
[[nodiscard]] double footLevel(const Pattern& pattern);

/// Turns the whole pattern about the left-right axis so that its foremost and hindmost legs stand on one
/// level (with one pair of legs or none it is not turned), and moves it so that its feet lie at `level`.
void standOnFeet(Pattern& pattern, bool turn, double level);

} // namespace columna
