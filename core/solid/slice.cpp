#include "solid/slice.h"

#include "anatomy/hull.h"
#include "solid/share_work.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
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

constexpr int kRays = 72;
constexpr double kAlong = 1.15; ///< times the oval's perimeter

/// How far along a ray the field reaches -depth; `about` is the first guess.
double reachAlong(const WoolField& field, const std::vector<int>& parts, const Vec3& from, const Vec3& way,
                  double about, double depth) {
  double inside = 0;
  double outside = 4 * about;
  double last = 0;
  double lastValue = 0;
  double r = about;
  for (int k = 0; k < 40; ++k) {
    const double value = field.sample(from + r * way, parts, 1e9).distance + depth;
    if (std::abs(value) < 1e-4 * about) return r;
    (value < 0 ? inside : outside) = r;
    // The field is a distance: at first it tells how far to go, later its change along the ray does.
    const double slope = k > 0 && r != last ? (value - lastValue) / (r - last) : 1;
    double next = slope > 0.05 ? r - value / slope : (inside + outside) / 2;
    if (!(next > inside && next < outside)) next = (inside + outside) / 2;
    last = r;
    lastValue = value;
    r = next;
    if (outside - inside < 1e-4 * about) break;
  }
  return r;
}

/// A polygon's perimeter is short of its curve's.
double ofCurve(double perimeter, int corners) {
  const double half = std::numbers::pi / corners;
  return perimeter / (std::sin(half) / half);
}

double share(double value, double of) { return value > 0 && of > 0 ? value / of : 1; }

TapeShare tapeAt(const WoolField& own, const FigureBone& bone, double at, double coat) {
  TapeShare out;
  const Station s = stationAt(bone, at);
  const Vec3 along = (bone.end - bone.begin).normalized();
  const Vec3 middle = bone.begin + at * (bone.end - bone.begin) + s.lift * bone.deepAxis;
  const Vec3 u = bone.deepAxis.cross(along).normalized();
  const Vec3 v = along.cross(u);
  const double a = s.across / 2;
  const double b = s.deep / 2;
  const double about = std::max(a, b);
  const Slice body = sliceOf(own, middle, u, v, about);
  // At a sharp bend the cut runs along the next stretch of the limb, where a tape, pulled tight, does not.
  if (body.tape > kAlong * ellipsePerimeter(a, b)) return out;
  out.finished = share(body.tape, ellipsePerimeter(a, b));
  out.across = share(body.across, s.across);
  out.deep = share(body.deep, s.deep);
  const Slice oval = offsetEllipse(a, b, coat);
  if (oval.tape <= 0 || body.tape <= 0) return out;
  const Slice core = sliceOf(own, middle, u, v, about, coat);
  if (core.tape <= 0) return {}; // at the very tip
  out.felted = share(core.tape, oval.tape);
  out.coreAcross = share(core.across, oval.across);
  out.coreDeep = share(core.deep, oval.deep);
  return out;
}

} // namespace

Slice sliceOf(const WoolField& field, const Vec3& middle, const Vec3& u, const Vec3& v, double about,
              double depth) {
  Slice out;
  std::vector<int> parts;
  field.near(middle, 4 * about, field.all(), parts);
  if (parts.empty() || field.sample(middle, parts, 1e9).distance + depth >= 0) return out;
  out.outline.reserve(kRays);
  for (int k = 0; k < kRays; ++k) {
    const double angle = 2 * std::numbers::pi * k / kRays; // the axes are among them
    const Vec2 way(std::cos(angle), std::sin(angle));
    out.outline.push_back(reachAlong(field, parts, middle, way.x() * u + way.y() * v, about, depth) * way);
  }
  measure(out);
  out.tape = ofCurve(out.tape, kRays);
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
  out.tape = ofCurve(out.tape, steps);
  return out;
}

std::vector<std::array<TapeShare, 2>> tapeShares(const Figure& figure, double coat, int threads) {
  using Two = std::array<TapeShare, 2>;
  const auto twinFirst = [&](size_t b) {
    const int twin = figure.bones[b].twin;
    return figure.symmetric && twin >= 0 && twin < static_cast<int>(b);
  };
  // One limb's wool is asked once for all its bones.
  std::vector<std::vector<Two>> limbs =
      shareOut<std::vector<Two>>(static_cast<int>(figure.limbs.size()), threads, [&](int l) {
        const FigureLimb& limb = figure.limbs[static_cast<size_t>(l)];
        std::vector<Two> out(limb.bones.size());
        const WoolField own(figure, 0, l);
        for (size_t k = 0; k < limb.bones.size(); ++k) {
          const auto b = static_cast<size_t>(limb.bones[k]);
          const FigureBone& bone = figure.bones[b];
          if (twinFirst(b) || bone.length <= 0) continue;
          for (size_t i = 0; i < kTapeAt.size(); ++i) out[k][i] = tapeAt(own, bone, kTapeAt[i], coat);
        }
        return out;
      });
  std::vector<Two> out(figure.bones.size());
  for (size_t l = 0; l < limbs.size(); ++l)
    for (size_t k = 0; k < limbs[l].size(); ++k)
      out[static_cast<size_t>(figure.limbs[l].bones[k])] = limbs[l][k];
  for (size_t b = 0; b < out.size(); ++b)
    if (twinFirst(b)) out[b] = out[static_cast<size_t>(figure.bones[b].twin)];
  return out;
}

} // namespace columna
