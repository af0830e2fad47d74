// How much of each wavelength a wool sends back, guessed from its colour: the smoothest curve that looks like
// it. What a dye truly does no photo tells; two wools alike by day may differ under a lamp.
#pragma once

#include "colour/srgb.h"

#include <Eigen/Core>

namespace columna {

/// 380 to 730 nm in steps of 10.
inline constexpr int kBands = 36;
inline constexpr double kFirstBand = 380, kBandStep = 10; ///< nm
/// Of each band, 0 to 1.
using Spectrum = Eigen::Matrix<double, kBands, 1>;

/// Light in red, green and blue of what is sent back under D65, and XYZ of it: 3 rows of kBands. A perfect
/// white is 1, 1, 1.
[[nodiscard]] const Eigen::Matrix<double, 3, kBands>& lightOfBands();
[[nodiscard]] const Eigen::Matrix<double, 3, kBands>& xyzOfBands();

/// No wool is blacker or whiter than this, as light.
inline constexpr double kBlackest = 0.0012, kWhitest = 0.97;

/// Least squares of the slope of its inverse hyperbolic tangent (S. A. Burns, Color Research and Application,
/// 2020), by Newton on the Lagrangian. The colour is held between kBlackest and kWhitest; within that it
/// comes back to 1e-9. `steps`, where given, is how many it took; never more than 60.
[[nodiscard]] Spectrum reflectance(const Srgb& colour, int* steps = nullptr);

[[nodiscard]] Lab labOf(const Spectrum& sent);
[[nodiscard]] Srgb srgbOf(const Spectrum& sent);
[[nodiscard]] double brightness(const Spectrum& sent);

} // namespace columna
