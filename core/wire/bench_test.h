// Two tests a maker does at the bench: a wire's diameter by counting turns, and its yield by hanging a mass.
#pragma once

#include "wire/material.h"

#include "measure/result.h"

namespace columna {

/// Diameter in mm from close turns on a pencil: the length they take over their number, with the error of
/// reading the rule to `reading` mm. Errors: fewer than 3 turns, no length.
[[nodiscard]] Result<Estimate> diameterByTurns(int turns, double length, double reading = 0.5);

/// Yield stress in N/mm2 from the mass (g) at the tip of a level wire of so many mm that leaves it set by
/// five degrees: sigma = 6 m g L/d^3, the wire's own weight left out. The range is from the errors of the
/// mass (a tenth, as it is found by adding weights), the length (1 mm) and the diameter (`diameterError` mm),
/// which counts three times. Errors: anything not above 0, or a result no wire has (under 5 or over 3000
/// N/mm2).
[[nodiscard]] Result<Estimate> yieldByHangingMass(double grams, double length, double diameter,
                                                  double diameterError = 0.02);

} // namespace columna
