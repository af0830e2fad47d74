// The point of a few corners' hull that lies nearest to the origin.
#pragma once

#include <Eigen/Core>

#include <span>

namespace columna {

/// Shares x of at most four points of space with x >= 0, x <= `most`, sum 1, for which the sum of x times the
/// points is as short as can be: every face is tried. `norm` is its length. Empty where the caps leave no sum
/// of 1.
[[nodiscard]] Eigen::VectorXd leastNorm(const Eigen::Matrix3Xd& points, std::span<const double> most,
                                        double* norm = nullptr);

} // namespace columna
