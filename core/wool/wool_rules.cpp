#include "wool/wool_rules.h"

#include "measure/number_file.h"

#include <array>

namespace columna {
namespace {

constexpr double kPerCm3 = 1e-3; ///< g/cm3 in g/mm3
constexpr double kPerM = 1e-3;   ///< g/m in g/mm
constexpr double kPerM2 = 1e-6;  ///< g/m2 in g/mm2

struct Field {
  const char* key;
  double WoolRules::*value;
  double unit = 1;
};

constexpr std::array kFields{
    Field{"wrapped_density", &WoolRules::wrapped, kPerCm3},
    Field{"all_coat_below", &WoolRules::allCoatBelow},
    Field{"skin", &WoolRules::skin},
    Field{"pad_least", &WoolRules::padLeast},
    Field{"pad_share", &WoolRules::padShare},
    Field{"loose_end", &WoolRules::looseEnd},
    Field{"strip_longest", &WoolRules::stripLongest},
    Field{"winding_passes", &WoolRules::windings},
    Field{"strip_share", &WoolRules::stripShare},
    Field{"strip_narrowest", &WoolRules::stripNarrowest},
    Field{"draft_least", &WoolRules::draftLeast, kPerM},
    Field{"coat_least", &WoolRules::coatLeast},
    Field{"brushed_more", &WoolRules::brushedMore},
    Field{"ready_cover", &WoolRules::readyCover},
    Field{"feather_row_share", &WoolRules::featherRowShare},
    Field{"feather_wide", &WoolRules::featherWide},
    Field{"feather_linear", &WoolRules::feather, kPerM},
    Field{"yarn_wide", &WoolRules::yarnWide},
    Field{"yarn_linear", &WoolRules::yarn, kPerM},
    Field{"fur_offer", &WoolRules::furOffer},
    Field{"overlap", &WoolRules::overlap},
    Field{"tube_start_limb", &WoolRules::tubeLimb},
    Field{"tube_start_other", &WoolRules::tubeOther},
    Field{"roll_growth", &WoolRules::rollGrowth},
    Field{"batt_area", &WoolRules::battArea, kPerM2},
    Field{"batt_strip", &WoolRules::battStrip},
    Field{"sliver_linear", &WoolRules::sliver, kPerM},
    Field{"sliver_wide", &WoolRules::sliverWide},
    Field{"top_linear", &WoolRules::top, kPerM},
    Field{"top_wide", &WoolRules::topWide},
    Field{"roving_linear", &WoolRules::roving, kPerM},
    Field{"roving_wide", &WoolRules::rovingWide},
    Field{"staple", &WoolRules::staple},
    Field{"coat_density", &WoolRules::coatDensity, kPerCm3},
    Field{"hide_dark", &WoolRules::hideDark, kPerM2},
    Field{"hide_mid", &WoolRules::hideMid, kPerM2},
    Field{"hide_pale", &WoolRules::hidePale, kPerM2},
    Field{"hide_alike", &WoolRules::hideAlike, kPerM2},
    Field{"fur_row_share", &WoolRules::furRowShare},
    Field{"fur_row_least", &WoolRules::furRowLeast},
    Field{"fur_tuft_wide", &WoolRules::furTuftWide},
    Field{"fur_fold", &WoolRules::furFold},
    Field{"fur_tuft_linear", &WoolRules::furTuft, kPerM},
    Field{"careful_within", &WoolRules::careful},
    Field{"passes_soft", &WoolRules::passesSoft},
    Field{"passes_medium", &WoolRules::passesMedium},
    Field{"passes_firm", &WoolRules::passesFirm},
    Field{"own_ball_least", &WoolRules::ballLeast},
    Field{"density_least", &WoolRules::densityLeast, kPerCm3},
    Field{"density_most", &WoolRules::densityMost, kPerCm3},
};

} // namespace

Result<WoolRules> readWoolRules(std::string_view json, const std::string& file) {
  std::array<std::string_view, kFields.size()> keys;
  for (size_t k = 0; k < kFields.size(); ++k) keys[k] = kFields[k].key;
  auto numbers = readNumbers(json, "columna-wool-rules/1", keys, file);
  if (!numbers) return numbers.problem();
  WoolRules rules;
  for (size_t k = 0; k < kFields.size(); ++k) rules.*kFields[k].value = (*numbers)[k] * kFields[k].unit;
  return rules;
}

} // namespace columna
