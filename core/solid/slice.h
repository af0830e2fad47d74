// The body cut across: the outline of a limb's own wool in a plane, and what a tape laid round it reads.
#pragma once

#include "solid/field.h"

#include <vector>

namespace columna {

struct Slice {
  std::vector<Vec2>
      outline; ///< mm in the plane's axes, counter-clockwise; the contour round the middle, empty for none
  double tape = 0;   ///< perimeter of its convex hull, mm: a tape does not follow hollows
  double across = 0; ///< mm, what callipers read along the first axis
  double deep = 0;   ///< and along the second
};

/// A cut `depth` mm under the surface in the plane through `middle` with unit axes `u` and `v`; contours
/// farther than `reach` mm from the middle are not looked for. Marching squares on cells of `cell` mm.
[[nodiscard]] Slice sliceOf(const WoolField& field, const Vec3& middle, const Vec3& u, const Vec3& v,
                            double reach, double cell, double depth = 0);

/// The same of an ellipse of half axes a and b `depth` mm inside its edge, from its exact offset curve. All
/// zero when nothing is left.
[[nodiscard]] Slice offsetEllipse(double a, double b, double depth);

} // namespace columna
