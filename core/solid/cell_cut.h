// How much of a cubic cell a plane cuts off.
#pragma once

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {

/// The share, 0..1, of a unit cube on the inner side of the plane at signed `distance` (in cells, below zero:
/// the cube's middle is inside) with a normal along (a, b, c), not all zero. Exact: the volume cut from a
/// cube by a plane, by the signed sum over its corners (Scardovelli and Zaleski, 2000).
[[nodiscard]] inline double cellShare(double distance, double a, double b, double c) {
  std::array<double, 3> n{std::abs(a), std::abs(b), std::abs(c)};
  const double length = std::sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]);
  for (double& each : n) each /= length;
  std::sort(n.begin(), n.end());
  const double sum = n[0] + n[1] + n[2];
  // Distance of the plane from the corner deepest inside.
  double alpha = sum / 2 - distance;
  if (alpha <= 0) return 0;
  if (alpha >= sum) return 1;
  const bool more = alpha > sum / 2;
  if (more) alpha = sum - alpha;
  const auto cube = [](double x) { return x > 0 ? x * x * x : 0.0; };
  const auto square = [](double x) { return x > 0 ? x * x : 0.0; };
  double share = 0;
  if (n[1] < 1e-7) // square to an axis
    share = alpha / n[2];
  else if (n[0] < 1e-7) // along an axis: the area cut from a square
    share = (square(alpha) - square(alpha - n[1]) - square(alpha - n[2])) / (2 * n[1] * n[2]);
  else
    share = (cube(alpha) - cube(alpha - n[0]) - cube(alpha - n[1]) - cube(alpha - n[2]) +
             cube(alpha - n[0] - n[1]) + cube(alpha - n[0] - n[2]) + cube(alpha - n[1] - n[2])) /
            (6 * n[0] * n[1] * n[2]);
  share = std::clamp(share, 0.0, 1.0);
  return more ? 1 - share : share;
}

} // namespace columna
