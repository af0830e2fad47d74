#include "steps/pace_of.h"

#include "make/open_time.h"
#include "steps/at_bench.h"
#include "steps/measures.h"
#include "steps/steps_of.h"

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
  case FactorKind::WoundShare:
    return hand.woundShare;
  case FactorKind::WoolLost:
    return hand.woolLost;
  case FactorKind::LayOut:
    return hand.layOut;
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
/// skin are on. A weight says nothing without a girth. And how far it shrank: its girth over that it was
/// wound to, against the plan's.
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
    std::optional<double> wound;
    std::optional<double> shrunk;
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
      if (wind) wound = readOver(readings, *s, Goal::What::Round);
      // Steps are in their order: what is on by then is all that was counted.
      if (s->id.starts_with("firm/") || s->id.starts_with("skin/"))
        if (const auto girth = readOver(readings, *s, Goal::What::Round)) {
          if (weighed && planned > 0) denser = on / planned / (*girth * *girth);
          if (wound) shrunk = *girth / *wound;
        }
    }
    if (shrunk) out.factors[std::string(id(FactorKind::WoundShare))].push_back(std::log(*shrunk));
    if (denser) out.factors[std::string(id(FactorKind::FeltDensity))].push_back(std::log(*denser));
  }
}

bool takesWool(const Step& s) {
  return std::any_of(s.fetch.begin(), s.fetch.end(), [](const Fetch& f) {
    return f.what == Fetch::What::Core || f.what == Fetch::What::Coat;
  });
}

/// What is left of a part's wool when all of it is done: what was weighed of it after its last step, g.
double restOf(const StepPlan& plan, const std::vector<Entry>& entries, const std::set<std::string>& gone) {
  std::map<std::string, double> left;
  for (const Entry& e : entries) { // in the order they were made
    if (e.limb.empty() || gone.contains(e.id)) continue;
    if (e.step == kMeasuredLeft && e.value) left[e.limb] = *e.value;
    const auto at = e.kind == EntryKind::Done ? plan.find(e.step) : std::nullopt;
    if (at && takesWool(plan.steps[static_cast<size_t>(*at)]))
      left.erase(e.limb); // weighed while it was made
  }
  double sum = 0;
  for (const auto& [limb, grams] : left) sum += grams;
  return sum;
}

/// The share of the wool that was lost, by the weight of the finished figure: what was taken and is neither
/// on it nor left. Nothing where less than four fifths of the wool was weighed as it was taken.
void lost(HandFigure& out, const StepPlan& plan, const std::vector<Entry>& entries,
          const std::set<std::string>& gone) {
  constexpr double enough = 0.8;
  constexpr double least = 0.002; // a kitchen's scale tells no less
  const Readings readings(entries);
  double planned = 0;
  double weighed = 0;
  double taken = 0;
  double whole = 0; // g of the figure as planned
  std::optional<double> stands;
  for (const Step& s : plan.steps)
    for (const Goal& g : s.goals) {
      if (g.what != Goal::What::Weight) continue;
      const auto over = readOver(readings, s, Goal::What::Weight);
      if (s.id == kWeighedWhole) {
        whole = g.value;
        if (over) stands = g.value * *over;
      } else if (takesWool(s)) {
        planned += g.value;
        weighed += over ? g.value : 0;
        taken += g.value * over.value_or(1);
      }
    }
  if (!stands || planned <= 0 || weighed < enough * planned) return;
  taken -= restOf(plan, entries, gone);
  const double on = *stands - (whole - planned); // wire, eyes and what else is no wool weigh as planned
  if (taken <= 0 || on <= 0) return;
  out.factors[std::string(id(FactorKind::WoolLost))].push_back(
      std::log(std::max(least, (taken - on) / taken)));
}

/// How long the bench took to lay out anew: from the end of a step to the next one's beginning at another
/// station. As long as a rest of the hands, or many times the usual, it was something else.
void laidOut(HandFigure& out, const StepPlan& plan, const std::vector<Entry>& entries,
             const std::set<std::string>& gone) {
  constexpr double many = 4;
  const double rest = WorkWeek{}.rest;
  std::optional<std::int64_t> ended;
  Bench at = Bench::Look;
  for (const Entry& e : entries) {
    const auto when = e.step.empty() || gone.contains(e.id) ? std::nullopt : secondsOf(e.at);
    const auto step = when ? plan.find(e.step) : std::nullopt;
    if (!step) continue;
    const Bench bench = plan.steps[static_cast<size_t>(*step)].bench;
    if (e.kind == EntryKind::Begin && ended && bench != at) {
      const double minutes = static_cast<double>(*when - *ended) / 60;
      const double usual = plan.layOut[static_cast<size_t>(bench)];
      if (minutes > 0 && usual > 0 && minutes < std::min(rest, many * usual))
        out.factors[std::string(id(FactorKind::LayOut))].push_back(std::log(minutes / usual));
    }
    ended.reset();
    // Minutes that were typed, or taken for a clock left running: when it ended is not known.
    if (e.kind == EntryKind::Done && !e.value && e.by != EntryBy::Usual && e.by != EntryBy::StandIn) {
      ended = when;
      at = bench;
    }
  }
}

std::vector<FactorReading> readingsOf(FactorKind kind, const std::vector<const HandFigure*>& figures) {
  std::vector<FactorReading> out;
  for (size_t i = 0; i < figures.size(); ++i)
    if (const auto found = figures[i]->factors.find(std::string(id(kind)));
        found != figures[i]->factors.end())
      for (const double x : found->second) out.push_back({x, static_cast<int>(figures.size() - 1 - i)});
  return out;
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
  lost(out, plan, entries, gone);
  laidOut(out, plan, entries, gone);
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
  std::vector<const HandFigure*> figures = before;
  figures.push_back(&own);
  if (const auto laid = readingsOf(FactorKind::LayOut, figures); !laid.empty())
    out.layOut = learntFactor(laid, prior.layOut, prior).nextRatio().middle;
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
    const std::vector<FactorReading> readings = readingsOf(kind, figures);
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
