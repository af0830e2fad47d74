#include "steps/figure_now.h"

#include "judge/pose_report.h"
#include "steps/at_bench.h"
#include "wool/build_up.h"

namespace columna {

Figure figureNow(const Plan& plan, const PatternPose& stance, const StepPlan& steps,
                 const Progress& progress) {
  const std::vector<BuildStep> build = buildSteps(plan.figure, plan.wool);
  return figureAtMoment(posedFigure(plan, stance), plan.wool,
                        momentOf(build, plan.figure->limbs.size(), woolOn(steps, progress, build)),
                        bundlesOf(plan));
}

} // namespace columna
