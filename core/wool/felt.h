// Wool's numbers: density by firmness, how wound wool comes down when it is felted, strips.
//
// All estimates [E] except the fibre's density; a weighed test ball of one's own replaces them.
#pragma once

#include "anatomy/pattern.h"

namespace columna {

/// Felted density in g/mm3: soft 0.10, medium 0.15, firm 0.22 g/cm3 (plausible 0.08-0.12, 0.12-0.18,
/// 0.18-0.28).
[[nodiscard]] double feltDensity(Firmness firmness);

/// Lowest and highest plausible density, g/mm3.
struct DensityRange {
  double low, high;
};
[[nodiscard]] DensityRange feltDensityRange(Firmness firmness);

/// Coat wool as laid and needled down: 0.15 g/cm3, in g/mm3.
inline constexpr double kCoatDensity = 0.15e-3;

/// Young's modulus of felt of that density (g/mm3), MPa, by van Wyk's law 3 k E_f phi^3 with k = 0.01
/// (0.005-0.02), fibres of 3 GPa and 1.31 g/cm3: 0.04 at 0.10 g/cm3, 0.135 at 0.15, 0.43 at 0.22.
[[nodiscard]] double feltStiffness(double density);

/// Felted diameter over wound diameter: 0.75 for balls (heads and bodies), 0.65 for limbs on a wire of fixed
/// length (range 0.60-0.80). Both follow from a density ratio of 2.37.
[[nodiscard]] double feltedOverWound(LimbKind kind);

/// The wound diameter of a limb that felts to `felted` mm on a wire of `wire` mm when its density rises from
/// `woundDensity` to `feltedDensity`: (Df^2 - d^2) = (rho_w/rho_f)(Dw^2 - d^2).
[[nodiscard]] double woundLimbDiameter(double felted, double wire, double woundDensity, double feltedDensity);

/// The wound diameter of a ball: Df/Dw = (rho_w/rho_f)^(1/3).
[[nodiscard]] double woundBallDiameter(double felted, double woundDensity, double feltedDensity);

/// Length in mm of a sliver of `linear` g/mm that weighs `grams`.
[[nodiscard]] double woolLength(double grams, double linear);

/// Carded sliver, 15 g/m (range 10-25), in g/mm: what the strips of this program are reckoned in until the
/// wool at hand has been weighed.
inline constexpr double kSliverLinear = 0.015;

} // namespace columna
