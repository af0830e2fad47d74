#include "session/build_view.h"

#include "session/session.h"
#include "session/stance_view.h"

#include <algorithm>
#include <cmath>

namespace columna {

BuildView::BuildView(Session& session) : QObject(&session), session_(session) {}

const std::vector<BuildStep>& BuildView::steps() const {
  if (!steps_) steps_ = buildSteps(session_.plan().figure, session_.plan().wool);
  return *steps_;
}

double BuildView::built() const { return share_ * buildTotal(steps()); }

void BuildView::moved() {
  ++turn_;
  emit changed();
}

void BuildView::setBuilt(double grams) {
  const double total = buildTotal(steps());
  const double share = total > 0 ? std::clamp(grams / total, 0.0, 1.0) : 1;
  if (share == share_ && !done_) return;
  done_.reset();
  share_ = share;
  moved();
}

void BuildView::setDone(const std::vector<bool>& done) {
  const auto& all = steps();
  if (done.size() != all.size() || done_ == done) return; // of another plan: it comes again
  const double total = buildTotal(all);
  double on = 0;
  bool whole = true;
  for (size_t i = 0; i < all.size(); ++i) {
    on += done[i] ? all[i].grams : 0;
    whole = whole && done[i];
  }
  done_ = done;
  share_ = whole || total <= 0 ? 1 : std::min(on / total, std::nextafter(1.0, 0.0));
  moved();
}

std::vector<LimbMoment> BuildView::moment() const {
  const size_t limbs = session_.plan().figure->limbs.size();
  return done_ && done_->size() == steps().size() ? momentOf(steps(), limbs, *done_)
                                                  : momentAt(steps(), limbs, built());
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
    made.turn = 0;
  }
  if (made.turn != turn_) {
    Figure now = figureAtMoment(whole.figure, session_.plan().wool, moment(), bundlesOf(session_.plan()));
    // Kept outlines are of one moment.
    now.shapeKey ^= 0x9e3779b97f4a7c15ULL * turn_;
    made.plan->figure = std::move(now);
    made.turn = turn_;
  }
  return *made.plan;
}

void BuildView::forget() {
  steps_.reset();
  for (Built& made : built_) made.plan.reset();
}

void BuildView::begin() {
  share_ = 1;
  done_.reset();
  ++turn_;
  forget();
}

} // namespace columna
