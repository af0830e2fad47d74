#include "steps/pace_of.h"

#include "steps/at_bench.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

namespace columna {
namespace {

constexpr double kManySteps = 1e6; ///< the work of a kind, not one step of it

std::optional<int> kindOf(const std::string& word) {
  for (int k = 0; k < kPaceKinds; ++k)
    if (id(static_cast<PaceKind>(k)) == word) return k;
  return std::nullopt;
}

void addPaces(std::vector<PaceRecord>& out, const HandFigure& figure, int number) {
  for (const TimedStep& s : figure.paces)
    if (const auto kind = kindOf(s.kind)) out.push_back({number, *kind, s.ratio});
}

bool finished(StepState state) { return state == StepState::Done || state == StepState::Drying; }

const FactorPrior& priorOf(FactorKind kind, const HandPrior& hand) {
  switch (kind) {
  case FactorKind::WireCut:
    return hand.wireCut;
  case FactorKind::LimbLength:
    return hand.limbLength;
  case FactorKind::FeltDensity:
    break;
  }
  return hand.feltDensity;
}

/// A reading over its goal; nothing where none was taken that can be learnt from.
std::optional<double> readOver(const Readings& readings, const Step& s, Goal::What what) {
  for (const Goal& g : s.goals) {
    const Entry* e = g.what == what && g.value > 0 ? readings.of(s, g) : nullptr;
    const bool measured = e && !e->moving && e->by != EntryBy::StandIn && e->by != EntryBy::Photo;
    if (measured && *e->value > 0 && !farOff(g, *e->value)) return *e->value / g.value;
  }
  return std::nullopt;
}

/// How dense each part was felted, by what is on it and its girth: skinned, or else firmed before pads and
/// skin are on. A weight says nothing without a girth.
void felted(HandFigure& out, const StepPlan& plan, const std::vector<Entry>& entries) {
  const Readings readings(entries);
  std::map<int, std::vector<const Step*>> ofLimb;
  for (const Step& s : plan.steps)
    if (s.limb >= 0) ofLimb[s.limb].push_back(&s);
  for (const auto& [limb, steps] : ofLimb) {
    double planned = 0;
    double on = 0;
    bool weighed = false; // what was wound, which is most of it
    std::optional<double> denser;
    for (const Step* s : steps) {
      const bool wind = s->id.starts_with("wind/");
      if (wind || s->id.starts_with("pad/") || s->id.starts_with("skin/")) {
        const auto weight = readOver(readings, *s, Goal::What::Weight);
        weighed = weighed || (wind && weight);
        for (const Goal& g : s->goals)
          if (g.what == Goal::What::Weight) {
            planned += g.value;
            on += g.value * weight.value_or(1);
          }
      }
      // Steps are in their order: what is on by then is all that was counted.
      if (s->id.starts_with("firm/") || s->id.starts_with("skin/"))
        if (const auto girth = readOver(readings, *s, Goal::What::Round); girth && weighed && planned > 0)
          denser = on / planned / (*girth * *girth);
    }
    if (denser) out.factors[std::string(id(FactorKind::FeltDensity))].push_back(std::log(*denser));
  }
}

} // namespace

HandFigure shownBy(const StepPlan& plan, const Progress& progress, const std::vector<Entry>& entries) {
  HandFigure out;
  if (!entries.empty()) out.date = entries.front().at.substr(0, 10);
  const std::set<std::string> gone = withdrawn(entries);
  std::set<std::string> untimed;
  for (const Entry& e : entries)
    if (e.kind == EntryKind::Done && !gone.contains(e.id) &&
        (e.by == EntryBy::Usual || e.by == EntryBy::StandIn))
      untimed.insert(e.step);
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    const Step& s = plan.steps[i];
    const StepProgress& p = progress.steps[i];
    if (finished(p.state) && s.planned > 0 && p.spent > 0 && !untimed.contains(s.id))
      out.paces.push_back({std::string(id(s.pace)), std::log(p.spent / s.planned), s.planned});
  }
  for (const Entry& e : entries) {
    if (!e.value || *e.value <= 0 || gone.contains(e.id) || e.moving) continue;
    if (e.by == EntryBy::StandIn || e.by == EntryBy::Photo || e.by == EntryBy::Usual) continue;
    const auto at = plan.find(e.step);
    if (!at || e.kind != EntryKind::LengthRead) continue;
    const Step& s = plan.steps[static_cast<size_t>(*at)];
    for (const Goal& g : s.goals) {
      if (g.what != Goal::What::Long || g.value <= 0) continue;
      if (const std::string mark = goalMark(s, g); !mark.empty() && mark != e.text) continue;
      if (s.bench == Bench::Wire && s.id.starts_with("cut/"))
        out.factors[std::string(id(FactorKind::WireCut))].push_back(*e.value - g.value);
      else
        out.factors[std::string(id(FactorKind::LimbLength))].push_back(std::log(*e.value / g.value));
    }
  }
  felted(out, plan, entries);
  for (const Entry& e : entries)
    if (e.kind == EntryKind::NextTime && !e.text.empty() && !gone.contains(e.id))
      out.next.push_back({e.text, false});
  return out;
}

MakersPace paceOf(const StepPlan& plan, const Progress& progress, const std::vector<Entry>& entries,
                  const HandPrior& prior, const std::vector<const HandFigure*>& before) {
  std::vector<PaceRecord> records;
  int figure = 0;
  for (const HandFigure* each : before)
    if (!each->paces.empty()) addPaces(records, *each, figure++);
  MakersPace out;
  out.figures = figure;
  const HandFigure own = shownBy(plan, progress, entries);
  out.steps = static_cast<int>(own.paces.size());
  addPaces(records, own, figure);
  std::array<double, kPaceKinds> left{};
  std::array<double, kPaceKinds> squares{};
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    const StepProgress& p = progress.steps[i];
    if (finished(p.state) || p.state == StepState::LeftOut) continue;
    const auto k = static_cast<size_t>(plan.steps[i].pace);
    const double minutes = std::max(0.0, plan.steps[i].planned - p.spent);
    left[k] += minutes;
    squares[k] += minutes * minutes;
  }
  const bool underWay = !own.paces.empty();
  const PaceHand hand(records, kPaceKinds, figure + 1, prior);
  const PaceHand nobody({}, kPaceKinds, 1, prior);
  std::vector<PlannedWork> work(kPaceKinds);
  for (size_t k = 0; k < kPaceKinds; ++k) {
    constexpr double some = 60; // the factor does not depend on it
    const int kind = static_cast<int>(k);
    out.factor[k] = records.empty()
                        ? 1.0
                        : hand.step(kind, some, underWay).middle / nobody.step(kind, some, false).middle;
    if (squares[k] > 0) work[k] = {left[k], left[k] * left[k] / squares[k]};
  }
  out.left = hand.sum(work, underWay);
  return out;
}

std::vector<HandTrait> handTraits(const std::vector<const HandFigure*>& figures, const HandPrior& prior) {
  std::vector<HandTrait> out;
  std::vector<PaceRecord> records;
  int count = 0;
  for (const HandFigure* each : figures)
    if (!each->paces.empty()) addPaces(records, *each, count++);
  const PaceHand hand(records, kPaceKinds, std::max(1, count), prior);
  const PaceHand nobody({}, kPaceKinds, 1, prior);
  for (int k = 0; k < kPaceKinds; ++k) {
    const auto of =
        std::count_if(records.begin(), records.end(), [&](const PaceRecord& r) { return r.kind == k; });
    if (of == 0) continue;
    HandTrait t;
    t.id = id(static_cast<PaceKind>(k));
    std::vector<PlannedWork> work(kPaceKinds);
    work[static_cast<size_t>(k)] = {1, kManySteps};
    t.usual = nobody.sum(work, false);
    t.now = hand.sum(work, false);
    t.readings = static_cast<int>(of);
    out.push_back(t);
  }
  for (int f = 0; f < kFactorKinds; ++f) {
    const auto kind = static_cast<FactorKind>(f);
    std::vector<FactorReading> readings;
    for (size_t i = 0; i < figures.size(); ++i)
      if (const auto found = figures[i]->factors.find(std::string(id(kind)));
          found != figures[i]->factors.end())
        for (const double x : found->second)
          readings.push_back({x, static_cast<int>(figures.size() - 1 - i)});
    if (readings.empty()) continue;
    HandTrait t;
    t.id = id(kind);
    t.pace = false;
    t.ratio = kind != FactorKind::WireCut;
    const Factor usual = learntFactor({}, priorOf(kind, prior), prior);
    const Factor now = learntFactor(readings, priorOf(kind, prior), prior);
    t.usual = t.ratio ? usual.nextRatio() : usual.next();
    t.now = t.ratio ? now.nextRatio() : now.next();
    t.readings = static_cast<int>(readings.size());
    out.push_back(t);
  }
  return out;
}

} // namespace columna
