// Which of the maker's own wools, and how much of each, come nearest to a colour.
#pragma once

#include "colour/fibre_blend.h"

#include <atomic>
#include <span>
#include <vector>

namespace columna {

/// A wool to blend of.
struct BlendWool {
  Spectrum sent;
  Lab lab;
  double most = 1; ///< of the blend there is enough for, 0 to 1
};
[[nodiscard]] BlendWool blendWool(const Srgb& colour, double most = 1);

struct BlendWish {
  Srgb to;
  int wools = 3;        ///< at most, 1 to 4
  bool mottled = false; ///< streaks are wanted: wools of one hue go before wools that are alike
  int keep = 6;         ///< how many recipes
};

struct Recipe {
  std::vector<std::pair<int, double>> parts; ///< a wool and its share by weight, in the wools' order; sum 1
  double de = 0;                             ///< dE00 to the colour wanted
  double risk = 0;                           ///< the same where the constant is at the worse end of its range
  double score = 0;                          ///< what they are sorted by
  Eigen::Vector3d off;                       ///< lighter, more colourful, hue: than wanted
  Srgb srgb;
};

/// The best first; fewer than `keep` where there are not so many. Of at most 400 wools; none with `most` 0 is
/// taken. Every single wool, pair and triple is looked at in a plane where distance is about dE00, and the
/// nearest are followed to their best shares; a fourth wool is added downhill. Empty where the caps leave no
/// whole blend, or when `stop` is set.
[[nodiscard]] std::vector<Recipe> recipesFor(std::span<const BlendWool> wools, const BlendWish& wish,
                                             const BlendRule& rule, const ColourRules& rules,
                                             const std::atomic<bool>* stop = nullptr);

/// The shares of a recipe as so many whole units (pinches, tenths of a gram) that add up to `units`, nearest
/// in colour; one number a part. `units` 1 or more.
[[nodiscard]] std::vector<int> wholeUnits(const Recipe& recipe, std::span<const BlendWool> wools,
                                          const Srgb& to, int units, double m);

/// Of a recipe as it is put together, in whole units or grams: dE00 to a colour.
[[nodiscard]] double blendOff(std::span<const BlendWool> wools, std::span<const std::pair<int, double>> parts,
                              const Srgb& to, double m);

} // namespace columna
