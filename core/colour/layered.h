// A thin layer of one wool over another: what colour is seen, and how much hides the ground.
#pragma once

#include "colour/colour_rules.h"
#include "colour/reflectance.h"

namespace columna {

/// Fibres over a place are few or many by chance (Poisson), `across` micron each; each is a plate that sends
/// back some light and lets the rest through, a pile of plates on the ground. g/m2 from 0; the thick colour
/// for very much.
[[nodiscard]] Spectrum layerOver(const Spectrum& top, const Spectrum& ground, double gramsPerM2,
                                 const ColourRules& rules, double across = 0);

/// Fibres over a place on the mean.
[[nodiscard]] double fibresOver(double gramsPerM2, const ColourRules& rules, double across = 0);

/// g/m2 that leave ColourRules::groundShows of the ground's brightness, of wools that differ in brightness.
[[nodiscard]] double gramsToCover(const Spectrum& top, const Spectrum& ground, const ColourRules& rules,
                                  double across = 0);
/// g/m2 until the colour is within so many dE00 of the thick one; 0 where it is already. `near` above 0.
[[nodiscard]] double gramsToCome(const Spectrum& top, const Spectrum& ground, double near,
                                 const ColourRules& rules, double across = 0);
/// g/m2 of a coat that hides its ground, needled: the lesser of the two, times ColourRules::needledThrough.
[[nodiscard]] double gramsToHide(const Spectrum& top, const Spectrum& ground, const ColourRules& rules,
                                 double across = 0);

} // namespace columna
