// What a stage puts over the figure in the round, and lets the hand do there.
#pragma once

#include "anatomy/figure.h"

#include <QPainter>
#include <QSize>
#include <QString>

namespace columna {

struct Camera;

class RoundLayer {
public:
  RoundLayer() = default;
  virtual ~RoundLayer() = default;
  RoundLayer(const RoundLayer&) = delete;
  RoundLayer& operator=(const RoundLayer&) = delete;

  virtual void paint(QPainter& painter, const Camera& camera, const QSize& size) const = 0;
  /// Beside the turntable's name.
  [[nodiscard]] virtual QString hint() const = 0;
  /// A point of the skeleton that can be dragged, under a pixel; -1 for none.
  [[nodiscard]] virtual int pointAt(const Camera& /*camera*/, const QPointF& /*pixel*/) const { return -1; }
  /// Drags it to a place, mm.
  virtual void drag(int /*point*/, const Vec3& /*place*/) {}
};

} // namespace columna
