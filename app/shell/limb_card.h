// The card on the right: what is selected, cut lengthwise, and the stage's numbers about it.
#pragma once

#include "kit/parts.h"
#include "shell/length_section.h"
#include "stage/stage.h"

#include <QScrollArea>

namespace columna {

class LimbCard : public QWidget {
  Q_OBJECT
public:
  LimbCard(Session& session, const Stages& stages, QWidget* parent = nullptr);

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  void refresh();
  Session& session_;
  const Stages& stages_;
  QLabel* name_;
  QLabel* under_;
  QLabel* legend_;
  LengthSection* section_;
  std::vector<CardPage*> pages_; ///< in the order of the stages
};

} // namespace columna
