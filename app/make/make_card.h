// Make's card: the whole figure's hours, end and what dries; of a part its steps and what was read of it.
#pragma once

#include "kit/parts.h"
#include "make/make_view.h"
#include "stage/card_page.h"

namespace columna {

class MakeCard : public CardPage {
  Q_OBJECT
public:
  MakeCard(Session& session, MakeView& view, QWidget* parent = nullptr);
  void refresh() override;
  [[nodiscard]] KeyButton* benchKey() const { return bench_; }
  [[nodiscard]] BigFigure* left() const { return left_; }
  [[nodiscard]] BigFigure* done() const { return done_; }
  [[nodiscard]] QLabel* steps() const { return steps_; }

signals:
  void bench();

private:
  void showWhole();
  void showLimb(int limb);
  [[nodiscard]] QString stepHtml(int step) const;
  Session& session_;
  MakeView& view_;
  BigFigure *left_, *done_;
  QLabel *leftUnder_, *doneUnder_;
  VerdictView* next_;
  KeyButton* bench_;
  QLabel *steps_, *caution_;
};

} // namespace columna
