// How much wool the body holds: volumes of core and coat, bone by bone.
//
// The sections are integrated along each bone. Where limbs run into each other (a thigh in the haunch) each
// place is counted once, for the bone it lies deepest in, so the shares add up to the body. A sharp bend,
// rounded ends and sections that meet at an angle leave an error: `error` below, from halving the sampling
// and from the joints.
#pragma once

#include "anatomy/figure.h"

#include <vector>

namespace columna {

struct BoneVolume {
  double core = 0;      ///< mm3, felted core with the wire in it
  double coat = 0;      ///< mm3
  double coreAt = 0.5;  ///< where along the bone the middle of the whole share lies, 0..1
  Vec3 centre{0, 0, 0}; ///< centre of the whole share, mm
};

struct BodyVolume {
  std::vector<BoneVolume> bones; ///< as in the figure; twins are equal to the last bit
  double core = 0, coat = 0;     ///< mm3
  double error = 0;              ///< estimated error of core + coat as a share of it, e.g. 0.03
};

/// Core and coat of a figure whose coat is `coat` mm thick everywhere (0 or more). A part thinner than twice
/// the coat has no core.
[[nodiscard]] BodyVolume bodyVolume(const Figure& figure, double coat);

/// Volume of one tube alone, nothing subtracted: mm3. Exact for elliptic frusta.
[[nodiscard]] double tubeVolume(const Tube& tube);

} // namespace columna
