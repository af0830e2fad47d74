// Setting a changed pattern back on the ground.
#pragma once

#include "anatomy/pattern.h"

#include <functional>

namespace columna {

/// Applies a map of space to every place of the pattern (joints, flat parts, eyes); `turn` to every direction.
void transformPlaces(Pattern& pattern, const std::function<Vec3(const Vec3&)>& place,
                     const std::function<Vec3(const Vec3&)>& turn);

/// Moves the whole pattern so that its lowest point lies at z = 0.
void settle(Pattern& pattern);

/// Turns the whole pattern about the left-right axis so that its foremost and hindmost legs stand on one level,
/// then settles it. A pattern with one pair of legs or none is only settled.
void standOnFeet(Pattern& pattern);

} // namespace columna
