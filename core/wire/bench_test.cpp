#include "wire/bench_test.h"

#include "measure/quantity.h"

#include <cmath>

namespace columna {

Result<Estimate> diameterByTurns(int turns, double length, double reading) {
  if (turns < 3)
    return Problem{say("so few turns say little"), Name(named("turns")),
                   say("wind 10 to 20 close turns and count them")};
  if (!(length > 0))
    return Problem{say("the turns take no length"), Name(named("length")),
                   say("measure from the first to the last")};
  return Estimate{length / turns, std::max(0.0, length - reading) / turns, (length + reading) / turns};
}

Result<Estimate> yieldByHangingMass(double grams, double length, double diameter, double diameterError) {
  if (!(grams > 0) || !(length > 0) || !(diameter > 0))
    return Problem{say("mass, length and diameter are to be above 0"), Name(named("hanging test")),
                   say("measure all three")};
  const double sigma = 6 * grams / 1000 * kGravity * length / std::pow(diameter, 3);
  if (sigma < 5 || sigma > 3000)
    return Problem{say("{} is no wire's yield", Stress(sigma, 0)), Name(named("hanging test")),
                   say("check the mass in grams and the lengths in mm")};
  const double off =
      std::sqrt(0.1 * 0.1 + std::pow(1 / length, 2) + std::pow(3 * diameterError / diameter, 2));
  return Estimate{sigma, sigma / (1 + off), sigma * (1 + off)};
}

} // namespace columna
