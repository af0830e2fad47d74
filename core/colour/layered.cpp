#include "colour/layered.h"

#include <cassert>
#include <cmath>
#include <limits>
#include <numbers>

namespace columna {
namespace {

constexpr double kMostGrams = 3000; ///< g/m2: a centimetre of felt
constexpr int kLayerHalvings = 60;
constexpr double kEnough = 700; ///< fibres: e to the minus that is nothing at all

/// The least grams for which `shows(grams)` is no longer so; kMostGrams where it always is.
template <class Shows>
double until(const Shows& shows) {
  double low = 0;
  double high = kMostGrams;
  for (int i = 0; i < kLayerHalvings; ++i) {
    const double middle = (low + high) / 2;
    (shows(middle) ? low : high) = middle;
  }
  return high;
}

} // namespace

double fibresOver(double gramsPerM2, const ColourRules& rules, double across) {
  // g/m2 over g/cm3 and micron: the units cancel.
  return 4 * gramsPerM2 / (std::numbers::pi * rules.fibreDensity * (across > 0 ? across : rules.fibreAcross));
}

Spectrum layerOver(const Spectrum& top, const Spectrum& ground, double gramsPerM2, const ColourRules& rules,
                   double across) {
  assert(gramsPerM2 >= 0);
  const double mean = fibresOver(gramsPerM2, rules, across);
  if (mean > kEnough) return top;
  const Spectrum sends = top.array().min(rules.fibreSends);
  const Spectrum through =
      ((top.array() - sends.array()) * (1 - sends.array() * top.array()) / top.array()).max(0);
  const int most = static_cast<int>(mean + 10 * std::sqrt(mean) + 20);
  double chance = std::exp(-mean);
  Spectrum pile = ground;
  Spectrum out = chance * pile;
  for (int n = 1; n <= most; ++n) {
    pile = sends.array() + through.array() * pile.array() / (1 - sends.array() * pile.array());
    chance *= mean / n;
    out += chance * pile;
  }
  return out;
}

double gramsToCover(const Spectrum& top, const Spectrum& ground, const ColourRules& rules, double across) {
  const double thick = brightness(top);
  const double apart = std::abs(brightness(ground) - thick);
  return until([&](double grams) {
    return std::abs(brightness(layerOver(top, ground, grams, rules, across)) - thick) >
           rules.groundShows * apart;
  });
}

double gramsToCome(const Spectrum& top, const Spectrum& ground, double near, const ColourRules& rules,
                   double across) {
  assert(near > 0);
  const Lab thick = labOf(top);
  if (differenceOf(labOf(ground), thick) <= near) return 0;
  return until([&](double grams) {
    return differenceOf(labOf(layerOver(top, ground, grams, rules, across)), thick) > near;
  });
}

double gramsToHide(const Spectrum& top, const Spectrum& ground, const ColourRules& rules, double across) {
  const double alike = std::abs(brightness(top) - brightness(ground)) < rules.groundApart
                           ? std::numeric_limits<double>::infinity()
                           : gramsToCover(top, ground, rules, across);
  return std::max(rules.hidesLeast,
                  rules.needledThrough *
                      std::min(alike, gramsToCome(top, ground, rules.hiddenNear, rules, across)));
}

} // namespace columna
