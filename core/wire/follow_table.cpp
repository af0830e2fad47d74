// A piece bent up again from its table: the check on everything the table says.
#include "wire/piece.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// Wire used up without going on along the limb. A splice is beside the wire that goes on.
bool idles(const Feature& f) {
  return f.kind != "twist" && f.kind != "bend" && f.kind != "splice" && f.takes > 0;
}

} // namespace

std::vector<Vec3> followTable(const Piece& piece) {
  // Where wire is used up without going on: loops, laps, folds, ends.
  const auto advance = [&](double from, double to) {
    double run = 0;
    std::vector<double> cuts{from, to};
    for (const TwistZone& z : piece.twists)
      for (const double c : {z.from, z.to})
        if (c > from && c < to) cuts.push_back(c);
    for (const Feature& f : piece.features)
      if (idles(f))
        for (const double c : {f.at, f.at + f.takes})
          if (c > from && c < to) cuts.push_back(c);
    std::sort(cuts.begin(), cuts.end());
    for (size_t i = 0; i + 1 < cuts.size(); ++i) {
      const double middle = (cuts[i] + cuts[i + 1]) / 2;
      bool idle = false;
      for (const Feature& f : piece.features)
        idle = idle || (idles(f) && middle > f.at && middle < f.at + f.takes);
      if (idle) continue;
      double factor = 1;
      for (const TwistZone& z : piece.twists)
        if (middle > z.from && middle < z.to) factor = z.factor;
      run += (cuts[i + 1] - cuts[i]) / factor;
    }
    return run;
  };
  const auto about = [](const Vec3& v, const Vec3& axis, double angle) {
    return Vec3(v * std::cos(angle) + axis.cross(v) * std::sin(angle) +
                axis * axis.dot(v) * (1 - std::cos(angle)));
  };
  Vec3 at(0, 0, 0);
  Vec3 direction(1, 0, 0);
  Vec3 normal(0, 0, 1);
  double wire = 0;
  // Points passed straight lie between bends; each is met at its place on the wire.
  std::vector<Vec3> out;
  size_t next = 0;
  const auto straightTo = [&](double to) {
    while (next < piece.routeAt.size() && piece.routeAt[next] <= to + 1e-9) {
      const double here = std::max(piece.routeAt[next], wire);
      out.push_back(at + direction * advance(wire, here));
      ++next;
    }
    at += direction * advance(wire, to);
    wire = to;
  };
  for (const Bend& b : piece.bends) {
    if (b.fold) {
      // The point of a fold is met at its middle.
      straightTo(b.at - b.arc / 2);
      if (next < piece.route.size() && piece.route[next] == b.point) {
        out.push_back(at);
        ++next;
      }
      wire = b.at + b.arc / 2;
      direction = -direction;
      continue;
    }
    straightTo(b.at);
    normal = about(normal, direction, b.roll);
    const Vec3 inward = normal.cross(direction);
    const auto onArc = [&](double angle) {
      return Vec3(at + b.middle * (std::sin(angle) * direction + (1 - std::cos(angle)) * inward));
    };
    // Points on the arc: of the joint its apex.
    while (next < piece.routeAt.size() && piece.routeAt[next] <= b.at + b.arc + 1e-9) {
      const double along = std::max(0.0, piece.routeAt[next] - b.at);
      const double share = along <= b.apex ? along / (2 * b.apex)
                                           : 0.5 + (along - b.apex) / (2 * std::max(1e-12, b.arc - b.apex));
      out.push_back(onArc(b.angle * std::min(1.0, share)));
      ++next;
    }
    at = onArc(b.angle);
    direction = about(direction, normal, b.angle);
    wire = b.at + b.arc;
  }
  straightTo(piece.cut);
  return out;
}

} // namespace columna
