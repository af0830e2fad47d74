#include "face/tape.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>
#include <optional>
#include <vector>

namespace columna {
namespace {

using Vec2 = Eigen::Vector2d;
using Vec3 = Eigen::Vector3d;

constexpr int kRays = 120;        ///< of the shortest section, which is told
constexpr int kRaysTried = 48;    ///< of those it is looked for among
constexpr double kFar = 1.3;      ///< of the chord: a ray is begun so far out at most
constexpr double kSafeStep = 0.7; ///< of the distance: a head's is no true one
constexpr double kTurn = 9 * std::numbers::pi / 180;
constexpr int kTurns = 5; ///< to either side
constexpr int kHalvings = 4;

class Tape {
public:
  Tape(const TapedSurface& surface, const Vec3& from, const Vec3& to)
      : s_(surface), from_(from), to_(to), chord_((to - from).norm()), along_((to - from) / chord_) {
    const Vec3 middle = (from + to) / 2;
    Vec3 nearest = middle;
    for (int pass = 0; pass < 12; ++pass) nearest -= s_.distance(nearest) * s_.normal(nearest);
    out_ = square(s_.normal(nearest));
    if (out_.norm() < 0.2) out_ = square(s_.normal(from) + s_.normal(to));
    if (out_.norm() < 0.2) out_ = square(Vec3::UnitZ());
    out_.normalize();
  }

  [[nodiscard]] std::optional<double> shortest() const {
    std::map<double, double> found; // length by turn, so that no turn is tried twice
    const auto ask = [&](double turn) {
      if (!found.contains(turn))
        if (const auto length = section(turn, kRaysTried)) found[turn] = *length;
    };
    for (int i = -kTurns; i <= kTurns; ++i) ask(kTurn * i);
    if (found.empty()) return std::nullopt;
    const auto best = [&] {
      return std::min_element(found.begin(), found.end(),
                              [](const auto& a, const auto& b) { return a.second < b.second; });
    };
    double step = kTurn / 2;
    for (int i = 0; i < kHalvings; ++i, step /= 2) {
      const double at = best()->first;
      ask(at - step);
      ask(at + step);
    }
    return section(best()->first, kRays);
  }

private:
  [[nodiscard]] Vec3 square(const Vec3& way) const { return way - along_ * along_.dot(way); }

  /// The tape's length in the plane through the chord, turned so far about it; none where a ray from inside
  /// does not get out.
  [[nodiscard]] std::optional<double> section(double turn, int rays) const {
    const Vec3 out = Eigen::AngleAxisd(turn, along_) * out_;
    const Vec3 middle = (from_ + to_) / 2;
    double deep = chord_ / 2;
    while (s_.distance(middle - deep * out) > -0.05 * chord_) {
      deep *= 0.8;
      if (deep < 1e-3 * chord_) break;
    }
    const Vec3 origin = middle - deep * out;
    const Vec3 e1 = (from_ - origin).normalized();
    const Vec3 e2 = ((to_ - origin) - e1 * e1.dot(to_ - origin)).normalized();
    const double whole = std::atan2(e2.dot(to_ - origin), e1.dot(to_ - origin));
    std::vector<Vec2> hull{{(from_ - origin).norm(), 0}};
    const auto take = [&hull](const Vec2& p) {
      // Hollows are bridged: only turns to the outside stay.
      while (hull.size() > 1) {
        const Vec2 last = hull.back() - hull[hull.size() - 2];
        const Vec2 next = p - hull.back();
        if (last.x() * next.y() - last.y() * next.x() > 0) break;
        hull.pop_back();
      }
      hull.push_back(p);
    };
    for (int i = 1; i < rays; ++i) {
      const double angle = whole * i / rays;
      const auto far = lastWayOut(origin, std::cos(angle) * e1 + std::sin(angle) * e2);
      if (!far) return std::nullopt;
      take(*far * Vec2(std::cos(angle), std::sin(angle)));
    }
    take({e1.dot(to_ - origin), e2.dot(to_ - origin)});
    double length = 0;
    for (size_t i = 1; i < hull.size(); ++i) length += (hull[i] - hull[i - 1]).norm();
    return length;
  }

  /// How far along a ray from inside the surface is left for good, between the two places: what stands behind
  /// either end is not between them, and rays that graze an end would be caught by it.
  [[nodiscard]] std::optional<double> lastWayOut(const Vec3& origin, const Vec3& way) const {
    const double begin = along_.dot(origin - from_);
    const double speed = along_.dot(way);
    double gone = kFar * chord_;
    if (speed > 0) gone = std::min(gone, (chord_ - begin) / speed);
    if (speed < 0) gone = std::min(gone, -begin / speed);
    double d = s_.distance(origin + gone * way);
    if (d <= 0) return gone;
    while (gone > 0) {
      const double next = gone - std::max(kSafeStep * d, 1e-3 * chord_);
      const double there = s_.distance(origin + next * way);
      if (there < 0) return between(origin, way, next, there, gone, d);
      gone = next;
      d = there;
    }
    return std::nullopt;
  }

  /// Where between an inside and an outside place the surface lies: a few secants.
  [[nodiscard]] double between(const Vec3& origin, const Vec3& way, double gone, double in, double outside,
                               double out) const {
    for (int step = 0; step < 8 && outside - gone > 1e-6 * chord_; ++step) {
      const double share = std::clamp(in / (in - out), 0.02, 0.98);
      const double at = gone + share * (outside - gone);
      const double d = s_.distance(origin + at * way);
      (d < 0 ? gone : outside) = at;
      (d < 0 ? in : out) = d;
      if (std::abs(d) < 1e-7 * chord_) return at;
    }
    return (gone + outside) / 2;
  }

  const TapedSurface& s_;
  Vec3 from_, to_;
  double chord_;
  Vec3 along_, out_;
};

} // namespace

Result<double> tape(const TapedSurface& surface, const Vec3& from, const Vec3& to) {
  if ((to - from).norm() < 1e-6) return 0.0;
  // From either end the rays fall on the same places, but for rounding: told the same way round.
  const bool swapped = std::lexicographical_compare(to.data(), to.data() + 3, from.data(), from.data() + 3);
  const auto length = swapped ? Tape(surface, to, from).shortest() : Tape(surface, from, to).shortest();
  if (!length)
    return Problem{say("no tape goes there straight"), {}, say("measure by way of a place between")};
  return *length;
}

} // namespace columna
