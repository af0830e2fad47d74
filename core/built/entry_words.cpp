#include "built/entry_words.h"

#include "built/as_built.h"
#include "steps/measures.h"

namespace columna {
namespace {

Said decided(const Entry& entry, const Said& of) {
  switch (builtWay(entry.text).value_or(BuiltWay::Keep)) {
  case BuiltWay::Rest:
    return say("decided to make the rest by it: {}", of);
  case BuiltWay::Twin:
    return say("decided to make its twin like it: {}", of);
  case BuiltWay::Keep:
    break;
  }
  return say("decided to keep the plan: {}", of);
}

Said plainWords(const Entry& e, const Said& of) {
  const double value = e.value.value_or(0);
  switch (e.kind) {
  case EntryKind::Begin:
    return say("begun: {}", of);
  case EntryKind::Pause:
    return say("paused: {}", of);
  case EntryKind::Resume:
    return say("gone on with: {}", of);
  case EntryKind::Done:
    return e.by == EntryBy::Usual ? say("done: {}, the usual time taken", of) : say("done: {}", of);
  case EntryKind::LeaveOut:
    return say("left out: {}", of);
  case EntryKind::TakenUp:
    return say("taken up again: {}", of);
  case EntryKind::WeightRead:
    return say("{} weighed: {}", Mass(value), of);
  case EntryKind::LengthRead:
    return say("{} long: {}", Length(value, 1), of);
  case EntryKind::GirthRead:
    return say("{} round: {}", Length(value, 1), of);
  case EntryKind::CountRead:
  case EntryKind::AngleRead:
    return say("{} counted: {}", Number(value, 0), of);
  case EntryKind::NextTime:
    return say("next time: {}", AsIs(e.text));
  case EntryKind::MadeChoice:
    return decided(e, of);
  case EntryKind::Photo:
    return e.text.empty() ? say("photo: {}", of) : say("photo: {}", AsIs(e.text));
  default:
    return e.text.empty() ? of : Said(AsIs(e.text));
  }
}

} // namespace

Said entryWords(const Entry& entry, const Step* step, const Figure* figure) {
  const Said words = isMeasure(entry) ? measureWords(entry, figure)
                                      : plainWords(entry, step ? step->words : say("a step of another plan"));
  return entry.by == EntryBy::StandIn ? say("{} (from a stand-in, no measurement)", words) : words;
}

} // namespace columna
