// Make's rack: the sessions to come as cards, in each the work as bars by its minutes; what is chosen is
// looked at on the card and at the bench.
#pragma once

#include "make/make_view.h"

#include <QWidget>

#include <vector>

namespace columna {

class SessionRack : public QWidget {
  Q_OBJECT
public:
  SessionRack(Session& session, MakeView& view, QWidget* parent = nullptr);
  /// Where a step's first bar lies, in this widget; empty where it is in no session.
  [[nodiscard]] QRectF barOf(int step) const;
  [[nodiscard]] size_t cards() const { return cards_.size(); }
  /// Where a session lies, in this widget.
  [[nodiscard]] QRectF cardArea(size_t card) const { return cards_[card].area; }
  [[nodiscard]] int sessionOf(int step) const { return cardOf(step); }
  [[nodiscard]] QSize sizeHint() const override;

signals:
  void bench(); ///< to the bench with what is chosen

protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

private:
  struct Bar {
    int step = 0;
    PlannedSession::Work work;
    QRectF area;
  };
  struct Card {
    int from = 0, to = 0;
    QRectF area;
    std::vector<Bar> bars;
  };
  void gather();
  [[nodiscard]] const Bar* at(const QPointF& place) const;
  /// The session a step is begun in, -1 for none.
  [[nodiscard]] int cardOf(int step) const;
  /// The session under a place, -1 for none.
  [[nodiscard]] int cardAt(const QPointF& place) const;
  /// Keeps what is chosen to the session so many after the one it is in.
  void keepTo(int later);
  void paintCard(QPainter& p, const Card& card) const;
  void paintBar(QPainter& p, const Bar& bar) const;
  /// Brings what is chosen into the part that shows.
  void reveal();
  Session& session_;
  MakeView& view_;
  std::vector<Card> cards_;
  int held_ = -1; ///< step under the mouse
  std::optional<QPointF> from_;
  int over_ = -1; ///< session it would be dropped in
};

} // namespace columna
