// A number as JSON has it.
#pragma once

#include <nlohmann/json.hpp>

#include <cmath>

namespace columna {

/// A factor; null where there is none, as of a limb that nothing loads.
[[nodiscard]] inline nlohmann::json orNone(double value) {
  return std::isfinite(value) ? nlohmann::json(value) : nlohmann::json(nullptr);
}

} // namespace columna
