#include "wire/allowance.h"

#include "wire/section.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

using std::numbers::pi;

double foldLength(double d) { return pi * d; }

double turnBackLength(double d, double leg) { return pi * d + std::max(leg, 8 * d); }

double loopLength(double inside, double d) { return pi * (inside + d); }

double closingTurnsLength(double d) { return 1.5 * pi * 2 * d; }

double lashingLength(double turns, double core, double d) { return turns * std::hypot(pi * (core + d), d); }

double mutualTwistLength(double turns, double d) { return turns * std::hypot(pi * d, 6 * d); }

double digitLength(double length, double d, double lay) {
  return 2 * length * twistLengthFactor(helixAngle(2, d, lay * d)) + pi * d + 2 * d;
}

double fourStrandLength(double length, double d, double lay, double tails) {
  const double factor = twistLengthFactor(helixAngle(2, d, lay * d));
  return 4 * length * factor * factor + pi * 2 * d + tails;
}

double wasteLength(double length, const Allowances& allow) {
  return allow.wasteShare / 100 * length + allow.wasteLength;
}

double spliceOverlap(double d, bool covered) { return std::max(15.0, (covered ? 50 : 30) * d); }

double spliceTurns(double lay, double friction, double ratio) {
  const double s = std::sin(std::atan(pi / lay));
  return std::log(ratio * pi / 4 / (s * s / 3)) / (2 * pi * friction * s);
}

} // namespace columna
