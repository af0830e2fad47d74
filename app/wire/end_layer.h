// The ends of the selected limb's piece, to be dragged to another joint of the same wires.
#pragma once

#include "session/session.h"
#include "stage/mat_layer.h"

#include <optional>

namespace columna {

class EndLayer : public MatLayer {
public:
  explicit EndLayer(Session& session) : session_(session) {}
  /// Takes the press when it is on an end in the large view.
  bool press(const Viewport& v, const QPointF& at, bool large) override;
  void move(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers keys) override;
  /// Ends the drag at the nearest joint of the same wires, if one is near.
  bool release(const Viewport& v, const QPointF& at) override;
  [[nodiscard]] std::optional<QString> over(const Viewport& v, const QPointF& at, bool large) const override;
  void paintOver(QPainter& painter, const Viewport& v, bool large) override;
  void letGo() override { held_.reset(); }
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
