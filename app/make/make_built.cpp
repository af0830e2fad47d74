// What came out otherwise than planned, and what can be done about it: reckoned beside the window, taken by
// one key.
#include "kit/say.h"
#include "make/make_view.h"

#include <algorithm>

namespace columna {

void MakeView::ponder() {
  const auto found = deviations(*steps_, session_.record());
  const bool same = !found.empty() && off_ && off_->entry == found.front().entry && ponderedFor_ == planned_;
  off_ = found.empty() ? std::nullopt : std::optional(found.front());
  if (same) return;
  answers_.clear();
  ponderedFor_ = planned_;
  if (!off_ || pondering_.isRunning()) return; // its end asks again
  pondering_.setFuture(
      beside([project = session_.project(), shelf = session_.sharedCatalog(), plan = session_.plan(),
              steps = steps_, planned = planned_, record = session_.record(), now = clock_(), off = *off_] {
        return Pondered{off.entry, planned, builtAnswers({project, *shelf, plan, *steps, record, now}, off)};
      }));
}

void MakeView::pondered() {
  Pondered done = answerOf(pondering_);
  if (!off_) return;
  if (done.of == off_->entry && done.steps == planned_) {
    answers_ = std::move(done.answers);
    emit changed();
    return;
  }
  off_.reset(); // it is another by now
  if (steps_) ponder();
}

std::optional<QString> MakeView::answer(BuiltWay way) {
  const auto taken =
      std::find_if(answers_.begin(), answers_.end(), [way](const BuiltAnswer& a) { return a.way == way; });
  if (!off_ || taken == answers_.end()) return std::nullopt;
  const BuiltAnswer chosen = *taken; // the record's change asks anew
  const Step& step = steps_->steps[static_cast<size_t>(off_->step)];
  Entry decided = entry(EntryKind::MadeChoice);
  decided.step = step.id;
  decided.limb = session_.plan().figure->limbs[static_cast<size_t>(step.limb)].id;
  decided.of = off_->entry;
  decided.text = std::string(word(way));
  if (auto trouble = tell(std::move(decided))) return trouble;
  if (!chosen.project) return std::nullopt;
  return session_.apply(str(chosen.words, session_.units()), *chosen.project);
}

} // namespace columna
