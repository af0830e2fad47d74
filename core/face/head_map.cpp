#include "face/head_map.h"

#include "face/tape.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr int kMapRows = 48, kMapRays = 24; ///< rays that look for the outline's top and bottom
constexpr int kMapHalvings = 40;

} // namespace

RaySurface raysOf(const HeadField& field) {
  return {[&field](const Vec3& at, const Vec3& way) { return field.hit(at, way); }, field.low(),
          field.high()};
}

HeadMap::HeadMap(RaySurface surface, View view, double carriage) : surface_(std::move(surface)), view_(view) {
  const double c = std::cos(carriage);
  const double s = std::sin(carriage);
  const Vec3 up(s, 0, c);       // the upright, in the head's axes
  const Vec3 forward(c, 0, -s); // level
  up_ = up;
  if (view_ == View::Side) {
    across_ = forward;
    out_ = Vec3::UnitY();
  } else {
    across_ = Vec3::UnitY();
    out_ = forward;
  }
  low_ = left_ = 1e9;
  high_ = right_ = -1e9;
  for (const double x : {surface_.low.x(), surface_.high.x()})
    for (const double y : {surface_.low.y(), surface_.high.y()})
      for (const double z : {surface_.low.z(), surface_.high.z()}) {
        const Vec3 corner(x, y, z);
        low_ = std::min(low_, corner.dot(up_));
        high_ = std::max(high_, corner.dot(up_));
        left_ = std::min(left_, corner.dot(across_));
        right_ = std::max(right_, corner.dot(across_));
      }
  bottom_ = limit(false);
  top_ = limit(true);
}

std::optional<Vec3> HeadMap::onto(double across, double up) const {
  return surface_.hit(across * across_ + up * up_, out_);
}

double HeadMap::limit(bool top) const {
  const auto any = [&](double up) {
    for (int k = 0; k <= kMapRays; ++k)
      if (onto(left_ + (right_ - left_) * k / kMapRays, up)) return true;
    return false;
  };
  const double from = top ? high_ : low_;
  const double step = (low_ - high_) / kMapRows * (top ? 1 : -1);
  double out = from;
  for (int i = 1; i <= kMapRows; ++i) {
    const double in = from + i * step;
    if (!any(in)) {
      out = in;
      continue;
    }
    double inside = in;
    for (int k = 0; k < kMapHalvings; ++k) {
      const double middle = (inside + out) / 2;
      (any(middle) ? inside : out) = middle;
    }
    return inside;
  }
  return (low_ + high_) / 2;
}

double HeadMap::edge(double up, double from, double to) const {
  // From outside inwards to the first that is met.
  double out = from;
  for (int i = 0; i <= kMapRows; ++i) {
    const double at = from + (to - from) * i / kMapRows;
    if (!onto(at, up)) {
      out = at;
      continue;
    }
    double inside = at;
    for (int k = 0; k < kMapHalvings; ++k) {
      const double middle = (inside + out) / 2;
      (onto(middle, up) ? inside : out) = middle;
    }
    return inside;
  }
  return std::nan("");
}

std::optional<Vec2> HeadMap::edges(double up) const {
  const double right = edge(up, right_, left_);
  if (std::isnan(right)) return std::nullopt;
  if (view_ != View::Side) return Vec2(-right, right);
  return Vec2(edge(up, left_, right_), right);
}

std::optional<Vec2> HeadMap::shares(const Vec3& at) const {
  const double up = at.dot(up_);
  const auto ends = edges(std::clamp(up, bottom_, top_));
  if (!ends || !(height() > 0) || !(ends->y() > ends->x())) return std::nullopt;
  const double across = at.dot(across_);
  const double u = view_ == View::Side ? (across - ends->x()) / (ends->y() - ends->x()) : across / ends->y();
  return Vec2(u, (up - bottom_) / height());
}

std::optional<Vec3> HeadMap::place(const Vec2& shares) const {
  const double least = view_ == View::Side ? 0 : -1;
  if (!(shares.x() >= least && shares.x() <= 1 && shares.y() >= 0 && shares.y() <= 1)) return std::nullopt;
  const double up = bottom_ + shares.y() * height();
  const auto ends = edges(up);
  if (!ends) return std::nullopt;
  return onto(view_ == View::Side ? ends->x() + shares.x() * (ends->y() - ends->x()) : shares.x() * ends->y(),
              up);
}

PlaceMeasures measuresOf(const HeadField& field, const Vec3& nose, double carriage, const Vec3& at) {
  PlaceMeasures out;
  out.straight = (at - nose).norm();
  out.aside = std::abs(at.y());
  const TapedSurface surface{[&field](const Vec3& q) { return field.distance(q); },
                             [&field](const Vec3& q) { return field.normal(q); }};
  if (out.straight > 1e-6)
    if (const auto length = tape(surface, nose, at)) out.tape = *length;
  out.front = HeadMap(raysOf(field), View::Front, carriage).shares(at);
  out.side = HeadMap(raysOf(field), View::Side, carriage).shares(at);
  return out;
}

} // namespace columna
