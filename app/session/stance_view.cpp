#include "session/stance_view.h"

#include "session/session.h"

namespace columna {

StanceView::StanceView(Session& session) : QObject(&session), session_(session) {}

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
  if (judged_ || report_) {
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
  report_.reset();
  plan_.reset();
  kept_.reset();
}

void StanceView::stanceChanged(bool poses) {
  if (poses) kept_.reset();
  report_.reset();
  if (plan_) pose();
}

} // namespace columna
