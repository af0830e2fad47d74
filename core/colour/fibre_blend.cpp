#include "colour/fibre_blend.h"

#include <array>
#include <cassert>
#include <cmath>

namespace columna {
namespace {

constexpr double kFloor = 0.01; ///< of the formula

// Where the constant is looked for: past these no blend of wool was ever found.
constexpr double kLeastM = 0.03, kMostM = 0.6;
constexpr int kTried = 200, kMixHalvings = 60;
constexpr double kGolden = 0.381966;

} // namespace

BlendRule usualBlendRule(const ColourRules& rules) {
  return {rules.mixing, rules.mixingLow, rules.mixingHigh, false};
}

BlendRule ownBlendRule(double m, const ColourRules& rules) {
  return {m, std::max(kLeastM, m - rules.mixingOwn), std::min(kMostM, m + rules.mixingOwn), true};
}

Spectrum addable(const Spectrum& sent, double m) {
  return (1 - sent.array()) / (m * (sent.array() - kFloor) + kFloor);
}

Spectrum sentBack(const Spectrum& added, double m) {
  return (1 - kFloor * (1 - m) * added.array()) / (1 + m * added.array());
}

Spectrum blend(std::span<const Spectrum> wools, std::span<const double> shares, double m) {
  assert(wools.size() == shares.size());
  Spectrum sum = Spectrum::Zero();
  double whole = 0;
  for (size_t i = 0; i < wools.size(); ++i) {
    assert(shares[i] >= 0);
    sum += shares[i] * addable(wools[i], m);
    whole += shares[i];
  }
  assert(whole > 0);
  return sentBack(sum / whole, m);
}

Result<OwnMixing> ownMixing(const OwnBlend& tried, const ColourRules& rules) {
  if (std::abs(labOf(tried.pale).l - labOf(tried.dark).l) < rules.ownApart)
    return Problem{
        say("these two wools are too alike to tell how wools mix"), {}, say("take a pale and a dark one")};
  const std::array<Spectrum, 2> wools{reflectance(tried.pale), reflectance(tried.dark)};
  const std::array<double, 2> shares{tried.palePart, 1 - tried.palePart};
  const Lab came = labOf(tried.came);
  const auto off = [&](double m) { return differenceOf(labOf(blend(wools, shares, m)), came); };
  // First everywhere, as there may be two dips; then the lowest to its bottom.
  const double ratio = std::pow(kMostM / kLeastM, 1.0 / (kTried - 1));
  const auto at = [&](int i) { return kLeastM * std::pow(ratio, i); };
  int best = 0;
  for (int i = 1; i < kTried; ++i)
    if (off(at(i)) < off(at(best))) best = i;
  double low = at(std::max(0, best - 1));
  double high = at(std::min(kTried - 1, best + 1));
  for (int i = 0; i < kMixHalvings; ++i) {
    const double p = low + kGolden * (high - low);
    const double q = high - kGolden * (high - low);
    (off(p) < off(q) ? high : low) = off(p) < off(q) ? q : p;
  }
  const OwnMixing out{(low + high) / 2, off((low + high) / 2)};
  if (out.left > rules.ownMost)
    return Problem{say("this blend does not fit these two wools"),
                   {},
                   say("look whether they are the ones, and whether it is carded to an even colour")};
  return out;
}

} // namespace columna
