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

/// Where the hair that stands out from the head begins and may end, both sides of it, each hair as straight
/// as it is laid and as long as it is cut; manes, which hang down the neck, and single
/// hairs are not among it. For how large a
/// picture must be; mm in the head's axes, `length` being the head's.
[[nodiscard]] std::vector<Vec3> hairReach(const HeadPattern& head, double length);

} // namespace columna
