// What holds an armature up: feet on the ground, glue, a hand, a thread.
#pragma once

#include "hold/figure_frame.h"

namespace columna {

/// Index of the skeleton's point of that name, -1 for none.
[[nodiscard]] int pointNamed(const WireSkeleton& skeleton, const std::string& id);

/// The point of the spine nearest to the armature's centre of mass, -1 without a spine.
[[nodiscard]] int spinePointNear(const WireSkeleton& skeleton, const FigureFrame& armature);

/// Fixes the nodes that hold the armature up, and notes them. Loose feet that would pull are let go of; flat
/// feet resist turning as far as the weight on them does. `hook` is the point it hangs by, -1 otherwise.
void supportFigure(const ArmatureParts& parts, const Figure& posed, const Support& support,
                   const PoseRules& rules, int hook, FigureFrame& armature);

} // namespace columna
