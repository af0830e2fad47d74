#include "hold/pose_rules.h"

#include "measure/number_file.h"

#include <array>

namespace columna {
namespace {

constexpr std::array<RuleField<PoseRules>, 19> kPoseFields{{
    {"hold_needed", &PoseRules::holdNeeded},       {"nudge_needed", &PoseRules::nudgeNeeded},
    {"effort_adult", &PoseRules::effortAdult},     {"effort_child", &PoseRules::effortChild},
    {"effort_sore", &PoseRules::effortSore},       {"finger_lever", &PoseRules::fingerLever},
    {"recoil_share", &PoseRules::recoilShare},     {"soft_gap", &PoseRules::softGap},
    {"tip_needed_deg", &PoseRules::tipNeeded},     {"margin_needed", &PoseRules::marginNeeded},
    {"leg_error", &PoseRules::legError},           {"touch_share", &PoseRules::touchShare},
    {"sole_give", &PoseRules::soleGive},           {"lie_share", &PoseRules::lieShare},
    {"life_once", &PoseRules::lifeOnce},           {"life_occasional", &PoseRules::lifeOccasional},
    {"life_spread", &PoseRules::lifeSpread},       {"bonded_share", &PoseRules::bondedShare},
    {"reposes_wanted", &PoseRules::reposesWanted},
}};

constexpr std::array<std::string_view, 3> kHands{"adult", "child", "sore"};

} // namespace

Result<PoseRules> readPoseRules(std::string_view json, const std::string& file) {
  return readRules(json, "columna-pose-rules/1", kPoseFields, file);
}

std::string_view id(Hands hands) { return kHands[static_cast<size_t>(hands)]; }

std::optional<Hands> hands(std::string_view id) {
  for (const Hands each : {Hands::Adult, Hands::Child, Hands::Sore})
    if (columna::id(each) == id) return each;
  return std::nullopt;
}

double effortLimit(const PoseRules& rules, Hands hands) {
  return hands == Hands::Adult   ? rules.effortAdult
         : hands == Hands::Child ? rules.effortChild
                                 : rules.effortSore;
}

} // namespace columna
