#include "kit/dot.h"

#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr int kCorners = 32; ///< of a circle of 15 pixels at most: off it by less than a tenth of a pixel

QPolygonF circle(const QPointF& centre, double radius) {
  static const QPolygonF unit = [] {
    QPolygonF points;
    for (int i = 0; i <= kCorners; ++i) {
      const double a = 2 * std::numbers::pi * i / kCorners;
      points << QPointF(std::cos(a), std::sin(a));
    }
    return points;
  }();
  QPolygonF out;
  out.reserve(unit.size());
  for (const QPointF& p : unit) out << centre + radius * p;
  return out;
}

} // namespace

void paintDot(QPainter& p, const QPointF& centre, double radius, const QPen& pen, const QColor& fill) {
  const double half = pen.widthF() / 2;
  p.setPen(Qt::NoPen);
  p.setBrush(fill);
  p.drawPolygon(circle(centre, radius));
  QPainterPath ring; // odd and even: the inner circle is left out
  ring.addPolygon(circle(centre, radius + half));
  if (radius > half) ring.addPolygon(circle(centre, radius - half));
  p.setBrush(pen.brush());
  p.drawPath(ring);
}

} // namespace columna
