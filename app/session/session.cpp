#include "session/session.h"

#include "built/wire_in.h"
#include "file/readable.h"
#include "judge/planning.h"
#include "kit/beside.h"
#include "kit/say.h"
#include "session/build_view.h"
#include "session/stance_view.h"

#include <QWidget>

#include <utility>

namespace columna {

Session::~Session() {
  *stopSolving_ = true;
  awaitEnd(summing_);
  awaitEnd(solving_);
}

Session::Session(Catalog catalog, QObject* parent)
    : QObject(parent), catalog_(std::make_shared<const Catalog>(std::move(catalog))), history_(Project()),
      stance_(new StanceView(*this)), build_(new BuildView(*this)) {
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
  telling_.setSingleShot(true);
  connect(&telling_, &QTimer::timeout, this, &Session::tellNext);
  connect(&summing_, &QFutureWatcher<Summed>::finished, this, &Session::summed);
  connect(&solving_, &QFutureWatcher<std::shared_ptr<const KnownSolid>>::finished, this, &Session::solved);
  replan();
}

void Session::replan() {
  ++turn_;
  // Another animal's wool is nothing to guess from.
  if (plan_ && plan_->figure->patternId != project().pattern) known_.reset();
  auto made = columna::plan(project(), *catalog_, {known_, true, 1, plan_ ? &*plan_ : nullptr});
  if (made) plan_ = std::move(made).value();
  if (!known_) known_ = plan_->solid; // rough, but the next one can be guessed from it at once
  behind_ = false;
  solve();
  forget();
}

/// Another animal has other limbs at the same numbers.
void Session::keepSelected(const std::string& limb) {
  const int before = std::exchange(selected_, limb.empty() ? -1 : plan_->figure->limb(limb).value_or(-1));
  if (selected_ != before) emit selectionChanged();
}

std::string Session::selectedLimb() const {
  return selected_ >= 0 ? plan_->figure->limbs[static_cast<size_t>(selected_)].id : std::string();
}

void Session::announce() {
  asMade_.reset();
  constexpr int pause = 150; // ms
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
    if (std::exchange(awaited_, true)) return; // its end asks again
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
  tellSettled();
}

void Session::onSettled(QObject* listener, std::function<void()> told) {
  listeners_.push_back({listener, std::move(told)});
}

void Session::tellSettled() {
  if (!inRun_) passedOver_ = false;
  untold_ = listeners_.size();
  // Those still waiting for their turn are told of this plan when it comes.
  if (!inRun_ || !telling_.isActive()) tellNext();
}

void Session::tellNext() {
  constexpr int slice = 3;  // ms of a frame of 16
  constexpr int pause = 12; // ms to the next frame
  telling_.stop();
  QElapsedTimer clock;
  clock.start();
  while (untold_ > 0 && (!inRun_ || clock.elapsed() < slice)) {
    --untold_;
    const Listener now = listeners_[next_]; // telling may add others
    next_ = next_ + 1 < listeners_.size() ? next_ + 1 : 0;
    // What is not to be seen waits until the hand lets go.
    const auto* widget = qobject_cast<const QWidget*>(now.who.data());
    if (inRun_ && widget && !widget->isWindow() && !widget->isVisibleTo(widget->window())) {
      passedOver_ = true;
      continue;
    }
    // What is told may lead to another change, and to all being told of that.
    if (now.who) now.told();
  }
  if (untold_ > 0) return telling_.start(pause);
  std::erase_if(listeners_, [](const Listener& each) { return !each.who; });
  next_ = 0;
}

void Session::summed() {
  awaited_ = false;
  if (!behind_ || !inRun_) return; // the hand has let go, and the whole plan is made
  Summed done = answerOf(summing_);
  settled_.restart();
  const bool current = done.turn == turn_;
  if (done.plan && done.pattern == project().pattern &&
      done.plan->figure->limbs.size() == plan_->figure->limbs.size()) {
    Plan next = std::move(done.plan).value();
    if (!current) next.takeFigure(*plan_); // the figure has moved on meanwhile
    plan_ = std::move(next);
    behind_ = !current;
    forget();
    emit planChanged();
    tellSettled();
  }
  if (behind_) settling_.start(150);
}

const Session::AsMade& Session::asMade() const {
  if (!asMade_) {
    asMade_.emplace();
    asMade_->wireIn = columna::wireIn(*plan_->figure, record_.entries);
    asMade_->findings = withWireIn(*plan_, asMade_->wireIn);
  }
  return *asMade_;
}

const std::vector<Finding>& Session::findings() const { return asMade().findings; }

bool Session::wireIn(int limb) const {
  const auto& in = asMade().wireIn;
  return limb >= 0 && static_cast<size_t>(limb) < in.size() && in[static_cast<size_t>(limb)];
}

void Session::forget() {
  asMade_.reset();
  stance_->forget();
  build_->forget();
}

std::optional<QString> Session::apply(const QString& name, Result<Project> changed, const QString& run) {
  if (!changed) return refuse(sentence(changed.problem(), units()));
  Project next = std::move(changed).value();
  if (next == project()) return std::nullopt;
  // Under the hand the figure alone is made anew, when the animal is the same; the sums follow when it
  // settles.
  const bool alike = samePlan(next, project());
  const bool same = next.pattern == project().pattern;
  const bool quick = !alike && !run.isEmpty() && same && settled_.isValid();
  std::optional<Result<Plan>> made;
  if (!alike)
    made = quick ? planFigure(next, *catalog_)
                 : columna::plan(next, *catalog_, {same ? known_ : nullptr, true, 1, &*plan_});
  // What is planned must also be able to come back from a file.
  const auto problem = made && !made->ok() ? std::optional(made->problem()) : unreadable(next);
  if (problem) return refuse(sentence(*problem, units()));
  inRun_ = !run.isEmpty();
  ++turn_;
  const Project before = project();
  history_.change(name.toStdString(), std::move(next), run.toStdString());
  if (alike) {
    take(before);
  } else if (quick) {
    plan_->takeFigure(**made);
    behind_ = true;
    forget();
    announce();
  } else {
    const std::string limb = selectedLimb();
    plan_ = std::move(*made).value();
    if (!same || !known_) known_ = plan_->solid;
    behind_ = false;
    solve();
    forget();
    keepSelected(limb);
    announce();
  }
  if (before.photos != project().photos) emit photosChanged();
  if (before.name != project().name) emit fileChanged();
  tellMeasures();
  return std::nullopt;
}

/// What the plan does not follow from is another: the plan stays.
void Session::take(const Project& before) {
  if (before.stances == project().stances) {
    announce();
    return;
  }
  stance_->stanceChanged(!inRun_); // a drag changes none of the kept poses
  build_->forget();
  emit poseChanged();
  if (!inRun_) tellSettled();
}

QString Session::refuse(const QString& sentence) {
  emit refused(sentence);
  return sentence;
}

void Session::note(const QString& words) { emit noted(words); }

void Session::setStage(StageId stage) {
  if (stage == stage_) return;
  stage_ = stage;
  emit stageChanged();
}

void Session::select(int limb) {
  if (limb == selected_) return;
  selected_ = limb;
  emit selectionChanged();
}

void Session::endRun() {
  inRun_ = false;
  history_.endRun();
  if (behind_ || settling_.isActive()) settle();
  if (telling_.isActive()) tellNext(); // the rest at once
  if (plan_->wool->guessed) solve();
  stance_->settle();
  if (stance_->judged()) {
    emit poseChanged();
    tellSettled();
  }
  if (passedOver_) tellSettled();
  tellMeasures();
}

void Session::step(bool back) {
  if (back ? !history_.canUndo() : !history_.canRedo()) return;
  const Project before = project();
  const std::string limb = selectedLimb();
  back ? history_.undo() : history_.redo();
  ++turn_;
  inRun_ = false;
  if (samePlan(before, project()) && !behind_) {
    take(before);
  } else {
    replan();
    keepSelected(limb);
    announce();
  }
  if (before.photos != project().photos) emit photosChanged();
  emit fileChanged();
  tellMeasures();
}

void Session::undo() { step(true); }
void Session::redo() { step(false); }

} // namespace columna
