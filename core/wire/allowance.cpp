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

const std::vector<AllowanceField>& allowanceFields() {
  static const std::vector<AllowanceField> fields{
      {"loop_inside_mm", named("foot loop, inside"), "mm", 3, 10, &Allowances::loopInside},
      {"lap_mm", named("end along another wire"), "mm", 5, 20, &Allowances::lap},
      {"grip_tail_mm", named("end to hold while twisting"), "mm", 5, 40, &Allowances::gripTail},
      {"lash_turns", named("turns of a lashing"), "", 4, 8, &Allowances::lashTurns},
      {"lash_tail_mm", named("each end of a lashing"), "mm", 0, 20, &Allowances::lashTail},
      {"mutual_turns", named("turns where two wires meet"), "", 1, 5, &Allowances::mutualTurns},
      {"turn_back_mm", named("end turned back, at least"), "mm", 3, 15, &Allowances::turnBack},
      {"twist_lay_d", named("a twist's pitch, wire widths"), "", 4, 8, &Allowances::lay},
      {"waste_percent", named("waste, share of the length"), "%", 0, 20, &Allowances::wasteShare},
      {"waste_mm", named("waste, each piece"), "mm", 0, 50, &Allowances::wasteLength}};
  return fields;
}

} // namespace columna
