// Markings on the flat views: the areas there are, and drawing another one round with the mouse.
#pragma once

#include "mat/figure_painter.h"
#include "session/session.h"

#include <QPainter>

namespace columna {

class MarkLayer {
public:
  explicit MarkLayer(Session& session) : session_(session) {}
  /// Begins a marking when one is to be drawn; false otherwise.
  bool press(const Viewport& v, const QPointF& pixel);
  void move(const Viewport& v, const QPointF& pixel);
  /// Takes the marking in, unless hardly anything was drawn.
  void release();
  [[nodiscard]] bool drawing() const { return drawing_; }
  /// Areas drawn on that view, within `body` (pixels), and the line under the hand.
  /// `drawn` is the figure in its stance: markings, which lie on the neutral one, go along with its bones.
  void paint(QPainter& p, const Viewport& v, const QPainterPath& body, const Figure& drawn) const;

private:
  Session& session_;
  bool drawing_ = false;
  View view_ = View::Side;
  std::vector<Vec2> line_; ///< modules
};

} // namespace columna
