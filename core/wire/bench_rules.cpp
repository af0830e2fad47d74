#include "wire/bench_rules.h"

#include "measure/number_file.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr std::array<RuleField<BenchRules>, 17> kBenchFields{{
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
  return readRules(json, "columna-bench-rules/1", kBenchFields, file);
}

} // namespace columna
