// The head on the mat, from all sides: its picture, map lines, pins with the tape to the one that is chosen,
// pads and eyes to choose and drag, what was measured.
#pragma once

#include "face/face_view.h"
#include "stage/mat_layer.h"

namespace columna {

class FaceLayer : public QObject, public MatLayer {
  Q_OBJECT
public:
  FaceLayer(Session& session, FaceView& view) : session_(session), view_(view) {}

  [[nodiscard]] std::optional<QRectF> instead(View view) const override;
  void paintUnder(QPainter& p, const Viewport& v, bool large) override;
  void paintOn(QPainter& p, const Viewport& v, bool large) override;
  void paintOver(QPainter& p, const Viewport& v, bool large) override;
  [[nodiscard]] bool walks() const override { return true; }
  bool walk(bool next) override { return view_.walk(next); }
  bool press(const Viewport& v, const QPointF& at, bool large) override;
  void move(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers keys) override;
  bool release(const Viewport& v, const QPointF& at) override;
  [[nodiscard]] std::optional<QString> over(const Viewport& v, const QPointF& at, bool large) const override;
  [[nodiscard]] bool movesFigure() const override { return drag_.has_value(); }
  bool key(QKeyEvent* event, const Viewport& v) override;
  void letGo() override;

  /// Where a thing is in a view, pixels; the left one of a pair, or the right one from the figure's right.
  [[nodiscard]] std::optional<QPointF> pixelOf(const FacePick& pick, const Viewport& v) const;
  [[nodiscard]] FacePick pickAt(const Viewport& v, const QPointF& at) const;

private:
  struct Drag {
    FacePick part;
    QPointF last;
    bool moved = false;
    double side = 1; ///< +1: the left one of the pair is in the hand
  };
  /// A place of the head's axes; from the figure's right its right twin is seen.
  [[nodiscard]] Vec3 shownPlace(Vec3 local, View view) const;
  /// The figure's direction of one in a view's plane.
  [[nodiscard]] static Vec3 inSpace(const Vec2& by, View view);
  /// Where the head's surface lies under a pixel, in the head's axes.
  [[nodiscard]] std::optional<Vec3> placeAt(const Viewport& v, const QPointF& at) const;
  void paintPlace(QPainter& p, const Viewport& v) const;
  void paintPads(QPainter& p, const Viewport& v) const;
  void paintFlats(QPainter& p, const Viewport& v) const;
  void paintPins(QPainter& p, const Viewport& v, bool large) const;
  void paintMeasured(QPainter& p, const Viewport& v) const;
  void paintLines(QPainter& p, const Viewport& v) const;
  void paintStems(QPainter& p, const Viewport& v) const;
  /// Moves the chosen pad, eye or ear by so much of the view, mm.
  void nudge(const Viewport& v, const Vec2& by, double side, const QString& run);
  Session& session_;
  FaceView& view_;
  std::optional<Drag> drag_;
};

} // namespace columna
