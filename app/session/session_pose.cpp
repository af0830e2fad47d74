// Session's part of posing: the stance on the mat, what is dragged, and the poses that are kept.
#include "file/project_json.h"
#include "file/readable.h"
#include "kit/say.h"
#include "pose/posing.h"
#include "project/limits.h"
#include "session/session.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kDragSteps = 6; ///< steps of a drag towards one place of the hand

std::string poseNameOf(const QString& name) { return name.trimmed().toStdString(); }

} // namespace

void Session::forgetPose() {
  pose_.reset();
  posed_.reset();
  kept_.reset();
  forgetMoment();
}

const std::vector<PoseReport>& Session::keptPoses() const {
  if (!kept_) {
    kept_.emplace();
    for (const PatternPose& pose : project().stances.saved)
      kept_->push_back(poseReport(project(), *plan_, *catalog_, pose));
  }
  return *kept_;
}

const PoseReport& Session::pose() const {
  if (!pose_) pose_ = poseReport(project(), *plan_, *catalog_, project().stances.now);
  return *pose_;
}

const Plan& Session::posedPlan() const {
  if (!posed_) {
    posed_ = *plan_;
    if (stage_ == Stage::Pose || pose_) {
      posed_->figure = pose().figure;
      posed_->loads.centre = pose().sums.armature.centre;
    } else { // only drawn: its sums are not wanted
      posed_->figure = posedFigure(*plan_, project().stances.now);
    }
    const std::vector<Vec3> points = posedPoints(plan_->figure, plan_->skeleton, posed_->figure);
    for (size_t p = 0; p < points.size(); ++p) posed_->skeleton.points[p].at = points[p];
  }
  return *posed_;
}

const Plan& Session::drawnPlan() const {
  constexpr int coatTab = 2; // markings lie on the neutral stance
  const bool stance = stage_ == Stage::Pose || (stage_ == Stage::Wrap && !marking_ && wrapTab_ != coatTab);
  return stance ? posedPlan() : *plan_;
}

void Session::setPlanted(bool on) {
  planted_ = on;
  emit studyChanged();
}

void Session::setPoseTab(int tab) {
  poseTab_ = tab;
  emit studyChanged();
}

void Session::editStances(const QString& name, const std::function<void(Stances&)>& act, const QString& run) {
  Project p = project();
  act(p.stances);
  if (run.isEmpty()) kept_.reset(); // a drag changes none of the kept ones
  if (p.stances.now.turns == project().stances.now.turns && run.isEmpty() && toJson(p) == toJson(project()))
    return;
  if (const auto problem = unreadable(p)) {
    emit refused(sentence(*problem));
    return;
  }
  inRun_ = !run.isEmpty();
  history_.change(name.toStdString(), std::move(p), run.toStdString());
  // The plan stays: nothing of it follows from the stance. The drawn plan keeps all but figure and points.
  pose_.reset();
  builtPlan_.reset();
  if (posed_) {
    posed_->figure = pose().figure;
    posed_->loads.centre = pose().sums.armature.centre;
    const std::vector<Vec3> points = posedPoints(plan_->figure, plan_->skeleton, posed_->figure);
    for (size_t k = 0; k < points.size(); ++k) posed_->skeleton.points[k].at = points[k];
  }
  emit poseChanged();
  if (!inRun_) emit planSettled();
}

void Session::setStance(const QString& name, PatternPose pose, const QString& run) {
  pose = withinLimits(plan_->pattern, std::move(pose));
  editStances(
      name, [&](Stances& s) { s.now = std::move(pose); }, run);
}

std::optional<SidedJoint> Session::jointOfPoint(int point) const {
  const std::string& id = plan_->skeleton.points[static_cast<size_t>(point)].id;
  for (const FigureBone& b : plan_->figure.bones) {
    const bool begins = b.from == id;
    if (!begins && b.to != id) continue;
    const PatternBone* p = plan_->pattern.bone(b.patternBone);
    if (!p) continue;
    const std::string& joint = begins ? p->from : p->to;
    const bool right = p->twin && plan_->figure.limbs[static_cast<size_t>(b.limb)].side < 0 &&
                       !plan_->pattern.onMidline(joint);
    return SidedJoint{joint, right};
  }
  return std::nullopt;
}

void Session::dragJoint(const SidedJoint& joint, const Vec3& mm, const QString& run) {
  const Pattern& pattern = plan_->pattern;
  const Linkage linkage(pattern);
  const double module = plan_->figure.scale;
  const PatternPose& now = project().stances.now;
  // The linkage's places lie under the posed figure's by one lift.
  const FigureBone* some = nullptr;
  const std::vector<SidedJoint> feet = linkage.feet();
  const Figure& posedNow = pose().figure;
  for (const FigureBone& b : posedNow.bones)
    if (b.parent < 0) some = &b;
  if (!some) return;
  const PatternBone* first = pattern.bone(some->patternBone);
  const double lift = some->end.z() / module - linkage.place(now, {first->to, false}).z();
  const Vec3 goal = mm / module - Vec3(0, 0, lift);
  const std::vector<std::string> chain = linkage.chainTo(joint);
  const PatternLimb* limb = chain.empty() ? nullptr : pattern.limbOf(chain.back());
  const bool body = chain.empty() || (limb && limb->kind == LimbKind::Trunk);
  PatternPose next = now;
  bool limited = false;
  std::vector<std::pair<SidedJoint, Vec3>> stand;
  if (planted_ && body)
    for (const SidedJoint& foot : feet) stand.emplace_back(foot, linkage.place(now, foot));
  if (chain.empty()) { // the first joint: the body is moved, and the feet stay
    const Vec3 by = goal - linkage.place(now, joint);
    for (auto& [foot, place] : stand) place -= by;
  } else {
    for (int step = 0; step < kDragSteps; ++step) {
      const Linkage::Reached r = linkage.reach(next, joint, goal);
      const double moved = (linkage.place(r.pose, joint) - linkage.place(next, joint)).norm();
      next = r.pose;
      limited = r.limited;
      if (r.off * module < 0.05 || moved * module < 0.02) break;
    }
  }
  next = linkage.planted(std::move(next), stand);
  setStance(tr("pose"), std::move(next), run);
  if (limited && (linkage.place(project().stances.now, joint) - goal).norm() * module > 1)
    emit noted(tr("A joint is as far as it goes."));
}

std::vector<std::pair<PatternPose, bool>> Session::poses() const {
  std::vector<std::pair<PatternPose, bool>> out;
  out.emplace_back(PatternPose(), false);
  for (const PatternPose& p : plan_->pattern.poses)
    if (std::none_of(project().stances.saved.begin(), project().stances.saved.end(),
                     [&](const PatternPose& own) { return own.name == p.name; }))
      out.emplace_back(p, false);
  for (const PatternPose& p : project().stances.saved) out.emplace_back(p, true);
  return out;
}

void Session::takePose(const QString& name) {
  for (const auto& [pose, own] : poses())
    if (pose.name == name.toStdString())
      setStance(name.isEmpty() ? tr("neutral stance") : tr("pose %1").arg(name), pose);
}

void Session::stepPose(int step) {
  const auto all = poses();
  const PatternPose& now = project().stances.now;
  int at = 0;
  for (size_t k = 0; k < all.size(); ++k)
    if (all[k].first.name == now.name) at = static_cast<int>(k);
  const int count = static_cast<int>(all.size());
  takePose(QString::fromStdString(all[static_cast<size_t>((at + step + count) % count)].first.name));
}

std::optional<QString> Session::savePose(const QString& name) {
  const std::string called = poseNameOf(name);
  const auto refuse = [this](const QString& sentence) {
    emit refused(sentence);
    return std::optional<QString>(sentence);
  };
  if (called.empty()) return refuse(tr("A pose needs a name, so that it can be found again; give it one."));
  if (name.size() > 60)
    return refuse(tr("That name is longer than a label holds; give it up to 60 letters."));
  const auto& saved = project().stances.saved;
  if (saved.size() >= limits::kMostPoses &&
      std::none_of(saved.begin(), saved.end(), [&](const PatternPose& p) { return p.name == called; }))
    return refuse(tr("A figure keeps %1 poses at most; remove one first.").arg(limits::kMostPoses));
  editStances(tr("save pose %1").arg(name.trimmed()), [&](Stances& s) {
    s.now.name = called;
    const auto found =
        std::find_if(s.saved.begin(), s.saved.end(), [&](const PatternPose& p) { return p.name == called; });
    if (found == s.saved.end())
      s.saved.push_back(s.now);
    else
      *found = s.now;
  });
  return std::nullopt;
}

void Session::removePose(const QString& name) {
  editStances(tr("remove pose %1").arg(name), [&](Stances& s) {
    std::erase_if(s.saved, [&](const PatternPose& p) { return p.name == name.toStdString(); });
    if (s.goThrough) s.goThrough->erase(name.toStdString());
  });
}

} // namespace columna
