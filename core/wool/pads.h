// Pads: what winding round the wire cannot build. Each is a loose roll, thick in the middle and thin at its
// ends, needled on where the body is fuller than the largest round about its wire.
#pragma once

#include "solid/solid.h"
#include "wool/wool_rules.h"

#include <string>
#include <vector>

namespace columna {

struct Pad {
  std::string place; ///< "chest", "haunch, behind"
  PadSide side = PadSide::Up;
  std::vector<int> bones; ///< of the figure, root outwards
  int count = 1;          ///< 2 for a pair on the two sides of a part in the middle; grams are of one
  double volume = 0;      ///< mm3 felted, of one
  double grams = 0;       ///< of one
  double length = 0;      ///< mm along the part
  double width = 0;       ///< mm round it
  double thickness = 0;   ///< mm in the middle, felted
  double loose = 0;       ///< mm in the middle, as rolled
  Vec3 centre{0, 0, 0};   ///< mm, of the first
  int rank = 0;           ///< in the order to add them
};

/// Pads of one limb in the order to add them: chest, belly, haunch, calf, shoulder, cheek, then the rest.
/// Those below the least weight or share of `core` grams are left to winding. The shape is taken as an oval
/// of parabolic thickness, volume = pi/8 length width thickness. `skip`, one a bone, leaves bones out.
[[nodiscard]] std::vector<Pad> padsOf(const Figure& figure, int limb, const BodySolid& solid, double density,
                                      double core, const WoolRules& rules, const std::vector<bool>& skip);

/// A pad's outline at true size as the maker tears it: thickness share 0..1 along its length 0..1.
[[nodiscard]] double padThicknessShare(double along);

} // namespace columna
