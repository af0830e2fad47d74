#include "colour/least_norm.h"

#include <Eigen/QR>

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>

namespace columna {
namespace {

constexpr double kRounding = 1e-9;

enum Place : unsigned char { Out, Free, Full, kPlaces };

} // namespace

Eigen::VectorXd leastNorm(const Eigen::Matrix3Xd& points, std::span<const double> most, double* norm) {
  const auto k = static_cast<size_t>(points.cols());
  assert(k >= 1 && k <= 4 && most.size() == k);
  const bool capped = std::any_of(most.begin(), most.end(), [](double m) { return m < 1; });
  Eigen::VectorXd best;
  double least = 0;
  std::array<unsigned char, 4> place{};
  size_t faces = 1;
  for (size_t i = 0; i < k; ++i) faces *= kPlaces;
  for (size_t face = 0; face < faces; ++face) {
    size_t rest = face;
    std::array<int, 4> free{};
    int n = 0;
    bool skip = false;
    double left = 1;
    Eigen::VectorXd x = Eigen::VectorXd::Zero(points.cols());
    for (size_t i = 0; i < k; ++i, rest /= kPlaces) {
      place[i] = static_cast<unsigned char>(rest % kPlaces);
      if (place[i] == Free) free[static_cast<size_t>(n++)] = static_cast<int>(i);
      if (place[i] != Full) continue;
      skip = skip || !capped;
      x[static_cast<Eigen::Index>(i)] = most[i];
      left -= most[i];
    }
    if (skip || (n == 0 ? std::abs(left) > kRounding : left < -kRounding)) continue;
    if (n > 0) {
      const int last = free[static_cast<size_t>(n - 1)];
      const Eigen::Vector3d corner = points.col(last);
      const Eigen::Vector3d base = points * x + left * corner;
      double taken = 0;
      if (n > 1) {
        Eigen::Matrix3Xd sides(3, n - 1);
        for (int i = 0; i + 1 < n; ++i) sides.col(i) = points.col(free[static_cast<size_t>(i)]) - corner;
        const Eigen::VectorXd y = sides.colPivHouseholderQr().solve(-base);
        for (int i = 0; i + 1 < n; ++i) x[free[static_cast<size_t>(i)]] = y[i];
        taken = y.sum();
      }
      x[last] = left - taken;
      if (x.minCoeff() < -kRounding) continue;
      bool over = false;
      for (size_t i = 0; i < k; ++i) over = over || x[static_cast<Eigen::Index>(i)] > most[i] + kRounding;
      if (over) continue;
      x = x.cwiseMax(0);
    }
    const double length = (points * x).norm();
    if (best.size() > 0 && length >= least - 1e-12) continue;
    best = x;
    least = length;
  }
  if (norm) *norm = least;
  return best;
}

} // namespace columna
