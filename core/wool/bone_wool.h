// The wool in each bone: its volumes with the wire and ready cores taken out, and what it weighs.
#pragma once

#include "wool/wool_plan.h"

namespace columna {

/// Mean of the thinner diameters of a bone's sections, mm.
[[nodiscard]] double meanThickness(const FigureBone& bone);

/// Across a limb's bundle with what it is wrapped in for grip, mm; 0 without wire.
[[nodiscard]] double bundleOf(const LimbWoolInput& limb, const WoolWish& wish);

/// Area of a flat part, one side, mm2.
[[nodiscard]] double flatArea(const FigureFlat& flat);

/// One bone's volumes, mm3, with wire and ready core taken out: first of what is wound, then of what there
/// is.
struct Cleared {
  double wound = 0, pads = 0, skin = 0, coat = 0, wire = 0;
  double ready = 0; ///< a core that was there already
};
[[nodiscard]] Cleared cleared(const FigureBone& bone, const BoneShare& share, bool allCoat, double bundle,
                              double ready);

/// What ready cores take of a bone, mm3.
[[nodiscard]] double readyIn(const WoolInput& in, size_t bone);

} // namespace columna
