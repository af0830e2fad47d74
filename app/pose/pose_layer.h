// Posing on the mat: joints to drag, verdicts on them, the sag as a ghost, and from above what it stands on.
#pragma once

#include "mat/figure_painter.h"
#include "session/session.h"
#include "turn/joint_marks.h"

#include <functional>
#include <optional>

namespace columna {

class PoseLayer {
public:
  explicit PoseLayer(Session& session) : session_(session) {}

  [[nodiscard]] int pointAt(const Viewport& viewport, const QPointF& pixel) const;
  bool press(const Viewport& viewport, const QPointF& pixel);
  void move(const Viewport& viewport, const QPointF& pixel);
  void release();
  [[nodiscard]] bool dragging() const { return held_ >= 0; }
  /// The point the keyboard is on, moved by the arrows; -1 for none.
  [[nodiscard]] int active() const { return active_; }
  void cycle(int step);
  void letGo() { active_ = -1; }
  /// Moves the active joint by so many mm in a view.
  void nudge(const Viewport& viewport, const QPointF& mm);
  [[nodiscard]] QString nameOf(int point) const;

  /// What lies under the figure: the ground it stands on from above, the ghost of the sag.
  void paintUnder(QPainter& painter, const Viewport& viewport, bool large) const;
  void paintOver(QPainter& painter, const Viewport& viewport, bool large) const;

private:
  void drag(const Viewport& viewport, int point, const QPointF& pixel, const QString& run);
  Session& session_;
  int held_ = -1;
  int active_ = -1;
};

/// How much the sag is drawn larger than it is: a round number that makes it seen.
[[nodiscard]] double sagMagnified(const PoseReport& report);

} // namespace columna
