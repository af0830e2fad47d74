// Wrap's card: the wool of a limb, how firm, the girths to build to, pads, needles, and what comes next.
#pragma once

#include "kit/parts.h"
#include "session/session.h"
#include "stage/card_page.h"
#include "wool/build_up.h"

#include <QTimer>

#include <functional>
#include <optional>

class QComboBox;
class QSlider;
class QLineEdit;
class QVBoxLayout;

namespace columna {

class WrapCard : public CardPage {
  Q_OBJECT
public:
  explicit WrapCard(Session& session, QWidget* parent = nullptr);
  void refresh() override;
  [[nodiscard]] QLineEdit* coatField() const { return coat_; }
  [[nodiscard]] QLineEdit* densityField() const { return density_; }
  [[nodiscard]] QComboBox* wayBox() const { return way_; }
  [[nodiscard]] QComboBox* readyBox() const { return readyKind_; }
  [[nodiscard]] QLineEdit* readySize() const { return readySize_; }
  [[nodiscard]] QLineEdit* readyGrams() const { return readyGrams_; }
  [[nodiscard]] QSlider* readyPlace() const { return readyAt_; }
  [[nodiscard]] QComboBox* finishBox() const { return finish_; }
  [[nodiscard]] BigFigure* coreFigure() const { return coreG_; }
  [[nodiscard]] QLabel* ladder() const { return ladder_; }

private:
  void makeFirmness(QVBoxLayout* layout);
  void makeCoat(QVBoxLayout* layout);
  void refreshLimb(int limb);
  [[nodiscard]] QString ladderHtml(const LimbWool& wool, const LimbMoment& moment) const;
  [[nodiscard]] QString padsHtml(const LimbWool& wool) const;
  [[nodiscard]] QString needlesHtml(const LimbWool& wool) const;
  /// What to do next at this limb, and how it is judged.
  void judge(int limb);
  Session& session_;
  QTimer following_;
  BigFigure* coreG_;
  BigFigure* coatG_;
  QLabel* coreUnder_;
  QLabel* coatUnder_;
  Why* whyCore_;
  Why* whyCoat_;
  VerdictView* next_;
  QWidget* firmRow_;
  QComboBox* firm_;
  QLineEdit* density_;
  QComboBox* way_;
  void makeReady(QVBoxLayout* layout);
  void makeFinish(QVBoxLayout* layout);
  void showReady(int limb);
  void moveReady();
  void editReady(const QString& name, const std::function<void(std::optional<ReadyCore>&)>& act);
  QWidget *ready_, *finishRow_;
  QComboBox *readyKind_, *finish_;
  QLineEdit *readySize_, *readyGrams_;
  QSlider* readyAt_;
  QLabel* readyWords_;
  Why *whyReady_, *whyHours_;
  QLineEdit* coat_;
  QLabel* trouble_;
  QLabel* ladder_;
  Why* whyWound_;
  QLabel* pads_;
  Why* whyPad_;
  QLabel* needles_;
  QLabel* caution_;
};

} // namespace columna
