// Lengths, masses and angles as makers write them, and how they are printed back.
//
// Inside the program lengths are millimetres, masses grams and angles radians; other units exist only
// here and at the interface. Factors: 1 in = 25.4 mm exactly and 1 oz = 28.349523125 g exactly
// (international yard and pound agreement, 1959).
#pragma once

#include "measure/result.h"

#include <numbers>
#include <string>
#include <string_view>

namespace columna {

enum class UnitSystem { Metric, Inch };

inline constexpr double kMmPerInch = 25.4;
inline constexpr double kGramsPerOunce = 28.349523125;
inline constexpr double kDegree = std::numbers::pi / 180; ///< in radians
inline constexpr double kGravity = 9.81; ///< m/s2, to the three digits the wire sums are made with

/// A plain number: `160`, `6.25`, `6,25` (comma or point, not both), `1/4`, `6 1/4`, `6-1/4`, `½`, `6½`, a
/// leading + or -. Errors: empty text, anything left over, a zero below the fraction line, not finite.
[[nodiscard]] Result<double> parseNumber(std::string_view text);

/// A length in mm. Units: mm, cm, m, km, in, inch, inches, ", ″, ft, '. A bare number is millimetres in the
/// metric system and inches in the other. No range is checked here except that the number is finite.
[[nodiscard]] Result<double> parseLength(std::string_view text, UnitSystem bare = UnitSystem::Metric);

/// A mass in g. Units: g, kg, mg, oz, lb. A bare number is grams, or ounces in the inch system.
[[nodiscard]] Result<double> parseMass(std::string_view text, UnitSystem bare = UnitSystem::Metric);

/// An angle in radians. Units: deg, degree(s), °, rad. A bare number is degrees.
[[nodiscard]] Result<double> parseAngle(std::string_view text);

/// A length with its unit: `339 mm`, `10.5 mm`, `0.8 mm`; `6 1/4 in` in the inch system, to the nearest 1/16
/// in for 1 in and more and to a thousandth below that. `decimals` < 0 chooses: 0 from 100 mm, 1 from 10 mm,
/// else 2.
[[nodiscard]] std::string printLength(double mm, UnitSystem system, int decimals = -1);

/// The figure of a length without its unit, for large figures that carry the unit beside them.
[[nodiscard]] std::string printLengthFigure(double mm, UnitSystem system, int decimals = -1);

/// `mm` or `in`.
[[nodiscard]] std::string_view lengthUnit(UnitSystem system);

/// A length exactly enough that parsing it gives the same value back to 1e-9 relative.
[[nodiscard]] std::string writeLength(double mm, UnitSystem system);

/// A mass with its unit: `13.9 g`, `0.42 g`, `104 g`; ounces to a hundredth in the inch system.
[[nodiscard]] std::string printMass(double grams, UnitSystem system);
[[nodiscard]] std::string printMassFigure(double grams, UnitSystem system);
[[nodiscard]] std::string_view massUnit(UnitSystem system);
[[nodiscard]] std::string writeMass(double grams, UnitSystem system);

/// A value beside the limit it misses or passes: with as many more decimals (two at most) as it takes for the
/// two not to read the same, nor the value as nought. "9.9" beside 10, "just under 2".
[[nodiscard]] std::string printApart(double value, double limit, int decimals);

/// An angle in degrees, `22°`.
[[nodiscard]] std::string printAngle(double radians, int decimals = 0);

/// A number with as many decimals as asked, trailing zeros cut, minus zero printed as 0.
[[nodiscard]] std::string printNumber(double value, int decimals);

} // namespace columna
