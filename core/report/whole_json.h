// All that is written of a project's plan: docs/schema/plan.schema.json.
#pragma once

#include "plan/plan.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

/// The plan, its poses, the steps of making it, and where the animal has a head of its own `head` and
/// `flats`. Takes some tenths of a second, for the face.
[[nodiscard]] nlohmann::json wholeJson(const Project& project, const Plan& plan, const Catalog& catalog);

} // namespace columna
