#include "colour/blend_space.h"

#include <Eigen/Geometry>

#include <cmath>

namespace columna {

BlendSlope slopeAt(const Spectrum& added, const Lab& wanted, double m) {
  const Spectrum sent = sentBack(added, m);
  const Eigen::Vector3d xyz = xyzOfBands() * sent;
  BlendSlope out{labOf(xyz), {}};
  constexpr double d = 6.0 / 29;
  Eigen::Vector3d g;
  for (int i = 0; i < 3; ++i) {
    const double t = xyz[i] / whiteXyz()[i];
    g[i] = (t > d * d * d ? std::pow(t, -2.0 / 3) / 3 : 1 / (3 * d * d)) / whiteXyz()[i];
  }
  Eigen::Matrix3d lab;
  lab << 0, 116, 0, 500, -500, 0, 0, 200, -200;
  // At the colour itself the difference has no slope to either side: beside it, it has.
  Lab beside = out.lab;
  if (differenceOf(beside, wanted) < kAtColour) beside = {beside.l + 1e-3, beside.a + 1e-3, beside.b + 1e-3};
  constexpr double h = 1e-3;
  Eigen::Matrix3d of;
  of.col(0) = difference({beside.l + h, beside.a, beside.b}, wanted) -
              difference({beside.l - h, beside.a, beside.b}, wanted);
  of.col(1) = difference({beside.l, beside.a + h, beside.b}, wanted) -
              difference({beside.l, beside.a - h, beside.b}, wanted);
  of.col(2) = difference({beside.l, beside.a, beside.b + h}, wanted) -
              difference({beside.l, beside.a, beside.b - h}, wanted);
  const Spectrum perSent =
      -(0.01 * (1 - m) * (1 + m * added.array()) + m * (1 - 0.01 * (1 - m) * added.array())) /
      (1 + m * added.array()).square();
  out.perAdded = of / (2 * h) * lab * g.asDiagonal() * (xyzOfBands() * perSent.asDiagonal());
  return out;
}

double toSegment(const Eigen::Vector3d& p, const Eigen::Vector3d& q) {
  const Eigen::Vector3d d = q - p;
  const double n = d.squaredNorm();
  return (p + (n > 0 ? std::clamp(-p.dot(d) / n, 0.0, 1.0) : 0) * d).squaredNorm();
}

/// Squared distance of the origin from a triangle; none where its plane alone is farther than `limit`.
double toTriangle(const Eigen::Vector3d& a, const Eigen::Vector3d& b, const Eigen::Vector3d& c,
                  double limit) {
  const Eigen::Vector3d ab = b - a;
  const Eigen::Vector3d ac = c - a;
  const Eigen::Vector3d n = ab.cross(ac);
  const double n2 = n.squaredNorm();
  const double h = a.dot(n);
  if (h * h > limit * n2) return std::numeric_limits<double>::infinity();
  if (n2 > 1e-20) {
    const double u = (-a).cross(ac).dot(n);
    const double v = ab.cross(-a).dot(n);
    if (u >= 0 && v >= 0 && u + v <= n2) return h * h / n2;
  }
  return std::min({toSegment(a, b), toSegment(b, c), toSegment(c, a)});
}

} // namespace columna
