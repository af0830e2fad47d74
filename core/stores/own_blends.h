// Blends of one's own wools for a colour: what to weigh, how near it comes, how often to pull.
#pragma once

#include "colour/blend_search.h"
#include "colour/colour_group.h"
#include "colour/mottle.h"
#include "colour/swatch.h"
#include "stores/store_list.h"

#include <filesystem>
#include <optional>

namespace columna {

/// The rules of colours from work/colour.json in `data`.
[[nodiscard]] Result<ColourRules> colourRules(const std::filesystem::path& data);

struct OwnBlendWish {
  BlendWish blend;
  std::optional<double> grams;   ///< of the blend; without, a wool is never short
  double unit = 0.1;             ///< g: what can be weighed
  std::optional<OwnBlend> tried; ///< a test blend of the maker's own, which tells how their wools mix
};

struct BlendHeap {
  size_t row = 0;   ///< of the list
  double share = 0; ///< of the best blend
  double grams = 0; ///< as it is weighed; 0 without grams
};

struct BlendOffer {
  std::vector<BlendHeap> heaps; ///< the largest first: the stack from below
  double de = 0;                ///< dE00 to the colour wanted, as it is weighed
  double doubt = 0;             ///< dE00 either way, of the constant, the swatches and one's eye
  Nearness nearness = Nearness::Other;
  Srgb srgb;
  Eigen::Vector3d off; ///< lighter, more colourful, hue: than wanted
  Pulls pulls;         ///< until it looks even, from a stack ColourRules::stackHigh high
};

struct OwnBlends {
  BlendRule rule;                  ///< the constant it was reckoned with
  std::optional<OwnMixing> mixing; ///< what the maker's test blend told
  std::vector<BlendOffer> offers;  ///< the first to be tried first
};

/// Of the wools in a list that have a colour; other things in it are passed over. Errors: no such wool, over
/// 400, less of them all than the grams wanted, grams that are none, or a test blend that does not fit.
[[nodiscard]] Result<OwnBlends> ownBlends(std::span<const StoreRow> list, const OwnBlendWish& wish,
                                          const ColourRules& rules, const std::atomic<bool>* stop = nullptr);

/// The way the nearest blend misses a colour: "duller than is wanted". Empty where it comes near.
[[nodiscard]] Said missedBy(const BlendOffer& offer, const ColourRules& rules);

} // namespace columna
