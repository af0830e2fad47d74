// Pose's card: of a limb its joints with their numbers, largest first, and how each is turned; of the whole
// figure whether it stands, how it is held up, and who bends it.
#pragma once

#include "judge/pose_report.h"
#include "kit/parts.h"
#include "pose/pose_view.h"
#include "session/session.h"
#include "stage/card_page.h"

#include <QFutureWatcher>
#include <QTimer>

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QLineEdit;

namespace columna {

class RemedyList;
class Unfold;

class PoseCard : public CardPage {
  Q_OBJECT
public:
  PoseCard(Session& session, PoseView& view, QWidget* parent = nullptr);
  ~PoseCard() override;
  PoseCard(const PoseCard&) = delete;
  PoseCard& operator=(const PoseCard&) = delete;
  void refresh() override;

  [[nodiscard]] QComboBox* joints() const { return joints_; }
  [[nodiscard]] QDoubleSpinBox* turn(int way) const { return turns_[static_cast<size_t>(way)]; }
  [[nodiscard]] QDoubleSpinBox* lean(int way) const { return leans_[static_cast<size_t>(way)]; }
  [[nodiscard]] QComboBox* feet() const { return feet_; }
  [[nodiscard]] QComboBox* hands() const { return hands_; }
  [[nodiscard]] QCheckBox* glued() const { return glued_; }
  [[nodiscard]] QCheckBox* planted() const { return planted_; }
  [[nodiscard]] QComboBox* hoverFoot() const { return hoverFoot_; }
  [[nodiscard]] QLineEdit* hoverGap() const { return hoverGap_; }
  [[nodiscard]] QLabel* curesLabel() const { return cures_; }
  [[nodiscard]] RemedyList* help() const { return help_; }
  [[nodiscard]] RemedyList* stand() const { return stand_; }
  [[nodiscard]] QPushButton* copyKey() const { return copy_; }
  [[nodiscard]] QPushButton* straightKey() const { return straight_; }
  [[nodiscard]] QPushButton* mirrorKey() const { return mirror_; }
  [[nodiscard]] BigFigure* holdsFigure() const { return holds_; }
  [[nodiscard]] QLabel* limitsLabel() const { return limits_; }
  [[nodiscard]] Unfold* more() const { return more_; }
  [[nodiscard]] Unfold* atJoints() const { return atJoints_; }
  [[nodiscard]] bool behind() const { return limiting_.isRunning(); }

private:
  void buildLimb();
  void buildWhole();
  void showLimb();
  void showOver(const JointReport& now);
  void cure();
  void showWhole();
  void turned();
  void leant();
  void supported();
  void askLimits();
  [[nodiscard]] const JointReport* joint() const;
  /// The pattern's bone that turns at the chosen joint, and its side.
  [[nodiscard]] std::pair<const PatternBone*, bool> bone() const;
  [[nodiscard]] QDoubleSpinBox* angle(QWidget* parent, const QString& name, double low, double high);

  Session& session_;
  PoseView& view_;
  QTimer lately_;
  bool filling_ = false;
  QWidget* limb_;
  QWidget* whole_;
  VerdictView* verdict_;
  // Of a limb.
  QComboBox* joints_;
  BigFigure *holds_, *knock_, *effort_, *bends_;
  Why *whyHold_, *whyKnock_, *whyEffort_, *whyBends_, *whyRecoil_, *whyCover_;
  std::array<QDoubleSpinBox*, 3> turns_{};
  QLabel *limitNote_, *over_;
  QCheckBox* glued_;
  QPushButton *copy_, *straight_;
  RemedyList* help_;
  // Of the whole.
  BigFigure *tips_, *margin_;
  Why* whyTip_;
  QLabel *limits_, *wobble_, *others_, *cures_;
  Unfold *atJoints_, *more_;
  QWidget* hovers_; ///< which foot hovers, and by how much
  QComboBox* hoverFoot_;
  QLineEdit* hoverGap_;
  RemedyList* stand_;
  std::array<QDoubleSpinBox*, 3> leans_{};
  QComboBox *feet_, *at_, *hands_;
  QLabel* atLabel_;
  QWidget* base_;
  QLineEdit *baseLength_, *baseWidth_, *baseMass_, *legError_;
  QCheckBox* planted_;
  QPushButton *mirror_, *neutral_;
  struct Limits {
    std::uint64_t turn = 0;
    PoseLimits limits;
  };
  std::uint64_t turn_ = 0;
  QFutureWatcher<Limits> limiting_;
};

} // namespace columna
