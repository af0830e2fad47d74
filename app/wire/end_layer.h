// The ends of the selected limb's piece, to be dragged to another joint of the same wires.
#pragma once

#include "mat/figure_painter.h"
#include "session/session.h"

#include <optional>

namespace columna {

class EndLayer {
public:
  explicit EndLayer(Session& session) : session_(session) {}
  /// Takes the press when it is on an end.
  bool press(const Viewport& viewport, const QPointF& at);
  void move(const QPointF& at) { at_ = at; }
  /// Ends the drag at the nearest joint of the same wires, if one is near.
  void release(const Viewport& viewport, const QPointF& at);
  [[nodiscard]] bool dragging() const { return held_.has_value(); }
  [[nodiscard]] bool over(const Viewport& viewport, const QPointF& at) const {
    return endAt(viewport, at).has_value();
  }
  void paint(QPainter& painter, const Viewport& viewport) const;
  /// Where the two ends of the selected piece lie; nothing without one.
  [[nodiscard]] std::optional<std::array<QPointF, 2>> ends(const Viewport& viewport) const;

private:
  [[nodiscard]] int piece() const;
  /// 0 the first end, 1 the last.
  [[nodiscard]] std::optional<int> endAt(const Viewport& viewport, const QPointF& at) const;
  [[nodiscard]] int nearest(const Viewport& viewport, const QPointF& at) const;
  Session& session_;
  std::optional<int> held_;
  QPointF at_;
};

} // namespace columna
