// Wrap's card: the wool of a limb, how firm, and the girths to build to.
#pragma once

#include "shell/limb_card.h"

class QComboBox;
class QLineEdit;

namespace columna {

class WrapCard : public CardPage {
  Q_OBJECT
public:
  explicit WrapCard(Session& session, QWidget* parent = nullptr);
  void refresh() override;
  [[nodiscard]] QLineEdit* coatField() const { return coat_; }
  [[nodiscard]] BigFigure* coreFigure() const { return coreG_; }

private:
  Session& session_;
  BigFigure* coreG_;
  BigFigure* coatG_;
  QLabel* coreUnder_;
  QLabel* coatUnder_;
  Why* whyCore_;
  Why* whyCoat_;
  QWidget* firmRow_;
  QComboBox* firm_;
  QLineEdit* coat_;
  QLabel* trouble_;
  QLabel* ladder_;
  Why* whyWound_;
  QLabel* caution_;
};

} // namespace columna
