// A row of drawn things on Face's rack, in the order of work: pads, eyes, ears, soles, steps. Left and right
// walk them.
#pragma once

#include "face/face_view.h"

#include <QWidget>

#include <vector>

class QPainter;

namespace columna {

class FaceStrip : public QWidget {
  Q_OBJECT
public:
  enum class Of { Pads, Eyes, Flats, Soles, Steps };
  FaceStrip(Session& session, FaceView& view, Of what, QWidget* parent = nullptr);

  /// One of them.
  struct Item {
    FacePick pick;   ///< what a click chooses; None: nothing
    double size = 0; ///< mm, of an eye that is sold
    QRectF area;
    QString words; ///< for screen readers
  };
  [[nodiscard]] const std::vector<Item>& items() const { return items_; }

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

private:
  void lay();
  void bringToSight();
  void take(const Item& item);
  [[nodiscard]] bool chosen(const Item& item) const;
  void paintPad(QPainter& p, const Item& item, const FacePad& pad, size_t step) const;
  void paintEye(QPainter& p, const Item& item) const;
  void paintFlat(QPainter& p, const Item& item, const FaceFlat& flat) const;
  void paintStep(QPainter& p, const Item& item, const FaceStep& step, size_t number) const;
  void paintSole(QPainter& p, const Item& item, const Sole& sole) const;
  [[nodiscard]] double pixelsPerMm() const;
  Session& session_;
  FaceView& view_;
  Of what_;
  std::vector<Item> items_;
};

} // namespace columna
