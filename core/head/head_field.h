// The head's surface: its body with the features laid on and pressed in, in the order of work.
//
// Each feature is an oval or a tapered rod, joined to what stands by a fillet (filletedMin) or pressed into
// it; it changes the surface only where it is nearer than its own blend. A pair is one step, its two halves
// joined first, so that a head with twins is symmetric to the last bit. Axes are the head's own (see
// head_pattern.h), lengths mm.
#pragma once

#include "head/head_body.h"

#include <optional>
#include <vector>

namespace columna {

/// One feature as a solid of its own.
class FeatureShape {
public:
  /// `scale` is mm a head module.
  FeatureShape(const HeadFeature& feature, double scale);

  /// Signed distance, below zero inside. Of an oval k0 (k0 - 1) / k1 with k0 = |p / r|, k1 = |p / r^2|, which
  /// is exact on the surface and of the first order off it; of a rod to a cone with round ends, too long by
  /// less than 1 % where it tapers by less than 0.14 of its length. With a twin the two halves joined.
  [[nodiscard]] double distance(const Vec3& p) const;
  /// A distance it has at least there, told much faster.
  [[nodiscard]] double atLeast(const Vec3& p) const;
  /// The distance at a place once the feature is laid on or pressed into what stood at distance `d`.
  [[nodiscard]] double after(double d, const Vec3& p) const;
  [[nodiscard]] double blend() const { return blend_; }
  [[nodiscard]] bool press() const { return press_; }
  [[nodiscard]] double reach() const { return reach_; }
  [[nodiscard]] const Vec3& middle() const { return middle_; }

private:
  [[nodiscard]] double one(const Vec3& p) const;
  Vec3 at_, to_, middle_;
  Eigen::Matrix3d axes_; ///< rows: along, across, up
  Vec3 radii_;           ///< of a rod its two ends and 0
  bool rod_, twin_, press_;
  double blend_, reach_;
};

/// The way an eye looks, a unit vector.
[[nodiscard]] Vec3 opticalAxis(const HeadEye& eye);

/// What stands when the body and the features are done.
struct HeadVolumes {
  double body = 0;              ///< mm3
  std::vector<double> features; ///< one a feature, pairs together: >= 0 for what is laid on, <= 0 pressed
  [[nodiscard]] double total() const;
  /// What wool has to fill: a press takes room and no wool, which stays below it.
  [[nodiscard]] double toWeigh() const;
};

class HeadField {
public:
  /// Of a head of that length, mm.
  HeadField(const HeadPattern& pattern, double length);

  [[nodiscard]] double length() const { return length_; }
  [[nodiscard]] const HeadBody& body() const { return body_; }
  [[nodiscard]] const std::vector<FeatureShape>& features() const { return features_; }
  /// Signed distance to the surface, below zero inside; an estimate away from it, whose slope is between 0.4
  /// and 2.2 near the surface: trace it with steps of 0.7.
  [[nodiscard]] double distance(const Vec3& p) const { return upTo(p, features_.size()); }
  /// With the first `steps` features alone.
  [[nodiscard]] double upTo(const Vec3& p, size_t steps) const;
  /// Outward unit normal, by differences over 0.002 of the head.
  [[nodiscard]] Vec3 normal(const Vec3& p) const;
  /// The place on the surface nearest to one near it, by Newton's steps along the gradient.
  [[nodiscard]] Vec3 onto(const Vec3& p) const;
  /// Where one coming from outside against `way` through `at` meets the surface first; none where it passes
  /// the head by.
  [[nodiscard]] std::optional<Vec3> hit(const Vec3& at, const Vec3& way) const;
  /// Volumes by cells of `cell` mm. The sum of all parts is the total, whatever the cells.
  [[nodiscard]] HeadVolumes volumes(double cell) const;
  /// Corners of a box that holds all of it, mm.
  [[nodiscard]] Vec3 low() const { return low_; }
  [[nodiscard]] Vec3 high() const { return high_; }

private:
  double length_;
  HeadBody body_;
  std::vector<FeatureShape> features_;
  Vec3 low_, high_;
};

} // namespace columna
