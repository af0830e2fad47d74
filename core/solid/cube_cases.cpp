#include "solid/cube_cases.h"

#include <algorithm>

namespace columna {
namespace {

// Corners of each face, counter-clockwise seen from outside.
constexpr std::array<std::array<int, 4>, 6> kFaces{
    {{0, 4, 6, 2}, {1, 3, 7, 5}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 2, 3, 1}, {4, 5, 7, 6}}};

int edgeBetween(int a, int b) {
  for (size_t e = 0; e < kCubeEdges.size(); ++e)
    if ((kCubeEdges[e][0] == a && kCubeEdges[e][1] == b) || (kCubeEdges[e][0] == b && kCubeEdges[e][1] == a))
      return static_cast<int>(e);
  return -1;
}

bool onOneFace(int edgeA, int edgeB) {
  return std::any_of(kFaces.begin(), kFaces.end(), [&](const std::array<int, 4>& face) {
    bool a = false;
    bool b = false;
    for (size_t k = 0; k < 4; ++k) {
      const int e = edgeBetween(face[k], face[(k + 1) % 4]);
      a = a || e == edgeA;
      b = b || e == edgeB;
    }
    return a && b;
  });
}

/// A fan from one corner whose diagonals run inside the cube: a diagonal on a face could meet its like from
/// the cube beyond. Where there is none, a fan round the middle.
void triangulate(CubePolygon& polygon) {
  const size_t n = polygon.edges.size();
  for (size_t first = 0; first < n; ++first) {
    bool clear = true;
    for (size_t k = 2; k + 1 < n; ++k)
      clear = clear && !onOneFace(polygon.edges[first], polygon.edges[(first + k) % n]);
    if (!clear) continue;
    for (size_t k = 1; k + 1 < n; ++k)
      polygon.triangles.push_back(
          {polygon.edges[first], polygon.edges[(first + k) % n], polygon.edges[(first + k + 1) % n]});
    return;
  }
  for (size_t k = 0; k < n; ++k)
    polygon.triangles.push_back({kPolygonMiddle, polygon.edges[k], polygon.edges[(k + 1) % n]});
}

std::vector<CubePolygon> polygonsOf(unsigned inside) {
  const auto in = [&](int corner) { return ((inside >> static_cast<unsigned>(corner)) & 1U) != 0; };
  // On each face a run of inside corners is entered through one edge and left through another; the surface
  // joins the two. What is a way in on one face is a way out on the next.
  std::array<int, 12> next{};
  next.fill(-1);
  for (const auto& face : kFaces)
    for (size_t k = 0; k < 4; ++k) {
      if (in(face[k]) || !in(face[(k + 1) % 4])) continue;
      size_t last = k + 1;
      while (in(face[(last + 1) % 4])) ++last;
      next[static_cast<size_t>(edgeBetween(face[k], face[(k + 1) % 4]))] =
          edgeBetween(face[last % 4], face[(last + 1) % 4]);
    }
  std::vector<CubePolygon> out;
  std::array<bool, 12> used{};
  for (size_t e = 0; e < next.size(); ++e) {
    if (next[e] < 0 || used[e]) continue;
    CubePolygon polygon;
    for (size_t at = e; !used[at]; at = static_cast<size_t>(next[at])) {
      used[at] = true;
      polygon.edges.push_back(static_cast<int>(at));
    }
    triangulate(polygon);
    out.push_back(std::move(polygon));
  }
  return out;
}

} // namespace

const std::array<std::vector<CubePolygon>, 256>& cubeCases() {
  static const std::array<std::vector<CubePolygon>, 256> cases = [] {
    std::array<std::vector<CubePolygon>, 256> all;
    for (unsigned c = 0; c < 256; ++c) all[c] = polygonsOf(c);
    return all;
  }();
  return cases;
}

} // namespace columna
