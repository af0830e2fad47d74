// The mat: the figure to scale in its side, front and above views, with rulers. Click selects, double-click
// enlarges a view, the wheel zooms about the pointer; in Study the height, shoulder and length marks are
// dragged.
#pragma once

#include "mat/end_layer.h"
#include "mat/figure_painter.h"
#include "mat/mark_layer.h"
#include "mat/pose_layer.h"
#include "mat/shape.h"
#include "mat/study_layer.h"

#include <QTimer>
#include <QWidget>

#include <array>
#include <optional>

namespace columna {

class KeyButton;
class Turntable;

class Mat : public QWidget {
  Q_OBJECT
public:
  explicit Mat(Session& session, QWidget* parent = nullptr);

  /// The whole figure as large as the mat allows.
  void fit();
  /// True size on this screen: so many pixels a millimetre.
  void trueSize();
  void setScreenPixelsPerMm(double value) { screenPixelsPerMm_ = value; }
  void setThroughWool(bool on);
  [[nodiscard]] bool throughWool() const { return throughWool_; }
  void enlarge(View view);
  void zoom(double factor);

  /// Study: all three views to one scale; false enlarges the main one.
  void showThree(bool on);
  [[nodiscard]] bool three() const;
  [[nodiscard]] const EndLayer& ends() const { return ends_; }
  [[nodiscard]] StudyLayer* study() const { return study_; }
  [[nodiscard]] const PoseLayer& poseLayer() const { return pose_; }
  /// Pose: the figure in the round in place of the large view.
  [[nodiscard]] Turntable* turntable() const { return table_; }
  void showTurntable(bool on);
  [[nodiscard]] bool turntableOn() const;
  /// The view port of that view, for tests and for the layer.
  [[nodiscard]] const Viewport& port(View view) const;

  [[nodiscard]] View mainView() const { return main_; }
  [[nodiscard]] double scale() const { return ports_[0].scale; }
  /// Where a place on a limb is, for tests and for pointing at it: the middle of the limb's bone in the large
  /// view.
  [[nodiscard]] QPoint pointOf(int limb);
  /// Where the handle of a size mark is (Study).
  [[nodiscard]] QPoint handleOf(SizeBy by);

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void leaveEvent(QEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool focusNextPrevChild(bool next) override;
  bool event(QEvent* event) override;

private:
  struct SizeMark {
    SizeBy by;
    QLineF line; ///< the dimension line
    QPointF handle;
    QString text;
  };

  /// Which views lie where, by the large one: it, and the two small ones.
  static constexpr std::array<std::array<View, 3>, 3> kOrder{{{View::Side, View::Above, View::Front},
                                                              {View::Front, View::Side, View::Above},
                                                              {View::Above, View::Side, View::Front}}};

  /// What is drawn: the plan, in Pose and Wrap with the posed figure in it.
  [[nodiscard]] const Plan& shown() const;
  void placeTurntable();
  void place();
  void placeThree(const QRectF& area);
  void followDrag();
  [[nodiscard]] int portAt(const QPointF& pixel) const;
  [[nodiscard]] int limbAt(const Viewport& v, const QPointF& pixel);
  [[nodiscard]] QRectF centreArea() const;
  [[nodiscard]] std::vector<SizeMark> sizeMarks() const;
  void paintRulers(QPainter& painter);
  void paintGrid(QPainter& painter);
  void paintMain(QPainter& painter);
  void paintSmall(QPainter& painter, const QRectF& dirty);
  void paintGhost(QPainter& painter, const Viewport& v);
  /// The finished body's outline in pixels.
  [[nodiscard]] QPainterPath bodyPath(const Viewport& v);
  void paintTags(QPainter& painter);
  void paintSizeMarks(QPainter& painter);
  void paintLength(QPainter& painter);
  void paintZoom(QPainter& painter);

  Session& session_;
  Shapes shapes_;
  Shapes building_; ///< outlines of the work at a moment
  QTimer resting_;  ///< draws them finely once the build-up's knob rests
  View main_ = View::Side;
  std::array<Viewport, 3> ports_; ///< large view first, then the two small ones
  bool fitted_ = true;            ///< follows the figure; false once zoomed or panned
  bool frozen_ = false;           ///< a size is being dragged: the scale stays
  bool throughWool_ = false;
  double screenPixelsPerMm_ = 96 / 25.4;
  int hovered_ = -1;
  std::optional<SizeBy> dragging_;
  std::optional<QPointF> panning_;
  bool three_ = true;
  StudyLayer* study_;
  EndLayer ends_{session_};
  PoseLayer pose_{session_};
  std::string animal_; ///< whose joints the layers know
  MarkLayer marks_{session_};
  int markPort_ = 0; ///< view a marking is drawn in
  int posePort_ = 0; ///< view a joint is dragged in
  Turntable* table_;
  bool tableOn_ = false;  ///< in Pose
  bool wrapTable_ = true; ///< in Wrap
  KeyButton* tableKey_;
  KeyButton* trueSizeKey_;
  KeyButton* fitKey_;
};

} // namespace columna
