// Files of numbers: each with its value, unit and source, {"key": {"value": 2, "unit": "mm", "source":
// "..."}}.
#pragma once

#include "measure/result.h"

#include <array>
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

/// A number of a file of rules, and the member it goes to.
template <class Rules>
struct RuleField {
  std::string_view key;
  double Rules::*value;
  double unit = 1; ///< the file's unit in the member's
};

/// Rules from such a file. Errors as readNumbers().
template <class Rules, size_t N>
[[nodiscard]] Result<Rules> readRules(std::string_view json, std::string_view schema,
                                      const std::array<RuleField<Rules>, N>& fields,
                                      const std::string& file) {
  std::array<std::string_view, N> keys;
  for (size_t k = 0; k < N; ++k) keys[k] = fields[k].key;
  auto numbers = readNumbers(json, schema, keys, file);
  if (!numbers) return numbers.problem();
  Rules rules;
  for (size_t k = 0; k < N; ++k) rules.*fields[k].value = (*numbers)[k] * fields[k].unit;
  return rules;
}

} // namespace columna
