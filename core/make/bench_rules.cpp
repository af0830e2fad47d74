#include "make/bench_rules.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

struct Field {
  const char* key;
  double BenchRules::*value;
};

constexpr std::array<Field, 17> kFields{{
    {"skewer_share", &BenchRules::skewerShare},
    {"skewer_least", &BenchRules::skewerLeast},
    {"skewer_most", &BenchRules::skewerMost},
    {"skewer_step", &BenchRules::skewerStep},
    {"skewer_long_limb", &BenchRules::longLimb},
    {"skewer_long_other", &BenchRules::longOther},
    {"pin_share", &BenchRules::pinShare},
    {"pin_head_most", &BenchRules::pinHeadMost},
    {"pin_in_body", &BenchRules::pinInBody},
    {"thread_ties", &BenchRules::threadTies},
    {"folded_height_most", &BenchRules::foldedHeightMost},
    {"folded_mass_most", &BenchRules::foldedMassMost},
    {"peg_mass_most", &BenchRules::pegMassMost},
    {"stout_most", &BenchRules::stoutMost},
    {"slim_leg", &BenchRules::slimLeg},
    {"digit_least", &BenchRules::digitLeast},
    {"digits_most", &BenchRules::digitsMost},
}};

} // namespace

double BenchRules::skewerFor(double thinnest) const {
  const double step = std::max(skewerStep, 0.01);
  return std::clamp(std::round(thinnest * skewerShare / step) * step, skewerLeast,
                    std::max(skewerLeast, skewerMost));
}

double BenchRules::pinFor(double head) const { return std::min(head, pinHeadMost) * pinShare + pinInBody; }

Result<BenchRules> readBenchRules(std::string_view json, const std::string& file) {
  const auto root = nlohmann::json::parse(json, nullptr, false);
  if (!root.is_object() || root.value("schema", "") != "columna-bench-rules/1")
    return Problem{"it is not a file of bench rules", file, "write schema \"columna-bench-rules/1\""};
  BenchRules rules;
  for (const Field& f : kFields) {
    if (!root.contains(f.key) || !root[f.key].is_object())
      return Problem{fmt::format("{} is missing", f.key), file, "give its value, unit and source"};
    const auto& each = root[f.key];
    if (!each.contains("value") || !each["value"].is_number() || !(each["value"].get<double>() >= 0))
      return Problem{fmt::format("{}.value is missing or below zero", f.key), file, "give a number"};
    if (!each.contains("source") || !each["source"].is_string() ||
        each["source"].get_ref<const std::string&>().empty())
      return Problem{fmt::format("{}.source is missing", f.key), file, "say where the number comes from"};
    rules.*f.value = each["value"].get<double>();
  }
  return rules;
}

} // namespace columna
