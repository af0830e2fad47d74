// Wire's card: what to cut for a limb, which wire, whether it holds, and why.
#pragma once

#include "kit/parts.h"
#include "session/session.h"
#include "stage/card_page.h"
#include "stage/remedy_list.h"

class QComboBox;
class QCheckBox;
class QLineEdit;
class QSpinBox;

namespace columna {

class WireCard : public CardPage {
  Q_OBJECT
public:
  explicit WireCard(Session& session, QWidget* parent = nullptr);
  void refresh() override;
  /// Beside the wire's size; of the whole figure what is cut for its ears.
  [[nodiscard]] QLabel* gauges() const { return gauges_; }
  [[nodiscard]] QLineEdit* diameterField() const { return diameter_; }
  [[nodiscard]] QComboBox* strands() const { return strands_; }
  [[nodiscard]] QComboBox* held() const { return held_; }
  [[nodiscard]] QSpinBox* digits() const { return digits_; }
  [[nodiscard]] QCheckBox* pegs() const { return pegs_; }
  [[nodiscard]] QLineEdit* digitLength() const { return digitLength_; }
  [[nodiscard]] RemedyList* help() const { return help_; }
  [[nodiscard]] Why* whyCut() const { return whyCut_; }
  [[nodiscard]] Why* whyHold() const { return whyHold_; }
  [[nodiscard]] BigFigure* cutFigure() const { return cut_; }
  [[nodiscard]] BigFigure* wireFigure() const { return wire_; }

private:
  void typed();
  void typedDigits();
  void showFigure();
  Session& session_;
  QWidget* limb_;
  BigFigure* cut_;
  BigFigure* wire_;
  QLabel* gauges_;
  QLabel* pieceName_;
  Why* whyCut_;
  VerdictView* verdict_;
  Why* whyHold_;
  Why* whyNeed_;
  Why* whyEffort_;
  QLabel* findings_;
  void fillHeld(const FigureLimb& limb);

  QComboBox* strands_;
  QComboBox* held_;
  QLabel* heldLabel_;
  QSpinBox* digits_;
  QLineEdit* digitLength_;
  QCheckBox* pegs_;
  QWidget* digitRow_;
  RemedyList* help_;
  QComboBox* material_;
  QLineEdit* diameter_;
  QLabel* trouble_;
  KeyButton* back_;
  QWidget* twinKey_;
  QLabel* caution_;
  QComboBox* use_;
  QLabel* useLabel_;
};

} // namespace columna
