// Reaching: which turns bring a joint to a place (inverse kinematics), within every joint's limits.
//
// Damped least squares over the turns of the chain, turns at a limit left out while they push against it. A
// pose that is dragged goes on from where it is, so a slow drag never jumps; what can be reached in several
// ways is reached with the least turning from there. A place out of reach is approached as near as the limits
// let it.
#pragma once

#include "pose/posing.h"

#include <tuple>

namespace columna {

/// A joint of one side: "wrist_j", right or left; of the midline `right` is false.
struct SidedJoint {
  std::string joint;
  bool right = false;

  [[nodiscard]] bool operator<(const SidedJoint& o) const {
    return std::tie(joint, right) < std::tie(o.joint, o.right);
  }
  [[nodiscard]] bool operator==(const SidedJoint&) const = default;
};

/// Where the pattern's places lie in a pose before the figure settles on the ground: the whole figure turned,
/// its first bone where it begins in the pattern. Modules.
class Linkage {
public:
  explicit Linkage(const Pattern& pattern);

  [[nodiscard]] const Pattern& pattern() const { return *pattern_; }
  [[nodiscard]] Vec3 place(const PatternPose& pose, const SidedJoint& joint) const;

  /// The bones that turn when that joint is dragged, root outwards: those of its limb from its root; of a
  /// head the neck's too; of the trunk from the first bone. Empty for a joint no bone ends at.
  [[nodiscard]] std::vector<std::string> chainTo(const SidedJoint& joint) const;

  struct Reached {
    PatternPose pose;
    double off = 0;       ///< modules from the place asked for
    bool limited = false; ///< some joint of the chain is as far as it goes
  };
  /// One step of a drag: where the way to the place is a long one (from one bend of a knee to the other),
  /// only part of it is gone at once, up to a quarter radian at any joint and a tenth of the chain's length
  /// at its end, and the next step goes on. `leap`: the place is anywhere; all of the way is gone, and other
  /// starts are tried where the first falls short.
  [[nodiscard]] Reached reach(const PatternPose& pose, const SidedJoint& joint, const Vec3& place,
                              bool leap = false) const;

  /// The legs that keep standing: each foot's joint brought back to its place, as far as the legs reach.
  [[nodiscard]] PatternPose planted(PatternPose pose,
                                    const std::vector<std::pair<SidedJoint, Vec3>>& feet) const;

  /// The last joint of each leg, digits apart: what stands when a foot is planted.
  [[nodiscard]] std::vector<SidedJoint> feet() const;

private:
  struct Step;
  [[nodiscard]] const PatternBone* endingAt(const std::string& joint) const;
  [[nodiscard]] Reached once(PatternPose pose, const SidedJoint& joint, const Vec3& place) const;
  const Pattern* pattern_;
};

} // namespace columna
