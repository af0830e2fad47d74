// The mark of a verdict, drawn the same everywhere.
#pragma once

#include "plan/finding.h"

#include <QPainter>

namespace columna {

/// A disc with a tick, a half-filled lozenge, an open square with a cross.
void paintVerdict(QPainter& painter, const QPointF& centre, double radius, Level level);

} // namespace columna
