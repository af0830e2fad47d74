// What the bench is made of: keys with large caps, a bar of the time gone, and the figure as it stands.
// All sizes are of the bench's own: it is read from an arm away, whatever the text size of the window.
#pragma once

#include "make/make_view.h"
#include "mat/shape.h"
#include "stage/viewport.h"

#include <QAbstractButton>
#include <QWidget>

namespace columna {

/// How large the bench is drawn in a window of that size, 1 at 1280 x 800.
[[nodiscard]] double benchScale(const QSize& window);
/// A type of so many pixels at that scale.
[[nodiscard]] QFont benchType(double pixels, double scale, int weight = QFont::Normal);

/// A key cap and what it does; a click does the same.
class BenchKey : public QAbstractButton {
  Q_OBJECT
public:
  BenchKey(const QString& key, QWidget* parent);
  void say(const QString& does);
  void setScale(double scale);
  [[nodiscard]] QSize sizeHint() const override;
  [[nodiscard]] QSize minimumSizeHint() const override { return sizeHint(); }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  QString key_;
  double scale_ = 1;
};

/// A share of something, filled; what is over is hatched.
class BenchBar : public QWidget {
  Q_OBJECT
public:
  explicit BenchBar(QWidget* parent) : QWidget(parent) {}
  void set(double share, bool hatched);
  [[nodiscard]] double share() const { return share_; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  double share_ = 0;
  bool hatched_ = false;
};

/// The figure as it stands now from the side, the part of the step lit, its goals at their places.
class BenchPicture : public QWidget {
  Q_OBJECT
public:
  BenchPicture(Session& session, MakeView& view, QWidget* parent);
  void setScale(double scale) { scale_ = scale; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  void paintGoals(QPainter& p, const Viewport& v, const Plan& plan);
  Session& session_;
  MakeView& view_;
  Shapes shapes_, whole_;
  double scale_ = 1;
};

} // namespace columna
