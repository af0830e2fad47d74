// Poses and frames as JSON, for columna-cli and for whoever wants to check the sums.
#pragma once

#include "judge/pose_report.h"

#include <nlohmann/json.hpp>

namespace columna {

/// Every pose of the project: the neutral stance, the animal's, the maker's own, and the one on the mat if it
/// is none of these ("as posed").
[[nodiscard]] std::vector<PatternPose> allPoses(const Project& project, const Plan& plan);

/// `poses[]` of docs/schema/plan.schema.json.
[[nodiscard]] nlohmann::json posesJson(const Project& project, const Plan& plan, const Catalog& catalog);

/// The frame of a pose with its results, by docs/schema/frame.schema.json: effective sections, loads,
/// displacements, end moments, reactions, buckling and collapse factors.
[[nodiscard]] nlohmann::json frameJson(const PoseReport& report);

} // namespace columna
