// Face: the head, its pads and pins, eyes, ears and feet.
#pragma once

#include "face/face_view.h"
#include "stage/stage.h"

namespace columna {

inline constexpr StageId kFace{"face"};

class FaceStage : public Stage {
  Q_OBJECT
public:
  explicit FaceStage(Session& session);
  [[nodiscard]] FaceView& view() { return view_; }

  [[nodiscard]] StageId id() const override { return kFace; }
  [[nodiscard]] QString title() const override { return tr("Face"); }
  [[nodiscard]] StageLook look() const override;
  [[nodiscard]] CardPage* makeCard(QWidget* parent) override;
  [[nodiscard]] QWidget* makeRack(Mat& mat, QWidget* parent) override;
  [[nodiscard]] std::vector<std::unique_ptr<MatLayer>> makeLayers(Mat& mat) override;
  [[nodiscard]] std::vector<StageKey> keys() override;
  [[nodiscard]] std::vector<Arrangement> arrangements() override;
  [[nodiscard]] bool behind() const override { return view_.behind(); }
  [[nodiscard]] bool settled() const override { return !session_.project().face.none(); }
  [[nodiscard]] std::optional<Topic> topic() const override { return Topic::Face; }
  [[nodiscard]] const std::vector<Finding>* findings() const override { return &view_.findings(); }
  [[nodiscard]] int toLookAt() const override { return static_cast<int>(view_.findings().size()); }
  void lead(const Finding& finding) override;
  void entered() override { view_.setOn(true); }
  void left() override { view_.setOn(false); }

private:
  FaceView view_;
};

} // namespace columna
