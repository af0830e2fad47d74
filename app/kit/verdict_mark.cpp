#include "kit/verdict_mark.h"

#include "theme/theme.h"

namespace columna {

void paintVerdict(QPainter& p, const QPointF& c, double r, Level level) {
  const Theme& t = theme();
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  if (level == Level::Good) {
    p.setPen(Qt::NoPen);
    p.setBrush(t.alder);
    p.drawEllipse(c, r, r);
    p.setPen(QPen(t.card, r * 0.26, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    p.setBrush(Qt::NoBrush);
    p.drawPolyline(QPolygonF{c + QPointF(-r * 0.45, 0), c + QPointF(-r * 0.1, r * 0.38),
                             c + QPointF(r * 0.48, -r * 0.38)});
  } else if (level == Level::Doubtful) {
    const QPolygonF lozenge{c + QPointF(0, -r), c + QPointF(r, 0), c + QPointF(0, r), c + QPointF(-r, 0)};
    p.setPen(QPen(t.weld, 1.6, Qt::SolidLine, Qt::SquareCap, Qt::MiterJoin));
    p.setBrush(t.card);
    p.drawPolygon(lozenge);
    p.setBrush(t.weld);
    p.drawPolygon(QPolygonF{c + QPointF(0, -r), c + QPointF(0, r), c + QPointF(-r, 0)});
  } else {
    const double s = r * 0.86;
    p.setPen(QPen(t.madder, 1.8));
    p.setBrush(t.card);
    p.drawRect(QRectF(c.x() - s, c.y() - s, 2 * s, 2 * s));
    p.drawLine(c + QPointF(-s * 0.5, -s * 0.5), c + QPointF(s * 0.5, s * 0.5));
    p.drawLine(c + QPointF(s * 0.5, -s * 0.5), c + QPointF(-s * 0.5, s * 0.5));
  }
  p.restore();
}

} // namespace columna
