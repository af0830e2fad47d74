#include "colour/reflectance.h"

#include <Eigen/LU>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

using Bands = std::array<double, kBands>;
using Light = Eigen::Matrix<double, 3, kBands>;

// CIE 1931 standard observer, 2 degrees, and the daylight D65, every 10 nm from 380 (CIE 15, ISO 11664-1 and
// -2).
constexpr Bands kX{0.001368, 0.004243, 0.01431, 0.04351, 0.13438, 0.2839,   0.34828, 0.3362,   0.2908,
                   0.19536,  0.09564,  0.03201, 0.0049,  0.0093,  0.06327,  0.1655,  0.2904,   0.43345,
                   0.5945,   0.7621,   0.9163,  1.0263,  1.0622,  1.0026,   0.85445, 0.6424,   0.4479,
                   0.2835,   0.1649,   0.0874,  0.04677, 0.0227,  0.011359, 0.00579, 0.002899, 0.00144};
constexpr Bands kY{0.000039, 0.00012, 0.000396, 0.00121, 0.004,   0.0116,   0.023,    0.038,    0.06,
                   0.09098,  0.13902, 0.20802,  0.323,   0.503,   0.71,     0.862,    0.954,    0.99495,
                   0.995,    0.952,   0.87,     0.757,   0.631,   0.503,    0.381,    0.265,    0.175,
                   0.107,    0.061,   0.032,    0.017,   0.00821, 0.004102, 0.002091, 0.001047, 0.00052};
constexpr Bands kZ{0.00645, 0.02005, 0.06785, 0.2074, 0.6456, 1.3856,  1.74706, 1.77211, 1.6692,
                   1.28764, 0.81295, 0.46518, 0.272,  0.1582, 0.07825, 0.04216, 0.0203,  0.00875,
                   0.0039,  0.0021,  0.00165, 0.0011, 0.0008, 0.00034, 0.00019, 0.00005, 0.00002};
constexpr Bands kDaylight{49.9755, 54.6482, 82.7549, 91.486,  93.4318, 86.6823, 104.865, 117.008, 117.812,
                          114.861, 115.923, 108.811, 109.354, 107.802, 104.79,  107.689, 104.405, 104.046,
                          100,     96.3342, 95.788,  88.6856, 90.0062, 89.5991, 87.6987, 83.2886, 83.6992,
                          80.0268, 80.2146, 82.2778, 78.2842, 69.7213, 71.6091, 74.349,  61.604,  69.8856};

constexpr int kCurveSteps = 60;
constexpr double kNear = 1e-10;
constexpr double kStride = 3; ///< the farthest a step may go

Light lightTable() {
  Light xyz;
  double whole = 0;
  for (int i = 0; i < kBands; ++i) {
    const auto at = static_cast<size_t>(i);
    xyz.col(i) = kDaylight[at] * Eigen::Vector3d(kX[at], kY[at], kZ[at]);
    whole += kDaylight[at] * kY[at];
  }
  Light out = xyzOfLight().inverse() * xyz / whole;
  // By less than 2 parts in 1000: so that a perfect white is 1, 1, 1.
  for (int r = 0; r < 3; ++r) out.row(r) /= out.row(r).sum();
  return out;
}

} // namespace

const Light& lightOfBands() {
  static const Light table = lightTable();
  return table;
}

const Light& xyzOfBands() {
  static const Light table = xyzOfLight() * lightOfBands();
  return table;
}

Spectrum reflectance(const Srgb& colour, int* steps) {
  const Light& table = lightOfBands();
  const Eigen::Vector3d wanted = lightOf(colour).cwiseMax(kBlackest).cwiseMin(kWhitest);
  constexpr int n = kBands;
  using Square = Eigen::Matrix<double, n + 3, n + 3>;
  using Column = Eigen::Matrix<double, n + 3, 1>;
  Spectrum z = Spectrum::Constant(std::atanh(2 * std::clamp(wanted.mean(), 0.01, kWhitest) - 1));
  Eigen::Vector3d pull = Eigen::Vector3d::Zero();
  int step = 0;
  for (; step < kCurveSteps; ++step) {
    const Spectrum th = z.array().tanh();
    const Spectrum slope = (1 - th.array().square()) / 2;
    const Spectrum towards = table.transpose() * pull;
    Column off;
    for (int i = 0; i < n; ++i)
      off[i] = slope[i] * towards[i] + (i > 0 ? 2 * (z[i] - z[i - 1]) : 0) +
               (i + 1 < n ? 2 * (z[i] - z[i + 1]) : 0);
    off.tail<3>() = table * ((th.array() + 1) / 2).matrix() - wanted;
    if (off.cwiseAbs().maxCoeff() < kNear) break;
    Square jacobian = Square::Zero();
    for (int i = 0; i < n; ++i) {
      jacobian(i, i) = (i == 0 || i + 1 == n ? 2 : 4) - 2 * slope[i] * th[i] * towards[i];
      if (i > 0) jacobian(i, i - 1) = jacobian(i - 1, i) = -2;
    }
    jacobian.topRightCorner<n, 3>() = slope.asDiagonal() * table.transpose();
    jacobian.bottomLeftCorner<3, n>() = table * slope.asDiagonal();
    const Column change = jacobian.partialPivLu().solve(-off);
    const double far = change.head<n>().cwiseAbs().maxCoeff();
    const double share = far > kStride ? kStride / far : 1;
    z += share * change.head<n>();
    pull += share * change.tail<3>();
  }
  if (steps) *steps = step;
  return (z.array().tanh() + 1) / 2;
}

Lab labOf(const Spectrum& sent) { return labOf(Eigen::Vector3d(xyzOfBands() * sent)); }
Srgb srgbOf(const Spectrum& sent) { return srgbOf(Eigen::Vector3d(lightOfBands() * sent)); }
double brightness(const Spectrum& sent) { return xyzOfBands().row(1).dot(sent); }

} // namespace columna
