// The body cut across: the outline of a limb's own wool in a plane, and what a tape laid round it reads.
#pragma once

#include "solid/field.h"

#include <array>
#include <vector>

namespace columna {

struct Slice {
  std::vector<Vec2> outline; ///< mm in the plane's axes, counter-clockwise round the middle; empty for none
  double tape = 0;           ///< perimeter of its convex hull, mm: a tape does not follow hollows
  double across = 0;         ///< mm, what callipers read along the first axis
  double deep = 0;           ///< and along the second
};

/// A cut `depth` mm under the surface in the plane through `middle` with unit axes `u` and `v`, seen from the
/// middle; nothing when that lies outside. `about` mm, above 0, is roughly how far the outline lies from it:
/// what is farther than four times that is cut off there. The zero set along rays by bracketed secants, to
/// 1e-4 of `about`.
[[nodiscard]] Slice sliceOf(const WoolField& field, const Vec3& middle, const Vec3& u, const Vec3& v,
                            double about, double depth = 0);

/// The same of an ellipse of half axes a and b `depth` mm inside its edge, from its exact offset curve. All
/// zero when nothing is left.
[[nodiscard]] Slice offsetEllipse(double a, double b, double depth);

/// What a tape and callipers read at a station, as shares of what its clean oval would give: less on a
/// rounded end, more beside a bend. Where the cut square to the bone is more than 15 % longer it runs along
/// the next stretch of the limb (a heel, a folded wing), where a tape pulled tight does not go: the oval
/// stands.
struct TapeShare {
  double finished = 1, across = 1, deep = 1;       ///< coat on
  double felted = 1, coreAcross = 1, coreDeep = 1; ///< the core alone; 1 where there is none
};

/// Where on a bone a tape can go round: at a quarter and at three quarters.
inline constexpr std::array<double, 2> kTapeAt{0.25, 0.75};

/// Of each bone of a figure, on its limb's own wool. Twins of a symmetric figure are equal to the last bit.
[[nodiscard]] std::vector<std::array<TapeShare, 2>> tapeShares(const Figure& figure, double coat,
                                                               int threads = 0);

} // namespace columna
