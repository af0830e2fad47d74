// The head's body without what is laid on, as a distance: half superellipses along the skull, rounded ends.
//
// The zero set is exact: where the section's quantile q is 1, or beyond the first and last station where
// sqrt(q^2 + e^2) is, e being how far into the rounded end a place lies. The profile runs through its
// stations by a monotone cubic (PCHIP, Fritsch and Carlson 1980), tabled in 600 steps: off it by less than
// 5e-6 modules in all shipped heads. All lengths are in one unit, that of the shape given.
#pragma once

#include "head/head_pattern.h"

#include <array>

namespace columna {

class HeadBody {
public:
  explicit HeadBody(const HeadBodyShape& shape);

  /// The section at x, that of the first or last station beyond them.
  [[nodiscard]] HeadStation at(double x) const;
  /// 1 on the surface, 0 on the middle line; grows outwards. The same for y and -y, to the last bit.
  [[nodiscard]] double quantile(const Vec3& p) const;
  /// Signed distance to the surface, below zero inside: (Q - 1) / |grad Q|, of the first order. Off a section
  /// of 20 x 13 at exponent 2.6 by at most 0.04 at 2 from the surface.
  [[nodiscard]] double estimate(const Vec3& p) const;
  /// The same, by two steps on to the surface and along it: below 3e-4 there. For places nearer than `near`;
  /// of others the estimate.
  [[nodiscard]] double distance(const Vec3& p, double near = 1e9) const;

  [[nodiscard]] double back() const { return first_ - capBack_; }  ///< hindmost x
  [[nodiscard]] double front() const { return last_ + capFront_; } ///< foremost x
  [[nodiscard]] const Vec3& low() const { return low_; }           ///< corners of the box round it
  [[nodiscard]] const Vec3& high() const { return high_; }
  /// The smallest half axis of all sections and ends.
  [[nodiscard]] double thinnest() const { return thinnest_; }
  /// Of the section at x, as long as it lies between the first and last station.
  [[nodiscard]] double area(double x) const;

private:
  static constexpr size_t kSteps = 600;
  struct Section {
    double top = 0, bottom = 0, side = 0, mid = 0, up = 2, down = 2;
  };
  /// The quantile with its gradient, which is exact.
  struct Slope {
    double value = 0;
    Vec3 gradient = Vec3(0, 0, 0);
  };
  [[nodiscard]] Section section(double x) const;
  [[nodiscard]] Section change(double x) const; ///< of the section along x, between the ends
  [[nodiscard]] Slope slope(const Vec3& p) const;
  [[nodiscard]] double estimate(const Vec3& p, const Slope& there) const;
  std::array<Section, kSteps + 1> table_;
  double first_ = 0, last_ = 0, capBack_ = 0, capFront_ = 0, thinnest_ = 0;
  Vec3 low_, high_;
};

/// What runs into another within `k` of both: the smooth minimum min - max(k - |a - b|, 0)^2 / 4k (0: a plain
/// minimum). The same with its arguments exchanged, to the last bit.
[[nodiscard]] double filletedMin(double a, double b, double k);

} // namespace columna
