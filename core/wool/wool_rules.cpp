#include "wool/wool_rules.h"

#include "measure/number_file.h"

#include <array>

namespace columna {
namespace {

constexpr double kPerCm3 = 1e-3; ///< g/cm3 in g/mm3
constexpr double kPerM = 1e-3;   ///< g/m in g/mm
constexpr double kPerM2 = 1e-6;  ///< g/m2 in g/mm2

using WoolNumber = RuleField<WoolRules>;

constexpr std::array kWoolFields{
    WoolNumber{"wrapped_density", &WoolRules::wrapped, kPerCm3},
    WoolNumber{"all_coat_below", &WoolRules::allCoatBelow},
    WoolNumber{"skin", &WoolRules::skin},
    WoolNumber{"pad_least", &WoolRules::padLeast},
    WoolNumber{"pad_share", &WoolRules::padShare},
    WoolNumber{"loose_end", &WoolRules::looseEnd},
    WoolNumber{"strip_longest", &WoolRules::stripLongest},
    WoolNumber{"winding_passes", &WoolRules::windings},
    WoolNumber{"strip_share", &WoolRules::stripShare},
    WoolNumber{"strip_narrowest", &WoolRules::stripNarrowest},
    WoolNumber{"draft_least", &WoolRules::draftLeast, kPerM},
    WoolNumber{"coat_least", &WoolRules::coatLeast},
    WoolNumber{"brushed_more", &WoolRules::brushedMore},
    WoolNumber{"ready_cover", &WoolRules::readyCover},
    WoolNumber{"feather_row_share", &WoolRules::featherRowShare},
    WoolNumber{"feather_wide", &WoolRules::featherWide},
    WoolNumber{"feather_linear", &WoolRules::feather, kPerM},
    WoolNumber{"yarn_wide", &WoolRules::yarnWide},
    WoolNumber{"yarn_linear", &WoolRules::yarn, kPerM},
    WoolNumber{"fur_offer", &WoolRules::furOffer},
    WoolNumber{"overlap", &WoolRules::overlap},
    WoolNumber{"tube_start_limb", &WoolRules::tubeLimb},
    WoolNumber{"tube_start_other", &WoolRules::tubeOther},
    WoolNumber{"roll_growth", &WoolRules::rollGrowth},
    WoolNumber{"batt_area", &WoolRules::battArea, kPerM2},
    WoolNumber{"batt_strip", &WoolRules::battStrip},
    WoolNumber{"sliver_linear", &WoolRules::sliver, kPerM},
    WoolNumber{"sliver_wide", &WoolRules::sliverWide},
    WoolNumber{"top_linear", &WoolRules::top, kPerM},
    WoolNumber{"top_wide", &WoolRules::topWide},
    WoolNumber{"roving_linear", &WoolRules::roving, kPerM},
    WoolNumber{"roving_wide", &WoolRules::rovingWide},
    WoolNumber{"staple", &WoolRules::staple},
    WoolNumber{"coat_density", &WoolRules::coatDensity, kPerCm3},
    WoolNumber{"hide_dark", &WoolRules::hideDark, kPerM2},
    WoolNumber{"hide_mid", &WoolRules::hideMid, kPerM2},
    WoolNumber{"hide_pale", &WoolRules::hidePale, kPerM2},
    WoolNumber{"hide_alike", &WoolRules::hideAlike, kPerM2},
    WoolNumber{"fur_row_share", &WoolRules::furRowShare},
    WoolNumber{"fur_row_least", &WoolRules::furRowLeast},
    WoolNumber{"fur_tuft_wide", &WoolRules::furTuftWide},
    WoolNumber{"fur_fold", &WoolRules::furFold},
    WoolNumber{"hair_tuft_wide", &WoolRules::hairTuftWide},
    WoolNumber{"hair_feather_least", &WoolRules::hairFeatherLeast},
    WoolNumber{"hair_set_in", &WoolRules::hairSetIn},
    WoolNumber{"fur_tuft_linear", &WoolRules::furTuft, kPerM},
    WoolNumber{"careful_within", &WoolRules::careful},
    WoolNumber{"passes_soft", &WoolRules::passesSoft},
    WoolNumber{"passes_medium", &WoolRules::passesMedium},
    WoolNumber{"passes_firm", &WoolRules::passesFirm},
    WoolNumber{"own_ball_least", &WoolRules::ballLeast},
    WoolNumber{"density_least", &WoolRules::densityLeast, kPerCm3},
    WoolNumber{"density_most", &WoolRules::densityMost, kPerCm3},
};

} // namespace

Result<WoolRules> readWoolRules(std::string_view json, const std::string& file) {
  return readRules(json, "columna-wool-rules/1", kWoolFields, file);
}

} // namespace columna
