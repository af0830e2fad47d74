#include "session/build_view.h"

#include "session/session.h"
#include "session/stance_view.h"

#include <algorithm>

namespace columna {

BuildView::BuildView(Session& session) : QObject(&session), session_(session) {}

const std::vector<BuildStep>& BuildView::steps() const {
  if (!steps_) steps_ = buildSteps(session_.plan().figure, session_.plan().wool);
  return *steps_;
}

double BuildView::built() const { return share_ * buildTotal(steps()); }

void BuildView::setBuilt(double grams) {
  const double total = buildTotal(steps());
  const double share = total > 0 ? std::clamp(grams / total, 0.0, 1.0) : 1;
  if (share == share_) return;
  share_ = share;
  emit changed();
}

std::vector<LimbMoment> BuildView::moment() const {
  return momentAt(steps(), session_.plan().figure->limbs.size(), built());
}

const Plan& BuildView::plan(bool stance) const {
  const Plan& whole = stance ? session_.stance().plan() : session_.plan();
  if (finished()) return whole;
  Built& made = built_[stance ? 1 : 0];
  if (!made.plan) {
    made.plan = whole;
    WoolPlan bare = whole.wool;
    bare.coatThickness = 0; // the outline is the work as it is, coat or not
    made.plan->wool = std::move(bare);
    made.share = -1;
  }
  if (made.share != share_) {
    Figure now = figureAtMoment(whole.figure, session_.plan().wool, moment(), bundlesOf(session_.plan()));
    // Kept outlines are of one moment.
    now.shapeKey ^= 0x9e3779b97f4a7c15ULL * (1 + static_cast<std::uint64_t>(share_ * 1e6));
    made.plan->figure = std::move(now);
    made.share = share_;
  }
  return *made.plan;
}

void BuildView::forget() {
  steps_.reset();
  for (Built& made : built_) made.plan.reset();
}

void BuildView::begin() {
  share_ = 1;
  forget();
}

} // namespace columna
