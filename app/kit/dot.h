// A ringed dot: a joint, a handle, a place along a line.
#pragma once

#include <QPainter>

namespace columna {

/// Looks as drawEllipse does with a solid `pen` and `fill`. A mat holds a hundred of them and draws them in
/// each frame under the hand; the ring's edges are kept, where a stroke would work them out anew each time.
void paintDot(QPainter& painter, const QPointF& centre, double radius, const QPen& pen, const QColor& fill);

} // namespace columna
