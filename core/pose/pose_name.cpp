#include "pose/pose_name.h"

#include <algorithm>

namespace columna {

Said poseName(const Pattern& pattern, const PatternPose& pose) {
  if (pose.name.empty()) return say("neutral stance");
  const bool animals = std::any_of(pattern.poses.begin(), pattern.poses.end(),
                                   [&](const PatternPose& each) { return each.name == pose.name; });
  return animals ? Said(Name(pose.name)) : Said(AsIs(pose.name));
}

} // namespace columna
