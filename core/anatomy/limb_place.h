// A place along a limb's middle line.
#pragma once

#include "anatomy/figure.h"

namespace columna {

struct LimbPlace {
  Vec3 at{0, 0, 0};  ///< mm
  Vec3 way{1, 0, 0}; ///< unit, outwards along the bone there
};

/// So many mm from the limb's root along its bones; past its tip the tip, before its root the root. The limb
/// has bones.
[[nodiscard]] LimbPlace limbPlace(const Figure& figure, int limb, double along);

} // namespace columna
