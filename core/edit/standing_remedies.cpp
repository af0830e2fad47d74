// What would make a pose stand: each change tried on the whole figure.
#include "edit/pose_remedies.h"
#include "judge/planning.h"
#include "measure/quantity.h"
#include "pose/reach.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// Steady enough, not merely upright.
bool standsWell(const PoseReport& r, const PoseRules& rules) {
  return r.standing.base.stands && !r.standing.inLine && r.standing.base.tip >= rules.tipNeeded * kDegree &&
         r.standing.base.margin >= rules.marginNeeded;
}

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
    rankRemedies(out_);
    return std::move(out_);
  }

private:
  void attempt(Said words, double size, Project project, const PatternPose& pose) {
    const auto made = columna::plan(project, catalog_, {plan_.solid, true});
    if (!made) return;
    project.stances.now = pose;
    const PoseReport then = poseReport(project, *made, catalog_, pose);
    const double before = report_.standing.inLine ? -1 : report_.standing.base.margin;
    const double gain = then.standing.base.margin - before;
    if (then.standing.inLine || gain < 0.3) return;
    PoseRemedy r;
    r.words = std::move(words);
    r.mends = standsWell(then, catalog_.pose);
    r.size = size;
    r.gain = gain;
    r.result =
        then.standing.base.stands
            ? say("then it stands, {} from the edge, and tips {} at {}", Length(then.standing.base.margin, 1),
                  Name(then.standing.towards), Angle(then.standing.base.tip, 0))
            : say("then {} are still missing", Length(-then.standing.base.margin, 1));
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
      attempt(say("lean it {} by {}", Name(compass(away)), Angle(degrees * kDegree, 0)), degrees / 4,
              project_, p);
      if (out_.size() > before && out_.back().mends) break;
      // Short of mending it, only the largest lean is told.
      if (out_.size() > before && degrees < 15) out_.pop_back();
    }
  }

  /// The feet on the side it falls to, a little further out.
  void feet() {
    const Linkage linkage(plan_.pattern);
    const double module = plan_.figure->scale;
    const double step = std::max(4.0, 0.06 * plan_.figure->overallHeight);
    for (const SidedJoint& foot : linkage.feet()) {
      const Vec3 at = linkage.place(pose_, foot);
      const Vec2& way = report_.standing.falls;
      const auto moved = linkage.reach(pose_, foot, at + Vec3(way.x(), way.y(), 0) * step / module, true);
      if (moved.off * module > step / 2) continue;
      const PatternBone* last = nullptr;
      for (const PatternBone& b : plan_.pattern->bones)
        if (b.to == foot.joint) last = &b;
      const PatternLimb* limb = last ? plan_.pattern->limbOf(last->id) : nullptr;
      const Name leg(limb ? std::string_view(limb->name) : named("leg"));
      attempt(foot.right
                  ? say("move the right {} foot {} {}", leg, Length(step, 0), Name(report_.standing.towards))
                  : say("move the left {} foot {} {}", leg, Length(step, 0), Name(report_.standing.towards)),
              1.5, project_, moved.pose);
    }
  }

  void wider() {
    const Linkage linkage(plan_.pattern);
    const double module = plan_.figure->scale;
    const double step = std::max(3.0, 0.04 * plan_.figure->overallHeight);
    PatternPose p = pose_;
    for (const SidedJoint& foot : linkage.feet()) {
      const Vec3 at = linkage.place(pose_, foot);
      p = linkage.reach(p, foot, at + Vec3(0, foot.right ? -1 : 1, 0) * step / module, true).pose;
    }
    attempt(say("set the feet wider, each {} out", Length(step, 0)), 2, project_, p);
  }

  /// The tail's tip brought to the ground behind.
  void tail() {
    const auto limb = std::find_if(plan_.pattern->limbs.begin(), plan_.pattern->limbs.end(),
                                   [](const PatternLimb& l) { return l.kind == LimbKind::Tail; });
    if (limb == plan_.pattern->limbs.end() || limb->bones.empty()) return;
    const Linkage linkage(plan_.pattern);
    const PatternBone& last = *plan_.pattern->bone(limb->bones.back());
    const SidedJoint tip{last.to, false};
    // The ground as the linkage has it: its places lie under the posed figure's by one lift.
    const Pattern made = posed(plan_.pattern, pose_);
    const Vec3 now = linkage.place(pose_, tip);
    const double lift = made.joints.at(tip.joint).z() - now.z();
    double thick = 0;
    if (!last.stations.empty()) thick = std::min(last.stations.back().across, last.stations.back().deep) / 2;
    const auto down = linkage.reach(pose_, tip, {now.x(), now.y(), thick - lift}, true);
    attempt(say("bend the tail down to the ground, a third foot"), 2, project_, down.pose);
  }

  void head() {
    Project p = project_;
    for (size_t i = 0; i < plan_.figure->limbs.size(); ++i) {
      if (plan_.figure->limbs[i].kind != LimbKind::Head) continue;
      const Firmness now = plan_.wool->limbs[i].firmness;
      if (now == Firmness::Soft) return;
      p.change(plan_.figure, static_cast<int>(i), [&](LimbChoice& c) {
        c.firmness = now == Firmness::Firm ? Firmness::Medium : Firmness::Soft;
      });
    }
    attempt(say("felt the head softer, so it weighs less"), 2.5, std::move(p), pose_);
  }

  void bases() {
    if (project_.stances.support.feet == Feet::Glued) return;
    const double h = plan_.figure->overallHeight;
    for (const double grams : {0.0, 100.0, 300.0}) {
      Project p = project_;
      Support& s = p.stances.support;
      s.feet = Feet::Base;
      const double length = std::max(0.5 * plan_.figure->totalLength, 0.5 * h);
      s.baseLength = std::max(s.baseLength, std::round(length / 5) * 5);
      s.baseWidth = std::max(s.baseWidth, std::round(0.4 * h / 5) * 5);
      s.baseMass += grams;
      const Support told = s;
      attempt(grams > 0 ? say("glue it to a base of {} × {} weighing {}", Length(told.baseLength, 0).figure(),
                              Length(told.baseWidth, 0), Mass(told.baseMass, 0))
                        : say("glue it to a base of {} × {}", Length(told.baseLength, 0).figure(),
                              Length(told.baseWidth, 0)),
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

std::vector<PoseRemedy> standingRemedies(const Project& project, const Catalog& catalog, const Plan& plan,
                                         const PoseReport& report) {
  if (report.standing.fixed || report.standing.contacts.empty()) return {};
  if (standsWell(report, catalog.pose)) return {};
  return MakingStand(project, catalog, plan, report).run();
}

} // namespace columna
