// Whether the figure stands in its neutral stance: contact points, their hull, and how far it can tip.
#pragma once

#include "hold/soles.h"

#include <string>
#include <vector>

namespace columna {

/// A leg whose surface, digits included, comes within 2 % of the figure's height of the ground.
[[nodiscard]] bool stands(const Figure& figure, int limb);

struct Standing {
  std::vector<Vec2>
      support;         ///< hull of the contact points, counter-clockwise, seen from above; fewer than 3: none
  double margin = 0;   ///< mm from the centre of mass to the nearest edge; below 0 it falls
  double tip = 0;      ///< radians it can be tipped towards that edge, atan(margin/height of the centre)
  std::string towards; ///< "forward", "backward", "to the side"
  bool stands = false;
};

/// `centre` is the centre of mass in mm.
[[nodiscard]] Standing standing(const Footing& footing, const Vec3& centre);
/// The same with the figure's soles found first.
[[nodiscard]] Standing standing(const Figure& figure, const Vec3& centre, double touch = kTouchShare,
                                double give = kSoleGive);

/// The same for given contact points; the hull is taken here.
[[nodiscard]] Standing standingOn(std::vector<Vec2> contacts, const Vec3& centre);

} // namespace columna
