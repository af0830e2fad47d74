// The solid that is made beside the window.
#include "judge/planning.h"
#include "kit/beside.h"
#include "session/session.h"

namespace columna {

/// The last request wins: one under way for another figure is stopped, and its end asks again.
void Session::solve() {
  if (!plan_->wool->guessed) {
    known_ = plan_->solid;
    return;
  }
  if (solving_.isRunning()) {
    *stopSolving_ = true;
    return;
  }
  stopSolving_ =
      std::make_shared<std::atomic<bool>>(false); // each request's own, which lives as long as its work
  SolidWish wish = solidWish(*plan_);
  solving_.setFuture(beside([figure = plan_->figure, wish, stop = stopSolving_]() mutable {
    wish.stop = stop.get();
    return std::make_shared<const KnownSolid>(makeSolid(figure, wish));
  }));
}

void Session::solved() {
  if (!plan_->wool->guessed) return;
  const SolidWish wish = solidWish(*plan_);
  const auto made = answerOf(solving_);
  if (*stopSolving_ || made->key != solidKey(plan_->figure, wish.coat, wish.skin)) {
    if (!inRun_) solve(); // the figure has moved on; while it still moves its end asks again
    return;
  }
  known_ = made;
  if (inRun_ || behind_) return;
  replan();
  emit planChanged();
  tellSettled();
}

void Session::finishSolid() {
  if (!plan_->wool->guessed) return;
  *stopSolving_ = true;
  awaitEnd(solving_);
  auto made = columna::plan(project(), *catalog_);
  if (!made) return;
  plan_ = std::move(made).value();
  known_ = plan_->solid;
  forget();
  emit planChanged();
  tellSettled();
}

} // namespace columna
