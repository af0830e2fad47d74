#include "wire/wire_stage.h"

#include "mat/mat.h"
#include "session/changes.h"
#include "wire/end_layer.h"
#include "wire/tag_layer.h"
#include "wire/wire_card.h"
#include "wire/wire_desk.h"

#include <algorithm>

namespace columna {

WireStage::WireStage(Session& session) : Stage(session) {
  connect(&view_, &WireView::changed, this, &Stage::changed);
}

StageLook WireStage::look() const {
  StageLook look;
  look.wire = look.joints = look.length = true;
  look.bare = view_.bare();
  return look;
}

CardPage* WireStage::makeCard(QWidget* parent) { return new WireCard(session_, parent); }
QWidget* WireStage::makeRack(Mat& /*mat*/, QWidget* parent) { return new WireDesk(session_, view_, parent); }

std::vector<std::unique_ptr<MatLayer>> WireStage::makeLayers(Mat& mat) {
  std::vector<std::unique_ptr<MatLayer>> out;
  out.push_back(std::make_unique<EndLayer>(session_));
  out.push_back(std::make_unique<TagLayer>(session_, mat.shapes()));
  return out;
}

std::vector<StageKey> WireStage::keys() {
  const auto step = [this](int by) { (void)changes::stepWire(session_, session_.selected(), by); };
  return {{QKeySequence(QStringLiteral(",")), [step] { step(-1); }},
          {QKeySequence(QStringLiteral(".")), [step] { step(1); }},
          {QKeySequence(QStringLiteral("B")), [this] { view_.setBare(!view_.bare()); }},
          {QKeySequence(Qt::Key_Delete), [this] {
             const int limb = session_.selected();
             if (limb >= 0 && session_.plan().limbs[static_cast<size_t>(limb)].wired)
               changes::clearWire(session_, limb);
           }}};
}

std::vector<Arrangement> WireStage::arrangements() {
  return {tabArrangement(WireView::kTabs, [this](int tab) { view_.setTab(tab); }),
          {QStringLiteral("bare"), tr("yes: the skeleton to lay wire on"), [this](const QString& value) {
             view_.setBare(value == QStringLiteral("yes"));
             return value == QStringLiteral("yes") || value == QStringLiteral("no");
           }}};
}

bool WireStage::settled() const {
  const Project& p = session_.project();
  return !p.drawer.empty() || !p.routes.empty() || !p.pieceAllow.empty() || !(p.allow == Allowances()) ||
         std::any_of(p.limbs.begin(), p.limbs.end(), [](const auto& l) {
           return l.second.diameter || l.second.material || l.second.wires || l.second.held ||
                  l.second.digits;
         });
}

} // namespace columna
