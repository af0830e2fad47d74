// Wools carded together: what colour they come to.
#pragma once

#include "colour/colour_rules.h"
#include "colour/reflectance.h"

#include <span>
#include <utility>

namespace columna {

/// The one constant of the model, and its range: the maker's own once a blend was tried.
struct BlendRule {
  double m = 0, low = 0, high = 0;
  bool own = false;
};
[[nodiscard]] BlendRule usualBlendRule(const ColourRules& rules);
[[nodiscard]] BlendRule ownBlendRule(double m, const ColourRules& rules);

/// A reflectance as a number that adds up by weight, and back: (1 - R) / (M (R - 0.01) + 0.01).
/// E. I. Stearns and F. Noechel, American Dyestuff Reporter 33, 1944.
[[nodiscard]] Spectrum addable(const Spectrum& sent, double m);
[[nodiscard]] Spectrum sentBack(const Spectrum& added, double m);

/// Shares by weight, none below 0; they are scaled to a sum of 1. At least one above 0.
[[nodiscard]] Spectrum blend(std::span<const Spectrum> wools, std::span<const double> shares, double m);

/// A blend the maker carded to an even pinch, and what it came to.
struct OwnBlend {
  Srgb pale, dark, came;
  double palePart = 0.5; ///< by weight, between 0 and 1
};
struct OwnMixing {
  double m = 0;
  double left = 0; ///< dE00 between what it came to and what this constant gives
};
/// Errors: the two are too near each other to tell, or no constant gives that colour.
[[nodiscard]] Result<OwnMixing> ownMixing(const OwnBlend& tried, const ColourRules& rules);

} // namespace columna
