#include "project/pose_remedies.h"

#include "pose/posing.h"
#include "pose/reach.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <numbers>

namespace columna {
namespace {

constexpr double kDegree = std::numbers::pi / 180;

std::string times(double factor) {
  if (!std::isfinite(factor) || factor > 99) return "over 99 times";
  return printNumber(factor, factor < 10 ? 1 : 0) + " times";
}

void ranked(std::vector<PoseRemedy>& out) {
  std::stable_sort(out.begin(), out.end(), [](const PoseRemedy& a, const PoseRemedy& b) {
    if (a.mends != b.mends) return a.mends;
    return a.mends ? a.size < b.size : a.gain > b.gain;
  });
}

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
    if (joint_.budget * catalog_.pose.lifeSpread > 1) fewer();
    if (part_.kind == LimbKind::Leg) based();
    ranked(out_);
    return std::move(out_);
  }

private:
  void attempt(std::string words, double size, Project project) {
    const auto made = columna::plan(project, catalog_);
    if (!made) return;
    const PoseReport then = poseReport(project, *made, catalog_, report_.pose);
    const auto found = std::find_if(then.joints.begin(), then.joints.end(),
                                    [&](const JointReport& j) { return j.hold.id == joint_.hold.id; });
    if (found == then.joints.end()) return;
    const double gain = nearness(*found, project, catalog_) - nearness(joint_, project_, catalog_);
    if (found->level >= joint_.level && gain < 0.02) return;
    PoseRemedy r;
    r.words = std::move(words);
    r.mends = found->level == Level::Good;
    r.size = size;
    r.gain = gain;
    r.result = fmt::format(
        "then the {}: {}", found->name,
        r.mends ? fmt::format("holds {}, a knock {}", times(found->hold.hold), times(found->hold.nudge))
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
    const double coat = project_.coat.value_or(plan_.figure.coatThickness);
    if (coat < 0.5) return;
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
    p.size = project_.size;
    if (p.size.by == SizeBy::Scale)
      p.size.mm /= 0.9;
    else
      p.size.mm *= 0.9;
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

class MakingStand {
public:
  MakingStand(const Project& project, const Catalog& catalog, const Plan& plan, const PoseReport& report)
      : project_(project), catalog_(catalog), plan_(plan), report_(report), pose_(report.pose) {}

  std::vector<PoseRemedy> run() {
    lean();
    feet();
    wider();
    tail();
    head();
    bases();
    ranked(out_);
    return std::move(out_);
  }

private:
  [[nodiscard]] bool good(const PoseReport& r) const {
    return r.standing.base.stands && !r.standing.inLine &&
           r.standing.base.tip >= catalog_.pose.tipNeeded * kDegree &&
           r.standing.base.margin >= catalog_.pose.marginNeeded;
  }

  void attempt(std::string words, double size, Project project, const PatternPose& pose) {
    const auto made = columna::plan(project, catalog_);
    if (!made) return;
    project.stances.now = pose;
    const PoseReport then = poseReport(project, *made, catalog_, pose);
    const double before = report_.standing.inLine ? -1 : report_.standing.base.margin;
    const double gain = then.standing.base.margin - before;
    if (then.standing.inLine || gain < 0.3) return;
    PoseRemedy r;
    r.words = std::move(words);
    r.mends = good(then);
    r.size = size;
    r.gain = gain;
    r.result = then.standing.base.stands
                   ? fmt::format("then it stands, {} mm from the edge, and tips {} at {}",
                                 printNumber(then.standing.base.margin, 1), then.standing.towards,
                                 printAngle(then.standing.base.tip))
                   : fmt::format("then {} mm are still missing", printNumber(-then.standing.base.margin, 1));
    r.project = std::move(project);
    out_.push_back(std::move(r));
  }

  /// The whole figure leant away from where it falls, by the least of some angles that does.
  void lean() {
    const Vec2 away = -report_.standing.falls;
    for (const double degrees : {3.0, 6.0, 10.0, 15.0}) {
      PatternPose p = pose_;
      // Flex leans it forward, twist to its right.
      p.whole.flex += degrees * kDegree * away.x();
      p.whole.twist -= degrees * kDegree * away.y();
      const size_t before = out_.size();
      attempt(fmt::format("lean it {} by {:g}°", compass(away), degrees), degrees / 4, project_, p);
      if (out_.size() > before && out_.back().mends) break;
      // Short of mending it, only the largest lean is told.
      if (out_.size() > before && degrees < 15) out_.pop_back();
    }
  }

  /// The feet on the side it falls to, a little further out.
  void feet() {
    const Linkage linkage(plan_.pattern);
    const double module = plan_.figure.scale;
    const double step = std::max(4.0, 0.06 * plan_.figure.overallHeight);
    for (const SidedJoint& foot : linkage.feet()) {
      const Vec3 at = linkage.place(pose_, foot);
      const Vec2& way = report_.standing.falls;
      const auto moved = linkage.reach(pose_, foot, at + Vec3(way.x(), way.y(), 0) * step / module, true);
      if (moved.off * module > step / 2) continue;
      const PatternBone* last = nullptr;
      for (const PatternBone& b : plan_.pattern.bones)
        if (b.to == foot.joint) last = &b;
      const PatternLimb* limb = last ? plan_.pattern.limbOf(last->id) : nullptr;
      attempt(fmt::format("move the {} {} foot {} mm {}", foot.right ? "right" : "left",
                          limb ? limb->name : std::string("leg"), printNumber(step, 0),
                          report_.standing.towards),
              1.5, project_, moved.pose);
    }
  }

  void wider() {
    const Linkage linkage(plan_.pattern);
    const double module = plan_.figure.scale;
    const double step = std::max(3.0, 0.04 * plan_.figure.overallHeight);
    PatternPose p = pose_;
    for (const SidedJoint& foot : linkage.feet()) {
      const Vec3 at = linkage.place(pose_, foot);
      p = linkage.reach(p, foot, at + Vec3(0, foot.right ? -1 : 1, 0) * step / module, true).pose;
    }
    attempt(fmt::format("set the feet wider, each {} mm out", printNumber(step, 0)), 2, project_, p);
  }

  /// The tail's tip brought to the ground behind.
  void tail() {
    const auto limb = std::find_if(plan_.pattern.limbs.begin(), plan_.pattern.limbs.end(),
                                   [](const PatternLimb& l) { return l.kind == LimbKind::Tail; });
    if (limb == plan_.pattern.limbs.end() || limb->bones.empty()) return;
    const Linkage linkage(plan_.pattern);
    const PatternBone& last = *plan_.pattern.bone(limb->bones.back());
    const SidedJoint tip{last.to, false};
    // The ground as the linkage has it: its places lie under the posed figure's by one lift.
    const Pattern made = posed(plan_.pattern, pose_);
    const Vec3 now = linkage.place(pose_, tip);
    const double lift = made.joints.at(tip.joint).z() - now.z();
    double thick = 0;
    if (!last.stations.empty()) thick = std::min(last.stations.back().across, last.stations.back().deep) / 2;
    const auto down = linkage.reach(pose_, tip, {now.x(), now.y(), thick - lift}, true);
    attempt("bend the tail down to the ground, a third foot", 2, project_, down.pose);
  }

  void head() {
    Project p = project_;
    for (size_t i = 0; i < plan_.figure.limbs.size(); ++i) {
      if (plan_.figure.limbs[i].kind != LimbKind::Head) continue;
      const Firmness now = plan_.wool.limbs[i].firmness;
      if (now == Firmness::Soft) return;
      p.change(plan_.figure, static_cast<int>(i), [&](LimbChoice& c) {
        c.firmness = now == Firmness::Firm ? Firmness::Medium : Firmness::Soft;
      });
    }
    attempt("felt the head softer, so it weighs less", 2.5, std::move(p), pose_);
  }

  void bases() {
    if (project_.stances.support.feet == Feet::Glued) return;
    const double h = plan_.figure.overallHeight;
    for (const double grams : {0.0, 100.0, 300.0}) {
      Project p = project_;
      Support& s = p.stances.support;
      s.feet = Feet::Base;
      const double length = std::max(0.5 * plan_.figure.totalLength, 0.5 * h);
      s.baseLength = std::max(s.baseLength, std::round(length / 5) * 5);
      s.baseWidth = std::max(s.baseWidth, std::round(0.4 * h / 5) * 5);
      s.baseMass += grams;
      const Support told = s;
      attempt(grams > 0 ? fmt::format("glue it to a base of {} × {} mm weighing {} g",
                                      printNumber(told.baseLength, 0), printNumber(told.baseWidth, 0),
                                      printNumber(told.baseMass, 0))
                        : fmt::format("glue it to a base of {} × {} mm", printNumber(told.baseLength, 0),
                                      printNumber(told.baseWidth, 0)),
              3 + grams / 200, std::move(p), pose_);
      if (!out_.empty() && out_.back().mends) break;
    }
  }

  const Project& project_;
  const Catalog& catalog_;
  const Plan& plan_;
  const PoseReport& report_;
  PatternPose pose_;
  std::vector<PoseRemedy> out_;
};

} // namespace

std::vector<PoseRemedy> jointRemedies(const Project& project, const Catalog& catalog, const Plan& plan,
                                      const PoseReport& report, int limb, const std::string& joint) {
  if (limb < 0 || !plan.limbs[static_cast<size_t>(limb)].wired) return {};
  const JointReport* worst = report.worstOf(limb);
  for (const JointReport& j : report.joints)
    if (j.hold.limb == limb && j.hold.id == joint) worst = &j;
  if (!worst || worst->level == Level::Good) return {};
  return MendingJoint(project, catalog, plan, report, limb, *worst).run();
}

std::vector<PoseRemedy> standingRemedies(const Project& project, const Catalog& catalog, const Plan& plan,
                                         const PoseReport& report) {
  if (report.standing.fixed || report.standing.contacts.empty()) return {};
  const bool well = report.standing.base.stands && !report.standing.inLine &&
                    report.standing.base.tip >= catalog.pose.tipNeeded * kDegree &&
                    report.standing.base.margin >= catalog.pose.marginNeeded;
  if (well) return {};
  return MakingStand(project, catalog, plan, report).run();
}

} // namespace columna
