#include "edit/pose_remedies.h"

#include "edit/figure_edit.h"
#include "edit/study_edit.h"
#include "edit/wire_edit.h"
#include "edit/wool_edit.h"

#include "judge/factor_words.h"
#include "judge/planning.h"
#include "pose/posing.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// Nearness of a joint to good in what it is judged worst by: 1 and more is good.
double nearness(const JointReport& j, const Project& project, const Catalog& catalog) {
  const PoseRules& rules = catalog.pose;
  double least = std::min({j.hold.hold / rules.holdNeeded, j.hold.nudge / rules.nudgeNeeded, j.hold.against,
                           effortLimit(rules, project.stances.hands) / std::max(j.hold.effort, 1e-9)});
  if (j.budget > 0) least = std::min(least, 1 / (j.budget * rules.lifeSpread));
  return least;
}

class MendingJoint {
public:
  MendingJoint(const Project& project, const Catalog& catalog, const Plan& plan, const PoseReport& report,
               int limb, const JointReport& joint)
      : project_(project), catalog_(catalog), plan_(plan), report_(report), limb_(limb), joint_(joint),
        part_(plan.figure->limbs[static_cast<size_t>(limb)]), wire_(plan.limbs[static_cast<size_t>(limb)]) {}

  std::vector<PoseRemedy> run() {
    const double limit = effortLimit(catalog_.pose, project_.stances.hands);
    if (joint_.hold.effort > limit) thinner();
    thicker();
    doubled();
    glued();
    softer();
    lighter();
    shorter();
    thinnerPart();
    smaller();
    if (joint_.budget * catalog_.pose.lifeSpread > 1) fewer();
    if (part_.kind == LimbKind::Leg) based();
    rankRemedies(out_);
    return std::move(out_);
  }

private:
  void attempt(Said words, double size, Project project) {
    const auto made = columna::plan(project, catalog_, {plan_.solid, true});
    if (!made) return;
    const PoseReport then = poseReport(project, *made, catalog_, report_.pose);
    const auto found = std::find_if(then.joints.begin(), then.joints.end(),
                                    [&](const JointReport& j) { return j.hold.id == joint_.hold.id; });
    if (found == then.joints.end()) return;
    const double now = nearness(joint_, project_, catalog_);
    const double gain = nearness(*found, project, catalog_) - now;
    // What betters it by less than a fiftieth is not worth the work.
    if (found->level >= joint_.level && gain < 0.02 * now) return;
    PoseRemedy r;
    r.words = std::move(words);
    r.mends = found->level == Level::Good;
    r.size = size;
    r.gain = gain;
    r.result = r.mends ? say("then the {}: holds {}, a knock {}", Name(found->name), Times(found->hold.hold),
                             Times(found->hold.nudge))
                       : say("then the {}: {}", Name(found->name), found->sentence);
    // A change that spoils something else says so.
    const auto worse = [](const PoseReport& report) {
      return std::count_if(report.findings.begin(), report.findings.end(),
                           [](const Finding& f) { return f.level != Level::Good; });
    };
    if (worse(then) > worse(report_))
      r.result = together(r.result, say("Something else is to be looked at then."));
    r.project = std::move(project);
    out_.push_back(std::move(r));
  }

  void take(double d, double size) {
    if (auto p = edit::wireOf(project_, plan_, limb_, d))
      attempt(say("{}: take {} wire", Name(part_.part), Length(d, 2)), size, std::move(p).value());
  }

  void thicker() {
    int steps = 0;
    for (const double d : wire_.section.material.diameters)
      if (d > wire_.section.diameter + 1e-9 && ++steps <= 3) take(d, steps);
  }

  void thinner() {
    int steps = 0;
    const auto& sizes = wire_.section.material.diameters;
    for (auto d = sizes.rbegin(); d != sizes.rend(); ++d)
      if (*d < wire_.section.diameter - 1e-9 && ++steps <= 3) take(*d, steps);
  }

  void doubled() {
    if (auto p = edit::doubled(project_, plan_, limb_))
      attempt(wire_.section.wires == 1 ? say("{}: double the wire", Name(part_.part))
                                       : say("{}: four strands", Name(part_.part)),
              2.5, std::move(*p));
  }

  void glued() {
    const std::string& id = plan_.skeleton->points[static_cast<size_t>(joint_.hold.point)].id;
    if (project_.stances.glued.contains(id) || wire_.section.strands() < 2) return;
    Project p = project_;
    p.stances.glued.insert(id);
    attempt(say("glue the strands at the {}", Name(joint_.name)), 1.5, std::move(p));
  }

  [[nodiscard]] static Firmness softerThan(Firmness now) {
    return now == Firmness::Firm ? Firmness::Medium : Firmness::Soft;
  }

  void softer() {
    if (joint_.hold.against >= 1) return;
    const Firmness now = plan_.wool->limbs[static_cast<size_t>(limb_)].firmness;
    if (auto p = edit::softened(project_, plan_, limb_))
      attempt(say("felt the {} {}", Name(part_.part), Name(word(softerThan(now)))), 1, std::move(*p));
  }

  /// Less on what hangs beyond: a head is most of what a neck carries.
  void lighter() {
    const int carried = edit::carriedBy(plan_, limb_);
    const Firmness now = plan_.wool->limbs[static_cast<size_t>(carried)].firmness;
    if (carried != limb_ || joint_.hold.against >= 1)
      if (auto p = edit::softened(project_, plan_, carried))
        attempt(say("felt the {} {}, so it weighs less",
                    Name(plan_.figure->limbs[static_cast<size_t>(carried)].part),
                    Name(word(softerThan(now)))),
                2, std::move(*p));
    const double coat = plan_.wool->coatLaid;
    if (coat < 2 * catalog_.wool.coatLeast) return;
    Project p = project_;
    const double thinner = 0.6 * coat;
    p.coat = thinner;
    attempt(say("a coat of {} instead of {}", Length(thinner, 1), Length(coat, 1).figure()), 3, std::move(p));
  }

  void shorter() {
    attempt(say("make the {} a seventh shorter", Name(part_.part)), 4,
            edit::lengthened(project_, plan_, limb_, edit::kSeventhLess));
  }

  void thinnerPart() {
    attempt(say("make the {} a seventh thinner", Name(part_.part)), 4,
            edit::thickened(project_, plan_, limb_, edit::kSeventhLess));
  }

  void smaller() { attempt(say("make the whole figure a tenth smaller"), 5, edit::sizedBy(project_, 0.9)); }

  void fewer() {
    const int times_ = project_.stances.times.value_or(static_cast<int>(catalog_.pose.reposesWanted));
    const int fewer =
        static_cast<int>(std::floor(times_ / std::max(1.0, joint_.budget * catalog_.pose.lifeSpread)));
    if (fewer >= times_ || fewer < 1) return;
    Project p = project_;
    p.stances.times = fewer;
    attempt(say("go through the poses {} times instead of {}", fewer, times_), 1, std::move(p));
  }

  void based() {
    if (project_.stances.support.feet == Feet::Base || project_.stances.support.feet == Feet::Glued) return;
    Project p = project_;
    p.stances.support.feet = Feet::Base;
    attempt(say("glue the feet to a base"), 3, std::move(p));
  }

  const Project& project_;
  const Catalog& catalog_;
  const Plan& plan_;
  const PoseReport& report_;
  int limb_;
  const JointReport& joint_;
  const FigureLimb& part_;
  const LimbPlan& wire_;
  std::vector<PoseRemedy> out_;
};

} // namespace

void rankRemedies(std::vector<PoseRemedy>& out) {
  std::stable_sort(out.begin(), out.end(), [](const PoseRemedy& a, const PoseRemedy& b) {
    if (a.mends != b.mends) return a.mends;
    return a.mends ? a.size < b.size : a.gain > b.gain;
  });
}

std::vector<PoseRemedy> jointRemedies(const Project& project, const Catalog& catalog, const Plan& plan,
                                      const PoseReport& report, int limb, const std::string& joint) {
  if (limb < 0 || !plan.limbs[static_cast<size_t>(limb)].wired) return {};
  const JointReport* worst = report.worstOf(limb);
  for (const JointReport& j : report.joints)
    if (j.hold.limb == limb && j.hold.id == joint) worst = &j;
  if (!worst || worst->level == Level::Good) return {};
  return MendingJoint(project, catalog, plan, report, limb, *worst).run();
}

} // namespace columna
