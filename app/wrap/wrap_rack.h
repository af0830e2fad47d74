// Wrap's rack: the wool to weigh out in the order of the work, drawn as strips and pads to scale; what is on
// at the moment the mat shows is filled.
#pragma once

#include "session/session.h"
#include "wool/build_up.h"

#include <QWidget>

#include <vector>

namespace columna {

class WrapRack : public QWidget {
  Q_OBJECT
public:
  explicit WrapRack(Session& session, QWidget* parent = nullptr);
  /// Where a limb's winding lies, in this widget; of twins one heap serves both.
  [[nodiscard]] QRectF heapOf(int limb) const;
  [[nodiscard]] size_t heaps() const { return heaps_.size(); }

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

private:
  /// One thing to weigh; twins' are weighed as a pair.
  struct Heap {
    BuildStep::Kind kind;
    int limb;
    int pad;
    int count;       ///< 2 for a pair
    double grams;    ///< of one
    double from, to; ///< g on the figure when it begins and when it is done
    QString name;
    QRectF area;
  };
  void gather();
  void lay();
  void choose(int index);
  /// Brings a heap into the part of the rack that shows.
  void reveal(const Heap& heap);
  /// The heap under the hand, or the first when all is done.
  void revealNow();
  void paintHeap(QPainter& p, const Heap& heap, int number) const;
  Session& session_;
  std::vector<Heap> heaps_;
  int now_ = -1;
  double shown_ = 1; ///< moment the heaps were drawn at, g on
};

} // namespace columna
