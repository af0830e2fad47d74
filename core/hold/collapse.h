// Plastic limits of a frame: the factor on its loads at which wires bend on by themselves, and how far it
// moves before that.
#pragma once

#include "hold/frame.h"

namespace columna {

/// The load factor at plastic collapse, and the bending each member's ends carry there.
struct Collapse {
  double factor = 0;       ///< infinite when nothing that is judged carries moment
  std::vector<int> hinges; ///< members that have given way at collapse
};

/// Limit analysis by the static theorem: the largest factor for which some moments, in balance with the
/// loads, stay within every member's plastic moment (the resultant of both bendings) and plastic torque. A
/// linear programme over the redundant reactions; the circle of the resultant is cut tangent by tangent until
/// it is kept to one part in ten thousand. Members with no plastic moment are not judged. Sections looked at:
/// both ends and the middle of each member. A frame without supports gives infinity.
[[nodiscard]] Collapse collapseLoad(const Frame& frame);

/// Displacements with the wire's elastic-plastic bending, M(kappa) of a round section (momentShare()), found
/// by secant stiffness on members in `parts` each; `gaveWay` when some section is at its plastic moment and
/// what is told is how far it got.
struct PlasticSag {
  FrameSolution solution; ///< nodes as in the frame, ends of the divided members left out
  bool gaveWay = false;
  int rounds = 0;
};
[[nodiscard]] PlasticSag plasticSag(const Frame& frame, int parts = 8);

} // namespace columna
