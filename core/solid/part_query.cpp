#include "solid/part_query.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kThin = 1e-6;      ///< mm: a section thinner than that holds nothing
constexpr double kFootStill = 2e-4; ///< of a half-turn: a foot on an ellipse moves no more

/// Distance from an inside place up to a rounded end's surface; the place lies `below` mm under the ring that
/// is next to the end.
double underCap(double x, double y, double below, const FieldPart::EndNearby& end) {
  const double rho2 = (x / end.ru) * (x / end.ru) + (y / end.rv) * (y / end.rv);
  if (rho2 >= 1) return 1e9;
  const double up = std::sqrt(1 - rho2);
  const double gap = end.depth * up + below + end.away;
  const double slope = end.depth / up * std::hypot(x / (end.ru * end.ru), y / (end.rv * end.rv));
  return gap / std::sqrt(1 + slope * slope);
}

} // namespace

bool PartQuery::findInSlab(const FieldPart& part, const Vec3& p, Found& out, InSlab& in) {
  in.before = part.a.normal.dot(p - part.a.centre);
  in.behind = part.b.normal.dot(p - part.b.centre);
  const double deep = in.before - in.behind;
  if (in.before < 0 || in.behind > 0 || deep <= 1e-12) return false;
  const double s = in.before / deep;
  const Vec3 d = p - (part.a.centre + s * (part.b.centre - part.a.centre));
  in.u = part.a.u + s * (part.b.u - part.a.u);
  in.v = part.a.v + s * (part.b.v - part.a.v);
  in.u /= std::sqrt(in.u.squaredNorm());
  in.v /= std::sqrt(in.v.squaredNorm());
  in.ru = part.a.ru + s * (part.b.ru - part.a.ru);
  in.rv = part.a.rv + s * (part.b.rv - part.a.rv);
  if (in.ru < kThin || in.rv < kThin) return false;
  in.x = d.dot(in.u);
  in.y = d.dot(in.v);
  out.within = true;
  out.bone = part.bone;
  out.at = part.atA + s * (part.atB - part.atA);
  const double qx = in.x / in.ru;
  const double qy = in.y / in.rv;
  out.depth = std::sqrt(qx * qx + qy * qy);
  return true;
}

PartQuery::Found PartQuery::slab(const FieldPart& part, const Vec3& p, double band) {
  Found out;
  InSlab in;
  if (!findInSlab(part, p, out, in)) return out;
  const auto& [before, behind, x, y, ru, rv, u, v] = in;
  const double deep = before - behind;
  const Vec3 run = part.b.centre - part.a.centre;
  // Far from the surface the estimate does: nobody looks closer.
  const double atLeast = std::abs(out.depth - 1) * std::min(ru, rv);
  if (out.depth > 1 && atLeast > band) {
    out.distance = band;
    return out;
  }
  if (out.depth < 1 && atLeast > 2 * band && part.capA.depth <= 0 && part.capB.depth <= 0 && !part.flatA &&
      !part.flatB) {
    out.distance = -atLeast;
    return out;
  }
  const EllipseDistance e = distanceToEllipse(x, y, ru, rv);
  // How fast the surface runs away along the tube: the section grows and its centre shifts.
  const double slope = (e.nx * (run.dot(u) + (part.b.ru - part.a.ru) * e.c) +
                        e.ny * (run.dot(v) + (part.b.rv - part.a.rv) * e.s)) /
                       deep;
  out.distance = e.distance / std::sqrt(1 + slope * slope);
  if (part.flatA) out.distance = std::max(out.distance, -before);
  if (part.flatB) out.distance = std::max(out.distance, behind);
  if (out.distance < 0) {
    if (part.capA.depth > 0) out.distance = std::max(out.distance, -underCap(x, y, before, part.capA));
    if (part.capB.depth > 0) out.distance = std::max(out.distance, -underCap(x, y, -behind, part.capB));
  }
  return out;
}

PartQuery::Found PartQuery::end(const FieldPart& part, const Vec3& p) {
  Found out;
  const Vec3 d = p - part.a.centre;
  const double z = part.a.normal.dot(d);
  if (z < 0 || part.a.ru < kThin || part.a.rv < kThin) return out;
  const double x = d.dot(part.a.u);
  const double y = d.dot(part.a.v);
  out.within = true;
  out.bone = part.bone;
  out.at = part.atA;
  if (part.depth <= kThin) { // a flat end
    const EllipseDistance e = distanceToEllipse(x, y, part.a.ru, part.a.rv);
    out.distance = std::hypot(std::max(e.distance, 0.0), z);
    out.depth = 1 + z;
    return out;
  }
  const double qx = x / part.a.ru;
  const double qy = y / part.a.rv;
  const double qz = z / part.depth;
  out.depth = std::sqrt(qx * qx + qy * qy + qz * qz);
  const double steep = std::sqrt((qx / part.a.ru) * (qx / part.a.ru) + (qy / part.a.rv) * (qy / part.a.rv) +
                                 (qz / part.depth) * (qz / part.depth));
  out.distance =
      steep > 1e-12 ? out.depth * (out.depth - 1) / steep : -std::min({part.a.ru, part.a.rv, part.depth});
  if (out.distance < 0)
    out.distance = std::max(out.distance, -underCap(x, y, -z, {part.depth, 0, part.a.ru, part.a.rv}));
  return out;
}

EllipseDistance distanceToEllipse(double x, double y, double a, double b) {
  EllipseDistance out;
  const double px = std::abs(x);
  const double py = std::abs(y);
  if (std::abs(a - b) < 1e-9 * (a + b)) {
    const double r = std::hypot(x, y);
    out.c = r > 0 ? x / r : 1;
    out.s = r > 0 ? y / r : 0;
    out.nx = out.c;
    out.ny = out.s;
    out.distance = r - (a + b) / 2;
    return out;
  }
  double c = std::sqrt(0.5);
  double s = c;
  // Outside start where the place itself points; deep inside, where that can be the farthest
  // place, start half way round. Walk by the circle of curvature.
  if (const double n = std::sqrt(px / a * px / a + py / b * py / b); n > 1) {
    c = px / a / n;
    s = py / b / n;
  }
  const double focal = a * a - b * b;
  for (int step = 0; step < 7; ++step) {
    const double ex = focal * c * c * c / a;
    const double ey = -focal * s * s * s / b;
    const double rx = a * c - ex;
    const double ry = b * s - ey;
    const double qx = px - ex;
    const double qy = py - ey;
    const double q = std::sqrt(qx * qx + qy * qy);
    if (q < 1e-12) break;
    const double r = std::sqrt(rx * rx + ry * ry);
    c = std::clamp((qx * r / q + ex) / a, 0.0, 1.0);
    s = std::clamp((qy * r / q + ey) / b, 0.0, 1.0);
    const double n = std::sqrt(c * c + s * s);
    if (n < 1e-12) {
      c = s = std::sqrt(0.5);
      continue;
    }
    const double moved = std::abs(c / n - c) + std::abs(s / n - s);
    c /= n;
    s /= n;
    // A foot that is off by so much makes the distance wrong by its square only.
    if (step > 0 && moved < kFootStill) break;
  }
  double nx = c / a;
  double ny = s / b;
  const double n = std::sqrt(nx * nx + ny * ny);
  nx /= n;
  ny /= n;
  out.distance = (px - a * c) * nx + (py - b * s) * ny;
  out.c = x < 0 ? -c : c;
  out.s = y < 0 ? -s : s;
  out.nx = x < 0 ? -nx : nx;
  out.ny = y < 0 ? -ny : ny;
  return out;
}

} // namespace columna
