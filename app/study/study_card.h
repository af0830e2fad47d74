// Study's card: the size, typed in any of three measures; of a limb its length and girth.
#pragma once

#include "shell/limb_card.h"

class QLineEdit;

namespace columna {

class StudyCard : public CardPage {
  Q_OBJECT
public:
  explicit StudyCard(Session& session, QWidget* parent = nullptr);
  void refresh() override;
  [[nodiscard]] QLineEdit* sizeField(SizeBy by) const { return fields_[static_cast<size_t>(by)]; }

private:
  void typed(SizeBy by);
  Session& session_;
  QWidget* figure_;
  QWidget* limb_;
  std::array<QLineEdit*, 3> fields_{};
  std::array<QLabel*, 3> means_{};
  QLabel* trouble_;
  QLabel* life_;
  Why* whyScale_;
  BigFigure* length_;
  BigFigure* girth_;
  Why* whyLength_;
  Why* whyGirth_;
  QLabel* bones_;
};

} // namespace columna
