#include "edit/remedies.h"

#include "edit/figure_edit.h"
#include "edit/study_edit.h"
#include "edit/wire_edit.h"
#include "edit/wool_edit.h"
#include "hold/gauge_rule.h"
#include "judge/factor_words.h"
#include "judge/planning.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

class Trying {
public:
  Trying(const Project& project, const Catalog& catalog, const Plan& plan, int limb)
      : project_(project), catalog_(catalog), plan_(plan), limb_(limb),
        part_(plan.figure->limbs[static_cast<size_t>(limb)]), now_(plan.limbs[static_cast<size_t>(limb)]) {}

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
  void attempt(Said words, Project project) {
    const auto made = columna::plan(project, catalog_, {plan_.solid, true});
    if (!made) return;
    const auto l = made->figure->limb(part_.id);
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
    r.result = r.hold >= rules.holdNeeded && r.nudge < rules.nudgeNeeded
                   ? say("then it holds {} its load, but droops if knocked", Times(r.hold))
               : r.verdict == Level::Good ? say("then it holds {} its load", Times(r.hold))
               : r.hold < rules.holdNeeded
                   ? say("then it holds {} its load, still too little", Times(r.hold))
                   : say("then it holds {} its load; something else is still to be looked at", Times(r.hold));
    r.project = std::move(project);
    out_.push_back(std::move(r));
  }

  void thicker() {
    int steps = 0;
    for (const double d : now_.section.material.diameters) {
      if (d <= now_.section.diameter + 1e-9) continue;
      if (auto p = edit::wireOf(project_, plan_, limb_, d))
        attempt(say("take {} {}", Length(d, 2), Name(now_.section.material.shortName)), std::move(p).value());
      if (++steps == 3 || (!out_.empty() && out_.back().verdict == Level::Good)) break;
    }
  }

  void doubled() {
    if (auto p = edit::doubled(project_, plan_, limb_))
      attempt(now_.section.wires == 1 ? say("double the wire") : say("double it again, to four strands"),
              std::move(*p));
  }

  void stronger() {
    const Material* best = nullptr;
    for (const Material& m : catalog_.materials)
      if (m.strandsPerWire == 1 && m.yield.value > now_.section.material.yield.value * 1.5 &&
          (!best || m.yield.value < best->yield.value))
        best = &m;
    if (!best) return;
    if (auto p = edit::metalOf(project_, plan_, limb_, best->id))
      attempt(say("take {}", Name(best->name)), std::move(p).value());
  }

  void shorter() {
    attempt(say("make the {} a seventh shorter", Name(part_.part)),
            edit::lengthened(project_, plan_, limb_, edit::kSeventhLess));
  }

  /// What hangs beyond a neck or trunk is mostly the head: felted softer it weighs less.
  void lighter() {
    const int carried = edit::carriedBy(plan_, limb_);
    const Firmness now = plan_.wool->limbs[static_cast<size_t>(carried)].firmness;
    if (auto p = edit::softened(project_, plan_, carried))
      attempt(say("felt the {} {}", Name(plan_.figure->limbs[static_cast<size_t>(carried)].part),
                  Name(word(now == Firmness::Firm ? Firmness::Medium : Firmness::Soft))),
              std::move(*p));
  }

  void smaller() { attempt(say("make the whole figure a tenth smaller"), edit::sizedBy(project_, 0.9)); }

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
