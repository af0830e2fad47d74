// The largest round that can be wound on a bone: winding is round about the wire, so it ends where the felted
// section first reaches the wire's side of it.
#pragma once

#include "anatomy/figure.h"

#include <vector>

namespace columna {

/// Radii at places of a bone.
struct BoneRound {
  std::vector<double> at;     ///< 0..1, rising
  std::vector<double> radius; ///< mm from the centre line; 0 where the line leaves the felted section

  [[nodiscard]] bool empty() const { return at.empty(); }
  /// Linear between the places, mm.
  [[nodiscard]] double radiusAt(double t) const;
};

/// Where a bone's centre line passes a ring's plane, in the ring's own axes (mm across, mm deep).
[[nodiscard]] Vec2 lineInRing(const FigureBone& bone, const Ring& ring);

/// One a bone of the figure: the rounds that fit inside the section `coat` mm under the surface. Bones
/// without wire have none.
[[nodiscard]] std::vector<BoneRound> largestRounds(const Figure& figure, double coat);

} // namespace columna
