#include "make/make_view.h"

#include "file/demo_copy.h"
#include "judge/face_sums.h"
#include "kit/say.h"
#include "make/local_time.h"
#include "session/build_view.h"
#include "steps/pinned_jobs.h"
#include "steps/steps_of.h"

#include <algorithm>
#include <utility>

namespace columna {
namespace {

/// What the sessions are laid for; read beside the window.
struct Ask {
  Project project;
  Plan plan;
  std::shared_ptr<const Catalog> shelf;
  std::shared_ptr<const StepPlan> steps; ///< null: to be made
  std::vector<Entry> record;
  HandEvidence hand;
  std::string own;                 ///< the record's id
  std::vector<std::string> before; ///< ids of the steps as they were laid last
  std::int64_t now = 0;
};

/// As planned, but for twins that are to be made like what is there.
std::shared_ptr<const StepPlan> withTwinGoals(const std::shared_ptr<const StepPlan>& planned,
                                              const std::vector<Entry>& record) {
  if (std::none_of(record.begin(), record.end(),
                   [](const Entry& e) { return e.kind == EntryKind::MadeChoice; }))
    return planned;
  auto out = std::make_shared<StepPlan>(*planned);
  takeTwinGoals(*out, record);
  return out;
}

LaidSessions laidFor(const Ask& ask, const StepPlan& steps, const std::atomic<bool>& stop) {
  LaidSessions out;
  out.first = localDay(ask.now);
  const auto week = weekOf(ask.project.make);
  if (!week || week->week.empty()) return out;
  const Progress progress = progressOf(steps, ask.record, ask.now);
  const MakersPace pace = paceOf(steps, progress, ask.record, ask.shelf->hand, counting(ask.hand, ask.own));
  StepJobs jobs = jobsOf(
      steps, progress, ask.shelf->steps, localMinute(ask.now, out.first),
      [&](std::int64_t seconds) { return std::max(0, localMinute(seconds, out.first)); },
      [&](const Step& s) { return pace.minutes(s); }, pace.layOut);
  if (jobs.list.jobs.empty()) return out;
  const OpenTime time(*week, out.first);
  letGoOfCalls(jobs.list, time);
  SearchWish wish;
  std::vector<std::string> ids;
  for (const Step& s : steps.steps) ids.push_back(s.id);
  wish.seed = seedOf(ids);
  wish.stop = &stop;
  std::vector<int> jobOf(steps.steps.size(), -1);
  for (size_t j = 0; j < jobs.step.size(); ++j)
    jobOf[static_cast<size_t>(jobs.step[j])] = static_cast<int>(j);
  for (const std::string& id : ask.before)
    if (const auto step = steps.find(id))
      if (const int job = jobOf[static_cast<size_t>(*step)]; job >= 0) wish.before.push_back(job);
  // What is new since stands at the end; the order that was kept is for the very same jobs.
  if (!wish.before.empty())
    for (size_t j = 0; j < jobs.step.size(); ++j)
      if (std::find(wish.before.begin(), wish.before.end(), static_cast<int>(j)) == wish.before.end())
        wish.before.push_back(static_cast<int>(j));
  const auto pins = readPins(ask.project.make.pins);
  const auto pinned = pinJobs(jobs, pins ? *pins : std::vector<StepPin>(), steps, time, out.first);
  const SearchedPlan found = searchedPlan(jobs.list, time, wish);
  for (const PinnedJob& p : pinned) out.pinned.push_back(p.step);
  out.notHeld = notHeld(pinned, found.plan);
  for (const int job : found.plan.order) out.order.push_back(jobs.step[static_cast<size_t>(job)]);
  out.finish = found.plan.finish;
  out.bound = found.bound.finish;
  out.layOuts = found.plan.layOuts;
  out.layMinutes = found.plan.layMinutes;
  if (out.finish != OpenTime::kNever) out.sessions = plannedSessions(jobs, found, time);
  return out;
}

} // namespace

MakeView::MakeView(Session& session) : session_(session), handFile_(makersHandFile()), clock_(secondsNow) {
  connect(&watcher_, &QFutureWatcher<Made>::finished, this, &MakeView::made);
  connect(&pondering_, &QFutureWatcher<Pondered>::finished, this, &MakeView::pondered);
  connect(&session_, &Session::begun, this, [this] {
    forget();
    builtBefore_ = -1;
    stale();
  });
  session_.onSettled(this, [this] { stale(); });
  connect(&session_, &Session::recordChanged, this, [this] {
    judge();
    if (on_) ask();
    emit changed();
  });
  connect(&session_, &Session::fileChanged, this, &MakeView::learn);
  seconds_.setInterval(1000);
  connect(&seconds_, &QTimer::timeout, this, &MakeView::tick);
}

MakeView::~MakeView() {
  stop_ = true;
  awaitEnd(watcher_);
  awaitEnd(pondering_);
}

void MakeView::setTab(int tab) {
  if (tab == tab_) return;
  tab_ = tab;
  emit changed();
}

void MakeView::setClock(std::function<std::int64_t()> clock) {
  clock_ = std::move(clock);
  judge();
  if (on_) ask();
  emit changed();
}

std::string MakeView::animal() const {
  return session_.project().pattern + ' ' + std::to_string(session_.plan().figure->limbs.size());
}

void MakeView::forget() {
  planned_.reset();
  steps_.reset();
  off_.reset();
  answers_.clear();
  progress_ = {};
  laid_ = {};
  chosen_.reset();
  step_ = -1;
  past_.clear();
  putOff_.clear();
  findings_.clear();
  wet_.clear();
  emit changed();
}

/// The plan is another, or the week.
void MakeView::stale() {
  if (steps_ && animal_ != animal()) forget();
  steady_ = false;
  if (on_) ask();
}

void MakeView::enter() {
  on_ = true;
  builtBefore_ = session_.build().built();
  readHand();
  ask();
  judge();
  seconds_.start();
}

void MakeView::leave() {
  on_ = false;
  seconds_.stop();
  if (builtBefore_ >= 0) session_.build().setBuilt(builtBefore_);
  builtBefore_ = -1;
}

void MakeView::readHand() {
  KeptHand kept = handAt(handFile_);
  hand_ = std::move(kept.hand);
  for (const Said& message : kept.messages) session_.note(str(message, session_.units()));
}

void MakeView::setHandFile(std::filesystem::path file) {
  handFile_ = std::move(file);
  readHand();
  judge();
  emit changed();
}

std::optional<QString> MakeView::changeHand(const std::function<void(HandEvidence&)>& change) {
  if (const auto problem = columna::changeHand(handFile_, change))
    return session_.refuse(sentence(*problem, session_.units()));
  readHand();
  judge();
  if (on_) ask();
  emit changed();
  return std::nullopt;
}

void MakeView::learn() {
  if (!steps_ || session_.changed() || session_.record().empty()) return;
  if (ofDemo(session_.recordId())) return;
  HandFigure shown = shownBy(*steps_, progress_, session_.record());
  shown.project = session_.recordId();
  shown.name = session_.project().name;
  shown.pattern = session_.project().pattern;
  if (shown.paces.empty() && shown.factors.empty() && shown.next.empty()) return;
  // Saved without anything new it need not be written.
  for (const HandFigure& f : hand_.figures)
    if (f.project == shown.project) {
      shown.struck = f.struck;
      for (NextNote& note : shown.next)
        for (const NextNote& known : f.next)
          if (known.text == note.text) note.away = known.away;
      if (f == shown) return;
    }
  (void)changeHand([&](HandEvidence& hand) { takeIn(hand, shown); });
}

void MakeView::ask() {
  ++turn_;
  if (making_ || session_.inRun()) return; // its end asks again; so does the hand's
  making_ = true;
  stop_ = false;
  std::vector<std::string> before;
  if (steps_)
    for (const int step : laid_.order) before.push_back(steps_->steps[static_cast<size_t>(step)].id);
  Ask ask{session_.project(),           session_.plan(),   session_.sharedCatalog(),
          steady_ ? planned_ : nullptr, session_.record(), hand_,
          session_.recordId(),          std::move(before), clock_()};
  steady_ = true;
  watcher_.setFuture(beside([ask = std::move(ask), turn = turn_, animal = animal(), stop = &stop_] {
    Made out{turn, animal, ask.steps, {}};
    if (!out.steps) {
      const auto face = faceSums(ask.project, *ask.shelf, ask.plan);
      out.steps = std::make_shared<const StepPlan>(stepsOf(ask.project, *ask.shelf, ask.plan, face.get()));
    }
    out.laid = laidFor(ask, *out.steps, *stop);
    return out;
  }));
}

void MakeView::made() {
  Made done = answerOf(watcher_);
  making_ = false;
  if (done.animal != animal()) { // it is another by now
    steady_ = false;
    if (on_) ask();
    return;
  }
  animal_ = done.animal;
  const std::string at = now() ? now()->id : std::string();
  const bool chosen = chosen_.has_value();
  steps_ = planned_ = std::move(done.steps);
  laid_ = std::move(done.laid);
  // A step that is looked at stays, wherever it stands now.
  chosen_ = chosen ? steps_->find(at) : std::nullopt;
  if (!wished_.empty())
    if (const auto wished = steps_->find(std::exchange(wished_, {}))) chosen_ = wished;
  judge();
  emit changed();
  if (done.turn != turn_ && on_) ask();
}

void MakeView::judge() {
  if (!steps_) return;
  steps_ = withTwinGoals(planned_, session_.record());
  progress_ = progressOf(*steps_, session_.record(), clock_());
  readings_ = Readings(session_.record());
  pace_ = paceOf(*steps_, progress_, session_.record(), session_.catalog().hand,
                 counting(hand_, session_.recordId()));
  findings_ = makeFindings(*steps_, session_.plan().figure, progress_, session_.record());
  for (Finding& f : pinFindings(laid_.notHeld, *steps_, session_.plan().figure))
    findings_.push_back(std::move(f));
  ponder();
  follow();
  stand();
  // Told whoever finds it out first: the clock, or what was asked for beside the window.
  const std::set<std::string> before = std::exchange(wet_, {});
  std::vector<int> dry;
  for (size_t i = 0; i < steps_->steps.size(); ++i) {
    const std::string& id = steps_->steps[i].id;
    if (progress_.steps[i].state == StepState::Drying) wet_.insert(id);
    if (progress_.steps[i].state == StepState::Done && before.contains(id))
      dry.push_back(static_cast<int>(i));
  }
  for (const int step : dry) emit dried(step);
}

/// What is looked at: the step chosen, as long as it can be, or the next.
void MakeView::follow() {
  const int before = step_;
  if (chosen_ && progress(*chosen_).state == StepState::Done) chosen_.reset();
  step_ = chosen_ ? *chosen_ : nextStep(*steps_, progress_, laid_.order, putOff_).value_or(-1);
  // What was chosen on the figure before there were steps stays.
  if (on_ && step_ >= 0 && step_ != before && (before >= 0 || session_.selected() < 0))
    if (const int limb = now()->limb;
        limb >= 0 && limb < static_cast<int>(session_.plan().figure->limbs.size()))
      session_.select(limb);
}

/// The figure on the mat is as far as the record is.
void MakeView::stand() {
  if (on_) session_.build().setDone(woolOn(*steps_, progress_, session_.build().steps()));
}

void MakeView::tick() {
  if (!steps_) return;
  const std::vector<DryingStep> waiting = drying();
  if (running() < 0 && waiting.empty()) return;
  if (!waiting.empty() && waiting.front().until <= clock_()) {
    judge();
    emit changed();
    return;
  }
  if (running() >= 0) progress_ = progressOf(*steps_, session_.record(), clock_());
  watchHands();
  emit ticked();
}

/// Hands that have worked a stretch are told to rest, once.
void MakeView::watchHands() {
  const MakeWish& wish = session_.project().make;
  const double worked = sinceRest(session_.record(), clock_(), wish.rest);
  const bool before = std::exchange(tired_, worked >= wish.stretch);
  if (tired_ && !before && running() >= 0) emit tired(static_cast<int>(worked));
}

std::vector<DryingStep> MakeView::drying() const {
  return steps_ ? dryingNow(*steps_, progress_) : std::vector<DryingStep>();
}

std::optional<Fitting> MakeView::fits(int minutes) const {
  if (!steps_) return std::nullopt;
  const Date first = localDay(clock_());
  const StepJobs jobs = jobsOf(
      *steps_, progress_, session_.catalog().steps, localMinute(clock_(), first),
      [&](std::int64_t seconds) { return std::max(0, localMinute(seconds, first)); },
      [&](const Step& s) { return pace_.minutes(s); }, pace_.layOut);
  return fitting(*steps_, jobs, minutes);
}

const Step* MakeView::now() const {
  return steps_ && step_ >= 0 ? &steps_->steps[static_cast<size_t>(step_)] : nullptr;
}

int MakeView::running() const {
  if (!steps_) return -1;
  // Under way and not paused: the last that was said of it.
  const std::set<std::string> gone = withdrawn(session_.record());
  for (auto e = session_.record().rbegin(); e != session_.record().rend(); ++e) {
    if (gone.contains(e->id) || e->step.empty()) continue;
    switch (e->kind) {
    case EntryKind::Begin:
    case EntryKind::Resume:
      return steps_->find(e->step).value_or(-1);
    case EntryKind::Pause:
    case EntryKind::Done:
    case EntryKind::LeaveOut:
      return -1;
    default:
      break;
    }
  }
  return -1;
}

void MakeView::choose(int step) {
  if (!steps_ || step < 0 || step >= static_cast<int>(steps_->steps.size()) || step == step_) return;
  if (now()) past_.push_back(now()->id);
  chosen_ = step;
  follow();
  emit changed();
}

void MakeView::choose(const std::string& id) {
  if (!steps_)
    wished_ = id;
  else if (const auto step = steps_->find(id))
    choose(*step);
}

void MakeView::later() {
  if (!now()) return;
  past_.push_back(now()->id);
  putOff_.insert(now()->id);
  chosen_.reset();
  follow();
  if (past_.back() == (now() ? now()->id : std::string())) past_.pop_back(); // there is no other
  emit changed();
}

void MakeView::earlier() {
  while (!past_.empty()) {
    const std::string id = past_.back();
    past_.pop_back();
    putOff_.erase(id);
    if (const auto step = steps_->find(id);
        step && *step != step_ && progress(*step).state != StepState::Done) {
      chosen_ = *step;
      break;
    }
  }
  follow();
  emit changed();
}

} // namespace columna
