#include "report/whole_json.h"

#include "judge/face_sums.h"
#include "report/face_json.h"
#include "report/plan_json.h"
#include "report/pose_json.h"
#include "report/steps_json.h"
#include "steps/steps_of.h"

#include <nlohmann/json.hpp>

namespace columna {

nlohmann::json wholeJson(const Project& project, const Plan& plan, const Catalog& catalog) {
  nlohmann::json out = toJson(plan);
  out["poses"] = posesJson(project, plan, catalog);
  const auto sums = faceSums(project, catalog, plan);
  if (sums) {
    out["head"] = faceJson(*sums, catalog.drying);
    out["flats"] = std::move(out["head"]["flats"]);
    out["head"].erase("flats");
  }
  const StepPlan steps = stepsOf(project, catalog, plan, sums.get());
  out["work"] = stepsJson(steps, plan.figure, progressOf(steps, {}, 0));
  return out;
}

} // namespace columna
