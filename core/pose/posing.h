// Changing a pose: a bone's turn within its limits, mirror images, one side's limb copied to the other.
#pragma once

#include "pose/pose.h"

namespace columna {

/// How a bone turns in the pose. A right copy turns as the left does unless the pose has its own.
[[nodiscard]] Turn turnOf(const PatternPose& pose, const PatternBone& bone, bool right);

/// Sets it, held within the joint's limits; of a bone with a twin this side alone. True when a limit held it.
bool setTurn(PatternPose& pose, const PatternBone& bone, bool right, const Turn& turn);

/// Every turn brought within its joint's limits.
[[nodiscard]] PatternPose withinLimits(const Pattern& pattern, PatternPose pose);

/// Left for right.
[[nodiscard]] PatternPose mirroredPose(const Pattern& pattern, const PatternPose& pose);

/// The limb's turns on one side given to the other; digits and all else it carries with it.
[[nodiscard]] PatternPose copiedToTwin(const Pattern& pattern, PatternPose pose, const std::string& limb,
                                       bool fromRight);

/// The limb (and what it carries) back in the neutral stance, on both sides or one.
[[nodiscard]] PatternPose limbStraight(const Pattern& pattern, PatternPose pose, const std::string& limb,
                                       bool left, bool right);

/// Part of the way from one pose to another: 0 the first, 1 the second.
[[nodiscard]] PatternPose between(const Pattern& pattern, const PatternPose& from, const PatternPose& to,
                                  double share);

/// The largest turn between two poses, radians.
[[nodiscard]] double largestTurn(const Pattern& pattern, const PatternPose& a, const PatternPose& b);

/// A joint that is as far as it goes.
struct AtLimit {
  std::string bone; ///< pattern's id
  bool right = false;
  std::string way; ///< "flex", "side" or "twist"
};
[[nodiscard]] std::vector<AtLimit> jointsAtLimit(const Pattern& pattern, const PatternPose& pose);

/// Whether two poses are the same stance to a hundredth of a degree.
[[nodiscard]] bool sameStance(const Pattern& pattern, const PatternPose& a, const PatternPose& b);

/// The angle between two turns of a bone, radians: of the rotation from the one to the other. `along` is its
/// direction in the neutral stance.
[[nodiscard]] double swingOf(const PatternBone& bone, const Vec3& along, const Turn& from, const Turn& to);

} // namespace columna
