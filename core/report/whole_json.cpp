#include "report/whole_json.h"

#include "judge/face_sums.h"
#include "report/face_json.h"
#include "report/plan_json.h"
#include "report/pose_json.h"

#include <nlohmann/json.hpp>

namespace columna {

nlohmann::json wholeJson(const Project& project, const Plan& plan, const Catalog& catalog) {
  nlohmann::json out = toJson(plan);
  out["poses"] = posesJson(project, plan, catalog);
  if (const auto sums = faceSums(project, catalog, plan)) {
    out["head"] = faceJson(*sums, catalog.drying);
    out["flats"] = std::move(out["head"]["flats"]);
    out["head"].erase("flats");
  }
  return out;
}

} // namespace columna
