// What Study draws on the mat and lets the hand do there: joints and girth rings to drag, the picture being
// traced with its landmarks, the animal laid over for comparison, halving rules, and made parts.
#pragma once

#include "mat/figure_painter.h"
#include "mat/shape.h"

#include <QObject>

#include <optional>

namespace columna {

/// Something on the mat that can be dragged.
struct Grip {
  enum class Kind { Joint, Ring, Landmark };
  Kind kind = Kind::Joint;
  std::string joint; ///< sided id, of a joint or a landmark
  int bone = -1;     ///< of a ring
  int place = 0;     ///< 0, 1, 2: beginning, middle, end of the bone
  int edge = 1;      ///< which side of the ring
  bool across = false;
  QPointF at; ///< pixels
};

class StudyLayer : public QObject {
  Q_OBJECT
public:
  StudyLayer(Session& session, Shapes& shapes, QObject* parent);

  /// Whether this view shows a picture being traced instead of the figure.
  [[nodiscard]] bool tracing(View view) const;
  /// Where the picture lies, in mm of the view's plane with y upwards (as ViewShape::bounds).
  [[nodiscard]] QRectF pictureBounds(View view) const;
  void paintUnder(QPainter& painter, const Viewport& v) const;
  void paintOver(QPainter& painter, const Viewport& v, bool large) const;

  /// True when the layer takes the press.
  bool press(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers modifiers);
  void move(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers modifiers);
  void release(const Viewport& v, const QPointF& at);
  [[nodiscard]] bool dragging() const { return grip_ || line_; }
  /// Whether the hand has moved since the press; a joint only pressed selects its limb.
  [[nodiscard]] bool moved() const { return moved_; }
  /// The view something is dragged in.
  [[nodiscard]] std::optional<View> dragView() const { return dragView_; }
  [[nodiscard]] std::optional<Grip> gripAt(const Viewport& v, const QPointF& at) const;
  /// What the grip is called, for its tool tip.
  [[nodiscard]] QString nameOf(const Grip& grip) const;
  [[nodiscard]] std::vector<Grip> grips(const Viewport& v) const;

  /// Where a place on the picture lies on the figure as it stands without one, pixels: for picking limbs.
  [[nodiscard]] QPointF onFigure(const Viewport& v, const QPointF& at) const;
  /// Pixels of the picture for a place of the view, and back.
  [[nodiscard]] Vec2 toPicture(const Viewport& v, const QPointF& at) const;
  [[nodiscard]] QPointF fromPicture(const Viewport& v, const Vec2& at) const;
  /// The last line drawn for a known length, in pixels of the picture; 0 for none.
  [[nodiscard]] double lineLength() const { return lineLength_; }
  // By keyboard: one grip after another, moved with the arrows.
  void cycle(const Viewport& v, int step);
  void letGo();
  [[nodiscard]] const std::optional<Grip>& active() const { return active_; }
  /// One step: right and down as on the screen; a joint or ring goes a millimetre, a landmark a pixel.
  void nudgeActive(const Viewport& v, const QPointF& step, bool carry);
  /// Puts the landmark asked for where it is proposed, or in the picture's middle, ready to be moved.
  void placeNext(const Viewport& v);

signals:
  void lineDrawn();

private:
  [[nodiscard]] const Photo* photo(View view) const;
  /// Modules to picture, before anything is placed: the picture stands on the ground, a little larger than
  /// the figure.
  [[nodiscard]] Similarity at_rest(const Photo& photo) const;
  /// mm of the mat for the figure as it lies over the picture; the identity without one.
  [[nodiscard]] QTransform overlay(View view) const;
  void paintPicture(QPainter& painter, const Viewport& v, const Photo& photo) const;
  void paintLandmarks(QPainter& painter, const Viewport& v, const Photo& photo) const;
  void paintCompared(QPainter& painter, const Viewport& v) const;
  void paintHalving(QPainter& painter, const Viewport& v) const;
  void paintMade(QPainter& painter, const Viewport& v) const;
  void dragRing(const Viewport& v, const QPointF& at);
  void placeLandmark(const std::string& joint, const Vec2& at, const QString& run);
  void finishLine(const Viewport& v, const QLineF& line);

  Session& session_;
  Shapes& shapes_;
  mutable Shapes comparedShapes_;
  std::optional<Grip> grip_;
  std::optional<Grip> active_;
  std::optional<View> dragView_;
  QPointF pressedAt_;
  bool moved_ = false;
  std::optional<QLineF> line_; ///< pixels
  double lineLength_ = 0;
};

} // namespace columna
