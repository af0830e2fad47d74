#include "session/session.h"

#include "file/readable.h"
#include "judge/planning.h"
#include "kit/beside.h"
#include "kit/say.h"
#include "project/limits.h"

#include <QFileInfo>
#include <QTime>

#include <cmath>

namespace columna {

Session::~Session() {
  stopSolving_ = true;
  summing_.waitForFinished();
  solving_.waitForFinished();
}

Session::Session(Catalog catalog, QObject* parent)
    : QObject(parent), catalog_(std::make_shared<const Catalog>(std::move(catalog))), history_(Project()) {
  Project first;
  if (!catalog_->material(first.material)) first.material = catalog_->materials.front().id;
  // A maker's own pattern may be one that cannot be planned; the first that can is what lies on the mat.
  std::vector<std::string> animals{first.pattern};
  for (const Pattern& each : catalog_->patterns) animals.push_back(each.id);
  for (const std::string& animal : animals) {
    first.pattern = animal;
    if (catalog_->pattern(animal) && planFigure(first, *catalog_)) break;
  }
  history_ = History(first);
  settling_.setSingleShot(true);
  connect(&settling_, &QTimer::timeout, this, &Session::settle);
  connect(&summing_, &QFutureWatcher<Summed>::finished, this, &Session::summed);
  connect(&solving_, &QFutureWatcher<std::shared_ptr<const KnownSolid>>::finished, this, &Session::solved);
  replan();
}

void Session::replan() {
  ++turn_;
  // Another animal's wool is nothing to guess from.
  if (plan_ && plan_->figure.patternId != project().pattern) known_.reset();
  auto made = columna::plan(project(), *catalog_, {known_, true});
  if (made) plan_ = std::move(made).value();
  if (!known_) known_ = plan_->solid; // rough, but the next one can be guessed from it at once
  behind_ = false;
  solve();
  forgetPose();
}

/// Another animal has other limbs at the same numbers.
void Session::keepSelected(const std::string& limb) {
  const int before = std::exchange(selected_, limb.empty() ? -1 : plan_->figure.limb(limb).value_or(-1));
  if (selected_ != before) emit selectionChanged();
}

std::string Session::selectedLimb() const {
  return selected_ >= 0 ? plan_->figure.limbs[static_cast<size_t>(selected_)].id : std::string();
}

void Session::announce() {
  constexpr int pause = 150; // ms
  forgetPose();
  emit planChanged();
  if (inRun_ && settled_.isValid() && settled_.elapsed() < pause) {
    if (!settling_.isActive()) settling_.start(static_cast<int>(pause - settled_.elapsed()));
    return;
  }
  settle();
}

/// Under the hand the sums are made beside the window, which never waits for them; once it lets go, here.
void Session::settle() {
  settling_.stop();
  if (behind_ && inRun_) {
    if (summing_.isRunning()) return; // its end asks again
    summing_.setFuture(beside([turn = turn_, project = project(), shelf = catalog_, known = known_] {
      return Summed{turn, project.pattern, columna::plan(project, *shelf, {known, true})};
    }));
    return;
  }
  settled_.restart();
  if (behind_) {
    replan();
    emit planChanged();
  }
  emit planSettled();
}

void Session::summed() {
  if (!behind_ || !inRun_) return; // the hand has let go, and the whole plan is made
  Summed done = summing_.result();
  settled_.restart();
  const bool current = done.turn == turn_;
  if (done.plan && done.pattern == project().pattern &&
      done.plan->figure.limbs.size() == plan_->figure.limbs.size()) {
    Plan next = std::move(done.plan).value();
    if (!current) { // the figure has moved on meanwhile
      next.pattern = std::move(plan_->pattern);
      next.figure = std::move(plan_->figure);
      next.animal = std::move(plan_->animal);
      next.made = std::move(plan_->made);
    }
    plan_ = std::move(next);
    behind_ = !current;
    forgetPose();
    emit planChanged();
    emit planSettled();
  }
  if (behind_) settling_.start(150);
}

std::optional<QString> Session::change(const QString& name, Project project, const QString& run) {
  // Under the hand the figure alone is made anew, when the animal is the same; the sums follow when it
  // settles.
  const bool quick = !run.isEmpty() && project.pattern == this->project().pattern && settled_.isValid();
  const bool same = project.pattern == this->project().pattern;
  auto made = quick ? planFigure(project, *catalog_)
                    : columna::plan(project, *catalog_, {same ? known_ : nullptr, true});
  // What is planned must also be able to come back from a file.
  const auto problem = made ? unreadable(project) : std::optional(made.problem());
  if (problem) {
    const QString sentence = columna::sentence(*problem);
    emit refused(sentence);
    return sentence;
  }
  inRun_ = !run.isEmpty();
  ++turn_;
  history_.change(name.toStdString(), std::move(project), run.toStdString());
  if (quick) {
    Plan next = std::move(made).value();
    plan_->pattern = std::move(next.pattern);
    plan_->figure = std::move(next.figure);
    plan_->animal = std::move(next.animal);
    plan_->made = std::move(next.made);
    behind_ = true;
    announce();
    return std::nullopt;
  }
  const std::string limb = selectedLimb();
  plan_ = std::move(made).value();
  if (!same || !known_) known_ = plan_->solid;
  behind_ = false;
  solve();
  keepSelected(limb);
  announce();
  return std::nullopt;
}

void Session::setStage(Stage stage) {
  if (stage == stage_) return;
  stage_ = stage;
  if (stage == Stage::Pose && !pose_) posed_.reset(); // drawn without its sums elsewhere
  builtPlan_.reset();
  emit stageChanged();
}

void Session::select(int limb) {
  if (limb == selected_) return;
  selected_ = limb;
  emit selectionChanged();
}

void Session::selectNext(int step) {
  const int count = static_cast<int>(plan_->figure.limbs.size());
  int next = selected_ + step;
  if (next >= count) next = -1;
  if (next < -1) next = count - 1;
  select(next);
}

std::optional<QString> Session::setSize(SizeBy by, double mm, const QString& run) {
  Project p = project();
  p.size = {by, mm, {}};
  return change(tr("size"), std::move(p), run);
}

std::optional<QString> Session::setPattern(const QString& id) {
  Project p = project();
  if (p.pattern == id.toStdString()) return std::nullopt;
  const Pattern* before = catalog_->pattern(p.pattern);
  const Pattern* after = catalog_->pattern(id.toStdString());
  // A figure still called after its animal takes the new animal's name.
  if (before && after && p.name == before->name) p.name = after->name;
  p.pattern = id.toStdString();
  return change(tr("animal"), std::move(p));
}

void Session::setConstruction(Construction construction) {
  Project p = project();
  if (p.construction == construction) return;
  p.construction = construction;
  change(tr("construction"), std::move(p));
}

void Session::setUse(Use use) {
  Project p = project();
  if (p.use == use) return;
  p.use = use;
  change(tr("use"), std::move(p));
}

void Session::setMaterial(const QString& id) {
  Project p = project();
  if (p.material == id.toStdString()) return;
  p.material = id.toStdString();
  change(tr("wire material"), std::move(p));
}

void Session::setName(const QString& name) {
  Project p = project();
  if (name.trimmed().isEmpty() || p.name == name.toStdString()) return;
  p.name = name.trimmed().toStdString();
  change(tr("name"), std::move(p));
  emit fileChanged();
}

void Session::setUnits(UnitSystem units) {
  Project p = project();
  if (p.units == units) return;
  p.units = units;
  change(units == UnitSystem::Metric ? tr("millimetres") : tr("inches"), std::move(p));
}

void Session::changeLimb(int limb, const QString& name, const std::function<void(LimbChoice&)>& act) {
  Project p = project();
  p.change(plan_->figure, limb, act);
  const FigureLimb& part = plan_->figure.limbs[static_cast<size_t>(limb)];
  const QString family = QString::fromStdString(part.family);
  change(part.twin >= 0 && tied(limb) ? tr("%1s: %2").arg(family, name)
                                      : tr("%1: %2").arg(QString::fromStdString(part.name).toLower(), name),
         std::move(p));
}

void Session::setFirmness(int limb, Firmness firmness) {
  if (plan_->wool.limbs[static_cast<size_t>(limb)].firmness == firmness) return;
  changeLimb(limb, QString::fromStdString(std::string(word(firmness))),
             [&](LimbChoice& c) { c.firmness = firmness; });
}

void Session::stepFirmness(int limb, int step) {
  if (limb < 0) return;
  const int now = static_cast<int>(plan_->wool.limbs[static_cast<size_t>(limb)].firmness);
  const int next = std::clamp(now + step, 0, 2);
  setFirmness(limb, static_cast<Firmness>(next));
}

std::optional<QString> Session::setCoat(double mm, const QString& run) {
  if (!(mm >= 0 && mm <= limits::kMostCoat)) {
    const QString sentence = tr("A coat of that thickness is no coat; give 0 to 100 mm.");
    emit refused(sentence);
    return sentence;
  }
  Project p = project();
  p.coat = mm;
  return change(tr("coat"), std::move(p), run);
}

void Session::clearCoat() {
  Project p = project();
  p.coat.reset();
  (void)change(tr("usual coat"), std::move(p));
}

void Session::setFinish(Finish finish) {
  Project p = project();
  p.finish = finish;
  (void)change(tr("finish"), std::move(p));
}

bool Session::tied(int limb) const {
  const FigureLimb& part = plan_->figure.limbs[static_cast<size_t>(limb)];
  return part.twin >= 0 && !project().untied.contains(part.family);
}

void Session::toggleTied(int limb) {
  if (limb < 0) return;
  const FigureLimb& part = plan_->figure.limbs[static_cast<size_t>(limb)];
  if (part.twin < 0) return;
  Project p = project();
  if (!p.untied.erase(part.family))
    p.untied.insert(part.family);
  else { // tied again: the twin takes this side's choices
    const FigureLimb& twin = plan_->figure.limbs[static_cast<size_t>(part.twin)];
    const auto mine = p.limbs.find(part.id);
    if (mine == p.limbs.end())
      p.limbs.erase(twin.id);
    else
      p.limbs[twin.id] = mine->second;
  }
  change(tied(limb) ? tr("untie %1s").arg(QString::fromStdString(part.family))
                    : tr("tie %1s").arg(QString::fromStdString(part.family)),
         std::move(p));
}

void Session::endRun() {
  inRun_ = false;
  history_.endRun();
  if (behind_ || settling_.isActive()) settle();
  if (plan_->wool.guessed) solve();
  if (stage_ == Stage::Pose) {
    emit poseChanged();
    emit planSettled();
  }
}

void Session::undo() {
  if (!history_.canUndo()) return;
  const std::string limb = selectedLimb();
  history_.undo();
  replan();
  keepSelected(limb);
  announce();
  emit fileChanged();
}

void Session::redo() {
  if (!history_.canRedo()) return;
  const std::string limb = selectedLimb();
  history_.redo();
  replan();
  keepSelected(limb);
  announce();
  emit fileChanged();
}

} // namespace columna
