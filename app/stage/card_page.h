// What a stage puts on the card.
#pragma once

#include <QWidget>

namespace columna {

/// One stage's numbers about what is selected.
class CardPage : public QWidget {
  Q_OBJECT
public:
  using QWidget::QWidget;
  virtual void refresh() = 0;
};

} // namespace columna
