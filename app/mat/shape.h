// Outlines of a figure for painting and picking, kept in modules so that they serve at any size.
#pragma once

#include "anatomy/outline.h"

#include <QPainterPath>

#include <array>
#include <vector>

namespace columna {

/// One view's outlines as painter paths: x right, y up (the painter's transform turns it over), in modules.
struct ViewShape {
  QPainterPath near;               ///< body and the limbs on this side, one outline
  QPainterPath core;               ///< the same less the coat
  QPainterPath far;                ///< limbs of the other side (side view only)
  std::vector<QPainterPath> limbs; ///< each limb alone
  std::vector<QPainterPath> limbCores;
  QPainterPath flats;              ///< ears, plumes
  QRectF bounds;                   ///< of the silhouette, y up
};

class Shapes {
public:
  /// Outlines of the figure; made anew only when the animal or the coat's share of it changed.
  const ViewShape& of(const Figure& figure, double coat, View view);

private:
  std::string pattern_;
  double coatShare_ = -1;
  std::array<ViewShape, 3> views_;
  std::array<bool, 3> made_{};
};

/// Whether a limb lies on the side that a view from the right shows first.
[[nodiscard]] inline bool isFar(const FigureLimb& limb, View view) { return view == View::Side && limb.side > 0; }

/// Polygons as one path, in the unit they are given divided by `unit`.
[[nodiscard]] QPainterPath toPath(const std::vector<Polygon>& polygons, double unit);

} // namespace columna
