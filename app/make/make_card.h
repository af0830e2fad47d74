// Make's card: the whole figure's hours, end and what dries; of a part its steps and what was read of it.
#pragma once

#include "kit/parts.h"
#include "make/last_time.h"
#include "make/make_view.h"
#include "stage/card_page.h"

#include <QList>

class QPushButton;

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
  /// The answers to what came out otherwise, as they are offered.
  [[nodiscard]] QList<QPushButton*> answers() const;
  [[nodiscard]] LastTimeList* lastTime() const { return lastTime_; }

signals:
  void bench();

private:
  void showWhole();
  void showLimb(int limb);
  void showOff(int limb);
  [[nodiscard]] QString stepHtml(int step) const;
  Session& session_;
  MakeView& view_;
  BigFigure *left_, *done_;
  QLabel *leftUnder_, *doneUnder_;
  VerdictView* next_;
  KeyButton* bench_;
  LastTimeList* lastTime_;
  QWidget* off_; ///< what came out otherwise, and what can be done
  QLabel* offWords_;
  QWidget* offAnswers_;
  QString offShown_; ///< so that a button under the hand stays
  QLabel *steps_, *caution_;
};

} // namespace columna
