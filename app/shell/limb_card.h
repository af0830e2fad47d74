// The card on the right: what is selected, cut lengthwise, and the stage's numbers about it.
#pragma once

#include "shell/length_section.h"
#include "shell/parts.h"
#include "shell/session.h"

#include <QScrollArea>

namespace columna {

/// One stage's numbers about what is selected.
class CardPage : public QWidget {
  Q_OBJECT
public:
  using QWidget::QWidget;
  virtual void refresh() = 0;
};

class LimbCard : public QWidget {
  Q_OBJECT
public:
  explicit LimbCard(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] CardPage* page(Stage stage) const { return pages_[static_cast<size_t>(stage)]; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  void refresh();
  Session& session_;
  QLabel* name_;
  QLabel* under_;
  QLabel* legend_;
  LengthSection* section_;
  std::array<CardPage*, 4> pages_{};
};

} // namespace columna
