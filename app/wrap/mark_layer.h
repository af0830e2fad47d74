// Markings on the flat views: the areas there are, and drawing another one round with the mouse.
#pragma once

#include "session/session.h"
#include "stage/mat_layer.h"
#include "wrap/wrap_view.h"

#include <vector>

namespace columna {

class Mat;

class MarkLayer : public MatLayer {
public:
  MarkLayer(Session& session, WrapView& view, Mat& mat) : session_(session), view_(view), mat_(mat) {}
  /// Begins a marking when one is to be drawn; false otherwise.
  bool press(const Viewport& v, const QPointF& pixel, bool large) override;
  void move(const Viewport& v, const QPointF& pixel, Qt::KeyboardModifiers keys) override;
  /// Takes the marking in, unless hardly anything was drawn.
  bool release(const Viewport& v, const QPointF& pixel) override;
  [[nodiscard]] Qt::CursorShape held() const override { return Qt::CrossCursor; }
  bool key(QKeyEvent* event, const Viewport& v) override;
  /// Areas drawn on that view, within the body, and the line under the hand. In a stance the markings, which
  /// lie on the neutral one, go along with the figure's bones.
  void paintOn(QPainter& p, const Viewport& v, bool large) override;

private:
  Session& session_;
  WrapView& view_;
  Mat& mat_;
  bool drawing_ = false;
  View drawnOn_ = View::Side;
  std::vector<Vec2> line_; ///< modules
};

} // namespace columna
