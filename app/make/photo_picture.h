// The photo with what its check found: the plan's outline over it, or its own other side, and hairs where it
// is off. A box is drawn round the figure where its ground is not plain, by hand or by keys.
#pragma once

#include "make/photo_work.h"

#include <QWidget>

namespace columna {

class PhotoPicture : public QWidget {
  Q_OBJECT
public:
  enum class Over { Plan, Mirror, Nothing };

  PhotoPicture(PhotoWork& work, UnitSystem units, QWidget* parent);
  void setOver(Over over);
  [[nodiscard]] Over over() const { return over_; }
  /// The finding that is lit; -1 for none.
  void setCurrent(int finding);
  /// A box is being drawn; shares of the picture.
  void setBoxing(bool on);
  [[nodiscard]] bool boxing() const { return boxing_; }
  [[nodiscard]] const PhotoBox& box() const { return drawn_; }
  /// Where a share of the picture is in the widget, for tests.
  [[nodiscard]] QPointF placeOf(double x, double y) const;

signals:
  void boxed(const PhotoBox& box);

protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

private:
  [[nodiscard]] QRectF frame() const;
  [[nodiscard]] QPointF shareAt(const QPointF& place) const;
  void paintOver(QPainter& p, const QRectF& frame) const;
  void paintHairs(QPainter& p, const QRectF& frame) const;
  PhotoWork& work_;
  UnitSystem units_;
  Over over_ = Over::Plan;
  int current_ = -1;
  bool boxing_ = false;
  std::optional<QPointF> from_; ///< shares
  PhotoBox drawn_{0.1, 0.1, 0.9, 0.9};
};

} // namespace columna
