// Hair and feathers of a head as single strokes: manes, ruffs, whiskers, rays round an eye.
#pragma once

#include "head/head_field.h"

namespace columna {

/// One hair as it is drawn, from its root out; mm in the head's axes.
struct HairStroke {
  std::vector<Vec3> points;
  double width = 0; ///< mm
  size_t hair = 0;  ///< index into the head's list
  double shade = 1; ///< how much lighter or darker it is than its colour
};

/// All of them, right ones too: the same every time, and twins mirrored. Directions spread by a fixed draw;
/// what droops is bent down evenly along its length. `down` is where down is in the head's axes.
[[nodiscard]] std::vector<HairStroke> hairStrokes(const HeadPattern& head, const HeadField& field,
                                                  const Vec3& down);

} // namespace columna
