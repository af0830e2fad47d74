#include "anatomy/tube.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr size_t kSlabsPerBone = 6;
constexpr double kCapDepth = 0.5;    ///< depth of a rounded end in half the smaller diameter
constexpr double kDiffers = 0.01;    ///< of the section: sections that meet and differ by more are blended
constexpr double kBlended = 1.0 / 3; ///< of a bone, to either side of such a joint

/// The sections of the whole chain over its length, stations at shared joints averaged.
struct Profile {
  std::vector<double> s, across, deep, lift;

  void add(double at, double a, double d, double l) {
    if (!s.empty() && at - s.back() < 1e-9) {
      across.back() = (across.back() + a) / 2;
      deep.back() = (deep.back() + d) / 2;
      lift.back() = (lift.back() + l) / 2;
      return;
    }
    s.push_back(at);
    across.push_back(a);
    deep.push_back(d);
    lift.push_back(l);
  }
};

/// The direction square to n nearest to `wanted`.
Vec3 squareTo(const Vec3& n, const Vec3& wanted) {
  const Vec3 v = wanted - n * n.dot(wanted);
  const double length = v.norm();
  if (length > 1e-9) return v / length;
  return n.unitOrthogonal();
}

Vec3 hermite(const Vec3& p0, const Vec3& p1, const Vec3& m0, const Vec3& m1, double t) {
  const double t2 = t * t;
  const double t3 = t2 * t;
  return (2 * t3 - 3 * t2 + 1) * p0 + (t3 - 2 * t2 + t) * m0 + (3 * t2 - 2 * t3) * p1 + (t3 - t2) * m1;
}

Vec3 hermiteSlope(const Vec3& p0, const Vec3& p1, const Vec3& m0, const Vec3& m1, double t) {
  const double t2 = t * t;
  return (6 * t2 - 6 * t) * (p0 - p1) + (3 * t2 - 4 * t + 1) * m0 + (3 * t2 - 2 * t) * m1;
}

/// Two bones that meet in a joint with unlike sections: the joint has their mean, and the rings up to a third
/// of a bone to either side are blended with their neighbours, so that there is no step. Rings at a station
/// keep what the pattern says, and so do all elsewhere.
void fair(std::vector<Ring>& rings, std::vector<double>& lift, const std::vector<bool>& loose) {
  for (int pass = 0; pass < 4; ++pass) {
    const std::vector<Ring> before = rings;
    const std::vector<double> lifted = lift;
    for (size_t i = 1; i + 1 < rings.size(); ++i) {
      if (!loose[i]) continue;
      rings[i].ru = (before[i - 1].ru + 2 * before[i].ru + before[i + 1].ru) / 4;
      rings[i].rv = (before[i - 1].rv + 2 * before[i].rv + before[i + 1].rv) / 4;
      lift[i] = (lifted[i - 1] + 2 * lifted[i] + lifted[i + 1]) / 4;
    }
  }
}

/// Where a bone has rings: in equal steps, the nearest of them moved to each station.
struct RingPlace {
  double at = 0;
  bool station = false;
};

std::vector<RingPlace> ringPlaces(const std::vector<double>& stations) {
  std::vector<RingPlace> out;
  for (size_t k = 0; k <= kSlabsPerBone; ++k) out.push_back({static_cast<double>(k) / kSlabsPerBone, false});
  for (const double s : stations) {
    if (s <= 0 || s >= 1) continue;
    const auto nearest = static_cast<size_t>(std::lround(s * kSlabsPerBone));
    if (nearest > 0 && nearest < kSlabsPerBone && !out[nearest].station)
      out[nearest] = {s, true};
    else
      out.push_back({s, true});
  }
  std::sort(out.begin(), out.end(), [](const RingPlace& a, const RingPlace& b) { return a.at < b.at; });
  return out;
}

/// Whether two bones that meet give unlike sections where they do.
bool differ(const SweepBone& before, const SweepBone& after, double sign) {
  if (before.at.empty() || after.at.empty() || before.at.back() < 1 || after.at.front() > 0) return false;
  const double wide = std::max(before.across.back(), after.across.front());
  const double deep = std::max(before.deep.back(), after.deep.front());
  return std::abs(before.across.back() - after.across.front()) > kDiffers * wide ||
         std::abs(before.deep.back() - after.deep.front()) > kDiffers * deep ||
         std::abs(before.lift.back() - sign * after.lift.front()) > kDiffers * deep;
}

bool crossed(const Ring& a, const Ring& b) {
  for (const double side : {-1.0, 1.0}) {
    const Vec3 step = b.centre + side * b.rv * b.v - a.centre - side * a.rv * a.v;
    if (step.dot(a.normal + b.normal) <= 0) return true;
  }
  return false;
}

/// A thick part bending over a short bone would have its rings cross on the inside: their planes are eased
/// between their neighbours' until they do not.
void uncross(std::vector<Ring>& rings) {
  for (int pass = 0; pass < 24; ++pass) {
    bool any = false;
    for (size_t i = 0; i + 1 < rings.size(); ++i) any = any || crossed(rings[i], rings[i + 1]);
    if (!any) return;
    std::vector<Vec3> eased;
    for (size_t i = 0; i < rings.size(); ++i) {
      const Vec3& before = rings[i > 0 ? i - 1 : i].normal;
      const Vec3& after = rings[std::min(i + 1, rings.size() - 1)].normal;
      eased.push_back((before + 2 * rings[i].normal + after).normalized());
    }
    for (size_t i = 0; i < rings.size(); ++i) {
      rings[i].normal = eased[i];
      rings[i].v = squareTo(eased[i], rings[i].v);
      rings[i].u = rings[i].v.cross(eased[i]);
    }
  }
}

void addCap(Tube& tube, bool atEnd) {
  const Ring rim = atEnd ? tube.rings.back() : tube.rings.front();
  const double depth = kCapDepth * std::min(rim.ru, rim.rv);
  constexpr std::array<double, 4> angles{0.35, 0.75, 1.1, 1.4};
  (atEnd ? tube.capEnd : tube.capBegin) = depth;
  tube.capSlabs = static_cast<int>(angles.size());
  for (const double angle : angles) {
    Ring ring = rim;
    ring.centre += rim.normal * (depth * std::sin(angle) * (atEnd ? 1 : -1));
    ring.ru *= std::cos(angle);
    ring.rv *= std::cos(angle);
    if (atEnd) {
      tube.rings.push_back(ring);
      tube.slabBone.push_back(tube.slabBone.back());
      tube.slabFrom.push_back(1);
      tube.slabTo.push_back(1);
    } else {
      tube.rings.insert(tube.rings.begin(), ring);
      tube.slabBone.insert(tube.slabBone.begin(), tube.slabBone.front());
      tube.slabFrom.insert(tube.slabFrom.begin(), 0);
      tube.slabTo.insert(tube.slabTo.begin(), 0);
    }
  }
}

} // namespace

double bendAngle(const Vec3& a, const Vec3& b) { return std::atan2(a.cross(b).norm(), a.dot(b)); }

Tube sweep(const std::vector<SweepBone>& chain) {
  assert(!chain.empty());
  const size_t count = chain.size();
  std::vector<Vec3> direction(count);
  std::vector<Vec3> deepAxis(count);
  std::vector<double> length(count);
  std::vector<bool> unlike(count + 1, false); // of each joint of the chain
  double before = 1;                          // which way the bone before counts its lift
  Profile profile;
  double start = 0;
  for (size_t i = 0; i < count; ++i) {
    const SweepBone& b = chain[i];
    length[i] = (b.end - b.begin).norm();
    direction[i] = (b.end - b.begin) / length[i];
    deepAxis[i] = squareTo(direction[i], b.up);
    // The section's frame is carried along: a frame that would flip against the bone before is turned back,
    // and the lift with it.
    double sign = 1;
    if (i > 0 && deepAxis[i].dot(squareTo(direction[i], deepAxis[i - 1])) < 0) {
      deepAxis[i] = -deepAxis[i];
      sign = -1;
    }
    if (i > 0) unlike[i] = chain[i - 1].smooth && b.smooth && differ(chain[i - 1], b, before * sign);
    before = sign;
    for (size_t k = 0; k < b.at.size(); ++k)
      profile.add(start + b.at[k] * length[i], b.across[k], b.deep[k], sign * b.lift[k]);
    start += length[i];
  }

  // Tangents at the joints: the bisector; at free ends the bone itself.
  std::vector<Vec3> tangent(count + 1);
  tangent[0] = direction[0];
  tangent[count] = direction[count - 1];
  for (size_t i = 1; i < count; ++i) tangent[i] = (direction[i - 1] + direction[i]).normalized();

  Tube tube;
  std::vector<double> lift;
  std::vector<bool> loose; // rings that may be blended
  start = 0;
  for (size_t i = 0; i < count; ++i) {
    const SweepBone& b = chain[i];
    const Vec3 m0 = tangent[i] * length[i];
    const Vec3 m1 = tangent[i + 1] * length[i];
    const std::vector<RingPlace> places = ringPlaces(b.at);
    for (size_t k = i == 0 ? 0 : 1; k < places.size(); ++k) {
      const double t = places[k].at;
      const double s = start + t * length[i];
      Ring ring;
      Vec3 centre = b.begin + t * (b.end - b.begin);
      if (b.smooth) {
        centre = hermite(b.begin, b.end, m0, m1, t);
        ring.normal = hermiteSlope(b.begin, b.end, m0, m1, t).normalized();
      } else {
        // Rings fan from the joint's bisecting plane to square within the reach of the bend.
        const double near = std::clamp(1 - t * 2.5, 0.0, 1.0);
        const double far = std::clamp(1 - (1 - t) * 2.5, 0.0, 1.0);
        ring.normal =
            (near * tangent[i] + far * tangent[i + 1] + (1 - near - far) * direction[i]).normalized();
      }
      Vec3 wanted = deepAxis[i];
      if (k + 1 == places.size() && i + 1 < count) wanted += deepAxis[i + 1];
      ring.v = squareTo(ring.normal, wanted);
      ring.u = ring.v.cross(ring.normal);
      ring.ru = pchip(profile.s, profile.across, s) / 2;
      ring.rv = pchip(profile.s, profile.deep, s) / 2;
      lift.push_back(pchip(profile.s, profile.lift, s));
      ring.centre = centre;
      loose.push_back(!places[k].station &&
                      ((unlike[i] && t <= kBlended + 1e-9) || (unlike[i + 1] && 1 - t <= kBlended + 1e-9)));
      if (!tube.rings.empty()) {
        tube.slabBone.push_back(b.bone);
        tube.slabFrom.push_back(places[k - 1].at);
        tube.slabTo.push_back(t);
      }
      tube.rings.push_back(ring);
    }
    start += length[i];
  }
  fair(tube.rings, lift, loose);
  for (size_t i = 0; i < tube.rings.size(); ++i) tube.rings[i].centre += tube.rings[i].v * lift[i];
  uncross(tube.rings);
  if (!chain.front().flatBegin) addCap(tube, false);
  if (!chain.back().flatEnd) addCap(tube, true);
  return tube;
}

std::vector<Tube> withoutBones(const Tube& tube, const std::vector<char>& without) {
  const auto gone = [&](size_t slab) { return without[static_cast<size_t>(tube.slabBone[slab])] != 0; };
  const size_t slabs = tube.slabBone.size();
  const size_t first = tube.capBegin > 0 ? static_cast<size_t>(tube.capSlabs) : 0; // of no end
  const size_t last = slabs - (tube.capEnd > 0 ? static_cast<size_t>(tube.capSlabs) : 0);
  std::vector<Tube> out;
  for (size_t from = first; from < last;) {
    if (gone(from)) {
      ++from;
      continue;
    }
    size_t to = from;
    while (to < last && !gone(to)) ++to;
    Tube part;
    const size_t begin = from == first ? 0 : from;
    const size_t end = to == last ? slabs : to;
    const auto at = [](size_t i) { return static_cast<std::ptrdiff_t>(i); };
    part.rings.assign(tube.rings.begin() + at(begin), tube.rings.begin() + at(end + 1));
    part.slabBone.assign(tube.slabBone.begin() + at(begin), tube.slabBone.begin() + at(end));
    part.slabFrom.assign(tube.slabFrom.begin() + at(begin), tube.slabFrom.begin() + at(end));
    part.slabTo.assign(tube.slabTo.begin() + at(begin), tube.slabTo.begin() + at(end));
    part.capBegin = from == first ? tube.capBegin : 0;
    part.capEnd = to == last ? tube.capEnd : 0;
    part.capSlabs = tube.capSlabs;
    if (from != first) addCap(part, false);
    if (to != last) addCap(part, true);
    out.push_back(std::move(part));
    from = to;
  }
  return out;
}

Tube mirrored(const Tube& tube, const std::vector<int>& boneOf) {
  Tube out = tube;
  for (Ring& ring : out.rings)
    for (Vec3* p : {&ring.centre, &ring.u, &ring.v, &ring.normal}) p->y() = -p->y();
  for (int& bone : out.slabBone) bone = boneOf[static_cast<size_t>(bone)];
  return out;
}

double pchip(const std::vector<double>& x, const std::vector<double>& y, double at) {
  const size_t n = x.size();
  assert(n == y.size() && n > 0);
  if (n == 1 || at <= x.front()) return y.front();
  if (at >= x.back()) return y.back();
  const size_t i = static_cast<size_t>(std::upper_bound(x.begin(), x.end(), at) - x.begin()) - 1;
  const auto slope = [&](size_t k) { return (y[k + 1] - y[k]) / (x[k + 1] - x[k]); };
  // Slope at a node: the weighted harmonic mean of its neighbours', zero at a turning point.
  const auto nodeSlope = [&](size_t k) {
    if (k == 0) return slope(0);
    if (k == n - 1) return slope(n - 2);
    const double left = slope(k - 1);
    const double right = slope(k);
    if (left * right <= 0) return 0.0;
    const double hl = x[k] - x[k - 1];
    const double hr = x[k + 1] - x[k];
    const double wl = 2 * hr + hl;
    const double wr = hr + 2 * hl;
    return (wl + wr) / (wl / left + wr / right);
  };
  const double h = x[i + 1] - x[i];
  const double t = (at - x[i]) / h;
  const double m0 = nodeSlope(i) * h;
  const double m1 = nodeSlope(i + 1) * h;
  const double t2 = t * t;
  const double t3 = t2 * t;
  return (2 * t3 - 3 * t2 + 1) * y[i] + (t3 - 2 * t2 + t) * m0 + (3 * t2 - 2 * t3) * y[i + 1] +
         (t3 - t2) * m1;
}

double ellipsePerimeter(double a, double b) {
  if (a + b <= 0) return 0;
  const double h = (a - b) * (a - b) / ((a + b) * (a + b));
  return std::numbers::pi * (a + b) * (1 + 3 * h / (10 + std::sqrt(4 - 3 * h)));
}

} // namespace columna
