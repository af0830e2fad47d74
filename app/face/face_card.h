// Face's card: of the head its weight and eyes; of what is chosen its grams, size and place; what is
// doubtful, and what would mend it.
#pragma once

#include "face/face_view.h"
#include "kit/parts.h"
#include "stage/card_page.h"

#include <map>

class QComboBox;
class QLineEdit;
class QSpinBox;
class QVBoxLayout;

namespace columna {

class FaceCard : public CardPage {
  Q_OBJECT
public:
  FaceCard(Session& session, FaceView& view, QWidget* parent = nullptr);
  void refresh() override;
  [[nodiscard]] BigFigure* first() const { return first_; }
  [[nodiscard]] BigFigure* second() const { return second_; }
  [[nodiscard]] QLineEdit* field() const { return field_; }
  [[nodiscard]] KeyButton* own() const { return back_; }
  [[nodiscard]] KeyButton* mend() const { return mend_; }
  [[nodiscard]] KeyButton* roundHead() const { return round_; }
  [[nodiscard]] QComboBox* kind() const { return kind_; }

private:
  /// What refresh() shows; what has the keyboard's focus may be hidden on the way.
  void fill();
  /// Whether it is to be seen when all of that is told; the last word counts.
  void seen(QWidget* widget, bool on = true) { seen_[widget] = on; }
  /// The key that sets what is shown back as the animal has it, alone.
  void offerBack(bool on);
  void showHead(const FaceSums& sums);
  void showPad(const FaceSums& sums, const FacePad& pad, size_t step);
  void showEye(const FaceSums& sums, const FaceEye& eye);
  void showFlat(const FaceSums& sums, const FaceFlat& flat);
  void showPlace();
  void makeHeld(QVBoxLayout* layout);
  /// Which sex, breed or colour of the animal it is, where its head has several.
  void makeKinds(QVBoxLayout* layout);
  void showKinds();
  /// The head against the body: how it is turned.
  void showHeld();
  void showStep(const FaceSums& sums, const FaceStep& step);
  void showPin(const FaceSums& sums, const FacePin& pin);
  void typed();
  /// The chosen place by halving, as it was typed.
  void typedHalving(const QString& text);
  void refuse(const QString& sentence);
  /// The finding that is shown: of what is chosen, else the worst.
  [[nodiscard]] const Finding* finding() const;
  [[nodiscard]] QString length(double mm, int decimals = 1) const;
  Session& session_;
  FaceView& view_;
  QLabel *name_, *about_, *rows_, *fieldName_, *trouble_, *caution_;
  BigFigure *first_, *second_;
  QLineEdit* field_;
  QWidget *padKeys_, *eyeKeys_, *placeKeys_;
  VerdictView* verdict_;
  KeyButton* mend_;
  KeyButton *less_, *more_, *out_, *back_;
  KeyButton* round_;
  QWidget* kinds_ = nullptr;
  QComboBox* kind_ = nullptr;
  QWidget* held_ = nullptr;
  QSpinBox *nod_ = nullptr, *side_ = nullptr, *lean_ = nullptr;
  QLabel* pin_ = nullptr;
  std::map<QWidget*, bool> seen_;
};

} // namespace columna
