// Posing: a pattern in another stance. Each bone turns about its own hinge axes, carried along by the bone
// that carries it; afterwards the figure settles onto the ground.
#pragma once

#include "anatomy/pattern.h"

namespace columna {

/// The pattern in that stance, its right-hand side apart (Pattern::right). Turns are about the neutral axes,
/// the twist first, then side, then flex; a right copy turns as the mirror image of the left unless it has a
/// turn of its own. Limits are not enforced: see beyondLimits(). Lengths and girths are kept; the lowest
/// point lies at z = 0.
[[nodiscard]] Pattern posed(const Pattern& pattern, const PatternPose& pose);

/// The turn of a figure as a whole, in the world's axes: twist first, then flex, then side.
[[nodiscard]] Eigen::Matrix3d wholeTurn(const Turn& whole);

/// The first bone of the pose that turns further than its joint allows, as a sentence; nothing when all are
/// within their limits (a twentieth of a degree is let pass).
[[nodiscard]] std::optional<Problem> beyondLimits(const Pattern& pattern, const PatternPose& pose);

/// An easy standing stance for a silhouette: the pattern's walk if it has one, so that near and far legs show
/// apart, else the pattern itself.
[[nodiscard]] Pattern easyStance(const Pattern& pattern);

} // namespace columna
