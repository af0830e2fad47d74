// How lengths, masses, angles and numbers are printed.
//
// Inside the program lengths are millimetres, masses grams and angles radians; other units exist only in
// print.h, quantity.h and at the interface. Factors: 1 in = 25.4 mm exactly and 1 oz = 28.349523125 g exactly
// (international yard and pound agreement, 1959).
#pragma once

#include <string>
#include <string_view>

namespace columna {

enum class UnitSystem { Metric, Inch };

inline constexpr double kMmPerInch = 25.4;
inline constexpr double kGramsPerOunce = 28.349523125;
inline constexpr double kDegree = 0.017453292519943295; ///< in radians: pi / 180
inline constexpr double kGravity = 9.81; ///< m/s2, to the three digits the wire sums are made with

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

/// A mass with its unit: `13.9 g`, `0.42 g`, `104 g`; ounces to a hundredth in the inch system, to a
/// thousandth below a tenth.
[[nodiscard]] std::string printMass(double grams, UnitSystem system);
[[nodiscard]] std::string printMassFigure(double grams, UnitSystem system);
[[nodiscard]] std::string_view massUnit(UnitSystem system);
[[nodiscard]] std::string writeMass(double grams, UnitSystem system);

/// An angle in degrees, `22°`.
[[nodiscard]] std::string printAngle(double radians, int decimals = 0);

/// A number with as many decimals as asked, trailing zeros cut, minus zero printed as 0.
[[nodiscard]] std::string printNumber(double value, int decimals);

} // namespace columna
