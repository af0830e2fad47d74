#include "anatomy/hull.h"

#include <algorithm>

namespace columna {

std::vector<Eigen::Vector2d> convexHull(std::vector<Eigen::Vector2d> points) {
  using Point = Eigen::Vector2d;
  std::sort(points.begin(), points.end(),
            [](const Point& a, const Point& b) { return a.x() != b.x() ? a.x() < b.x() : a.y() < b.y(); });
  points.erase(std::unique(points.begin(), points.end()), points.end());
  if (points.size() < 3) return points;
  std::vector<Point> hull;
  hull.reserve(points.size() + 1);
  const auto turn = [](const Point& o, const Point& a, const Point& b) {
    return (a.x() - o.x()) * (b.y() - o.y()) - (a.y() - o.y()) * (b.x() - o.x());
  };
  const auto sweep = [&](auto begin, auto end) {
    const size_t floor = hull.size();
    for (auto it = begin; it != end; ++it) {
      while (hull.size() >= floor + 2 && turn(hull[hull.size() - 2], hull.back(), *it) <= 0) hull.pop_back();
      hull.push_back(*it);
    }
    hull.pop_back(); // the last corner is the next sweep's first
  };
  sweep(points.begin(), points.end());
  sweep(points.rbegin(), points.rend());
  return hull;
}

} // namespace columna
