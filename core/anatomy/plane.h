// Small sums of places, of the plane and of straight stretches, for whoever needs them.
#pragma once

#include "anatomy/pattern.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace columna {

/// A place on the other side.
[[nodiscard]] inline Vec3 mirrored(const Vec3& p) { return {p.x(), -p.y(), p.z()}; }

/// What a closed outline encloses; above zero when it runs counter-clockwise.
[[nodiscard]] inline double signedArea(const std::vector<Vec2>& outline) {
  double sum = 0;
  for (size_t i = 0; i < outline.size(); ++i) {
    const Vec2& p = outline[i];
    const Vec2& q = outline[(i + 1) % outline.size()];
    sum += (p.x() * q.y() - q.x() * p.y()) / 2;
  }
  return sum;
}

/// What a closed outline encloses, whichever way it runs.
[[nodiscard]] inline double areaOf(const std::vector<Vec2>& outline) { return std::abs(signedArea(outline)); }

/// The least and the greatest coordinates of places, one or more.
struct Bounds2 {
  Vec2 low{1e18, 1e18}, high{-1e18, -1e18};
  void take(const Vec2& p) {
    low = low.cwiseMin(p);
    high = high.cwiseMax(p);
  }
  void take(const std::vector<Vec2>& places) {
    for (const Vec2& p : places) take(p);
  }
  [[nodiscard]] Vec2 size() const { return high - low; }
};

/// Whether a place lies in a closed outline, by the even-odd rule.
[[nodiscard]] inline bool inside(const std::vector<Vec2>& outline, const Vec2& at) {
  bool in = false;
  for (size_t i = 0, j = outline.size() - 1; i < outline.size(); j = i++) {
    const Vec2& p = outline[i];
    const Vec2& q = outline[j];
    if ((p.y() > at.y()) != (q.y() > at.y()) &&
        at.x() < (q.x() - p.x()) * (at.y() - p.y()) / (q.y() - p.y()) + p.x())
      in = !in;
  }
  return in;
}

/// A straight stretch; its ends may be one place.
struct Segment {
  Vec3 a, b;
};

/// The least distance between two stretches, and where on each it is, 0..1.
struct Nearest {
  double distance = 0, s = 0, t = 0;
};

/// Ericson, Real-Time Collision Detection, 5.1.9.
[[nodiscard]] inline Nearest nearest(const Segment& p, const Segment& q) {
  const Vec3 u = p.b - p.a;
  const Vec3 v = q.b - q.a;
  const Vec3 w = p.a - q.a;
  const double uu = u.squaredNorm();
  const double vv = v.squaredNorm();
  const double uv = u.dot(v);
  const double uw = u.dot(w);
  const double vw = v.dot(w);
  const double across = uu * vv - uv * uv;
  double s = across > 1e-12 ? std::clamp((uv * vw - uw * vv) / across, 0.0, 1.0) : 0;
  const double t = vv > 1e-12 ? std::clamp((uv * s + vw) / vv, 0.0, 1.0) : 0;
  s = uu > 1e-12 ? std::clamp((uv * t - uw) / uu, 0.0, 1.0) : 0;
  return {(p.a + s * u - q.a - t * v).norm(), s, t};
}

} // namespace columna
