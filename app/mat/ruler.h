// Rulers along the mat: ticks and figures in mm or inches, and a bar for the reach of what is selected.
#pragma once

#include "measure/quantity.h"

#include <QPainter>

#include <optional>
#include <utility>

namespace columna {

/// Distance between ticks in mm: figures at each major one.
struct RulerScale {
  double major = 50, minor = 10;
};

/// Ticks that stay readable at `scale` pixels a mm: majors 45 pixels apart or more.
[[nodiscard]] RulerScale rulerScale(double scale, UnitSystem units);

/// `origin` is the pixel of 0; `reach` a stretch in pixels to mark.
void paintTopRuler(QPainter& painter, const QRectF& area, double origin, double scale, UnitSystem units,
                   const std::optional<std::pair<double, double>>& reach);
void paintLeftRuler(QPainter& painter, const QRectF& area, double origin, double scale, UnitSystem units,
                    const std::optional<std::pair<double, double>>& reach);

} // namespace columna
