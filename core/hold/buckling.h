// Elastic buckling of a frame: by how much its loads could grow before it gives way sideways or by twisting.
#pragma once

#include "hold/frame.h"

namespace columna {

/// How a joint's turning is reckoned to second order where wires meet at an angle. `Linear`: as solvers have
/// it that tie beams by linear equations (CalculiX's buckling step is one); it leaves out the work of the
/// moment passing round the corner, and where it differs in wire figures it has been lower. `Finite`: the
/// joint turns as a rigid body, as the corner of a solid would. On straight runs they are the same.
enum class JointTurning { Linear, Finite };

/// The smallest factors on the frame's loads at which it buckles, rising; up to `most`, fewer where there are
/// no more, none where nothing is stable or loaded.
///
/// Each member is divided into `parts`; its second-order energy is that of a member turning with its own
/// frame, rotations as rotation vectors at every node, so that twisting modes are found with the sagging
/// ones. Loads keep their direction. Linear: shapes before buckling are taken as unloaded.
[[nodiscard]] std::vector<double> bucklingFactors(const Frame& frame, int most = 3, int parts = 4,
                                                  JointTurning turning = JointTurning::Linear);

/// The frame with every member in so many equal parts; nodes of the first come first.
[[nodiscard]] Frame divided(const Frame& frame, int parts);

} // namespace columna
