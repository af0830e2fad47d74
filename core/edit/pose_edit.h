// Changes of the stance and of the poses that are kept. Nothing of the plan follows from them.
#pragma once

#include "plan/plan.h"
#include "pose/reach.h"

namespace columna::edit {

/// All poses there are to step through, the neutral stance first (without a name), then the animal's, then
/// the maker's own; of each whether it is the maker's own.
[[nodiscard]] std::vector<std::pair<PatternPose, bool>> posesOf(const Project& project, const Plan& plan);

/// The stance on the mat, name and all, brought within every joint's limits.
[[nodiscard]] Project stanceTaken(Project project, const Plan& plan, PatternPose pose);

/// The pose of that name; "" is the neutral stance. Error: none has that name.
[[nodiscard]] Result<Project> poseTaken(Project project, const Plan& plan, const std::string& name);

/// The pose so many steps on from the one on the mat, round and round.
[[nodiscard]] std::string poseAfter(const Project& project, const Plan& plan, int step);

/// Keeps the stance on the mat under a name, in place of one of that name. Errors: no name, one of more than
/// kLongestPoseName letters, as many poses as are kept.
inline constexpr size_t kLongestPoseName = 60;
[[nodiscard]] Result<Project> poseKept(Project project, std::string name);
[[nodiscard]] Project poseRemoved(Project project, const std::string& name);

/// How the figure is held up, and how far its legs come out wrong (nothing: as the rules have it). Errors: a
/// base or an error out of range.
[[nodiscard]] Result<Project> supportedBy(Project project, const Support& support,
                                          std::optional<double> legError);
/// Whose hands bend it.
[[nodiscard]] Project bentBy(Project project, Hands hands);

/// The poses that are gone through, by their names ("" the neutral stance), and how often. Error: out of
/// range.
[[nodiscard]] Project goingThrough(Project project, std::set<std::string> names);
[[nodiscard]] Result<Project> goneThrough(Project project, int times);

/// The stance on the mat was bent into, on that day. Error: as many as are kept.
[[nodiscard]] Result<Project> bentInto(Project project, const Plan& plan, std::string date);

/// Whether the strands at a point of the skeleton are glued together.
[[nodiscard]] Project gluedAt(Project project, const Plan& plan, int point, bool glued);

/// The joint of the pattern at a point of the skeleton: the bone whose turning moves it, and its side.
[[nodiscard]] std::optional<SidedJoint> jointOfPoint(const Plan& plan, int point);

struct Dragged {
  Project project;
  bool limited = false; ///< a joint is as far as it goes, and the place is not reached
};
/// A joint dragged towards a place of the posed figure, mm. `posed` is the figure in its stance. With
/// `planted` a dragged body leaves its feet where they stand. Nothing for a figure without bones.
[[nodiscard]] std::optional<Dragged> jointDragged(Project project, const Plan& plan, const Figure& posed,
                                                  const SidedJoint& joint, const Vec3& mm, bool planted);

} // namespace columna::edit
