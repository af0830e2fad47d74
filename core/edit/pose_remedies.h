// What would mend a pose: the smallest changes, each tried on the whole figure, and its result told.
#pragma once

#include "judge/pose_report.h"

namespace columna {

struct PoseRemedy {
  Said words;         ///< "double the neck's wire"
  Said result;        ///< "then the root of the neck holds 2.6 times its load"
  Project project;    ///< with the change made
  bool mends = false; ///< what it was for is good then
  double size = 0;    ///< how much of a change it is, smallest first
  double gain = 0;    ///< how much nearer to good, more is better
};

/// Of one of a limb's joints (by id; the worst off when none is named) that is doubtful or wrong: the next
/// wires, doubling, a shorter or thinner part, less wool on what it carries, softer felt at a joint that
/// springs back, strands glued, a base, fewer re-poses. Those that mend it first, the smallest change before
/// the larger; then what betters it. Empty when all is well.
[[nodiscard]] std::vector<PoseRemedy> jointRemedies(const Project& project, const Catalog& catalog,
                                                    const Plan& plan, const PoseReport& report, int limb,
                                                    const std::string& joint = {});

/// Of a figure that falls or tips easily: lean it back, a foot moved, a wider stance, the tail put down,
/// weight taken off the head, a base and a heavier one.
[[nodiscard]] std::vector<PoseRemedy> standingRemedies(const Project& project, const Catalog& catalog,
                                                       const Plan& plan, const PoseReport& report);

/// Those that mend first, the smallest change before the larger; then by what is gained.
void rankRemedies(std::vector<PoseRemedy>& remedies);

} // namespace columna
