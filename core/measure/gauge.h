// Wire gauges. A gauge number means different diameters in different trades, so the program stores the
// diameter in mm and names the system whenever it prints a number.
//
// AWG (ASTM B258): d = 0.127 mm x 92^((36 - n)/39). SWG (BS 3737): a table, exact in inches. Both were
// checked against an independent table of units.
#pragma once

#include "measure/quantity.h"
#include "measure/result.h"

#include <optional>
#include <string>
#include <string_view>

namespace columna {

/// mm: thicker is rod, and no hand bends it into an armature.
inline constexpr double kThickestWire = 10;

/// Diameter in mm of an American wire gauge number. n may be fractional; sizes 0000 to 50 (-3 to 50) are
/// sensible.
[[nodiscard]] double awgToMm(double n);

/// The (fractional) American wire gauge number of a diameter in mm, d > 0.
[[nodiscard]] double mmToAwg(double mm);

/// Diameter in mm of an Imperial standard wire gauge number, 10 to 34; nothing outside the table.
[[nodiscard]] std::optional<double> swgToMm(int n);

/// The SWG number whose diameter is nearest in ratio to d (d > 0); nothing when d is more than half a step
/// outside the table.
[[nodiscard]] std::optional<int> nearestSwg(double mm);

/// The AWG number nearest to d.
[[nodiscard]] int nearestAwg(double mm);

/// A wire's diameter in mm from what a maker writes: `0.8mm`, `0.032 in`, `20 awg`, `awg 20`, `20 swg`; a
/// bare number is millimetres. `20 gauge`, `20 ga` or `20g` is ambiguous: the error gives both diameters and
/// how much stronger the thicker one is. Errors also: an SWG number outside 10 to 34, an AWG outside 0 to 40,
/// a diameter not above 0 or over 10 mm.
[[nodiscard]] Result<double> parseDiameter(std::string_view text, UnitSystem bare = UnitSystem::Metric);

/// `18 AWG`, and `19 SWG` where the table reaches (else empty).
[[nodiscard]] std::string printAwg(double mm);
[[nodiscard]] std::string printSwg(double mm);

} // namespace columna
