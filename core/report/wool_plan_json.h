// The wool of a plan as JSON and as a table of girths.
#pragma once

#include "plan/plan.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

/// The field "wool" of docs/schema/plan.schema.json.
[[nodiscard]] nlohmann::json woolJson(const Plan& plan);

/// One line a station: limb, mm from the root, the four girths as a tape reads them and what callipers read
/// across and deep. RFC 4180, with a head line.
[[nodiscard]] std::string girthsCsv(const Plan& plan);

} // namespace columna
