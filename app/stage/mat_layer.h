// What a stage lays on the mat: it paints under and over the figure, and takes the hand and the keys before
// the mat does. The mat asks its layers in their order; the first that takes a press has it until release.
#pragma once

#include "stage/viewport.h"

#include <QPainter>

#include <optional>

class QKeyEvent;

namespace columna {

class MatLayer {
public:
  MatLayer() = default;
  virtual ~MatLayer() = default;
  MatLayer(const MatLayer&) = delete;
  MatLayer& operator=(const MatLayer&) = delete;

  // Painting, from below: under the figure, on its body, over it. `large`: not a small view.
  virtual void paintUnder(QPainter& /*p*/, const Viewport& /*v*/, bool /*large*/) {}
  virtual void paintOn(QPainter& /*p*/, const Viewport& /*v*/, bool /*large*/) {}
  virtual void paintOver(QPainter& /*p*/, const Viewport& /*v*/, bool /*large*/) {}

  /// What a view shows in place of the figure, mm with y upwards: a picture being traced.
  [[nodiscard]] virtual std::optional<QRectF> instead(View /*view*/) const { return std::nullopt; }
  /// Where a pixel lies on the figure as it stands without the layer.
  [[nodiscard]] virtual QPointF onFigure(const Viewport& /*v*/, const QPointF& at) const { return at; }

  /// Tab: on to the next thing of the layer's own, or back. False past its last, or where it has none.
  virtual bool walk(bool /*next*/) { return false; }
  /// Whether it walks its own things and not the limbs.
  [[nodiscard]] virtual bool walks() const { return false; }

  // The hand.
  /// True when the layer takes the press.
  virtual bool press(const Viewport& /*v*/, const QPointF& /*at*/, bool /*large*/) { return false; }
  virtual void move(const Viewport& /*v*/, const QPointF& /*at*/, Qt::KeyboardModifiers /*keys*/) {}
  /// True when it was but a click, and the mat selects what is under it.
  virtual bool release(const Viewport& /*v*/, const QPointF& /*at*/) { return false; }
  /// Whether a drag changes the figure: it is drawn coarsely then, in the view it is dragged in.
  [[nodiscard]] virtual bool movesFigure() const { return false; }
  [[nodiscard]] virtual Qt::CursorShape held() const { return Qt::ClosedHandCursor; }
  /// What the hand would take there, in words; nothing for nothing.
  [[nodiscard]] virtual std::optional<QString> over(const Viewport& /*v*/, const QPointF& /*at*/,
                                                    bool /*large*/) const {
    return std::nullopt;
  }

  /// True when the layer takes the key; `v` is the large view.
  virtual bool key(QKeyEvent* /*event*/, const Viewport& /*v*/) { return false; }
  /// Another animal or another stage: what was held by its number is let go.
  virtual void letGo() {}
};

} // namespace columna
