// What Wrap does to the project, and the solid that is made beside the window.
#include "judge/planning.h"
#include "kit/beside.h"
#include "kit/say.h"
#include "session/session.h"

#include <algorithm>

namespace columna {

/// The last request wins: one under way for another figure is stopped, and its end asks again.
void Session::solve() {
  if (!plan_->wool.guessed) {
    known_ = plan_->solid;
    return;
  }
  if (solving_.isRunning()) {
    stopSolving_ = true;
    return;
  }
  stopSolving_ = false;
  SolidWish wish = solidWish(*plan_);
  wish.stop = &stopSolving_;
  solving_.setFuture(beside([figure = plan_->figure, wish] {
    return std::make_shared<const KnownSolid>(makeSolid(figure, wish));
  }));
}

void Session::solved() {
  if (!plan_->wool.guessed) return;
  const SolidWish wish = solidWish(*plan_);
  const auto made = solving_.result();
  if (stopSolving_ || made->key != solidKey(plan_->figure, wish.coat, wish.skin)) {
    if (!inRun_) solve(); // the figure has moved on; while it still moves its end asks again
    return;
  }
  known_ = made;
  if (inRun_ || behind_) return;
  replan();
  emit planChanged();
  emit planSettled();
}

void Session::finishSolid() {
  if (!plan_->wool.guessed) return;
  stopSolving_ = true;
  solving_.waitForFinished();
  auto made = columna::plan(project(), *catalog_);
  if (!made) return;
  plan_ = std::move(made).value();
  known_ = plan_->solid;
  forgetPose();
  emit planChanged();
  emit planSettled();
}

void Session::setWrapTab(int tab) {
  if (tab == wrapTab_) return;
  wrapTab_ = tab;
  builtPlan_.reset(); // the flat views may be in another stance
  emit studyChanged();
}

void Session::forgetMoment() {
  steps_.reset();
  builtPlan_.reset();
}

const std::vector<BuildStep>& Session::steps() const {
  if (!steps_) steps_ = buildSteps(plan_->figure, plan_->wool);
  return *steps_;
}

double Session::built() const { return built_ * buildTotal(steps()); }

void Session::setBuilt(double grams) {
  const double total = buildTotal(steps());
  const double share = total > 0 ? std::clamp(grams / total, 0.0, 1.0) : 1;
  if (share == built_) return;
  built_ = share;
  builtStale_ = true;
  emit momentChanged();
}

std::vector<LimbMoment> Session::moment() const {
  return momentAt(steps(), plan_->figure.limbs.size(), built());
}

const Plan& Session::builtPlan() const {
  const Plan& drawn = drawnPlan();
  if (finished()) return drawn;
  if (!builtPlan_) {
    builtPlan_ = drawn;
    builtPlan_->wool.coatThickness = 0; // the outline is the work as it is, coat or not
    builtStale_ = true;
  }
  if (builtStale_) {
    std::vector<double> bundles;
    for (const LimbPlan& limb : plan_->limbs) bundles.push_back(limb.wired ? limb.section.bundle() : 0);
    builtPlan_->figure = figureAtMoment(drawn.figure, plan_->wool, moment(), bundles);
    // Kept outlines are of one moment.
    builtPlan_->figure.shapeKey ^= 0x9e3779b97f4a7c15ULL * (1 + static_cast<std::uint64_t>(built_ * 1e6));
    builtStale_ = false;
  }
  return *builtPlan_;
}

void Session::setMarking(bool on) {
  if (on == marking_) return;
  marking_ = on;
  builtPlan_.reset();
  emit studyChanged();
}

std::optional<QString> Session::editWool(const QString& name, const std::function<void(WoolWish&)>& act,
                                         const QString& run) {
  Project p = project();
  act(p.wool);
  if (p.wool == project().wool) return std::nullopt;
  return change(name, std::move(p), run);
}

std::optional<QString> Session::setDensity(int limb, std::optional<double> perCm3) {
  if (perCm3 && !(*perCm3 > 0 && *perCm3 <= 5)) {
    const QString sentence = tr("Felt of that density there is not; give 0.05 to 0.3 g/cm³ as a rule.");
    emit refused(sentence);
    return sentence;
  }
  changeLimb(limb, perCm3 ? tr("own felt") : tr("usual felt"),
             [&](LimbChoice& c) { c.density = perCm3 ? std::optional(*perCm3 / 1000) : std::nullopt; });
  return std::nullopt;
}

void Session::setCoatWay(int limb, CoatWay way) {
  changeLimb(limb, QString::fromStdString(std::string(word(way))), [&](LimbChoice& c) { c.coatWay = way; });
}

std::optional<QString> Session::resizeBy(double factor) {
  return setSize(SizeBy::OverallHeight, plan_->figure.overallHeight * factor);
}

} // namespace columna
