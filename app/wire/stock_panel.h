// What the pieces are cut from: every length in use as a bar to scale, its pieces in the order they are cut,
// what is left over.
#pragma once

#include "session/session.h"

#include <QWidget>

namespace columna {

class StockPanel : public QWidget {
  Q_OBJECT
public:
  explicit StockPanel(Session& session, QWidget* parent = nullptr);
  /// The sum in words: bars, cuts, waste, what is kept.
  [[nodiscard]] QString sum() const;
  [[nodiscard]] int bars() const { return static_cast<int>(bars_.size()); }

protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;

private:
  struct Bar {
    size_t wire, bar;
    double y;
  };
  void lay();
  [[nodiscard]] double scale() const;
  Session& session_;
  std::vector<Bar> bars_;
  double longest_ = 1;
};

} // namespace columna
