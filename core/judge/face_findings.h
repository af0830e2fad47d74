// What is doubtful or wrong about a face at its size.
#pragma once

#include "face/face_report.h"
#include "plan/finding.h"

#include <vector>

namespace columna {

/// Worst first: eyes that are not sold, meet each other, leave no room for the bridge of the nose, or whose
/// stems meet inside; pads too small to be felted; flat parts too thin, or that droop. Each with what helps.
[[nodiscard]] std::vector<Finding> faceFindings(const FaceReport& face, const FaceRules& rules);

} // namespace columna
