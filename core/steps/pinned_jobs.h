// Jobs of steps that are kept to a session, and whether they can be.
#pragma once

#include "anatomy/figure.h"
#include "make/session_search.h"
#include "make/step_pins.h"
#include "plan/finding.h"
#include "steps/progress.h"

#include <vector>

namespace columna {

struct PinnedJob {
  int job = 0, step = 0;
  int from = 0, to = 0; ///< moments, its session
};

/// The jobs of pinned steps wait for their session and are done first in it; what they wait for goes before
/// other work. Pins of what is done, of no step, or of a session there is none of are passed over.
[[nodiscard]] std::vector<PinnedJob> pinJobs(StepJobs& jobs, const std::vector<StepPin>& pins,
                                             const StepPlan& plan, const OpenTime& time, const Date& first);

/// Steps that lie in another session than they are kept to: what comes before them is not done by then, or
/// there is no room.
[[nodiscard]] std::vector<int> notHeld(const std::vector<PinnedJob>& pinned, const Placement& placed);

/// What is said of them.
[[nodiscard]] std::vector<Finding> pinFindings(const std::vector<int>& notHeld, const StepPlan& plan,
                                               const Figure& figure);

} // namespace columna
