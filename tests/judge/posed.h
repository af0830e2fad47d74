// What the tests of posed figures share.
#pragma once

#include "judge/pose_report.h"
#include "support.h"

#include <algorithm>

namespace columna::test {

inline PoseReport reported(const Project& p, const PatternPose& pose) {
  const Plan plan = planned(p);
  return poseReport(p, plan, shelf(), pose);
}

/// Whether a finding of the report has those words.
inline bool says(const PoseReport& r, const std::string& words) {
  return std::any_of(r.findings.begin(), r.findings.end(), [&](const Finding& f) {
    return render(f.text).find(words) != std::string::npos ||
           render(f.brief).find(words) != std::string::npos;
  });
}

} // namespace columna::test
