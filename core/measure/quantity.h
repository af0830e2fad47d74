// Lengths, masses and angles as makers write them (words/print.h prints them back).
#pragma once

#include "measure/result.h"
#include "words/print.h"

#include <numbers>
#include <string_view>

namespace columna {

/// A plain number: `160`, `6.25`, `6,25` (comma or point, not both), `1/4`, `6 1/4`, `6-1/4`, `½`, `6½`, a
/// leading + or -. Errors: empty text, anything left over, a zero below the fraction line, not finite.
[[nodiscard]] Result<double> parseNumber(std::string_view text);

/// A length in mm. Units: mm, cm, m, km, in, inch, inches, ", ″, ft, '. A bare number is millimetres in the
/// metric system and inches in the other. No range is checked here except that the number is finite.
[[nodiscard]] Result<double> parseLength(std::string_view text, UnitSystem bare = UnitSystem::Metric);

/// A mass in g. Units: g, kg, mg, oz, lb. A bare number is grams, or ounces in the inch system.
[[nodiscard]] Result<double> parseMass(std::string_view text, UnitSystem bare = UnitSystem::Metric);

/// A density of felt in g/mm3. Units: g/cm3, g/cm³, oz/in3, oz/in³. A bare number is g/cm3, or oz/in3 in the
/// inch system.
[[nodiscard]] Result<double> parseDensity(std::string_view text, UnitSystem bare = UnitSystem::Metric);

/// An angle in radians. Units: deg, degree(s), °, rad. A bare number is degrees.
[[nodiscard]] Result<double> parseAngle(std::string_view text);

} // namespace columna
