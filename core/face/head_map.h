// Places on a head by halving, as makers find them: so much of its height, and so much of the way from the
// middle to the outline's edge there. The outline is the head's own: ears, horns and hair are left out.
#pragma once

#include "anatomy/outline.h"
#include "head/head_field.h"

#include <functional>
#include <optional>

namespace columna {

/// A surface that can be asked where a ray meets it.
struct RaySurface {
  /// Where one coming from outside against `way` through `at` meets it first.
  std::function<std::optional<Vec3>(const Vec3& at, const Vec3& way)> hit;
  Vec3 low, high; ///< corners of a box that holds it, mm
};
[[nodiscard]] RaySurface raysOf(const HeadField& field);

class HeadMap {
public:
  /// Of a surface, mm, symmetric in y, seen as it is carried: pitched by `carriage` (radians, nose down
  /// negative). Front shows its face, Side its left or right.
  HeadMap(RaySurface surface, View view, double carriage);

  /// Shares of a place: v is 0 at the outline's bottom and 1 at its top; u is 0 in the middle and 1 on the
  /// outline's left edge at that height (from the side: 0 at its rear edge there, 1 at its front edge).
  [[nodiscard]] std::optional<Vec2> shares(const Vec3& at) const;
  /// The place of such shares; none beside the head. |u| is 1 at most (from the side 0 to 1).
  [[nodiscard]] std::optional<Vec3> place(const Vec2& shares) const;
  [[nodiscard]] double height() const { return top_ - bottom_; } ///< mm

private:
  /// Across and up in the view's plane, and out of it towards the eye.
  [[nodiscard]] std::optional<Vec3> onto(double across, double up) const;
  /// The outline's edges at a height, mm across.
  [[nodiscard]] std::optional<Vec2> edges(double up) const;
  [[nodiscard]] double edge(double up, double from, double to) const;
  [[nodiscard]] double limit(bool top) const;
  RaySurface surface_;
  View view_;
  Vec3 across_, up_, out_;                           ///< unit, the head's own axes
  double low_ = 0, high_ = 0, left_ = 0, right_ = 0; ///< of the box, in the view's plane
  double bottom_ = 0, top_ = 0;
};

/// What a maker finds a place again by.
struct PlaceMeasures {
  std::optional<double> tape;      ///< mm from the nose tip; none where no tape goes straight
  double straight = 0;             ///< mm by callipers
  double aside = 0;                ///< mm from the mid plane
  std::optional<Vec2> front, side; ///< shares, as HeadMap has them
};
/// Of a place on a head's surface carried at that pitch, the nose tip being where it is.
[[nodiscard]] PlaceMeasures measuresOf(const HeadField& field, const Vec3& nose, double carriage,
                                       const Vec3& at);

} // namespace columna
