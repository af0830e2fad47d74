#include "head/head_field.h"

#include "anatomy/plane.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kLeastBlend = 0.25;  ///< mm: no crease in felt is sharper than a few fibres
constexpr double kNear = 0.05;        ///< of the head: within that the body's distance is worked out well
constexpr double kDifference = 0.002; ///< of the head, for normals
constexpr int kPasses = 8;
constexpr double kOn = 1e-9;      ///< of the head: as good as on the surface
constexpr double kClear = 0.5;    ///< of a section: farther from its edge a place is clear of it
constexpr double kSafeStep = 0.7; ///< of the distance: it is no true one

HeadBodyShape scaled(HeadBodyShape shape, double by) {
  shape.capBack *= by;
  shape.capFront *= by;
  for (HeadStation& s : shape.stations)
    for (double* length : {&s.x, &s.top, &s.bottom, &s.side, &s.mid}) *length *= by;
  return shape;
}

} // namespace

double HeadFeature::thinnest() const { return *std::min_element(radii.begin(), radii.end()); }

Vec3 opticalAxis(const HeadEye& eye) {
  return {std::cos(eye.elevation) * std::cos(eye.azimuth), std::cos(eye.elevation) * std::sin(eye.azimuth),
          std::sin(eye.elevation)};
}

FeatureShape::FeatureShape(const HeadFeature& f, double scale)
    : at_(f.at * scale), to_(f.to.value_or(f.at) * scale), middle_((at_ + to_) / 2), rod_(f.rod()),
      twin_(f.twin), press_(f.mode == FeatureMode::Press), blend_(std::max(f.blend * scale, kLeastBlend)) {
  radii_ = scale * Vec3(f.radii[0], f.radii[1], f.radii.size() > 2 ? f.radii[2] : 0.0);
  const Vec3 along = f.axis.normalized();
  Vec3 up = f.up - along * along.dot(f.up);
  if (up.norm() < 1e-9) up = along.unitOrthogonal();
  up.normalize();
  axes_.row(0) = along;
  axes_.row(1) = up.cross(along);
  axes_.row(2) = up;
  reach_ = radii_.maxCoeff() + (to_ - at_).norm() / 2;
}

double FeatureShape::one(const Vec3& p) const {
  if (rod_) {
    const Vec3 run = to_ - at_;
    const double t = std::clamp((p - at_).dot(run) / std::max(run.squaredNorm(), 1e-18), 0.0, 1.0);
    return (p - at_ - t * run).norm() - (radii_[0] + t * (radii_[1] - radii_[0]));
  }
  const Vec3 q = (axes_ * (p - at_)).cwiseQuotient(radii_);
  const double k0 = q.norm();
  const double k1 = q.cwiseQuotient(radii_).norm();
  return k1 < 1e-12 ? -radii_.minCoeff() : k0 * (k0 - 1) / k1;
}

double FeatureShape::distance(const Vec3& p) const {
  const double left = one(p);
  return twin_ ? filletedMin(left, one(mirrored(p)), blend_) : left;
}

double FeatureShape::atLeast(const Vec3& p) const {
  const double left = (p - middle_).norm();
  const double away = (twin_ ? std::min(left, (mirrored(p) - middle_).norm()) : left) - reach_;
  // An oval's distance is told too small away from its axes: k0 / k1 is no less than its smallest radius and
  // k0 no less than the way over its largest.
  const double sure = rod_ || away <= 0 ? away : away * radii_.minCoeff() / radii_.maxCoeff();
  return twin_ ? sure - blend_ / 4 : sure;
}

double FeatureShape::after(double d, const Vec3& p) const {
  const double stands = press_ ? -d : d;
  if (atLeast(p) >= stands + blend_) return d; // the fillet would leave it, to the last bit
  const double joined = filletedMin(stands, distance(p), blend_);
  return press_ ? -joined : joined;
}

double HeadVolumes::total() const {
  double sum = body;
  for (const double f : features) sum += f;
  return sum;
}

double HeadVolumes::toWeigh() const {
  double sum = body;
  for (const double f : features) sum += std::max(f, 0.0);
  return sum;
}

HeadField::HeadField(const HeadPattern& pattern, double length)
    : length_(length), body_(scaled(pattern.body, length)), low_(body_.low()), high_(body_.high()) {
  for (const HeadFeature& f : pattern.features) {
    features_.emplace_back(f, length);
    const FeatureShape& shape = features_.back();
    if (shape.press()) continue;
    const Vec3 room = Vec3::Constant(shape.reach() + shape.blend());
    for (const Vec3& middle : {shape.middle(), mirrored(shape.middle())}) {
      low_ = low_.cwiseMin(middle - room);
      high_ = high_.cwiseMax(middle + room);
    }
  }
}

double HeadField::upTo(const Vec3& p, size_t steps) const {
  double d = body_.distance(p, kNear * length_);
  for (size_t i = 0; i < steps; ++i) {
    d = features_[i].after(d, p);
  }
  return d;
}

Vec3 HeadField::normal(const Vec3& p) const {
  const double e = kDifference * length_;
  Vec3 out;
  for (int axis = 0; axis < 3; ++axis) {
    const Vec3 step = e * Vec3::Unit(axis);
    out[axis] = distance(p + step) - distance(p - step);
  }
  const double steep = out.norm();
  return steep > 0 ? Vec3(out / steep) : Vec3(0, 0, 1);
}

Vec3 HeadField::onto(const Vec3& p) const {
  Vec3 at = p;
  for (int pass = 0; pass < kPasses; ++pass) {
    const double d = distance(at);
    if (std::abs(d) < kOn * length_) break;
    at -= d * normal(at);
  }
  return at;
}

std::optional<Vec3> HeadField::hit(const Vec3& at, const Vec3& way) const {
  const Vec3 along = -way.normalized();
  const double far = 2 * (high_ - low_).norm() + at.norm();
  double gone = 0;
  Vec3 p = at - far * along;
  const double near = 1e-4;
  for (int step = 0; step < 400 && gone < 2 * far; ++step) {
    const double d = distance(p);
    if (d < near) {
      // Two steps along the ray itself, by the slope met with on it.
      for (int pass = 0; pass < 2; ++pass) {
        const double e = kDifference * length_;
        const double here = distance(p);
        const double slope = (distance(p + e * along) - here) / e;
        if (std::abs(slope) > 0.05) p -= here / slope * along;
      }
      return p;
    }
    p += kSafeStep * d * along;
    gone += kSafeStep * d;
  }
  return std::nullopt;
}

HeadVolumes HeadField::volumes(double cell) const {
  HeadVolumes out;
  out.features.assign(features_.size(), 0);
  const auto occupied = [cell](double d) { return std::clamp(0.5 - d / cell, 0.0, 1.0); };
  const double piece = 2 * cell * cell * cell; // the right half is the left one's mirror image
  const auto count = [cell](double from, double to) {
    return static_cast<int>(std::ceil((to - from) / cell));
  };
  // Far from the body's surface and from all features a cell is full or empty without further asking, where
  // the thinnest section is thick enough for that to be sure.
  const bool plain = kClear / 2 * body_.thinnest() > cell / 2;
  const int along = count(low_.x() - cell, high_.x() + cell);
  const int aside = count(0, high_.y() + cell);
  const int up = count(low_.z() - cell, high_.z() + cell);
  for (int i = 0; i < along; ++i)
    for (int j = 0; j < aside; ++j)
      for (int k = 0; k < up; ++k) {
        const Vec3 p(low_.x() - cell + (i + 0.5) * cell, (j + 0.5) * cell,
                     low_.z() - cell + (k + 0.5) * cell);
        if (plain) {
          const double q = body_.quantile(p);
          if (q < 1 - kClear || q > 1 + kClear) {
            const bool alone = std::all_of(features_.begin(), features_.end(), [&](const FeatureShape& f) {
              return f.atLeast(p) > f.blend() + cell;
            });
            if (alone) {
              if (q < 1) out.body += piece;
              continue;
            }
          }
        }
        double d = upTo(p, 0);
        double w = occupied(d);
        out.body += piece * w;
        for (size_t f = 0; f < features_.size(); ++f) {
          d = features_[f].after(d, p);
          const double now = occupied(d);
          out.features[f] += piece * (now - w);
          w = now;
        }
      }
  return out;
}

} // namespace columna
