// Study's card: the size, typed in any of its measures; of a limb its length and girth, and every bone and
// girth to type.
#pragma once

#include "kit/parts.h"
#include "session/session.h"
#include "stage/card_page.h"

class QGridLayout;
class QLineEdit;
class QPushButton;

namespace columna {

class StudyCard : public CardPage {
  Q_OBJECT
public:
  explicit StudyCard(Session& session, QWidget* parent = nullptr);
  void refresh() override;
  /// Overall height, shoulder height, body length, head length and scale; of a limb its own.
  [[nodiscard]] QLineEdit* sizeField(SizeBy by) const { return fields_[static_cast<size_t>(by)]; }
  /// The length of a bone of the selected limb, and its put-back button; nothing when it is not on the card.
  [[nodiscard]] QLineEdit* boneField(const std::string& bone) const;
  [[nodiscard]] QPushButton* putBackButton(const std::string& bone) const;
  /// The tape round the middle of a bone of the selected limb.
  [[nodiscard]] QLineEdit* girthField(const std::string& bone) const;

private:
  struct BoneRow {
    int bone = -1;
    QLabel* name = nullptr;
    QLineEdit* length = nullptr;
    QLineEdit* girth = nullptr;
    QPushButton* back = nullptr;
  };
  void typed(SizeBy by);
  void refreshFigure();
  void refreshLimb(int limb);
  void makeBones(int limb);
  void typedBone(size_t row);
  void typedGirth(size_t row);
  void tell(const std::optional<QString>& trouble);
  Session& session_;
  QWidget* figure_;
  QWidget* limb_;
  std::array<QLineEdit*, 6> fields_{};
  std::array<QLabel*, 6> means_{};
  QLabel* trouble_;
  QLabel* boneTrouble_;
  QLabel* life_;
  Why* whyScale_;
  BigFigure* length_;
  BigFigure* girth_;
  Why* whyLength_;
  Why* whyGirth_;
  QWidget* bones_;
  QGridLayout* boneGrid_;
  std::vector<BoneRow> rows_;
  std::string rowsFor_;
};

} // namespace columna
