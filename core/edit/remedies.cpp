#include "edit/remedies.h"

#include "hold/gauge_rule.h"
#include "judge/factor_words.h"
#include "judge/planning.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <set>

namespace columna {
namespace {

class Trying {
public:
  Trying(const Project& project, const Catalog& catalog, const Plan& plan, int limb)
      : project_(project), catalog_(catalog), plan_(plan), limb_(limb),
        part_(plan.figure.limbs[static_cast<size_t>(limb)]), now_(plan.limbs[static_cast<size_t>(limb)]) {}

  std::vector<Remedy> run() {
    thicker();
    doubled();
    stronger();
    shorter();
    lighter();
    smaller();
    std::stable_sort(out_.begin(), out_.end(),
                     [](const Remedy& a, const Remedy& b) { return a.verdict < b.verdict; });
    return std::move(out_);
  }

private:
  void attempt(std::string words, Project project) {
    const auto made = columna::plan(project, catalog_, {plan_.solid, true});
    if (!made) return;
    const auto l = made->figure.limb(part_.id);
    if (!l) return;
    const LimbPlan& then = made->limbs[static_cast<size_t>(*l)];
    if (!then.wired) return;
    const bool better = then.verdict < now_.verdict || then.hold.hold > now_.hold.hold * 1.02 ||
                        then.hold.nudge > now_.hold.nudge * 1.02;
    if (!better) return;
    const PoseRules& rules = plan_.poseRules;
    Remedy r;
    r.words = std::move(words);
    r.hold = then.hold.hold;
    r.nudge = then.hold.nudge;
    r.verdict = then.verdict;
    r.result =
        fmt::format("then it holds {} its load{}", timesWords(r.hold),
                    r.hold >= rules.holdNeeded && r.nudge < rules.nudgeNeeded ? ", but droops if knocked"
                    : r.verdict == Level::Good                                ? ""
                    : r.hold < rules.holdNeeded                               ? ", still too little"
                                                : "; something else is still to be looked at");
    r.project = std::move(project);
    out_.push_back(std::move(r));
  }

  void choose(Project& p, const std::function<void(LimbChoice&)>& change) const {
    // Limbs of one wire share the choice.
    for (const int other : plan_.groups[static_cast<size_t>(now_.group)].limbs) {
      const auto found = p.limbs.find(plan_.figure.limbs[static_cast<size_t>(other)].id);
      if (found != p.limbs.end()) found->second.diameter.reset();
    }
    p.change(plan_.figure, limb_, change);
  }

  void thicker() {
    const auto& sizes = now_.section.material.diameters;
    int steps = 0;
    for (const double d : sizes) {
      if (d <= now_.section.diameter + 1e-9) continue;
      Project p = project_;
      choose(p, [d](LimbChoice& c) { c.diameter = d; });
      attempt(fmt::format("take {} mm {}", printNumber(d, 2), now_.section.material.shortName), std::move(p));
      if (++steps == 3 || (!out_.empty() && out_.back().verdict == Level::Good)) break;
    }
  }

  void doubled() {
    if (now_.section.wires >= 4) return;
    const int wires = now_.section.wires == 1 ? 2 : 4;
    Project p = project_;
    choose(p, [&](LimbChoice& c) {
      c.wires = wires;
      c.diameter = now_.section.diameter;
    });
    attempt(wires == 2 ? "double the wire" : "double it again, to four strands", std::move(p));
  }

  void stronger() {
    const Material* best = nullptr;
    for (const Material& m : catalog_.materials)
      if (m.strandsPerWire == 1 && m.yield.value > now_.section.material.yield.value * 1.5 &&
          (!best || m.yield.value < best->yield.value))
        best = &m;
    if (!best) return;
    Project p = project_;
    for (const int other : plan_.groups[static_cast<size_t>(now_.group)].limbs)
      p.change(plan_.figure, other, [&](LimbChoice& c) {
        c.material = best->id;
        c.diameter.reset();
      });
    attempt(fmt::format("take {}", best->name), std::move(p));
  }

  void shorter() {
    Project p = project_;
    std::set<std::string> bones;
    for (const int b : part_.bones) bones.insert(plan_.figure.bones[static_cast<size_t>(b)].patternBone);
    for (const std::string& b : bones) {
      const auto found = p.shape.lengths.find(b);
      p.shape.lengths[b] = (found == p.shape.lengths.end() ? 1 : found->second) * 0.86;
    }
    attempt(fmt::format("make the {} a seventh shorter", part_.family), std::move(p));
  }

  /// What hangs beyond a neck or trunk is mostly the head: felted softer it weighs less.
  void lighter() {
    const auto soften = [](Firmness f) { return f == Firmness::Firm ? Firmness::Medium : Firmness::Soft; };
    int carried = limb_;
    if (part_.kind == LimbKind::Neck || part_.kind == LimbKind::Trunk)
      for (size_t i = 0; i < plan_.figure.limbs.size(); ++i)
        if (plan_.figure.limbs[i].kind == LimbKind::Head) carried = static_cast<int>(i);
    const Firmness now = plan_.wool.limbs[static_cast<size_t>(carried)].firmness;
    if (now == Firmness::Soft) return;
    Project p = project_;
    p.change(plan_.figure, carried, [&](LimbChoice& c) { c.firmness = soften(now); });
    attempt(fmt::format("felt the {} {}", plan_.figure.limbs[static_cast<size_t>(carried)].family,
                        word(soften(now))),
            std::move(p));
  }

  void smaller() {
    Project p = project_;
    if (p.size.by == SizeBy::Scale)
      p.size.mm /= 0.9;
    else
      p.size.mm *= 0.9;
    attempt("make the whole figure a tenth smaller", std::move(p));
  }

  const Project& project_;
  const Catalog& catalog_;
  const Plan& plan_;
  int limb_;
  const FigureLimb& part_;
  const LimbPlan& now_;
  std::vector<Remedy> out_;
};

} // namespace

std::vector<Remedy> remedies(const Project& project, const Catalog& catalog, const Plan& plan, int limb) {
  if (limb < 0 || !plan.limbs[static_cast<size_t>(limb)].wired) return {};
  return Trying(project, catalog, plan, limb).run();
}

} // namespace columna
