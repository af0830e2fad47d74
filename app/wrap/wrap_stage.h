// Wrap: core wool wound on and felted, coat, and when to stop.
#pragma once

#include "stage/stage.h"
#include "wrap/wrap_view.h"

#include <QPointer>

namespace columna {

inline constexpr StageId kWrap{"wrap"};

class BuildBand;

class WrapStage : public Stage {
  Q_OBJECT
public:
  explicit WrapStage(Session& session);
  [[nodiscard]] WrapView& view() { return view_; }

  [[nodiscard]] StageId id() const override { return kWrap; }
  [[nodiscard]] QString title() const override { return tr("Wrap"); }
  [[nodiscard]] StageLook look() const override;
  [[nodiscard]] CardPage* makeCard(QWidget* parent) override;
  [[nodiscard]] QWidget* makeRack(Mat& mat, QWidget* parent) override;
  [[nodiscard]] QWidget* makeBand(QWidget* parent) override;
  [[nodiscard]] std::vector<std::unique_ptr<MatLayer>> makeLayers(Mat& mat) override;
  [[nodiscard]] std::unique_ptr<RoundLayer> makeRound() override;
  [[nodiscard]] std::vector<StageKey> keys() override;
  [[nodiscard]] std::vector<Arrangement> arrangements() override;
  [[nodiscard]] bool settled() const override;
  [[nodiscard]] std::optional<Topic> topic() const override { return Topic::Wool; }

private:
  WrapView view_;
  QPointer<BuildBand> band_;
};

} // namespace columna
