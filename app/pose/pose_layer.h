// Posing on the mat: joints to drag, verdicts on them, the sag as a ghost, and from above what it stands on.
#pragma once

#include "pose/pose_view.h"
#include "session/stance_view.h"
#include "stage/mat_layer.h"
#include "turn/joint_marks.h"

#include <functional>
#include <optional>

namespace columna {

class PoseLayer : public MatLayer {
public:
  PoseLayer(Session& session, const PoseView& view) : session_(session), view_(view) {}

  [[nodiscard]] int pointAt(const Viewport& viewport, const QPointF& pixel) const;
  bool press(const Viewport& v, const QPointF& pixel, bool large) override;
  void move(const Viewport& v, const QPointF& pixel, Qt::KeyboardModifiers keys) override;
  bool release(const Viewport& v, const QPointF& pixel) override;
  [[nodiscard]] bool movesFigure() const override { return true; }
  [[nodiscard]] std::optional<QString> over(const Viewport& v, const QPointF& at, bool large) const override;
  bool key(QKeyEvent* event, const Viewport& v) override;
  void letGo() override { active_ = -1; }
  /// The point the keyboard is on, moved by the arrows; -1 for none.
  [[nodiscard]] int active() const { return active_; }
  void cycle(int step);
  /// Moves the active joint by so many mm in a view.
  void nudge(const Viewport& viewport, const QPointF& mm);
  [[nodiscard]] QString nameOf(int point) const;

  /// What lies under the figure: the ground it stands on from above, the ghost of the sag.
  void paintUnder(QPainter& painter, const Viewport& viewport, bool large) override;
  void paintOver(QPainter& painter, const Viewport& viewport, bool large) override;

private:
  void drag(const Viewport& viewport, int point, const QPointF& pixel, const QString& run);
  Session& session_;
  const PoseView& view_;
  int held_ = -1;
  int active_ = -1;
};

/// How much the sag is drawn larger than it is: a round number that makes it seen.
[[nodiscard]] double sagMagnified(const PoseReport& report);

} // namespace columna
