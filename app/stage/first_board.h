// The choice a new figure begins with, over the whole mat.
#pragma once

#include <QWidget>

namespace columna {

class FirstBoard : public QWidget {
  Q_OBJECT
public:
  using QWidget::QWidget;

signals:
  void chosen(const QString& pattern); ///< id of the animal
  void left();                         ///< without a choice
};

} // namespace columna
