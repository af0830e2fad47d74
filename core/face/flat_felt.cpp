#include "face/flat_felt.h"

#include "wool/felt.h"
#include "words/print.h"

#include <cmath>

namespace columna {
namespace {

constexpr double kThinRoot = 0.85; ///< of the critical length, where the root is not thickened [E]
constexpr double kGreenhill = 7.837;

} // namespace

double cupFactor(double width, double thickness, double angle) {
  if (angle < 1e-6) return 1;
  const double r = width / angle;
  const double half = angle / 2;
  // z = r (1 - cos a) over -half..half: its variance in closed form.
  const double mean = 1 - std::sin(half) / half;
  const double square = 1.5 - 2 * std::sin(half) / half + std::sin(2 * half) / (4 * half);
  return 1 + 12 * r * r * (square - mean * mean) / (thickness * thickness);
}

FlatStanding standingOf(const FlatStrip& strip, double relaxed) {
  FlatStanding out;
  out.stiffer = cupFactor(strip.width, strip.thickness, strip.cup);
  const double t = strip.thickness;
  const double bending = relaxed * feltStiffness(strip.density) * out.stiffer * t * t * t / 12; // per width
  const double weight = strip.density * kGravity / 1000 * t; // N/mm per width: g are thousandths of kg
  out.critical = std::cbrt(kGreenhill * bending / weight) * (strip.thickRoot ? 1 : kThinRoot);
  out.sag = weight * std::pow(strip.length, 4) * std::sin(strip.lean) / (8 * bending);
  const double slender = strip.length / out.critical;
  const double sunk = out.sag / strip.length;
  out.verdict = slender <= 0.6 && sunk <= 0.05   ? Stands::Well
                : slender <= 0.8 && sunk <= 0.12 ? Stands::Doubtful
                                                 : Stands::Droops;
  return out;
}

} // namespace columna
