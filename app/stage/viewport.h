// Where a view of the figure lies on the screen.
#pragma once

#include "anatomy/outline.h"

#include <QPointF>
#include <QRectF>

namespace columna {

/// mm to pixels.
struct Viewport {
  View view = View::Side;
  double scale = 1; ///< pixels per mm
  QPointF origin;   ///< pixel of the place (0, 0)
  QRectF clip;      ///< pixels it may paint in

  [[nodiscard]] QPointF at(const Vec2& mm) const { return origin + QPointF(mm.x() * scale, -mm.y() * scale); }
  [[nodiscard]] QPointF at(const Vec3& mm) const { return at(project(mm, view)); }
  [[nodiscard]] Vec2 mm(const QPointF& pixel) const {
    return {(pixel.x() - origin.x()) / scale, (origin.y() - pixel.y()) / scale};
  }
};

} // namespace columna
