// What goes along with a bone from one stance to another.
#pragma once

#include "anatomy/figure.h"
#include "anatomy/outline.h"

namespace columna {

/// The turn that brings a bone's axes (along it, deep, and square to both) from one stance to another: a
/// rotation, the unit matrix when it does not move.
[[nodiscard]] Eigen::Matrix3d boneTurn(const FigureBone& from, const FigureBone& to);

/// A place, mm, that lies on or in a bone as it is in another stance.
[[nodiscard]] Vec3 carried(const Vec3& place, const FigureBone& from, const FigureBone& to);

/// A place drawn on a view of one stance, mm, as it lies in another: it goes with the bones it is near to in
/// that view, with the nearest most. A view from the right does not see the left limbs.
[[nodiscard]] Vec2 carriedOnView(const Vec2& place, View view, const Figure& from, const Figure& to);

} // namespace columna
