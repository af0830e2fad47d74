// Marks drawn the same everywhere: tags, wire with its pattern, lashings.
#include "mat/figure_painter.h"
#include "theme/theme.h"

#include <QPainterPath>

namespace columna {

void paintDimension(QPainter& p, const QLineF& line) {
  p.drawLine(line);
  const QLineF unit = line.unitVector();
  const QPointF normal(-(unit.dy()), unit.dx());
  for (const QPointF& end : {line.p1(), line.p2()}) p.drawLine(end - normal * px(5), end + normal * px(5));
}

void paintPatched(QPainter& p, const QPointF& centre, const QString& text) {
  const QFontMetricsF m(p.font());
  const QRectF box(centre.x() - m.horizontalAdvance(text) / 2 - 8, centre.y() - m.height() / 2,
                   m.horizontalAdvance(text) + 16, m.height());
  p.fillRect(box, theme().ground);
  p.drawText(box, Qt::AlignCenter, text);
}

void paintTag(QPainter& p, const QPointF& tip, bool pointsLeft, const QString& letter, const QColor& colour) {
  const double s = px(18);
  const double point = px(6);
  const double dir = pointsLeft ? 1 : -1;
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  const QPointF a = tip + QPointF(dir * point, -s / 2);
  QPolygonF shape{tip, a, a + QPointF(dir * s, 0), a + QPointF(dir * s, s), a + QPointF(0, s)};
  p.setPen(QPen(colour, 2, Qt::SolidLine, Qt::SquareCap, Qt::RoundJoin));
  p.setBrush(theme().card);
  p.drawPolygon(shape);
  p.setPen(theme().ink);
  p.setFont(typeface(13, QFont::Bold));
  p.drawText(QRectF(dir > 0 ? a.x() : a.x() - s, a.y(), s, s), Qt::AlignCenter, letter);
  p.restore();
}

void paintWire(QPainter& p, const QPainterPath& path, double width, int piece, double opacity, bool pattern,
               bool onWool) {
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  p.setOpacity(opacity);
  p.setBrush(Qt::NoBrush);
  const QColor colour = onWool ? theme().piecesOnWool[static_cast<size_t>(piece) % 8] : theme().piece(piece);
  p.setPen(QPen(colour, width, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
  p.drawPath(path);
  const QVector<qreal> dash = pieceDash(piece);
  if (pattern && !dash.isEmpty() && width >= 2.4) {
    const double line = width * 0.42;
    QPen pen(onWool ? lightTheme().card : theme().card, line, Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin);
    QVector<qreal> inWidths;
    for (const qreal d : dash) inWidths << d / line;
    pen.setDashPattern(inWidths);
    p.setPen(pen);
    p.drawPath(path);
  }
  p.restore();
}

void paintLashing(QPainter& p, const QPointF& at, double size, const QColor& colour) {
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(QPen(colour, 2, Qt::SolidLine, Qt::RoundCap));
  for (int i = -1; i <= 2; ++i) {
    const double x = at.x() + (i - 0.5) * size * 0.42;
    p.drawLine(QPointF(x - size * 0.18, at.y() + size * 0.55),
               QPointF(x + size * 0.18, at.y() - size * 0.55));
  }
  p.restore();
}

} // namespace columna
