#include "solid/field.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr double kThin = 1e-6;      ///< mm: a section thinner than that holds nothing
constexpr double kSure = 1.6;       ///< times a ball's radius a distance has to be for the ball to be clear
constexpr double kFootStill = 2e-4; ///< of a half-turn: a foot on an ellipse moves no more

struct Found {
  double distance = 1e9, depth = 1e9, at = 0;
  int bone = -1;
  bool within = false; ///< between the part's planes
};

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

/// A place in the section of a slab that it lies in.
struct InSlab {
  double before = 0, behind = 0, x = 0, y = 0, ru = 0, rv = 0;
  Vec3 u, v;
};

bool findInSlab(const FieldPart& part, const Vec3& p, Found& out, InSlab& in) {
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

Found askSlab(const FieldPart& part, const Vec3& p, double band) {
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

Found askEnd(const FieldPart& part, const Vec3& p) {
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

/// Two surfaces with the crease between them rounded (a quadratic smooth minimum).
double filleted(double a, double b, double blend) {
  const double h = std::max(blend - std::abs(a - b), 0.0);
  return std::min(a, b) - (blend > 0 ? h * h / (4 * blend) : 0);
}

double distanceToLine(const Vec3& p, const Vec3& a, const Vec3& b) {
  const Vec3 run = b - a;
  const double long2 = run.squaredNorm();
  const double t = long2 > 0 ? std::clamp((p - a).dot(run) / long2, 0.0, 1.0) : 0.0;
  return (p - a - t * run).norm();
}

} // namespace

double usualBlend(const Figure& figure) { return 0.01 * figure.overallHeight; }

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

WoolField::WoolField(const Figure& figure, double blend) : blend_(blend) { take(figure, -1); }

WoolField::WoolField(const Figure& figure, double blend, int limb) : blend_(blend) { take(figure, limb); }

void WoolField::take(const Figure& figure, int limb) {
  low_ = Vec3::Constant(1e9);
  high_ = -low_;
  const size_t count = figure.tubes.size();
  std::vector<int> tubeOf(figure.bones.size(), -1);
  for (size_t t = 0; t < count; ++t) {
    const Tube& tube = figure.tubes[t];
    bool wanted = limb < 0;
    for (const int bone : tube.slabBone) {
      tubeOf[static_cast<size_t>(bone)] = static_cast<int>(t);
      wanted = wanted || figure.bones[static_cast<size_t>(bone)].limb == limb;
    }
    if (wanted) addTube(tube, static_cast<int>(t));
  }
  joined_.assign(count, std::vector<char>(count, 0));
  for (size_t t = 0; t < count; ++t)
    for (const int bone : figure.tubes[t].slabBone) {
      const int parent = figure.bones[static_cast<size_t>(bone)].parent;
      const int other = parent < 0 ? -1 : tubeOf[static_cast<size_t>(parent)];
      if (other < 0 || other == static_cast<int>(t)) continue;
      joined_[t][static_cast<size_t>(other)] = joined_[static_cast<size_t>(other)][t] = 1;
    }
}

void WoolField::addTube(const Tube& tube, int index) {
  const size_t first = tube.capBegin > 0 ? static_cast<size_t>(tube.capSlabs) : 0;
  const size_t last = tube.rings.size() - 1 - (tube.capEnd > 0 ? static_cast<size_t>(tube.capSlabs) : 0);
  const auto box = [&](const FieldPart& part) {
    low_ = low_.cwiseMin(part.from.cwiseMin(part.to) - Vec3::Constant(part.around));
    high_ = high_.cwiseMax(part.from.cwiseMax(part.to) + Vec3::Constant(part.around));
  };
  for (size_t i = first; i < last; ++i) {
    FieldPart part;
    part.a = tube.rings[i];
    part.b = tube.rings[i + 1];
    part.tube = index;
    part.bone = tube.slabBone[i];
    part.atA = tube.slabFrom[i];
    part.atB = tube.slabTo[i];
    part.flatA = i == first && tube.capBegin <= 0;
    part.flatB = i + 1 == last && tube.capEnd <= 0;
    // An end is felt as far in as it can be the nearest surface.
    const auto endNearby = [](const Ring& ring, const Ring& rim, double depth) {
      const double away = (ring.centre - rim.centre).norm();
      if (depth <= 0 || away > std::max(ring.ru, ring.rv)) return FieldPart::EndNearby{};
      return FieldPart::EndNearby{depth, away, rim.ru, rim.rv};
    };
    part.capA = endNearby(part.a, tube.rings[first], tube.capBegin);
    part.capB = endNearby(part.b, tube.rings[last], tube.capEnd);
    part.from = part.a.centre;
    part.to = part.b.centre;
    part.around = std::max({part.a.ru, part.a.rv, part.b.ru, part.b.rv});
    part.least = std::min({part.a.ru, part.a.rv, part.b.ru, part.b.rv});
    box(part);
    parts_.push_back(part);
    planes_.push_back(
        {part.a.normal, part.b.normal, part.a.normal.dot(part.a.centre), part.b.normal.dot(part.b.centre)});
  }
  for (const bool end : {false, true}) {
    FieldPart part;
    part.a = tube.rings[end ? last : first];
    if (!end) part.a.normal = -part.a.normal;
    part.b = part.a;
    part.tube = index;
    part.bone = end ? tube.slabBone.back() : tube.slabBone.front();
    part.atA = part.atB = end ? 1 : 0;
    part.depth = std::max(0.0, end ? tube.capEnd : tube.capBegin);
    part.from = part.to = part.a.centre;
    part.around = std::max({part.a.ru, part.a.rv, part.depth});
    part.least = std::min(part.a.ru, part.a.rv);
    box(part);
    parts_.push_back(part);
    planes_.push_back({part.a.normal, Vec3::Zero(), part.a.normal.dot(part.a.centre), 0});
  }
}

void WoolField::near(const Vec3& centre, double reach, const std::vector<int>& among,
                     std::vector<int>& out) const {
  out.clear();
  for (const int i : among) {
    const FieldPart& part = parts_[static_cast<size_t>(i)];
    if (distanceToLine(centre, part.from, part.to) <= part.around + reach) out.push_back(i);
  }
}

std::vector<int> WoolField::all() const {
  std::vector<int> out(parts_.size());
  for (size_t i = 0; i < out.size(); ++i) out[i] = static_cast<int>(i);
  return out;
}

WoolField::Where WoolField::ball(const Vec3& centre, double radius, double depth,
                                 const std::vector<int>& parts) const {
  // Near ends and tapers a distance is an estimate.
  const double sure = kSure * radius;
  constexpr size_t most = 24;
  std::array<int, most> tubes{};
  size_t near = 0;
  std::array<int, most> clear{};
  size_t clears = 0;
  const auto note = [](std::array<int, most>& in, size_t& count, int tube) {
    if (std::find(in.begin(), in.begin() + count, tube) != in.begin() + count) return true;
    if (count == most) return false;
    in[count++] = tube;
    return true;
  };
  bool outside = true;
  for (const int i : parts) {
    const FieldPart& part = parts_[static_cast<size_t>(i)];
    outside = note(tubes, near, part.tube) && outside;
    if (!planes_[static_cast<size_t>(i)].between(centre)) continue;
    const Found found = part.depth < 0 ? askSlab(part, centre, 1e9) : askEnd(part, centre);
    if (!found.within) continue;
    if (found.distance < -(sure + depth)) return Where::Deep;
    if (found.distance > sure + blend_)
      outside = note(clear, clears, part.tube) && outside;
    else
      outside = false;
  }
  // A tube none of whose parts holds the centre may still come into the ball.
  return outside && clears == near ? Where::Outside : Where::Unsure;
}

FieldSample WoolField::sample(const Vec3& p, double band) const { return sample(p, all(), band); }

FieldSample WoolField::label(const Vec3& p, const std::vector<int>& parts) const {
  FieldSample out;
  for (const int i : parts) {
    if (!planes_[static_cast<size_t>(i)].between(p)) continue;
    const FieldPart& part = parts_[static_cast<size_t>(i)];
    Found found;
    InSlab in;
    if (part.depth < 0)
      findInSlab(part, p, found, in);
    else
      found = askEnd(part, p);
    if (!found.within || found.depth >= out.depth) continue;
    out.depth = found.depth;
    out.bone = found.bone;
    out.at = found.at;
  }
  return out;
}

FieldSample WoolField::sample(const Vec3& p, const std::vector<int>& parts, double band) const {
  FieldSample out;
  out.distance = band;
  // The nearest surface of each tube that is near; there are few.
  constexpr size_t most = 24;
  std::array<std::pair<int, double>, most> tubes;
  size_t count = 0;
  for (const int i : parts) {
    if (!planes_[static_cast<size_t>(i)].between(p)) continue;
    const FieldPart& part = parts_[static_cast<size_t>(i)];
    const Found found = part.depth < 0 ? askSlab(part, p, band) : askEnd(part, p);
    if (!found.within || found.distance >= band) continue;
    if (found.depth < out.depth) {
      out.depth = found.depth;
      out.bone = found.bone;
      out.at = found.at;
    }
    size_t k = 0;
    while (k < count && tubes[k].first != part.tube) ++k;
    if (k == count) {
      if (count == most) continue;
      tubes[count++] = {part.tube, found.distance};
    } else {
      tubes[k].second = std::min(tubes[k].second, found.distance);
    }
  }
  for (size_t i = 0; i < count; ++i) out.distance = std::min(out.distance, tubes[i].second);
  if (blend_ > 0)
    for (size_t i = 0; i < count; ++i)
      for (size_t k = i + 1; k < count; ++k)
        if (joined_[static_cast<size_t>(tubes[i].first)][static_cast<size_t>(tubes[k].first)])
          out.distance = std::min(out.distance, filleted(tubes[i].second, tubes[k].second, blend_));
  return out;
}

} // namespace columna
