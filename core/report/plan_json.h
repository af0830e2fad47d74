// A plan as JSON.
#pragma once

#include "plan/plan.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

/// The plan as the JSON of docs/schema/plan.schema.json.
[[nodiscard]] nlohmann::json toJson(const Plan& plan);

} // namespace columna
