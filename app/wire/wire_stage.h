// Wire: the armature's pieces, gauges and joins.
#pragma once

#include "stage/stage.h"
#include "wire/wire_view.h"

namespace columna {

inline constexpr StageId kWire{"wire"};

class WireStage : public Stage {
  Q_OBJECT
public:
  explicit WireStage(Session& session);
  [[nodiscard]] WireView& view() { return view_; }

  [[nodiscard]] StageId id() const override { return kWire; }
  [[nodiscard]] QString title() const override { return tr("Wire"); }
  [[nodiscard]] StageLook look() const override;
  [[nodiscard]] CardPage* makeCard(QWidget* parent) override;
  [[nodiscard]] QWidget* makeRack(Mat& mat, QWidget* parent) override;
  [[nodiscard]] std::vector<std::unique_ptr<MatLayer>> makeLayers(Mat& mat) override;
  [[nodiscard]] std::vector<StageKey> keys() override;
  [[nodiscard]] std::vector<Arrangement> arrangements() override;
  [[nodiscard]] bool settled() const override;
  [[nodiscard]] std::optional<Topic> topic() const override { return Topic::Wire; }

private:
  WireView view_;
};

} // namespace columna
