#include "hold/contacts.h"

#include "anatomy/hull.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <map>
#include <numbers>

namespace columna {
namespace {

constexpr std::array<std::string_view, 6> kFeet{"loose", "flat", "glued", "base", "held", "hung"};
constexpr double kBaseRim = 10; ///< mm round the feet where no size is given

/// How far from a place within a hull its edge lies in a direction; below 0 from outside.
double reachTo(const std::vector<Vec2>& hull, const Vec2& from, const Vec2& way) {
  double least = std::numeric_limits<double>::infinity();
  double most = -std::numeric_limits<double>::infinity();
  for (size_t i = 0; i < hull.size(); ++i) {
    const Vec2& a = hull[i];
    const Vec2 edge = (hull[(i + 1) % hull.size()] - a).normalized();
    const Vec2 out(edge.y(), -edge.x());
    const double inside = out.dot(a - from);
    const double rate = out.dot(way);
    if (rate > 1e-9) least = std::min(least, inside / rate);
    most = std::max(most, -inside);
  }
  return most > 0 ? -most : least;
}

} // namespace

std::string_view id(Feet feet) { return kFeet[static_cast<size_t>(feet)]; }

std::optional<Feet> feet(std::string_view id) {
  for (size_t k = 0; k < kFeet.size(); ++k)
    if (kFeet[k] == id) return static_cast<Feet>(k);
  return std::nullopt;
}

std::vector<Contact> contactsOf(const Figure& figure, const PoseRules& rules) {
  std::vector<Contact> out = soles(figure, rules.touchShare, rules.soleGive);
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; i < tube.rings.size(); ++i) {
      const int bone = tube.slabBone[std::min(i, tube.slabBone.size() - 1)];
      const Vec3 at = lowestOf(tube.rings[i]);
      if (legOf(figure, bone) < 0 && at.z() <= rules.lieShare * figure.overallHeight)
        out.push_back({at, figure.bones[static_cast<size_t>(bone)].limb});
    }
  return out;
}

std::string compass(const Vec2& d) {
  const double angle = std::atan2(d.y(), d.x());
  constexpr std::array<std::string_view, 8> words{named("forward"),      named("forward and to its left"),
                                                  named("to its left"),  named("backward and to its left"),
                                                  named("backward"),     named("backward and to its right"),
                                                  named("to its right"), named("forward and to its right")};
  const auto octant = static_cast<int>(std::lround(angle / (std::numbers::pi / 4)));
  return std::string(words[static_cast<size_t>((octant + 8) % 8)]);
}

PoseStanding poseStanding(const Figure& figure, const Vec3& centre, double figureMass, const Support& support,
                          const PoseRules& rules) {
  PoseStanding out;
  out.contacts = contactsOf(figure, rules);
  out.fixed = support.feet == Feet::Glued || support.feet == Feet::Held || support.feet == Feet::Hung;
  std::vector<Vec2> places;
  places.reserve(out.contacts.size());
  for (const Contact& c : out.contacts) places.emplace_back(c.at.x(), c.at.y());
  std::vector<Vec2> hull = convexHull(places);
  // A hull thinner than a millimetre is a line.
  double area = 0;
  double around = 0;
  for (size_t i = 0; i < hull.size(); ++i) {
    const Vec2& a = hull[i];
    const Vec2& b = hull[(i + 1) % hull.size()];
    area += (a.x() * b.y() - a.y() * b.x()) / 2;
    around += (b - a).norm();
  }
  out.inLine = hull.size() < 3 || area < 0.5 * around;
  Vec3 middle = centre;
  if (support.feet == Feet::Base && !places.empty()) {
    Vec2 low = places.front();
    Vec2 high = places.front();
    for (const Vec2& p : places) {
      low = low.cwiseMin(p);
      high = high.cwiseMax(p);
    }
    const Vec2 at = (low + high) / 2;
    const Vec2 half((support.baseLength > 0 ? support.baseLength : high.x() - low.x() + 2 * kBaseRim) / 2,
                    (support.baseWidth > 0 ? support.baseWidth : high.y() - low.y() + 2 * kBaseRim) / 2);
    hull = {
        at - half, {at.x() + half.x(), at.y() - half.y()}, at + half, {at.x() - half.x(), at.y() + half.y()}};
    places = hull;
    out.inLine = false;
    const double all = figureMass + support.baseMass;
    if (all > 0) middle = (figureMass * centre + support.baseMass * Vec3(at.x(), at.y(), 0)) / all;
  }
  if (hull.size() < 3) return out;
  out.base = standingOn(places, middle);
  const Vec2 at(middle.x(), middle.y());
  double least = std::numeric_limits<double>::infinity();
  const double height = std::max(middle.z(), 1e-9);
  for (int k = 0; k < 72; ++k) {
    const double a = k * std::numbers::pi / 36;
    const double reach = reachTo(hull, at, {std::cos(a), std::sin(a)});
    out.rosette.push_back({a, std::atan2(reach, height)});
  }
  for (size_t i = 0; i < hull.size(); ++i) {
    const Vec2 edge = (hull[(i + 1) % hull.size()] - hull[i]).normalized();
    const Vec2 away(edge.y(), -edge.x());
    const double inside = away.dot(hull[i] - at);
    if (inside < least) {
      least = inside;
      out.falls = away;
    }
  }
  out.towards = compass(out.falls);
  if (out.inLine) out.base.stands = false;
  return out;
}

Wobble wobble(const Figure& figure, const std::vector<Contact>& contacts, double error) {
  Wobble out;
  std::map<int, std::pair<Vec2, int>> feet;
  for (const Contact& c : contacts) {
    if (figure.limbs[static_cast<size_t>(c.limb)].kind != LimbKind::Leg) continue;
    auto& [sum, count] = feet.try_emplace(c.limb, Vec2(0, 0), 0).first->second;
    sum += Vec2(c.at.x(), c.at.y());
    ++count;
  }
  if (feet.size() < 4) return out;
  for (const auto& [l, each] : feet) out.feet.push_back({l, each.first / each.second, 0});
  // Of more than four feet the outermost four decide: two foremost, two hindmost.
  if (out.feet.size() > 4) {
    std::sort(out.feet.begin(), out.feet.end(),
              [](const WobbleFoot& a, const WobbleFoot& b) { return a.at.x() > b.at.x(); });
    out.feet = {out.feet[0], out.feet[1], out.feet[out.feet.size() - 2], out.feet.back()};
  }
  // Weights a with sum a = 0 and sum a p = 0: how far each foot is from the plane of the others.
  Eigen::Matrix<double, 3, 4> m;
  for (Eigen::Index k = 0; k < 4; ++k) {
    const Vec2& p = out.feet[static_cast<size_t>(k)].at;
    m.col(k) = Vec3(1, p.x(), p.y());
  }
  double largest = 0;
  for (int k = 0; k < 4; ++k) { // signed areas of the other three
    Eigen::Matrix3d other;
    Eigen::Index c = 0;
    for (Eigen::Index j = 0; j < 4; ++j)
      if (j != k) other.col(c++) = m.col(j);
    out.feet[static_cast<size_t>(k)].share = (k % 2 ? -1 : 1) * other.determinant();
    largest = std::max(largest, std::abs(out.feet[static_cast<size_t>(k)].share));
  }
  if (largest < 1e-9) {
    out.feet.clear(); // all in one line: that is another trouble
    return out;
  }
  double square = 0;
  double sum = 0;
  double least = std::numeric_limits<double>::infinity();
  size_t loose = 0;
  for (size_t k = 0; k < 4; ++k) {
    double& a = out.feet[k].share;
    a /= largest;
    square += a * a;
    sum += std::abs(a);
    if (std::abs(a) > 1e-3 && std::abs(a) < least) {
      least = std::abs(a);
      loose = k;
    }
  }
  // Each leg off by +-error, any value alike: its spread is error over root three.
  out.usual = error / std::sqrt(3.0) * std::sqrt(square) / least;
  out.worst = error * sum / least;
  // It rocks over the line between the two feet beside the one that hovers.
  std::vector<Vec2> line;
  for (size_t k = 0; k < 4; ++k)
    if (k != loose && out.feet[k].share * out.feet[loose].share < 0) line.push_back(out.feet[k].at);
  if (line.size() == 2) {
    const Vec2 along = (line[1] - line[0]).normalized();
    const Vec2 to = out.feet[loose].at - line[0];
    const double lever = std::abs(along.x() * to.y() - along.y() * to.x());
    if (lever > 1e-6) out.rocks = std::atan2(out.usual, lever);
  }
  return out;
}

std::vector<LegCure> legCures(const Wobble& wobble, int hoveringLimb, double gap) {
  std::vector<LegCure> out;
  const auto hovering = std::find_if(wobble.feet.begin(), wobble.feet.end(),
                                     [&](const WobbleFoot& f) { return f.limb == hoveringLimb; });
  if (hovering == wobble.feet.end()) return out;
  for (const WobbleFoot& f : wobble.feet)
    if (std::abs(f.share) > 1e-3) out.push_back({f.limb, gap * hovering->share / f.share});
  return out;
}

} // namespace columna
