// Study: the animal, its size and its proportions.
#pragma once

#include "stage/stage.h"
#include "study/study_view.h"

#include <QPointer>

namespace columna {

inline constexpr StageId kStudy{"study"};

class StudyStage : public Stage {
  Q_OBJECT
public:
  explicit StudyStage(Session& session);
  [[nodiscard]] StudyView& view() { return view_; }

  [[nodiscard]] StageId id() const override { return kStudy; }
  [[nodiscard]] QString title() const override { return tr("Study"); }
  [[nodiscard]] StageLook look() const override;
  [[nodiscard]] CardPage* makeCard(QWidget* parent) override;
  [[nodiscard]] QWidget* makeRack(Mat& mat, QWidget* parent) override;
  [[nodiscard]] FirstBoard* makeBoard(QWidget* parent) override;
  [[nodiscard]] std::vector<std::unique_ptr<MatLayer>> makeLayers(Mat& mat) override;
  [[nodiscard]] std::vector<FindEntry> finds() override;
  [[nodiscard]] std::vector<Arrangement> arrangements() override;
  [[nodiscard]] bool behind() const override;
  [[nodiscard]] bool settled() const override;
  [[nodiscard]] std::optional<Topic> topic() const override { return Topic::Shape; }

private:
  StudyView view_{session_};
  QPointer<QWidget> rack_;
};

} // namespace columna
