// The figure as it stands on the bench: in its stance, and as far as it is made.
#pragma once

#include "plan/plan.h"
#include "steps/progress.h"

namespace columna {

/// In a stance, with what the steps that are done have put on it; bare wire where nothing is.
[[nodiscard]] Figure figureNow(const Plan& plan, const PatternPose& stance, const StepPlan& steps,
                               const Progress& progress);

} // namespace columna
