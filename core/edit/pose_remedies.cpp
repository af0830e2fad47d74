#include "edit/pose_remedies.h"

#include "judge/factor_words.h"
#include "judge/planning.h"
#include "pose/posing.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <functional>

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
        part_(plan.figure.limbs[static_cast<size_t>(limb)]), wire_(plan.limbs[static_cast<size_t>(limb)]) {}

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
  void attempt(std::string words, double size, Project project) {
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
    r.result = fmt::format("then the {}: {}", found->name,
                           r.mends ? fmt::format("holds {}, a knock {}", timesWords(found->hold.hold),
                                                 timesWords(found->hold.nudge))
                                   : found->sentence);
    // A change that spoils something else says so.
    const auto worse = [](const PoseReport& report) {
      return std::count_if(report.findings.begin(), report.findings.end(),
                           [](const Finding& f) { return f.level != Level::Good; });
    };
    if (worse(then) > worse(report_)) r.result += " Something else is to be looked at then.";
    r.project = std::move(project);
    out_.push_back(std::move(r));
  }

  void choose(Project& p, const std::function<void(LimbChoice&)>& change) const {
    for (const int other : plan_.groups[static_cast<size_t>(wire_.group)].limbs) {
      const auto found = p.limbs.find(plan_.figure.limbs[static_cast<size_t>(other)].id);
      if (found != p.limbs.end()) found->second.diameter.reset();
    }
    p.change(plan_.figure, limb_, change);
  }

  void take(double d, double size) {
    Project p = project_;
    choose(p, [d](LimbChoice& c) { c.diameter = d; });
    attempt(fmt::format("{}: take {} mm wire", part_.family, printNumber(d, 2)), size, std::move(p));
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
    if (wire_.section.wires >= 4) return;
    const int wires = wire_.section.wires == 1 ? 2 : 4;
    Project p = project_;
    choose(p, [&](LimbChoice& c) {
      c.wires = wires;
      c.diameter = wire_.section.diameter;
    });
    attempt(fmt::format("{}: {}", part_.family, wires == 2 ? "double the wire" : "four strands"), 2.5,
            std::move(p));
  }

  void glued() {
    const std::string& id = plan_.skeleton.points[static_cast<size_t>(joint_.hold.point)].id;
    if (project_.stances.glued.contains(id) || wire_.section.strands() < 2) return;
    Project p = project_;
    p.stances.glued.insert(id);
    attempt(fmt::format("glue the strands at the {}", joint_.name), 1.5, std::move(p));
  }

  void softer() {
    const Firmness now = plan_.wool.limbs[static_cast<size_t>(limb_)].firmness;
    if (joint_.hold.against >= 1 || now == Firmness::Soft) return;
    const Firmness to = now == Firmness::Firm ? Firmness::Medium : Firmness::Soft;
    Project p = project_;
    p.change(plan_.figure, limb_, [to](LimbChoice& c) { c.firmness = to; });
    attempt(fmt::format("felt the {} {}", part_.family, word(to)), 1, std::move(p));
  }

  /// Less on what hangs beyond: a head is most of what a neck carries.
  void lighter() {
    int carried = limb_;
    if (part_.kind == LimbKind::Neck || part_.kind == LimbKind::Trunk)
      for (size_t i = 0; i < plan_.figure.limbs.size(); ++i)
        if (plan_.figure.limbs[i].kind == LimbKind::Head) carried = static_cast<int>(i);
    const Firmness now = plan_.wool.limbs[static_cast<size_t>(carried)].firmness;
    if (now != Firmness::Soft && (carried != limb_ || joint_.hold.against >= 1)) {
      const Firmness to = now == Firmness::Firm ? Firmness::Medium : Firmness::Soft;
      Project p = project_;
      p.change(plan_.figure, carried, [to](LimbChoice& c) { c.firmness = to; });
      attempt(fmt::format("felt the {} {}, so it weighs less",
                          plan_.figure.limbs[static_cast<size_t>(carried)].family, word(to)),
              2, std::move(p));
    }
    const double coat = plan_.wool.coatLaid;
    if (coat < 2 * catalog_.wool.coatLeast) return;
    Project p = project_;
    const double thinner = 0.6 * coat;
    p.coat = thinner;
    attempt(fmt::format("a coat of {} mm instead of {}", printNumber(thinner, 1), printNumber(coat, 1)), 3,
            std::move(p));
  }

  [[nodiscard]] std::set<std::string> bones() const {
    std::set<std::string> out;
    for (const int b : part_.bones) out.insert(plan_.figure.bones[static_cast<size_t>(b)].patternBone);
    return out;
  }

  void shorter() {
    Project p = project_;
    for (const std::string& b : bones()) {
      const auto found = p.shape.lengths.find(b);
      p.shape.lengths[b] = (found == p.shape.lengths.end() ? 1 : found->second) * 0.86;
    }
    attempt(fmt::format("make the {} a seventh shorter", part_.family), 4, std::move(p));
  }

  void thinnerPart() {
    Project p = project_;
    for (const std::string& b : bones())
      for (int place = 0; place < 3; ++place) {
        GirthChange& girth = p.shape.girths[girthKey(b, place)];
        girth.across *= 0.86;
        girth.deep *= 0.86;
      }
    attempt(fmt::format("make the {} a seventh thinner", part_.family), 4, std::move(p));
  }

  void smaller() {
    Project p = project_;
    p.size.mm *= p.size.by == SizeBy::Scale ? 1 / 0.9 : 0.9;
    attempt("make the whole figure a tenth smaller", 5, std::move(p));
  }

  void fewer() {
    const int times_ = project_.stances.times.value_or(static_cast<int>(catalog_.pose.reposesWanted));
    const int fewer =
        static_cast<int>(std::floor(times_ / std::max(1.0, joint_.budget * catalog_.pose.lifeSpread)));
    if (fewer >= times_ || fewer < 1) return;
    Project p = project_;
    p.stances.times = fewer;
    attempt(fmt::format("go through the poses {} times instead of {}", fewer, times_), 1, std::move(p));
  }

  void based() {
    if (project_.stances.support.feet == Feet::Base || project_.stances.support.feet == Feet::Glued) return;
    Project p = project_;
    p.stances.support.feet = Feet::Base;
    attempt("glue the feet to a base", 3, std::move(p));
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
