#include "face/eye_room.h"

#include "anatomy/plane.h"
#include "head/wearing.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>

namespace columna {
namespace {

constexpr int kGrid = 24;       ///< rays across an eye
constexpr double kStep = 0.7;   ///< of the distance, as the field's slope allows
constexpr double kCreep = 0.02; ///< mm: the least step

/// Moeller and Trumbore 1997: how far along the ray a triangle is met, if it is, from either side.
std::optional<double> met(const Vec3& from, const Vec3& way, const std::array<Vec3, 3>& t) {
  const Vec3 u = t[1] - t[0];
  const Vec3 v = t[2] - t[0];
  const Vec3 p = way.cross(v);
  const double turn = u.dot(p);
  if (std::abs(turn) < 1e-12) return std::nullopt;
  const Vec3 off = from - t[0];
  const double a = off.dot(p) / turn;
  const Vec3 q = off.cross(u);
  const double b = way.dot(q) / turn;
  if (a < 0 || b < 0 || a + b > 1) return std::nullopt;
  return v.dot(q) / turn;
}

/// All triangles of the head's flat parts as they stand, mm.
std::vector<std::array<Vec3, 3>> flatParts(const HeadPattern& head, const HeadField& field) {
  std::vector<std::array<Vec3, 3>> out;
  const double mm = field.length();
  for (const HeadFlat& flat : head.flats) {
    const RoughHead::Sheet sheet = standing(flat, field);
    for (const auto& [a, b, c] : sheet.triangles) {
      std::array<Vec3, 3> one{mm * sheet.points[static_cast<size_t>(a)],
                              mm * sheet.points[static_cast<size_t>(b)],
                              mm * sheet.points[static_cast<size_t>(c)]};
      out.push_back(one);
      if (!sheet.twin) continue;
      for (Vec3& p : one) p = mirrored(p);
      out.push_back(one);
    }
  }
  return out;
}

} // namespace

Vec3 holeWay(const HeadEye& eye, double azimuth) {
  const Vec3 out = opticalAxis(eye);
  const double level = std::hypot(out.x(), out.y());
  const double aside = out.y() < 0 ? -1 : 1;
  return {-level * std::cos(azimuth), -aside * level * std::sin(azimuth), -out.z()};
}

double clearOfWire(const Vec3& middle, const Vec3& way, double length, const std::vector<HeadWire>& wires,
                   double stem) {
  double least = std::numeric_limits<double>::infinity();
  const Segment hole{middle, middle + length * way};
  for (const HeadWire& wire : wires)
    least = std::min(least, nearest(hole, Segment{wire.from, wire.to}).distance - wire.thick / 2 - stem / 2);
  return least;
}

double longestClear(const Vec3& middle, const Vec3& way, double most, double clear,
                    const std::vector<HeadWire>& wires, double stem) {
  if (clearOfWire(middle, way, most, wires, stem) >= clear) return most;
  if (clearOfWire(middle, way, 0, wires, stem) < clear) return 0;
  // The longer the hole, the nearer it comes to any wire, or as near.
  double good = 0;
  double bad = most;
  while (bad - good > 1e-4) {
    const double tried = (good + bad) / 2;
    (clearOfWire(middle, way, tried, wires, stem) >= clear ? good : bad) = tried;
  }
  return good;
}

double woolUnder(const HeadField& field, const Vec3& bottom, const Vec3& way,
                 const std::vector<HeadWire>& wires, double eye, bool twin, const Vec3& middle) {
  // Right behind its own opening the surface is near: the first stretch is taken blind.
  double under = kCreep;
  const double far = 2 * field.length();
  for (bool inside = false; under < far;) {
    const double d = field.distance(bottom - under * way);
    if (inside && d >= 0) break;
    inside = inside || d < 0;
    if (!inside && under > eye) break; // never in the wool at all
    under += std::max(kStep * std::abs(d), kCreep);
  }
  if (twin) under = std::min(under, (bottom - mirrored(middle)).norm() - eye / 2);
  for (const HeadWire& wire : wires)
    under = std::min(under, nearest({bottom, bottom}, Segment{wire.from, wire.to}).distance - wire.thick / 2);
  return std::max(under, 0.0);
}

double hiddenBy(const HeadPattern& head, const HeadField& field, const Vec3& at, const Vec3& way,
                double diameter) {
  const auto triangles = flatParts(head, field);
  if (triangles.empty()) return 0;
  const Vec3 across = way.unitOrthogonal();
  const Vec3 up = way.cross(across);
  int all = 0;
  int hidden = 0;
  for (int i = 0; i < kGrid; ++i)
    for (int j = 0; j < kGrid; ++j) {
      const double u = (2 * i + 1 - kGrid) / static_cast<double>(kGrid);
      const double v = (2 * j + 1 - kGrid) / static_cast<double>(kGrid);
      if (u * u + v * v > 1) continue;
      ++all;
      const Vec3 from = at + diameter / 2 * (u * across + v * up);
      hidden += std::any_of(triangles.begin(), triangles.end(), [&](const std::array<Vec3, 3>& t) {
        const auto far = met(from, way, t);
        return far && *far > 0;
      });
    }
  return static_cast<double>(hidden) / all;
}

} // namespace columna
