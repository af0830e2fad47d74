// What Study draws on the mat and lets the hand do there: joints and girth rings to drag, the picture being
// traced with its landmarks, the animal laid over for comparison, halving rules, and made parts.
#pragma once

#include "mat/shape.h"
#include "stage/mat_layer.h"
#include "study/study_view.h"

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

class StudyLayer : public QObject, public MatLayer {
  Q_OBJECT
public:
  StudyLayer(Session& session, StudyView& view, Shapes& shapes);

  /// Whether this view shows a picture being traced instead of the figure.
  [[nodiscard]] bool tracing(View view) const;
  [[nodiscard]] std::optional<QRectF> instead(View view) const override;
  void paintUnder(QPainter& painter, const Viewport& v, bool large) override;
  void paintOver(QPainter& painter, const Viewport& v, bool large) override;
  bool press(const Viewport& v, const QPointF& at, bool large) override;
  void move(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers modifiers) override;
  /// A joint only pressed selects its limb.
  bool release(const Viewport& v, const QPointF& at) override;
  [[nodiscard]] bool movesFigure() const override { return true; }
  [[nodiscard]] std::optional<QString> over(const Viewport& v, const QPointF& at, bool large) const override;
  bool key(QKeyEvent* event, const Viewport& v) override;
  void letGo() override;
  [[nodiscard]] QPointF onFigure(const Viewport& v, const QPointF& at) const override;
  [[nodiscard]] std::optional<Grip> gripAt(const Viewport& v, const QPointF& at) const;
  /// What the grip is called, for its tool tip.
  [[nodiscard]] QString nameOf(const Grip& grip) const;
  [[nodiscard]] std::vector<Grip> grips(const Viewport& v) const;

  /// Pixels of the picture for a place of the view, and back.
  [[nodiscard]] Vec2 toPicture(const Viewport& v, const QPointF& at) const;
  [[nodiscard]] QPointF fromPicture(const Viewport& v, const Vec2& at) const;
  /// The last line drawn for a known length, in pixels of the picture; 0 for none.
  [[nodiscard]] double lineLength() const { return lineLength_; }
  // By keyboard: one grip after another, moved with the arrows.
  void cycle(const Viewport& v, int step);
  [[nodiscard]] const std::optional<Grip>& active() const { return active_; }
  /// One step: right and down as on the screen; a joint or ring goes a millimetre, a landmark a pixel.
  void nudgeActive(const Viewport& v, const QPointF& step, bool carry);
  /// Puts the landmark asked for where it is proposed, or in the picture's middle, ready to be moved.
  void placeNext(const Viewport& v);

signals:
  void lineDrawn();

private:
  [[nodiscard]] const Photo* photo(View view) const;
  /// Where the picture lies, in mm of the view's plane with y upwards (as ViewShape::bounds).
  [[nodiscard]] QRectF pictureBounds(View view) const;
  /// Modules to picture, before anything is placed: the picture stands on the ground, a little larger than
  /// the figure.
  [[nodiscard]] Similarity atRest(const Photo& photo) const;
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
  StudyView& view_;
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
