// What a pose's numbers mean, in the maker's words: verdicts on joints and findings on the whole.
#pragma once

#include "judge/pose_report.h"

namespace columna {

/// Sets level, sentence and brief of a joint from its numbers.
void judgeJoint(JointReport& joint, const Project& project, const Plan& plan, const Catalog& catalog);

/// Findings of a pose whose joints are judged, worst first.
[[nodiscard]] std::vector<Finding> poseFindings(const Project& project, const Plan& plan,
                                                const Catalog& catalog, const PoseReport& report);

} // namespace columna
