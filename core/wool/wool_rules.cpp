#include "wool/wool_rules.h"

#include "measure/number_file.h"

#include <array>

namespace columna {
namespace {

constexpr double kPerCm3 = 1e-3; ///< g/cm3 in g/mm3
constexpr double kPerM = 1e-3;   ///< g/m in g/mm
constexpr double kPerM2 = 1e-6;  ///< g/m2 in g/mm2

constexpr std::array kWoolFields{
    RuleField{"wrapped_density", &WoolRules::wrapped, kPerCm3},
    RuleField{"all_coat_below", &WoolRules::allCoatBelow},
    RuleField{"skin", &WoolRules::skin},
    RuleField{"pad_least", &WoolRules::padLeast},
    RuleField{"pad_share", &WoolRules::padShare},
    RuleField{"loose_end", &WoolRules::looseEnd},
    RuleField{"strip_longest", &WoolRules::stripLongest},
    RuleField{"winding_passes", &WoolRules::windings},
    RuleField{"strip_share", &WoolRules::stripShare},
    RuleField{"strip_narrowest", &WoolRules::stripNarrowest},
    RuleField{"draft_least", &WoolRules::draftLeast, kPerM},
    RuleField{"coat_least", &WoolRules::coatLeast},
    RuleField{"brushed_more", &WoolRules::brushedMore},
    RuleField{"ready_cover", &WoolRules::readyCover},
    RuleField{"feather_row_share", &WoolRules::featherRowShare},
    RuleField{"feather_wide", &WoolRules::featherWide},
    RuleField{"feather_linear", &WoolRules::feather, kPerM},
    RuleField{"yarn_wide", &WoolRules::yarnWide},
    RuleField{"yarn_linear", &WoolRules::yarn, kPerM},
    RuleField{"fur_offer", &WoolRules::furOffer},
    RuleField{"overlap", &WoolRules::overlap},
    RuleField{"tube_start_limb", &WoolRules::tubeLimb},
    RuleField{"tube_start_other", &WoolRules::tubeOther},
    RuleField{"roll_growth", &WoolRules::rollGrowth},
    RuleField{"batt_area", &WoolRules::battArea, kPerM2},
    RuleField{"batt_strip", &WoolRules::battStrip},
    RuleField{"sliver_linear", &WoolRules::sliver, kPerM},
    RuleField{"sliver_wide", &WoolRules::sliverWide},
    RuleField{"top_linear", &WoolRules::top, kPerM},
    RuleField{"top_wide", &WoolRules::topWide},
    RuleField{"roving_linear", &WoolRules::roving, kPerM},
    RuleField{"roving_wide", &WoolRules::rovingWide},
    RuleField{"staple", &WoolRules::staple},
    RuleField{"coat_density", &WoolRules::coatDensity, kPerCm3},
    RuleField{"hide_dark", &WoolRules::hideDark, kPerM2},
    RuleField{"hide_mid", &WoolRules::hideMid, kPerM2},
    RuleField{"hide_pale", &WoolRules::hidePale, kPerM2},
    RuleField{"hide_alike", &WoolRules::hideAlike, kPerM2},
    RuleField{"fur_row_share", &WoolRules::furRowShare},
    RuleField{"fur_row_least", &WoolRules::furRowLeast},
    RuleField{"fur_tuft_wide", &WoolRules::furTuftWide},
    RuleField{"fur_fold", &WoolRules::furFold},
    RuleField{"fur_tuft_linear", &WoolRules::furTuft, kPerM},
    RuleField{"careful_within", &WoolRules::careful},
    RuleField{"passes_soft", &WoolRules::passesSoft},
    RuleField{"passes_medium", &WoolRules::passesMedium},
    RuleField{"passes_firm", &WoolRules::passesFirm},
    RuleField{"own_ball_least", &WoolRules::ballLeast},
    RuleField{"density_least", &WoolRules::densityLeast, kPerCm3},
    RuleField{"density_most", &WoolRules::densityMost, kPerCm3},
};

} // namespace

Result<WoolRules> readWoolRules(std::string_view json, const std::string& file) {
  return readRules(json, "columna-wool-rules/1", kWoolFields, file);
}

} // namespace columna
