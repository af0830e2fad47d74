// Wool's numbers: density by firmness, how wound wool comes down when it is felted, strips.
//
// All estimates [E] except the fibre's density; a weighed test ball of one's own replaces them.
#pragma once

#include "anatomy/pattern.h"
#include "wool/wool_wish.h"

namespace columna {

/// Felted density in g/mm3: soft 0.10, medium 0.15, firm 0.22 g/cm3 (plausible 0.08-0.12, 0.12-0.18,
/// 0.18-0.28).
[[nodiscard]] double feltDensity(Firmness firmness);

/// Lowest and highest plausible density, g/mm3.
struct DensityRange {
  double low, high;
};
[[nodiscard]] DensityRange feltDensityRange(Firmness firmness);

/// Young's modulus of felt of that density (g/mm3), MPa, by van Wyk's law 3 k E_f phi^3 with k = 0.01
/// (0.005-0.02), fibres of 3 GPa and 1.31 g/cm3: 0.04 at 0.10 g/cm3, 0.135 at 0.15, 0.43 at 0.22.
[[nodiscard]] double feltStiffness(double density);

/// Density of a ball felted and weighed: 6 m / (pi D^3), g/mm3.
[[nodiscard]] double ballDensity(const TestBall& ball);
/// That density over the usual one of its firmness: what one's own hand does differently.
[[nodiscard]] double handFactor(const TestBall& ball);
/// How far off it can be, as a share: three times that of the diameter, read to 1 mm or to half of what the
/// readings differ by where that is more, and the scale's 0.05 g.
/// mm between the largest and the smallest reading; 0 with one or none.
[[nodiscard]] double ballSpread(const TestBall& ball);
[[nodiscard]] double ballError(const TestBall& ball);

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

} // namespace columna
