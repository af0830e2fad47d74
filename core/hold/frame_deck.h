// The same frame as an input deck for CalculiX, so that anyone can check the sums with another solver.
#pragma once

#include "hold/frame.h"

#include <string>

namespace columna {

/// A static, linear step: beams of three nodes and square section with the members' own bending, axial and
/// twisting stiffness (a square no thicker than a twenty-fifth of its length, its moduli set so that it bends
/// and twists as the round one does; along it can be stiffer), weights as forces on their nodes. Prints the
/// displacements of the frame's nodes (node k of the frame is node k + 1) and the supports' forces. `parts`
/// elements a member, 1 to 64.
[[nodiscard]] std::string calculixDeck(const Frame& frame, const std::string& title, int parts = 12);

} // namespace columna
