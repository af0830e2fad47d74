#include "wrap/wrap_stage.h"

#include "mat/mat.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "wrap/build_band.h"
#include "wrap/mark_layer.h"
#include "wrap/wrap_card.h"
#include "wrap/wrap_desk.h"
#include "wrap/wrap_round.h"

#include <algorithm>

namespace columna {

WrapStage::WrapStage(Session& session) : Stage(session) {
  connect(&view_, &WrapView::changed, this, &Stage::changed);
  connect(&session_, &Session::begun, this, [this] { view_.setMarking(false); });
}

StageLook WrapStage::look() const {
  StageLook look;
  // Markings lie on the neutral stance, and are drawn on a flat view.
  look.stance = !view_.marking() && view_.tab() != WrapView::kCoatTab;
  look.built = look.felt = look.length = true;
  look.girths = session_.build().finished() && !view_.marking();
  look.round = view_.marking() ? StageLook::Round::None : StageLook::Round::First;
  look.roundCovers = true; // the build-up takes the room of the small views
  look.hint = view_.marking() ? tr("draw round the area; Esc leaves it")
                              : tr("girths as felted; dashes are the finished outline");
  return look;
}

CardPage* WrapStage::makeCard(QWidget* parent) { return new WrapCard(session_, parent); }
QWidget* WrapStage::makeRack(Mat& /*mat*/, QWidget* parent) { return new WrapDesk(session_, view_, parent); }

QWidget* WrapStage::makeBand(QWidget* parent) {
  band_ = new BuildBand(session_, parent);
  return band_;
}

std::vector<std::unique_ptr<MatLayer>> WrapStage::makeLayers(Mat& mat) {
  std::vector<std::unique_ptr<MatLayer>> out;
  out.push_back(std::make_unique<MarkLayer>(session_, view_, mat));
  return out;
}

std::unique_ptr<RoundLayer> WrapStage::makeRound() { return std::make_unique<WrapRound>(session_); }

std::vector<StageKey> WrapStage::keys() {
  const auto felt = [this](int by) { changes::stepFirmness(session_, session_.selected(), by); };
  const auto build = [this](int by) {
    if (band_) band_->wedge()->step(by);
  };
  return {{QKeySequence(QStringLiteral("[")), [felt] { felt(-1); }},
          {QKeySequence(QStringLiteral("]")), [felt] { felt(1); }},
          {QKeySequence(QStringLiteral("P")),
           [this] {
             if (band_) band_->togglePlay();
           }},
          {QKeySequence(Qt::Key_PageDown), [build] { build(1); }},
          {QKeySequence(Qt::Key_PageUp), [build] { build(-1); }}};
}

std::vector<Arrangement> WrapStage::arrangements() {
  return {
      tabArrangement(WrapView::kTabs, [this](int tab) { view_.setTab(tab); }),
      {QStringLiteral("built"), tr("0 to 100: percent of the wool that is on"), [this](const QString& value) {
         bool ok = false;
         const double percent = value.toDouble(&ok);
         if (!ok || percent < 0 || percent > 100) return false;
         session_.build().setBuilt(percent / 100 * buildTotal(session_.build().steps()));
         return true;
       }}};
}

bool WrapStage::settled() const {
  const Project& p = session_.project();
  return p.coat || !(p.wool == WoolWish()) || std::any_of(p.limbs.begin(), p.limbs.end(), [](const auto& l) {
           return l.second.firmness || l.second.density || l.second.coatWay != CoatWay::Advised;
         });
}

} // namespace columna
