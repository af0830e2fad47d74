#include "pose/pose_stage.h"

#include "pose/card_parts.h"

#include "kit/say.h"
#include "mat/mat.h"
#include "pose/pose_card.h"
#include "pose/pose_layer.h"
#include "pose/pose_rack.h"
#include "pose/pose_round.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "stage/remedy_list.h"

namespace columna {

PoseStage::PoseStage(Session& session) : Stage(session) {
  connect(&view_, &PoseView::changed, this, &Stage::changed);
}

StageLook PoseStage::look() const {
  StageLook look;
  look.stance = true;
  look.round = StageLook::Round::Offered;
  look.hint = tr("drag a joint to pose; X shows the wire");
  return look;
}

CardPage* PoseStage::makeCard(QWidget* parent) {
  card_ = new PoseCard(session_, view_, parent);
  return card_;
}

QWidget* PoseStage::makeRack(Mat& /*mat*/, QWidget* parent) {
  rack_ = new PoseRack(session_, view_, parent);
  return rack_;
}

std::vector<std::unique_ptr<MatLayer>> PoseStage::makeLayers(Mat& /*mat*/) {
  std::vector<std::unique_ptr<MatLayer>> out;
  out.push_back(std::make_unique<PoseLayer>(session_, view_));
  return out;
}

std::unique_ptr<RoundLayer> PoseStage::makeRound() { return std::make_unique<PoseRound>(session_, view_); }

std::vector<StageKey> PoseStage::keys() {
  return {{QKeySequence(Qt::Key_PageDown), [this] { changes::stepPose(session_, 1); }},
          {QKeySequence(Qt::Key_PageUp), [this] { changes::stepPose(session_, -1); }}};
}

std::vector<FindEntry> PoseStage::finds() {
  std::vector<FindEntry> out;
  for (const auto& [pose, own] : changes::poses(session_))
    out.push_back({poseName(session_, pose), tr("pose"), [this, name = str(pose.name)] {
                     session_.setStage(id());
                     changes::takePose(session_, name);
                   }});
  return out;
}

std::vector<Arrangement> PoseStage::arrangements() {
  return {tabArrangement(PoseView::kTabs, [this](int tab) { view_.setTab(tab); }),
          {QStringLiteral("mend"), tr("yes: ask what would mend it"), [this](const QString& value) {
             if (!card_ || value != QStringLiteral("yes")) return value == QStringLiteral("no");
             (session_.selected() < 0 ? card_->stand() : card_->help())->ask()->click();
             return true;
           }}};
}

bool PoseStage::behind() const {
  return (rack_ && rack_->behind()) ||
         (card_ && (card_->behind() || card_->stand()->busy() || card_->help()->busy()));
}

bool PoseStage::settled() const { return !session_.project().stances.empty(); }

const std::vector<Finding>* PoseStage::findings() const { return &session_.stance().report().findings; }

/// The stance is judged only while it is looked at: its sums are not made for the other stages.
int PoseStage::toLookAt() const {
  if (session_.stance().judged()) found_ = static_cast<int>(findings()->size());
  return found_;
}

const Standing& PoseStage::standing() const { return session_.stance().report().standing.base; }

void PoseStage::entered() { session_.stance().setJudged(true); }
void PoseStage::left() { session_.stance().setJudged(false); }

} // namespace columna
