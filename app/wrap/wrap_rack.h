// Wrap's rack: the wool to weigh out, limb by limb in the order of the work, drawn as strips to scale.
#pragma once

#include "shell/session.h"

#include <QWidget>

#include <vector>

namespace columna {

class WrapRack : public QWidget {
  Q_OBJECT
public:
  explicit WrapRack(Session& session, QWidget* parent = nullptr);
  /// Where a limb's wool lies, in this widget; of twins one heap serves both.
  [[nodiscard]] QRectF heapOf(int limb) const;

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

private:
  struct Heap {
    int limb;
    QRectF area;
  };
  void lay();
  Session& session_;
  std::vector<Heap> heaps_;
};

} // namespace columna
