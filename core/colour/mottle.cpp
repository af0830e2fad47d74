#include "colour/mottle.h"

#include "words/print.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kFaintest = 1e-6; ///< cycles a degree: nothing is seen at all

} // namespace

Streaks streaksAfter(int pulls, const Pulls& of) {
  if (pulls >= of.even) return Streaks::Even;
  if (pulls <= 0) return Streaks::Striped;
  return 2 * pulls < of.even ? Streaks::Streaky : Streaks::Mottled;
}

double contrastOf(double brightness, double other) {
  const double sum = brightness + other;
  return sum > 0 ? std::abs(brightness - other) / sum : 0;
}

Pulls pullsFor(double high, int layers, double contrast, const ColourRules& rules) {
  assert(high > 0 && layers >= 2);
  const double seen = rules.contrastMost * contrast;
  // Below e the logarithm has its tangent through nothing.
  const double cycles = std::max(
      kFaintest, (seen > std::numbers::e ? std::log(seen) : seen / std::numbers::e) / rules.contrastFalls);
  Pulls out;
  // Half a period, seen from there.
  const double half = 0.5 / cycles * kDegree;
  out.finest = half < std::numbers::pi / 2 ? rules.seenFrom * std::tan(half) : high;
  const double streak = high / layers;
  const auto pulls = [&](double growth) {
    return std::max(0, static_cast<int>(std::ceil(std::log(streak / out.finest) / std::log(growth))));
  };
  out.even = pulls(rules.pull);
  out.least = pulls(rules.pullHigh);
  out.most = pulls(rules.pullLow);
  return out;
}

} // namespace columna
