// Wire's rack: the pieces laid on their wire as bars to scale, every mark at its distance from the left end.
#pragma once

#include "session/session.h"

#include <QWidget>

#include <vector>

namespace columna {

class WireRack : public QWidget {
  Q_OBJECT
public:
  explicit WireRack(Session& session, QWidget* parent = nullptr);
  /// Where a piece's bar lies, in this widget.
  [[nodiscard]] QRectF barOf(int piece) const;

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

private:
  struct Bar {
    int piece;
    QRectF area;
  };
  struct Row {
    QString wire;
    double y;
    std::vector<Bar> bars;
  };
  void lay();
  void paintBar(QPainter& painter, const Bar& bar);
  void choose(int piece);
  Session& session_;
  std::vector<Row> rows_;
  double scale_ = 0.42; ///< pixels per mm
};

} // namespace columna
