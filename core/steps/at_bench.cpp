#include "steps/at_bench.h"

#include "steps/measures.h"
#include "words/render.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr double kSlip = 3;         ///< times its goal
constexpr double kAlongPlaces = 10; ///< places along a limb are told apart to 0.1 mm
constexpr std::int64_t kSecondsToDry = 60;
constexpr double kMinute = 60; ///< seconds

bool over(const StepProgress& p) {
  return p.state == StepState::Done || p.state == StepState::Drying || p.state == StepState::LeftOut;
}

Said amount(const Goal& goal, double value) {
  switch (goal.what) {
  case Goal::What::Weight:
    return say("{}", Mass(value));
  case Goal::What::Count:
    return say("{}", Number(value, 0));
  case Goal::What::Long:
  case Goal::What::Round:
    break;
  }
  return say("{}", Length(value, 0));
}

/// What a reading is kept under: its step; of a girth taken in Wrap which, and the part.
std::string takenOf(const Entry& e) {
  return e.step == kMeasuredFelted || e.step == kMeasuredFinished ? e.step + '/' + e.limb : e.step;
}

} // namespace

std::optional<int> nextStep(const StepPlan& plan, const Progress& progress, const std::vector<int>& order,
                            const std::set<std::string>& putOff) {
  const auto state = [&](int step) { return progress.steps[static_cast<size_t>(step)].state; };
  // What is in the oven waits for nobody; what was not put in has nothing to be taken out.
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    const std::string& calls = plan.steps[i].calls;
    const auto back = calls.empty() ? std::nullopt : plan.find(calls);
    if (!back || state(static_cast<int>(i)) == StepState::LeftOut || putOff.contains(calls)) continue;
    if (state(*back) == StepState::Ready || state(*back) == StepState::UnderWay) return back;
  }
  std::vector<int> all = order;
  for (size_t i = 0; i < plan.steps.size(); ++i) all.push_back(static_cast<int>(i));
  for (const int step : all)
    if (state(step) == StepState::UnderWay && !putOff.contains(plan.steps[static_cast<size_t>(step)].id))
      return step;
  for (const bool late : {false, true})
    for (const int step : all)
      if ((state(step) == StepState::Ready || (late && state(step) == StepState::UnderWay)) &&
          putOff.contains(plan.steps[static_cast<size_t>(step)].id) == late)
        return step;
  return std::nullopt;
}

std::vector<DryingStep> dryingNow(const StepPlan& plan, const Progress& progress) {
  std::vector<DryingStep> out;
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    const StepProgress& p = progress.steps[i];
    if (p.state != StepState::Drying) continue;
    const Step& s = plan.steps[i];
    DryingStep d{static_cast<int>(i),
                 p.ended,
                 p.ended + std::llround(kSecondsToDry * s.waitLow),
                 p.ended + std::llround(kSecondsToDry * s.wait),
                 {}};
    for (const StepEdge& e : plan.edges)
      if (e.before == d.step && !over(progress.steps[static_cast<size_t>(e.after)]))
        d.holds.push_back(e.after);
    out.push_back(std::move(d));
  }
  std::stable_sort(out.begin(), out.end(),
                   [](const DryingStep& a, const DryingStep& b) { return a.until < b.until; });
  return out;
}

std::vector<bool> woolOn(const StepPlan& plan, const Progress& progress,
                         const std::vector<BuildStep>& build) {
  std::vector<bool> on(build.size(), false);
  std::vector<bool> stepped(build.size(), false);
  bool all = true;
  for (size_t i = 0; i < plan.steps.size(); ++i)
    if (const int b = plan.steps[i].build; b >= 0 && b < static_cast<int>(build.size())) {
      const auto at = static_cast<size_t>(b);
      stepped[at] = true;
      on[at] = over(progress.steps[i]);
      all = all && on[at];
    }
  for (size_t b = 0; b < build.size(); ++b) {
    if (stepped[b]) continue;
    on[b] = all;
    for (size_t k = 0; k < build.size(); ++k)
      if (stepped[k] && build[k].kind == build[b].kind && build[k].limb == build[b].limb) on[b] = on[k];
  }
  return on;
}

double sinceRest(const std::vector<Entry>& entries, std::int64_t now, double rest) {
  const std::set<std::string> gone = withdrawn(entries);
  std::optional<std::int64_t> since; // something runs
  std::optional<std::int64_t> ended; // what ran last
  double work = 0;                   // seconds
  const auto rested = [&](std::int64_t at) {
    return ended && static_cast<double>(at - *ended) >= rest * kMinute;
  };
  const auto stop = [&](std::int64_t at) {
    if (since) work += static_cast<double>(std::max<std::int64_t>(0, at - *since));
    if (since) ended = at;
    since.reset();
  };
  for (const Entry& e : entries) {
    const auto at = secondsOf(e.at);
    if (!at || e.step.empty() || gone.contains(e.id)) continue;
    switch (e.kind) {
    case EntryKind::Begin:
    case EntryKind::Resume:
      stop(*at);
      if (rested(*at)) work = 0;
      since = at;
      break;
    case EntryKind::Done:
      // A clock that ran while nobody was at it: what was worked was a while ago.
      if (e.value && e.by == EntryBy::Usual) {
        since.reset();
        work = 0;
        break;
      }
      stop(*at);
      break;
    case EntryKind::Pause:
    case EntryKind::LeaveOut:
      stop(*at);
      break;
    default:
      break;
    }
  }
  if (!since && rested(now)) return 0;
  if (since) work += static_cast<double>(std::max<std::int64_t>(0, now - *since));
  return work / kMinute;
}

EntryKind readingOf(Goal::What what) {
  constexpr std::array<EntryKind, 4> kinds{EntryKind::WeightRead, EntryKind::LengthRead, EntryKind::GirthRead,
                                           EntryKind::CountRead};
  return kinds[static_cast<size_t>(what)];
}

bool meets(const Goal& goal, double value) {
  constexpr double rounding = 1e-9;
  return std::abs(value - goal.value) <= goal.within + rounding;
}

bool farOff(const Goal& goal, double value) {
  constexpr double rounding = 1e-9;
  return goal.value > 0 && (value >= kSlip * goal.value || kSlip * value <= goal.value * (1 + rounding));
}

std::string goalMark(const Step& step, const Goal& goal) {
  const auto alike = std::count_if(step.goals.begin(), step.goals.end(), [&](const Goal& g) {
    return g.what == goal.what &&
           std::lround(g.along * kAlongPlaces) == std::lround(goal.along * kAlongPlaces);
  });
  return alike > 1 ? render(goal.words) : std::string();
}

Readings::Readings(const std::vector<Entry>& entries) {
  const std::set<std::string> gone = withdrawn(entries);
  for (const Entry& e : entries)
    if (e.value && !e.step.empty() && !gone.contains(e.id))
      for (const std::string& text : {std::string(), e.text})
        last_[{takenOf(e), e.kind, std::lround(e.along.value_or(0) * kAlongPlaces), text}] = e;
}

const Entry* Readings::of(const Step& step, const Goal& goal) const {
  const auto found = last_.find(
      {step.id, readingOf(goal.what), std::lround(goal.along * kAlongPlaces), goalMark(step, goal)});
  return found == last_.end() ? inWrap(step, goal) : &found->second;
}

const Entry* Readings::inWrap(const Step& step, const Goal& goal) const {
  const auto slash = step.id.find('/');
  if (goal.what != Goal::What::Round || slash == std::string::npos) return nullptr;
  const std::string verb = step.id.substr(0, slash);
  const std::string_view moment = verb == "coat"                     ? kMeasuredFinished
                                  : verb == "firm" || verb == "skin" ? kMeasuredFelted
                                                                     : std::string_view();
  if (moment.empty()) return nullptr;
  const auto found = last_.find({std::string(moment) + step.id.substr(slash), EntryKind::GirthRead,
                                 std::lround(goal.along * kAlongPlaces), std::string()});
  return found == last_.end() ? nullptr : &found->second;
}

const Entry* lastPhotoCheck(const std::vector<Entry>& entries) {
  const std::set<std::string> gone = withdrawn(entries);
  for (auto e = entries.rbegin(); e != entries.rend(); ++e)
    if (e->kind == EntryKind::Photo && e->by == EntryBy::Photo && !gone.contains(e->id)) return &*e;
  return nullptr;
}

std::vector<Finding> makeFindings(const StepPlan& plan, const Figure& figure, const Progress& progress,
                                  const std::vector<Entry>& entries) {
  std::vector<Finding> out;
  const auto add = [&](Level level, const Step& s, Said text, Said brief) {
    Finding f;
    f.level = level;
    f.where = s.limb >= 0 ? figure.limbs[static_cast<size_t>(s.limb)].id : "figure";
    f.text = std::move(text);
    f.brief = std::move(brief);
    out.push_back(std::move(f));
  };
  const Readings readings(entries);
  for (const Step& s : plan.steps)
    for (const Goal& g : s.goals) {
      const Entry* read = readings.of(s, g);
      if (!read || read->by == EntryBy::StandIn || meets(g, *read->value)) continue;
      add(Level::Doubtful, s,
          say("{}: {} was read for {} where {} is planned", s.words, amount(g, *read->value), g.words,
              amount(g, g.value)),
          say("{}: {} for {}", g.words, amount(g, *read->value), amount(g, g.value)));
    }
  for (const StepEdge& e : plan.edges) {
    const StepProgress& before = progress.steps[static_cast<size_t>(e.before)];
    const StepProgress& after = progress.steps[static_cast<size_t>(e.after)];
    if (after.state != StepState::Done && after.state != StepState::Drying) continue;
    const Step& first = plan.steps[static_cast<size_t>(e.before)];
    const Step& then = plan.steps[static_cast<size_t>(e.after)];
    if (!over(before)) {
      add(Level::Doubtful, then, say("{} was done before “{}”: {}", then.words, first.words, e.why),
          say("{} done too early", then.words));
      continue;
    }
    const double early = static_cast<double>(before.ended - after.ended) / kSecondsToDry + first.waitLow;
    if (before.state != StepState::LeftOut && first.wait > 0 && early > 0)
      add(Level::Doubtful, then,
          say("{} was done {} minutes before “{}” could be dry: look whether it holds", then.words,
              Number(std::ceil(early), 0), first.words),
          say("{} not dry", first.words));
  }
  if (const Entry* check = lastPhotoCheck(entries); check && check->value && *check->value > 0) {
    Finding f;
    f.level = Level::Doubtful;
    f.where = check->limb;
    f.text = say("by its photo: {}", AsIs(check->text));
    f.brief = say("by its photo {} off", Length(*check->value, 1));
    out.push_back(std::move(f));
  }
  return out;
}

} // namespace columna
