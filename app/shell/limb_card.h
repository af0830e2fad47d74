// The card on the right: what is selected, cut lengthwise, and the stage's numbers about it.
#pragma once

#include "kit/parts.h"
#include "session/session.h"
#include "shell/length_section.h"
#include "stage/card_page.h"

#include <QScrollArea>

namespace columna {

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
