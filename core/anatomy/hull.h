// Convex hulls in the plane.
#pragma once

#include <Eigen/Core>

#include <vector>

namespace columna {

/// The hull's corners counter-clockwise, none of them on a straight edge (monotone chain, Andrew 1979). Fewer
/// than three when the points lie on a line or in one place.
[[nodiscard]] std::vector<Eigen::Vector2d> convexHull(std::vector<Eigen::Vector2d> points);

} // namespace columna
