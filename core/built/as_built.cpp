#include "built/as_built.h"

#include "edit/study_edit.h"
#include "judge/face_sums.h"
#include "judge/planning.h"
#include "steps/steps_of.h"
#include "wool/when_to_stop.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr double kSmall = 0.05; ///< a difference the plan bears [E]: felt gives more

bool over(const StepProgress& p) {
  return p.state == StepState::Done || p.state == StepState::Drying || p.state == StepState::LeftOut;
}

bool is(const Step& step, std::string_view verb) {
  return step.id.size() > verb.size() && step.id.starts_with(verb) && step.id[verb.size()] == '/';
}

/// The other of a pair at the same work; -1 without one.
int twinStep(const StepPlan& steps, int step) {
  const Step& s = steps.steps[static_cast<size_t>(step)];
  if (s.batch.empty() || s.limb < 0) return -1;
  for (size_t i = 0; i < steps.steps.size(); ++i)
    if (steps.steps[i].batch == s.batch && steps.steps[i].limb != s.limb && steps.steps[i].limb >= 0)
      return static_cast<int>(i);
  return -1;
}

bool alike(const Goal& a, const Goal& b) {
  return a.what == b.what && std::abs(a.along - b.along) < 1 && a.words == b.words;
}

/// What is left to do.
struct Left {
  double core = 0, coat = 0; ///< g
  double minutes = 0;
};
Left leftOf(const StepPlan& steps, const Progress& progress) {
  Left out;
  for (size_t i = 0; i < steps.steps.size(); ++i) {
    if (over(progress.steps[i])) continue;
    const Step& s = steps.steps[i];
    out.minutes += std::max(0.0, s.planned - progress.steps[i].spent);
    for (const Fetch& f : s.fetch) {
      if (f.what == Fetch::What::Core) out.core += f.amount;
      if (f.what == Fetch::What::Coat) out.coat += f.amount;
    }
  }
  return out;
}

/// How many times as thick a limb is with its coat on, where its felt came to so many times its girth.
double coatedRatio(const LimbWool& wool, double along, double ratio, bool coated) {
  const Girth* at = girthNear(wool, along);
  if (coated || !at || !(at->finished > 0) || !(at->felted > 0)) return ratio;
  return 1 + (ratio - 1) * std::min(1.0, at->felted / at->finished);
}

class Answers {
public:
  Answers(const BuiltAsk& ask, const Deviation& deviation)
      : ask_(ask), off_(deviation), step_(ask.steps.steps[static_cast<size_t>(deviation.step)]),
        progress_(progressOf(ask.steps, ask.entries, ask.now)),
        levels_(builtLevels(ask.plan, ask.steps, progress_)),
        wool_(ask.plan.wool->limbs[static_cast<size_t>(step_.limb)]) {}

  std::vector<BuiltAnswer> make() {
    std::vector<BuiltAnswer> out;
    const bool small = std::abs(off_.ratio() - 1) <= kSmall;
    auto twin = asTwin();
    auto rest = byRest();
    if (twin) out.push_back(std::move(*twin));
    if (rest && !small) out.push_back(std::move(*rest));
    out.push_back(keep());
    if (rest && small) out.push_back(std::move(*rest));
    return out;
  }

private:
  [[nodiscard]] const FigureLimb& limb(int l) const {
    return ask_.plan.figure->limbs[static_cast<size_t>(l)];
  }

  [[nodiscard]] BuiltAnswer keep() const {
    BuiltAnswer out{BuiltWay::Keep, say("keep the plan"), {}, {}};
    if (off_.goal.what == Goal::What::Weight) {
      out.result = off_.read < off_.goal.value
                       ? say("it has {} less on than planned: put the tape round before you add any",
                             Mass(off_.goal.value - off_.read))
                       : say("it has {} more on than planned: put the tape round before the next part",
                             Mass(off_.read - off_.goal.value));
      return out;
    }
    const GirthAdvice advice =
        adviseGirth(limb(step_.limb), wool_, off_.goal.along, off_.read, is(step_, "coat"));
    const double grams = wool_.core + wool_.coat;
    const double minutes = grams > 0 ? minutesOn(step_.limb) * advice.grams / grams : 0;
    out.result = advice.kind == GirthAdvice::Kind::Under && minutes >= 1
                     ? say("{} About {} min.", advice.sentence, std::lround(minutes))
                     : advice.sentence;
    return out;
  }

  /// Of wool on one limb, as planned.
  [[nodiscard]] double minutesOn(int l) const {
    double sum = 0;
    for (const Step& s : ask_.steps.steps)
      if (s.limb == l && s.pace != PaceKind::Around && s.piece < 0) sum += s.planned;
    return sum;
  }

  [[nodiscard]] std::optional<BuiltAnswer> asTwin() const {
    const int other = twinStep(ask_.steps, off_.step);
    if (other < 0 || over(progress_.steps[static_cast<size_t>(other)])) return std::nullopt;
    const Step& s = ask_.steps.steps[static_cast<size_t>(other)];
    if (levels_[static_cast<size_t>(s.limb)] >= BuiltLevel::Core) return std::nullopt;
    const auto goal =
        std::find_if(s.goals.begin(), s.goals.end(), [&](const Goal& g) { return alike(g, off_.goal); });
    if (goal == s.goals.end()) return std::nullopt;
    Goal like = *goal;
    like.value = off_.read;
    return BuiltAnswer{BuiltWay::Twin,
                       say("make the {} like it", lowerName(limb(s.limb).name)),
                       say("{} instead of {}; the plan else stays", goalFigure(like), goalFigure(*goal)),
                       {}};
  }

  [[nodiscard]] std::optional<BuiltAnswer> byRest() const {
    BuiltAnswer out{BuiltWay::Rest, say("make the rest by it"), {}, {}};
    if (off_.goal.what == Goal::What::Weight)
      out.project = byDensity();
    else
      out.project = restBy(ask_.project, ask_.catalog, ask_.plan, levels_, step_.limb,
                           coatedRatio(wool_, off_.goal.along, off_.ratio(), is(step_, "coat")));
    if (!out.project || *out.project == ask_.project) return std::nullopt;
    SolidOffer offer;
    offer.before = &ask_.plan;
    const auto after = plan(*out.project, ask_.catalog, offer);
    if (!after) return std::nullopt;
    const auto face = faceSums(*out.project, ask_.catalog, *after);
    const StepPlan steps = stepsOf(*out.project, ask_.catalog, *after, face.get());
    const Left was = leftOf(ask_.steps, progress_);
    const Left now = leftOf(steps, progressOf(steps, ask_.entries, ask_.now));
    const long minutes = std::lround(std::abs(now.minutes - was.minutes));
    const Mass core(now.core);
    const Mass coat(now.coat);
    out.result = now.minutes >= was.minutes
                     ? say("left to lay: {} of core and {} of coat wool, not {} and {}; {} min of work more",
                           core, coat, Mass(was.core), Mass(was.coat), minutes)
                     : say("left to lay: {} of core and {} of coat wool, not {} and {}; {} min of work less",
                           core, coat, Mass(was.core), Mass(was.coat), minutes);
    return out;
  }

  /// What is not firm yet is felted as dense as this was wound. A pad shows no felt, and a weight says
  /// nothing of it without a girth: there may only be more wool on.
  [[nodiscard]] std::optional<Project> byDensity() const {
    if (!is(step_, "wind")) return std::nullopt;
    std::optional<double> girth; // read over planned
    const Readings readings(ask_.entries);
    for (const Goal& g : step_.goals)
      if (g.what == Goal::What::Round)
        if (const Entry* read = readings.of(step_, g);
            read && read->by != EntryBy::StandIn && !farOff(g, *read->value))
          girth = *read->value / g.value;
    if (!girth || *girth <= 0) return std::nullopt;
    const double denser = off_.ratio() / (*girth * *girth);
    Project out = ask_.project;
    for (int l = 0; l < static_cast<int>(levels_.size()); ++l) {
      const LimbWool& w = ask_.plan.wool->limbs[static_cast<size_t>(l)];
      if (levels_[static_cast<size_t>(l)] >= BuiltLevel::Core || !(w.density > 0)) continue;
      out.limbs[limb(l).id].density = w.density * denser;
    }
    return out;
  }

  const BuiltAsk& ask_;
  const Deviation& off_;
  const Step& step_;
  Progress progress_;
  std::vector<BuiltLevel> levels_;
  const LimbWool& wool_;
};

} // namespace

std::string_view id(BuiltLevel level) {
  constexpr std::array<std::string_view, 4> ids{"bare", "wire", "core", "coat"};
  return ids[static_cast<size_t>(level)];
}

std::string_view word(BuiltWay way) {
  constexpr std::array<std::string_view, 3> words{"keep", "rest", "twin"};
  return words[static_cast<size_t>(way)];
}

std::optional<BuiltWay> builtWay(std::string_view text) {
  for (const BuiltWay way : {BuiltWay::Keep, BuiltWay::Rest, BuiltWay::Twin})
    if (word(way) == text) return way;
  return std::nullopt;
}

std::vector<BuiltLevel> builtLevels(const Plan& plan, const StepPlan& steps, const Progress& progress) {
  std::vector<BuiltLevel> out(plan.figure->limbs.size(), BuiltLevel::Bare);
  const auto raise = [&](int l, BuiltLevel level) {
    BuiltLevel& at = out[static_cast<size_t>(l)];
    at = std::max(at, level);
  };
  for (size_t i = 0; i < steps.steps.size(); ++i) {
    const Step& s = steps.steps[i];
    if (progress.steps[i].state != StepState::Done && progress.steps[i].state != StepState::Drying) continue;
    if (s.piece >= 0)
      for (const int l : plan.pieces[static_cast<size_t>(s.piece)].limbs) raise(l, BuiltLevel::Wire);
    if (s.limb < 0) continue;
    if (is(s, "firm")) raise(s.limb, BuiltLevel::Core);
    if (is(s, "coat")) raise(s.limb, BuiltLevel::Coat);
  }
  return out;
}

std::vector<Deviation> deviations(const StepPlan& steps, const std::vector<Entry>& entries) {
  const Readings readings(entries);
  const std::set<std::string> gone = withdrawn(entries);
  std::set<std::string> decided;
  for (const Entry& e : entries)
    if (e.kind == EntryKind::MadeChoice && !gone.contains(e.id)) decided.insert(e.of);
  std::vector<std::pair<int, Deviation>> found; // by the entry's number
  for (size_t i = 0; i < steps.steps.size(); ++i) {
    const Step& s = steps.steps[i];
    if (s.limb < 0) continue;
    for (const Goal& g : s.goals) {
      // What is only wound is firmed yet.
      const bool wool =
          (g.what == Goal::What::Round && !is(s, "wind")) || (g.what == Goal::What::Weight && s.build >= 0);
      const Entry* read = wool ? readings.of(s, g) : nullptr;
      if (!read || read->by == EntryBy::StandIn || read->by == EntryBy::Photo || decided.contains(read->id) ||
          !(*read->value > 0) || meets(g, *read->value) || farOff(g, *read->value))
        continue;
      found.emplace_back(read->n, Deviation{static_cast<int>(i), g, *read->value, read->id});
    }
  }
  std::stable_sort(found.begin(), found.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  std::vector<Deviation> out;
  for (auto& [n, each] : found) out.push_back(std::move(each));
  return out;
}

std::vector<BuiltAnswer> builtAnswers(const BuiltAsk& ask, const Deviation& deviation) {
  return Answers(ask, deviation).make();
}

Project restBy(const Project& project, const Catalog& catalog, const Plan& plan,
               const std::vector<BuiltLevel>& levels, int limb, double ratio) {
  Project out = project;
  if (!out.made.empty()) {
    out.shape = plan.made->shape;
    out.made.clear();
    if (out.size.by != SizeBy::Scale)
      out.size.mm = lengthOf(plan.figure, plan.pattern, out.size.by, out.size.limb);
    else
      out.size.mm /= plan.made->ratio;
  }
  const auto& limbs = plan.figure->limbs;
  const auto girthOf = [&](size_t l) {
    return static_cast<int>(l) == limb || levels[l] < BuiltLevel::Core ? ratio : 1.0;
  };
  // Bent wire keeps its lengths, and what has none is made by the felt alone.
  const auto lengthFactor = [&](size_t l) {
    return static_cast<int>(l) != limb && levels[l] == BuiltLevel::Bare && !plan.limbs[l].wired ? ratio : 1.0;
  };
  Shape shape = out.shape;
  for (size_t l = 0; l < limbs.size(); ++l) {
    const int twin = limbs[l].twin;
    const bool apart = twin >= 0 && (girthOf(l) != girthOf(static_cast<size_t>(twin)) ||
                                     lengthFactor(l) != lengthFactor(static_cast<size_t>(twin)) ||
                                     out.untied.contains(limbs[l].family));
    if (apart) out.untied.insert(limbs[l].family);
    if (twin >= 0 && !apart && limbs[l].side < 0) continue; // told once for both
    const int side = apart ? limbs[l].side : 0;
    std::set<std::string> bones; // once each
    for (const int b : limbs[l].bones) bones.insert(plan.figure->bones[static_cast<size_t>(b)].patternBone);
    for (const std::string& bone : bones) {
      const std::string key = sidedKey(bone, side);
      if (const double f = lengthFactor(l); f != 1 || (side != 0 && shape.lengths.contains(bone))) {
        const auto [at, fresh] = shape.lengths.emplace(key, 1);
        if (const auto both = shape.lengths.find(bone); fresh && both != shape.lengths.end())
          at->second = both->second;
        at->second *= f;
      }
      for (int place = 0; place < 3; ++place) {
        const double f = girthOf(l);
        const auto both = shape.girths.find(girthKey(bone, place));
        if (f == 1 && (side == 0 || both == shape.girths.end())) continue;
        const GirthChange usual = both == shape.girths.end() ? GirthChange() : both->second;
        const auto [at, fresh] = shape.girths.emplace(girthKey(key, place), usual);
        at->second.across *= f;
        at->second.deep *= f;
      }
    }
  }
  out = edit::shaped(std::move(out), catalog, plan, std::move(shape), true);
  // What is in already stays in.
  for (size_t l = 0; l < limbs.size(); ++l)
    if (levels[l] >= BuiltLevel::Wire && plan.limbs[l].wired) {
      LimbChoice& choice = out.limbs[limbs[l].id];
      choice.material = plan.limbs[l].section.material.id;
      choice.diameter = plan.limbs[l].section.diameter;
    }
  return out;
}

void takeTwinGoals(StepPlan& steps, const std::vector<Entry>& entries) {
  const Readings readings(entries);
  const std::set<std::string> gone = withdrawn(entries);
  for (const Entry& e : entries) {
    if (e.kind != EntryKind::MadeChoice || gone.contains(e.id) || builtWay(e.text) != BuiltWay::Twin)
      continue;
    const auto from = steps.find(e.step);
    if (!from) continue;
    const int to = twinStep(steps, *from);
    if (to < 0) continue;
    const Step model = steps.steps[static_cast<size_t>(*from)];
    for (Goal& g : steps.steps[static_cast<size_t>(to)].goals)
      for (const Goal& m : model.goals)
        if (alike(g, m))
          if (const Entry* read = readings.of(model, m); read && read->by != EntryBy::StandIn)
            g.value = *read->value;
  }
}

} // namespace columna
