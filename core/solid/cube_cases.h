// The 256 ways a surface can pass through a cube, worked out once.
#pragma once

#include <array>
#include <vector>

namespace columna {

/// A corner of a triangle: one of the cube's 12 edges, or the middle of a polygon.
inline constexpr int kPolygonMiddle = 12;

struct CubePolygon {
  std::vector<int> edges; ///< cut edges in order round the polygon, outside to the right hand's thumb
  std::vector<std::array<int, 3>> triangles; ///< of edges, or kPolygonMiddle
};

/// Corners are numbered by bits: 1 for x, 2 for y, 4 for z. An edge joins the corners that
/// `kCubeEdges` gives.
inline constexpr std::array<std::array<int, 2>, 12> kCubeEdges{
    {{0, 1}, {2, 3}, {4, 5}, {6, 7}, {0, 2}, {1, 3}, {4, 6}, {5, 7}, {0, 4}, {1, 5}, {2, 6}, {3, 7}}};

/// By a number with a bit set for every corner that is inside.
[[nodiscard]] const std::array<std::vector<CubePolygon>, 256>& cubeCases();

} // namespace columna
