// Flat parts as they stand on the head.
#include "anatomy/plane.h"
#include "head/wearing.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <optional>

namespace columna {
namespace {

constexpr int kEdge = 4;               ///< a flat part's edge is cut up so that a roll shows: pieces a side
constexpr int kRows = 12, kAcross = 9; ///< places of its sheet
constexpr double kReach = 0.3,
                 kStep = 0.015; ///< modules along an ear, how far and how finely its base is sought
constexpr int kRounds = 24;     ///< until its base's ends are as far apart as it is wide

/// A flat part's plane brought into space.
class Roll {
public:
  Roll(const HeadFlat& flat, const HeadField& field) : flat_(flat) {
    Bounds2 box;
    box.take(flat.outline);
    tall_ = std::max(0.0, box.high.y());
    width_ = std::max(box.size().x(), 1e-9);
    u0_ = (flat.outline.front().x() + flat.outline.back().x()) / 2;
    const auto onto = [&](const Vec3& p) { return Vec3(field.onto(p * field.length()) / field.length()); };
    const Vec3 front = onto(flat.base.front());
    const Vec3 rear = onto(flat.base.back());
    up_ = flat.axis.normalized();
    across_ = rear - front - up_ * up_.dot(rear - front);
    across_ = across_.norm() > 1e-9 ? Vec3(across_.normalized()) : up_.unitOrthogonal();
    face_ = across_.cross(up_);
    if (face_.dot(flat.faces) < 0) face_ = -face_;
    middle_ = (front + rear) / 2 - flat.sink * up_;
  }

  [[nodiscard]] double tall() const { return tall_; }
  [[nodiscard]] const Vec3& face() const { return face_; }

  [[nodiscard]] Vec3 operator()(const Vec2& p) const {
    const double u = p.x() - u0_;
    const double v = p.y();
    const double fold = flat_.fold ? flat_.fold->at * tall_ : 0;
    double cup = flat_.cup;
    if (flat_.fold) cup *= std::clamp((fold - v) / width_, 0.0, 1.0);
    const double roll = cup > 1e-6 ? width_ / cup : 0;
    const double aside = roll > 0 ? roll * std::sin(u / roll) : u;
    // The edges of a hollow stand before its middle.
    double before = roll > 0 ? roll * (1 - std::cos(u / roll)) : 0;
    double along = v;
    if (flat_.fold && v > fold) {
      const double r = std::max(flat_.fold->radius, 1e-6);
      const double turned = std::min((v - fold) / r, std::abs(flat_.fold->angle));
      const double rest = v - fold - turned * r;
      along = fold + r * std::sin(turned) + rest * std::cos(turned);
      before += (flat_.fold->towardFace ? 1 : -1) * (r * (1 - std::cos(turned)) + rest * std::sin(turned));
    }
    return middle_ + aside * across_ + along * up_ + before * face_;
  }

private:
  const HeadFlat& flat_;
  double width_ = 0, tall_ = 0, u0_ = 0;
  Vec3 up_, across_, face_, middle_;
};

/// Where a level line cuts an outline: its least and greatest u.
std::optional<Vec2> spanAt(const std::vector<Vec2>& outline, double v) {
  std::optional<Vec2> out;
  for (size_t i = 0; i < outline.size(); ++i) {
    const Vec2& a = outline[i];
    const Vec2& b = outline[(i + 1) % outline.size()];
    if ((a.y() - v) * (b.y() - v) > 0 || a.y() == b.y()) continue;
    const double u = a.x() + (b.x() - a.x()) * (v - a.y()) / (b.y() - a.y());
    out = out ? Vec2(std::min(out->x(), u), std::max(out->y(), u)) : Vec2(u, u);
  }
  return out;
}

/// Where a line along the ear through a place leaves the head for good; where it does not meet it, the skin
/// nearest to the place. Head modules.
Vec3 comesOut(const Vec3& place, const Vec3& up, const HeadField& field) {
  const double l = field.length();
  const auto inside = [&](double s) { return field.distance(l * (place + s * up)) < 0; };
  for (double s = kReach; s > -kReach; s -= kStep) {
    if (!inside(s)) continue;
    double in = s;
    double out = s + kStep;
    for (int i = 0; i < 20; ++i) ((inside((in + out) / 2)) ? in : out) = (in + out) / 2;
    return place + in * up;
  }
  return field.onto(l * place) / l;
}

} // namespace

std::array<Vec3, 2> baseEnds(const HeadFlat& flat, const HeadField& field) {
  const Roll roll(flat, field);
  const Vec3 up = flat.axis.normalized();
  const Vec3 front = roll(flat.outline.front());
  const Vec3 rear = roll(flat.outline.back());
  const double chord = (rear - front).norm();
  std::array<Vec3, 2> ends{comesOut(front, up, field), comesOut(rear, up, field)};
  // On a skin that falls away they are farther apart than that: shared out until they are not.
  double half = 0.5;
  for (int round = 0; round < kRounds; ++round) {
    const double apart = (ends[1] - ends[0]).norm();
    if (apart < 1e-9 || std::abs(apart - chord) < 1e-4 * chord) break;
    half *= std::sqrt(std::clamp(chord / apart, 0.5, 2.0)); // half the way: steep skin is no swing
    for (const double side : {-1.0, 1.0})
      ends[side < 0 ? 0 : 1] = comesOut((front + rear) / 2 + side * half * (rear - front), up, field);
  }
  return ends;
}

RoughHead::Sheet standing(const HeadFlat& flat, const HeadField& field) {
  const Roll roll(flat, field);
  RoughHead::Sheet out;
  out.id = flat.id;
  out.twin = flat.twin;
  out.thickness = flat.thickness;
  for (size_t i = 0; i < flat.outline.size(); ++i)
    for (int k = 0; k < kEdge; ++k) {
      const Vec2& a = flat.outline[i];
      out.outline.push_back(
          roll(a + static_cast<double>(k) / kEdge * (flat.outline[(i + 1) % flat.outline.size()] - a)));
    }
  // Rows up its height; the last lies just under the tip, where there still is a width.
  double low = 1e9;
  for (const Vec2& p : flat.outline) low = std::min(low, p.y());
  for (int row = 0; row < kRows; ++row) {
    const double share = std::clamp(static_cast<double>(row) / (kRows - 1), 0.001, 0.997);
    const double v = low + share * (roll.tall() - low);
    const Vec2 span = spanAt(flat.outline, v).value_or(Vec2(0, 0));
    for (int k = 0; k < kAcross; ++k)
      out.points.push_back(
          roll({span.x() + static_cast<double>(k) / (kAcross - 1) * (span.y() - span.x()), v}));
  }
  for (int row = 0; row + 1 < kRows; ++row)
    for (int k = 0; k + 1 < kAcross; ++k) {
      const int at = row * kAcross + k;
      out.triangles.push_back({at, at + 1, at + kAcross});
      out.triangles.push_back({at + 1, at + kAcross + 1, at + kAcross});
    }
  Vec3 sum = Vec3::Zero();
  for (const auto& [a, b, c] : out.triangles) {
    const Vec3& from = out.points[static_cast<size_t>(a)];
    sum += (out.points[static_cast<size_t>(b)] - from).cross(out.points[static_cast<size_t>(c)] - from);
  }
  if (sum.dot(roll.face()) < 0)
    for (auto& t : out.triangles) std::swap(t[1], t[2]);
  return out;
}

} // namespace columna
