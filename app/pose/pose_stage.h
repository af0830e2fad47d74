// Pose: the stance, whether it stands and holds, and what becomes of the wire.
#pragma once

#include "pose/pose_view.h"
#include "stage/stage.h"

#include <QPointer>

namespace columna {

inline constexpr StageId kPose{"pose"};

class PoseCard;
class PoseRack;

class PoseStage : public Stage {
  Q_OBJECT
public:
  explicit PoseStage(Session& session);
  [[nodiscard]] PoseView& view() { return view_; }

  [[nodiscard]] StageId id() const override { return kPose; }
  [[nodiscard]] QString title() const override { return tr("Pose"); }
  [[nodiscard]] StageLook look() const override;
  [[nodiscard]] CardPage* makeCard(QWidget* parent) override;
  [[nodiscard]] QWidget* makeRack(Mat& mat, QWidget* parent) override;
  [[nodiscard]] std::vector<std::unique_ptr<MatLayer>> makeLayers(Mat& mat) override;
  [[nodiscard]] std::unique_ptr<RoundLayer> makeRound() override;
  [[nodiscard]] std::vector<StageKey> keys() override;
  [[nodiscard]] std::vector<FindEntry> finds() override;
  [[nodiscard]] std::vector<Arrangement> arrangements() override;
  [[nodiscard]] bool behind() const override;
  [[nodiscard]] bool settled() const override;
  [[nodiscard]] std::optional<Topic> topic() const override { return Topic::Pose; }
  [[nodiscard]] const std::vector<Finding>* findings() const override;
  [[nodiscard]] int toLookAt() const override;
  [[nodiscard]] const Standing& standing() const override;
  void entered() override;
  void left() override;

private:
  PoseView view_;
  QPointer<PoseCard> card_;
  QPointer<PoseRack> rack_;
  mutable int found_ = 0; ///< when it was last looked at
};

} // namespace columna
