#include "solid/slice.h"

#include "anatomy/hull.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numbers>

namespace columna {
namespace {

void measure(Slice& slice) {
  const std::vector<Vec2> hull = convexHull(slice.outline);
  if (hull.size() < 3) return;
  double left = 1e9;
  double right = -1e9;
  double low = 1e9;
  double high = -1e9;
  for (size_t k = 0; k < hull.size(); ++k) {
    slice.tape += (hull[(k + 1) % hull.size()] - hull[k]).norm();
    left = std::min(left, hull[k].x());
    right = std::max(right, hull[k].x());
    low = std::min(low, hull[k].y());
    high = std::max(high, hull[k].y());
  }
  slice.across = right - left;
  slice.deep = high - low;
}

bool around(const std::vector<Vec2>& loop, const Vec2& p) {
  bool in = false;
  for (size_t i = 0, j = loop.size() - 1; i < loop.size(); j = i++)
    if ((loop[i].y() > p.y()) != (loop[j].y() > p.y()) &&
        p.x() <
            (loop[j].x() - loop[i].x()) * (p.y() - loop[i].y()) / (loop[j].y() - loop[i].y()) + loop[i].x())
      in = !in;
  return in;
}

} // namespace

Slice sliceOf(const WoolField& field, const Vec3& middle, const Vec3& u, const Vec3& v, double reach,
              double cell, double depth) {
  Slice out;
  std::vector<int> parts;
  field.near(middle, reach * std::numbers::sqrt2, field.all(), parts);
  const int n = std::max(2, static_cast<int>(std::ceil(reach / cell)));
  const int side = 2 * n + 1;
  std::vector<double> d(static_cast<size_t>(side) * static_cast<size_t>(side));
  const auto at = [&](int i, int j) -> double& {
    return d[static_cast<size_t>(i) * static_cast<size_t>(side) + static_cast<size_t>(j)];
  };
  for (int i = 0; i < side; ++i)
    for (int j = 0; j < side; ++j) {
      at(i, j) = field.sample(middle + (i - n) * cell * u + (j - n) * cell * v, parts, 1e9).distance + depth;
      // A contour that runs out of the window is closed along its edge.
      if (i == 0 || j == 0 || i == side - 1 || j == side - 1) at(i, j) = std::max(at(i, j), 1e-6);
    }
  // Cut edges by name; each leads on to the next, the inside on the left.
  using Edge = std::array<int, 3>;
  std::map<Edge, Edge> next;
  std::map<Edge, Vec2> places;
  const auto cut = [&](int i0, int j0, int i1, int j1) {
    Edge e{std::min(i0, i1), std::min(j0, j1), i0 == i1 ? 1 : 0};
    const double a = at(i0, j0);
    const double t = a / (a - at(i1, j1));
    places[e] = Vec2((i0 - n) + t * (i1 - i0), (j0 - n) + t * (j1 - j0)) * cell;
    return e;
  };
  for (int i = 0; i + 1 < side; ++i)
    for (int j = 0; j + 1 < side; ++j) {
      const std::array<std::array<int, 2>, 4> c{{{i, j}, {i + 1, j}, {i + 1, j + 1}, {i, j + 1}}};
      for (size_t k = 0; k < 4; ++k) {
        const auto in = [&](size_t m) { return at(c[m % 4][0], c[m % 4][1]) < 0; };
        if (in(k) || !in(k + 1)) continue;
        size_t last = k + 1;
        while (in(last + 1)) ++last;
        const auto enter = cut(c[k][0], c[k][1], c[(k + 1) % 4][0], c[(k + 1) % 4][1]);
        const auto leave = cut(c[last % 4][0], c[last % 4][1], c[(last + 1) % 4][0], c[(last + 1) % 4][1]);
        next[leave] = enter;
      }
    }
  double best = -1;
  while (!next.empty()) {
    std::vector<Vec2> loop;
    const Edge first = next.begin()->first;
    for (auto it = next.find(first); it != next.end();) {
      loop.push_back(places.at(it->first));
      const Edge to = it->second;
      next.erase(it);
      it = next.find(to);
    }
    if (loop.size() < 3) continue;
    double area = 0;
    for (size_t k = 0; k < loop.size(); ++k) {
      const Vec2& a = loop[k];
      const Vec2& b = loop[(k + 1) % loop.size()];
      area += (a.x() * b.y() - b.x() * a.y()) / 2;
    }
    // The contour round the middle, else the largest.
    const double worth = std::abs(area) + (around(loop, Vec2(0, 0)) ? 1e12 : 0);
    if (worth <= best) continue;
    best = worth;
    if (area < 0) std::reverse(loop.begin(), loop.end());
    out.outline = std::move(loop);
  }
  measure(out);
  return out;
}

Slice offsetEllipse(double a, double b, double depth) {
  Slice out;
  if (std::min(a, b) <= depth) return out;
  constexpr int steps = 240;
  for (int k = 0; k < steps; ++k) {
    const double angle = 2 * std::numbers::pi * (k + 0.5) / steps;
    const double c = std::cos(angle);
    const double s = std::sin(angle);
    const Vec2 normal = Vec2(c / a, s / b).normalized();
    const Vec2 p = Vec2(a * c, b * s) - depth * normal;
    // Near a pointed end the offset curve doubles back on itself; what is nearer to another side is cut off.
    if (-distanceToEllipse(p.x(), p.y(), a, b).distance < depth * (1 - 2e-3) - 1e-9) continue;
    out.outline.push_back(p);
  }
  measure(out);
  // A polygon's perimeter is short of its curve's.
  out.tape /= std::sin(std::numbers::pi / steps) / (std::numbers::pi / steps);
  return out;
}

} // namespace columna
