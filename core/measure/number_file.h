// Files of numbers: each with its value, unit and source, {"key": {"value": 2, "unit": "mm", "source":
// "..."}}.
#pragma once

#include "measure/result.h"

#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// The values of those keys, in their order. Errors name the file and the key: not such a file, a key
/// missing, not a number, below zero, or without a source.
[[nodiscard]] Result<std::vector<double>> readNumbers(std::string_view json, std::string_view schema,
                                                      std::span<const std::string_view> keys,
                                                      const std::string& file);

} // namespace columna
