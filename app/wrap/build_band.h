// The build-up: a wedge as thin as bare wire and as thick as the finished figure, with a knob at the moment
// that the mat shows; beside it the selected limb cut across at that moment.
#pragma once

#include "session/session.h"

#include <QTimer>
#include <QWidget>

class QPushButton;

namespace columna {

/// The wedge. Arrow keys move the knob by a hundredth, with Shift to the next step's end; Home and End to the
/// ends.
class BuildWedge : public QWidget {
  Q_OBJECT
public:
  explicit BuildWedge(Session& session, QWidget* parent = nullptr);
  /// Where the knob is at so many grams, for tests.
  [[nodiscard]] double placeOf(double grams) const;
  /// To the end of the step under the hand (+1), or the beginning of it or the one before (-1).
  void step(int by);

protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

private:
  [[nodiscard]] QRectF wedge() const;
  void drag(double x);
  Session& session_;
};

/// A limb's section at its girth nearest to the middle: wire, wound, felted and finished, to scale.
class RoundSection : public QWidget {
  Q_OBJECT
public:
  explicit RoundSection(Session& session, QWidget* parent = nullptr);

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  Session& session_;
};

class BuildBand : public QWidget {
  Q_OBJECT
public:
  explicit BuildBand(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] BuildWedge* wedge() const { return wedge_; }
  [[nodiscard]] QPushButton* playKey() const { return play_; }
  /// Plays from the knob on, or from bare wire when it is at the end; stops when it plays.
  void togglePlay();

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  void refresh();
  Session& session_;
  BuildWedge* wedge_;
  RoundSection* round_;
  QPushButton* play_;
  QTimer playing_;
};

/// The girth a limb is judged by: the widest, or what is nearest to `along` mm from its root.
[[nodiscard]] const Girth* chiefGirth(const LimbWool& wool);

} // namespace columna
