// What the maker tells of the work: each an entry of the record, on the disk before it is shown.
#include "kit/say.h"
#include "make/local_time.h"
#include "make/make_view.h"
#include "make/step_pins.h"
#include "session/changes.h"
#include "steps/measures.h"

#include <algorithm>

namespace columna {

Entry MakeView::entry(EntryKind kind) const {
  Entry out;
  out.kind = kind;
  out.at = zonedText(clock_());
  if (const Step* step = now()) {
    out.step = step->id;
    if (step->limb >= 0) out.limb = session_.plan().figure->limbs[static_cast<size_t>(step->limb)].id;
  }
  return out;
}

std::optional<QString> MakeView::tell(Entry entry) { return session_.noteDown(std::move(entry)); }

std::optional<QString> MakeView::begin() {
  if (!now() || running() == step_) return std::nullopt;
  const StepState state = progress(step_).state;
  if (state == StepState::Later)
    for (const StepEdge& e : steps_->edges)
      if (e.after == step_) {
        const StepState before = progress(e.before).state;
        const bool over = before == StepState::Done || before == StepState::LeftOut;
        if (!over)
          return session_.refuse(
              before == StepState::Drying
                  ? tr("Not yet: “%1” still dries.")
                        .arg(str(steps_->steps[static_cast<size_t>(e.before)].words, session_.units()))
                  : tr("Not yet: first “%1”; %2.")
                        .arg(str(steps_->steps[static_cast<size_t>(e.before)].words, session_.units()),
                             str(e.why, session_.units())));
      }
  chosen_ = step_; // what is begun is what is looked at
  putOff_.erase(now()->id);
  // There is one pair of hands: what runs is paused.
  if (auto trouble = pause()) return trouble;
  return tell(entry(state == StepState::UnderWay ? EntryKind::Resume : EntryKind::Begin));
}

std::optional<QString> MakeView::pause() {
  const int step = running();
  if (step < 0) return std::nullopt;
  const Step& runs = steps_->steps[static_cast<size_t>(step)];
  Entry stop = entry(EntryKind::Pause);
  stop.step = runs.id;
  stop.limb =
      runs.limb >= 0 ? session_.plan().figure->limbs[static_cast<size_t>(runs.limb)].id : std::string();
  return tell(std::move(stop));
}

bool MakeView::ranOn() const {
  constexpr double times = 3;
  constexpr double minutes = 60;
  const Step* step = now();
  return step && progress(step_).spent > std::max(times * step->planned, step->planned + minutes);
}

std::optional<QString> MakeView::finish(bool usual) {
  if (!now() || progress(step_).state != StepState::UnderWay) return std::nullopt;
  Entry done = entry(EntryKind::Done);
  if (usual) {
    done.value = now()->planned;
    done.by = EntryBy::Usual;
  }
  past_.push_back(now()->id);
  chosen_.reset();
  return tell(std::move(done));
}

std::optional<QString> MakeView::leaveOut() {
  if (!now()) return std::nullopt;
  chosen_.reset();
  return tell(entry(EntryKind::LeaveOut));
}

std::optional<QString> MakeView::takeBack() {
  const std::set<std::string> gone = withdrawn(session_.record());
  for (auto e = session_.record().rbegin(); e != session_.record().rend(); ++e) {
    const bool step = e->kind == EntryKind::Begin || e->kind == EntryKind::Pause ||
                      e->kind == EntryKind::Resume || e->kind == EntryKind::Done ||
                      e->kind == EntryKind::LeaveOut;
    if (!step || gone.contains(e->id)) continue;
    const std::string of = e->step; // the record grows
    if (auto trouble = withdraw(e->id)) return trouble;
    if (steps_)
      if (const auto at = steps_->find(of)) choose(*at);
    return std::nullopt;
  }
  return session_.refuse(tr("There is nothing to take back."));
}

std::optional<QString> MakeView::read(const Goal& goal, double value, EntryBy by, bool moving) {
  Entry reading = entry(readingOf(goal.what));
  reading.value = value;
  reading.by = by;
  reading.moving = moving;
  if (now()) reading.text = goalMark(*now(), goal);
  if (goal.along > 0) reading.along = goal.along;
  return tell(std::move(reading));
}

std::optional<QString> MakeView::write(EntryKind kind, const QString& text) {
  if (text.trimmed().isEmpty()) return std::nullopt;
  Entry note = entry(kind);
  note.text = text.trimmed().toStdString();
  return tell(std::move(note));
}

std::optional<QString> MakeView::photo(const QByteArray& jpeg, const QString& text) {
  Entry note = entry(EntryKind::Photo);
  note.text = text.trimmed().toStdString();
  return session_.notePhoto(jpeg, std::move(note));
}

std::optional<QString> MakeView::photoCheck(const QByteArray& jpeg, const QString& text,
                                            const std::string& limb, double off, EntryBy by) {
  Entry check = entry(EntryKind::Photo);
  check.text = text.trimmed().left(static_cast<int>(kEntryText) / 4).toStdString();
  check.limb = limb;
  check.value = off;
  check.by = by;
  return session_.notePhoto(jpeg, std::move(check));
}

void MakeView::pin(int step, std::optional<int> moment) {
  if (!steps_ || step < 0) return;
  const std::string& id = steps_->steps[static_cast<size_t>(step)].id;
  const auto kept = readPins(session_.project().make.pins);
  std::vector<StepPin> pins = kept ? *kept : std::vector<StepPin>();
  std::erase_if(pins, [&](const StepPin& p) { return p.step == id; });
  if (moment) pins.push_back(pinAt(id, laid_.first, *moment));
  MakeWish wish = session_.project().make;
  wish.pins = pinsText(pins);
  (void)changes::setMakeWish(session_, wish); // a refusal has been told by then
}

bool MakeView::pinned(int step) const {
  return std::find(laid_.pinned.begin(), laid_.pinned.end(), step) != laid_.pinned.end();
}

std::optional<QString> MakeView::withdraw(const std::string& of) {
  // What a stage measured is taken out of the project, or put back; the record follows that by itself.
  const auto known = [this](const std::string& id) {
    const auto& all = session_.record();
    const auto found = std::find_if(all.begin(), all.end(), [&](const Entry& e) { return e.id == id; });
    return found == all.end() ? nullptr : &*found;
  };
  const Entry* given = known(of);
  const bool bringBack = given && given->kind == EntryKind::Withdraw;
  const Entry* measure = bringBack ? known(given->of) : given;
  if (measure && isMeasure(*measure)) {
    auto changed =
        bringBack ? withMeasure(session_.project(), *measure) : withoutMeasure(session_.project(), *measure);
    if (!changed || *changed != session_.project())
      return session_.apply(bringBack ? tr("bring a measure back") : tr("withdraw a measure"),
                            std::move(changed));
  }
  Entry back = entry(EntryKind::Withdraw);
  back.step.clear();
  back.limb.clear();
  back.of = of;
  return tell(std::move(back));
}

std::optional<QString> MakeView::withdrawStandIns() {
  const std::set<std::string> gone = withdrawn(session_.record());
  std::vector<std::string> all;
  for (const Entry& e : session_.record())
    if (e.by == EntryBy::StandIn && !gone.contains(e.id)) all.push_back(e.id);
  for (const std::string& each : all)
    if (auto trouble = withdraw(each)) return trouble;
  return std::nullopt;
}

} // namespace columna
