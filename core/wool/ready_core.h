// A core that is there already, set into a part instead of core wool: how much of it fits under the wool that
// goes on it, and what wool it saves.
#pragma once

#include "solid/known_solid.h"
#include "wool/wool_wish.h"

namespace columna {

struct ReadyFit {
  int limb = -1;              ///< of the figure
  Vec3 centre{0, 0, 0};       ///< mm, of what is left of it once cut to fit
  double whole = 0;           ///< mm3 as it comes
  double placed = 0;          ///< mm3 that lie under the wool
  std::vector<double> byBone; ///< mm3 of `placed` in each bone
  double grams = 0;           ///< of what is placed

  [[nodiscard]] bool operator==(const ReadyFit&) const = default;
  [[nodiscard]] double fits() const { return whole > 0 ? placed / whole : 0; }
};

/// The egg of three diameters at its place, cut to `under` mm below the surface. Counted in an even grid of
/// points, to about a hundredth. Nothing fits where the part is not of this figure.
[[nodiscard]] ReadyFit fitReadyCore(const ReadyCore& core, const Figure& figure, double blend, double under);

} // namespace columna
