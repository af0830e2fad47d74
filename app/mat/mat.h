// The mat: the figure to scale in its side, front and above views, with rulers. Click selects, double-click
// enlarges a view, the wheel zooms about the pointer. What else is drawn and taken by the hand are the layers
// of the stage that is on.
#pragma once

#include "mat/figure_painter.h"
#include "mat/mat_wool.h"
#include "mat/shape.h"
#include "stage/mat_layer.h"
#include "stage/stage.h"

#include <QTimer>
#include <QWidget>

#include <array>
#include <map>
#include <memory>
#include <optional>
#include <vector>

namespace columna {

class KeyButton;
class Turntable;

class Mat : public QWidget {
  Q_OBJECT
public:
  Mat(Session& session, const Stages& stages, QWidget* parent = nullptr);
  ~Mat() override;
  Mat(const Mat&) = delete;
  Mat& operator=(const Mat&) = delete;

  /// The whole figure as large as the mat allows.
  void fit();
  /// True size on this screen: so many pixels a millimetre.
  void trueSize();
  void setScreenPixelsPerMm(double value) { screenPixelsPerMm_ = value; }
  void setThroughWool(bool on);
  [[nodiscard]] bool throughWool() const { return throughWool_; }
  void enlarge(View view);
  void zoom(double factor);

  /// All three views to one scale, where the stage offers it; false enlarges the main one.
  void showThree(bool on);
  [[nodiscard]] bool three() const;
  /// A layer of its kind, of whichever stage; null when none has it.
  template <class Layer>
  [[nodiscard]] Layer* layer() const {
    for (const auto& [stage, mine] : layers_)
      for (const auto& each : mine)
        if (auto* found = dynamic_cast<Layer*>(each.get())) return found;
    return nullptr;
  }
  [[nodiscard]] Shapes& shapes() { return shapes_; }
  [[nodiscard]] const MatWool& woolUnder() const { return wool_; }
  /// What is drawn: the plan, in its stance where the stage shows that.
  [[nodiscard]] const Plan& shown() const;
  /// The finished body's outline in pixels.
  [[nodiscard]] QPainterPath bodyPath(const Viewport& v);
  /// The figure in the round in place of the large view.
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
  /// Which views lie where, by the large one: it, and the two small ones.
  static constexpr std::array<std::array<View, 3>, 3> kOrder{{{View::Side, View::Above, View::Front},
                                                              {View::Front, View::Side, View::Above},
                                                              {View::Above, View::Side, View::Front}}};

  [[nodiscard]] Stage& stage() const { return stageOn(stages_, session_); }
  /// Of the stage that is on.
  [[nodiscard]] std::vector<MatLayer*> layers() const;
  /// What that view shows in place of the figure, if anything.
  [[nodiscard]] std::optional<QRectF> instead(View view) const;
  void enter();
  void letGo();
  void drawMoved();
  void nextView();
  void placeTurntable();
  void place();
  void placeThree(const QRectF& area);
  [[nodiscard]] int portAt(const QPointF& pixel) const;
  [[nodiscard]] int limbAt(const Viewport& v, const QPointF& pixel);
  [[nodiscard]] QRectF centreArea() const;
  void paintRulers(QPainter& painter);
  void paintGrid(QPainter& painter);
  /// The wool under the lines, where the stage leaves room for it.
  [[nodiscard]] const MatWool* wool();
  void paintMain(QPainter& painter);
  void paintSmall(QPainter& painter, const QRectF& dirty);
  void paintGhost(QPainter& painter, const Viewport& v);
  void paintLength(QPainter& painter);
  void paintZoom(QPainter& painter);

  Session& session_;
  const Stages& stages_;
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
  std::map<const Stage*, std::vector<std::unique_ptr<MatLayer>>> layers_;
  MatLayer* held_ = nullptr; ///< what the hand is on
  int heldPort_ = 0;         ///< and in which view
  std::optional<QPointF> panning_;
  bool three_ = true;
  MatWool wool_;
  std::string animal_; ///< whose joints the layers know
  Turntable* table_;
  std::map<const Stage*, bool> roundOn_; ///< what was chosen; else as the stage has it
  KeyButton* tableKey_;
  KeyButton* trueSizeKey_;
  KeyButton* fitKey_;
};

} // namespace columna
