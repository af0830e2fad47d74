#include "session/stance_view.h"

#include "kit/beside.h"
#include "session/session.h"

#include <utility>

namespace columna {

StanceView::StanceView(Session& session) : QObject(&session), session_(session) {
  connect(&asking_, &QFutureWatcher<Answer>::finished, this, &StanceView::answered);
}

StanceView::~StanceView() { awaitEnd(asking_); }

const PoseReport& StanceView::report() const {
  if (!report_)
    report_ =
        poseReport(session_.project(), session_.plan(), session_.catalog(), session_.project().stances.now);
  return *report_;
}

const std::vector<PoseReport>& StanceView::kept() const {
  if (!kept_) {
    kept_.emplace();
    for (const PatternPose& pose : session_.project().stances.saved)
      kept_->push_back(poseReport(session_.project(), session_.plan(), session_.catalog(), pose));
  }
  return *kept_;
}

const Plan& StanceView::plan() const {
  if (!plan_) {
    plan_ = session_.plan();
    pose();
  }
  return *plan_;
}

/// Figure and points of the drawn plan in the stance; its weight too, where it is judged.
void StanceView::pose() const {
  if ((judged_ || report_) && !behind_) {
    plan_->figure = report().figure;
    plan_->loads.centre = report().sums.armature.centre;
  } else {
    plan_->figure = posedFigure(session_.plan(), session_.project().stances.now);
  }
  const Plan& neutral = session_.plan();
  WireSkeleton skeleton = neutral.skeleton;
  const std::vector<Vec3> points = posedPoints(neutral.figure, neutral.skeleton, plan_->figure);
  for (size_t p = 0; p < points.size(); ++p) skeleton.points[p].at = points[p];
  plan_->skeleton = std::move(skeleton);
}

void StanceView::setJudged(bool on) {
  judged_ = on;
  if (on && !report_) plan_.reset(); // drawn without its sums before
}

void StanceView::forget() {
  ++plans_;
  behind_ = false;
  report_.reset();
  plan_.reset();
  kept_.reset();
}

void StanceView::stanceChanged(bool poses) {
  if (poses) kept_.reset();
  ++stances_;
  behind_ = judged_ && report_ && session_.inRun();
  if (behind_)
    ask();
  else
    report_.reset();
  if (plan_) pose();
}

void StanceView::settle() {
  if (!behind_) return;
  behind_ = false;
  report_.reset();
  if (plan_) pose();
}

void StanceView::ask() {
  if (std::exchange(awaited_, true)) return; // its end asks again
  asking_.setFuture(beside([plans = plans_, stances = stances_, project = session_.project(),
                            plan = session_.plan(), shelf = session_.sharedCatalog()] {
    return Answer{plans, stances,
                  std::make_shared<PoseReport>(poseReport(project, plan, *shelf, project.stances.now))};
  }));
}

void StanceView::answered() {
  awaited_ = false;
  if (!behind_) return;
  const Answer answer = answerOf(asking_);
  if (answer.plan == plans_) {
    report_ = std::move(*answer.report);
    behind_ = answer.stance != stances_;
    if (plan_) {
      if (behind_)
        plan_->loads.centre = report_->sums.armature.centre; // the figure is where the hand has it already
      else
        pose();
    }
  }
  // Where the hand has moved on, its next frame shows the answer.
  if (behind_)
    ask();
  else
    emit session_.poseChanged();
}

} // namespace columna
