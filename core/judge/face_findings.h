// What is doubtful or wrong about a face at its size.
#pragma once

#include "face/symmetry.h"
#include "plan/finding.h"

#include <map>
#include <string>
#include <vector>

namespace columna {

/// Worst first: eyes that are not sold, meet each other, leave no room for the bridge of the nose, or whose
/// stems meet inside; pads too small to be felted; flat parts too thin, or that droop. Each with what helps.
[[nodiscard]] std::vector<Finding> faceFindings(const FaceReport& face, const FaceRules& rules);

/// Eyes set farther apart than the animal's, or nearer, so that it shows. `own`: mm between the animal's, by
/// the eye's id.
[[nodiscard]] std::vector<Finding>
apartFindings(const FaceReport& face, const std::map<std::string, double>& own, const FaceRules& rules);

/// Horns and a bill of `hard` g on a head of `wool` g, where that is much of it.
[[nodiscard]] std::vector<Finding> hardFindings(double hard, double wool, const FaceRules& rules);

/// Pairs that were measured and stand askew so that it shows, with how to set the right one anew; what no
/// place of the head satisfies.
[[nodiscard]] std::vector<Finding> measuredFindings(const FaceMeasured& measured);

} // namespace columna
