// Where feet are on the ground: the whole of their soles, not one point of each section.
#pragma once

#include "anatomy/figure.h"

#include <vector>

namespace columna {

struct Contact {
  Vec3 at{0, 0, 0}; ///< mm
  int limb = 0;
};

/// A leg within this share of the figure's height of the ground stands on it.
inline constexpr double kTouchShare = 0.02;
/// Felt gives: what lies within this share of the height above a foot's lowest place bears (0.005-0.02) [E].
inline constexpr double kSoleGive = 0.01;

/// Places of the surface of standing legs, digits included, that bear on the ground at z = 0: points all
/// round every section and along flat ends, within `give` of the height above the foot's lowest place.
[[nodiscard]] std::vector<Contact> soles(const Figure& figure, double touch = kTouchShare,
                                         double give = kSoleGive);

/// Which limbs stand, and on what, in a figure's neutral stance.
struct Footing {
  std::vector<Contact> soles;
  std::vector<bool> stands; ///< of each limb
};
[[nodiscard]] Footing footingOf(const Figure& figure, double touch = kTouchShare, double give = kSoleGive);

/// The leg a bone belongs to, by what carries it; -1 for none.
[[nodiscard]] int legOf(const Figure& figure, int bone);

/// The place of a section that lies lowest.
[[nodiscard]] Vec3 lowestOf(const Ring& ring);

/// Of each limb, its share of the figure's weight while it stands on its legs in its neutral stance: by the
/// balance of forces and moments about the soles' middles, as even as these let it be; no leg pulls. Sums to
/// 1; all 0 where no leg stands.
[[nodiscard]] std::vector<double> legShares(const Figure& figure, const std::vector<Contact>& soles,
                                            const Vec3& centre);

} // namespace columna
