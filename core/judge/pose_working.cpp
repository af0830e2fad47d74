// How the numbers of a pose come about, as one would do the sums on paper.
#include "judge/factor_words.h"
#include "judge/pose_report.h"
#include "measure/quantity.h"
#include "wire/allowance.h"

#include <cmath>
#include <numbers>

namespace columna {
namespace {

const MemberWire& wireOf(const PoseReport& report, const JointReport& joint) {
  return report.sums.armature.wires[static_cast<size_t>(joint.hold.member)];
}

Said strandsOf(const JointReport& joint, const Plan& plan) {
  const WireSection& s = plan.limbs[static_cast<size_t>(joint.hold.limb)].section;
  return say("{} × {} {}", s.strands(), Length(s.diameter, 2), Name(s.material.shortName));
}

} // namespace

Working jointHoldWorking(const PoseReport& report, const JointReport& j, const Plan& plan) {
  Working w;
  const MemberWire& wire = wireOf(report, j);
  w.title = say("why {} times", factorSaid(j.hold.hold));
  w.lines.push_back(
      {say("weight bends it with"), say("from the frame of this pose"), Moment(j.hold.moment, 1)});
  w.lines.push_back({say("the wire carries"), strandsOf(j, plan), Moment(wire.hold, 1)});
  w.lines.push_back({say("hold factor"),
                     say("{} ÷ {}", Moment(wire.hold, 1).sum(), Moment(j.hold.moment, 1).sum()),
                     factorSaid(j.hold.hold)});
  w.source = say("By the wire's yield it could be {} to {}. Straight members joined rigidly, small "
                 "displacements; the joint sags {}.",
                 factorSaid(j.hold.holdLow), factorSaid(j.hold.holdHigh), Length(j.hold.sag, 1));
  return w;
}

Working jointNudgeWorking(const PoseReport& report, const JointReport& j, const Plan& plan) {
  Working w;
  const MemberWire& wire = wireOf(report, j);
  w.title = say("why {} times a knock", factorSaid(j.hold.nudge));
  const Name at(j.hold.knockAt >= 0
                    ? std::string_view(plan.skeleton->points[static_cast<size_t>(j.hold.knockAt)].name)
                    : named("it"));
  const std::string compassName = compass({j.hold.knockWay.x(), j.hold.knockWay.y()});
  const Name way(std::abs(j.hold.knockWay.z()) > 0.7
                     ? (j.hold.knockWay.z() > 0 ? named("from below") : named("from above"))
                     : std::string_view(compassName));
  w.lines.push_back({say("the knock"), say("{} at the {}, {}", Force(plan.loads.nudge, 2), at, way), {}});
  w.lines.push_back(
      {say("weight and knock bend it with"), say("the worst of all directions"), Moment(j.hold.knock, 1)});
  w.lines.push_back(
      {say("the wire carries, bent a little"), say("at the 2 % stress"), Moment(wire.nudge, 1)});
  w.lines.push_back({say("factor"),
                     say("{} ÷ {}", Moment(wire.nudge, 1).sum(), Moment(j.hold.knock, 1).sum()),
                     factorSaid(j.hold.nudge)});
  w.source = say("Half the figure's weight, but {} to {}, by what it has to bear [E].",
                 Force(0.1, 1).figure(), Force(0.5, 1));
  return w;
}

Working jointEffortWorking(const JointReport& j, const Plan& plan, const Catalog& catalog, Hands hands) {
  Working w;
  const double ultimate = j.hold.effort * j.hold.lever;
  w.title = say("why {}", Force(j.hold.effort, j.hold.effort < 10 ? 1 : 0));
  w.lines.push_back({say("full bending moment"), strandsOf(j, plan), Moment(ultimate, 0)});
  w.lines.push_back({say("lever"), say("to the end, as far as fingers use it"), Length(j.hold.lever, 0)});
  w.lines.push_back({say("force"), say("{} ÷ {}", Moment(ultimate, 0).sum(), Length(j.hold.lever, 0).sum()),
                     Force(j.hold.effort, 1)});
  w.source = say("Up to {} is easy for these hands; what aches is too much, whatever the number.",
                 Force(effortLimit(catalog.pose, hands), Quantity::kShort));
  return w;
}

Working jointLifeWorking(const JointReport& j, const Plan& plan, const Catalog& catalog) {
  Working w;
  const WireSection& s = plan.limbs[static_cast<size_t>(j.hold.limb)].section;
  const double hinge = hingeLength(s.material, s.diameter, j.gap);
  if (!std::isfinite(j.life.bends)) {
    w.title = say("why it lasts");
    w.lines.push_back({say("swing between the poses"), {}, say("none")});
    w.source = say("What is not bent does not break.");
    return w;
  }
  w.title = say("why {} bends", bendsSaid(j.life.bends));
  w.lines.push_back({say("largest swing"), {}, Angle(j.swing, 0)});
  const double n = s.material.hardening;
  const bool soft = j.gap * n / (1 + n) > (2 + 5 * n) * s.diameter;
  w.lines.push_back({say("bends over"),
                     soft ? say("soft felt, {} × {} ÷ {}", Length(j.gap, Quantity::kShort),
                                Number(n, Quantity::kShort), Number(1 + n, Quantity::kShort))
                          : say("(2 + 5 × {}) × {}", Number(n, Quantity::kShort), Length(s.diameter, 2)),
                     Length(hinge, 1)});
  w.lines.push_back(
      {say("outer strain"),
       say("{} × {} ÷ (2 × {})", Number(j.swing, 2), Length(s.diameter, 2).sum(), Length(hinge, 1).sum()),
       say("{} %", Number(j.life.strain * 100, 1))});
  w.lines.push_back(
      {say("inside radius it comes to"),
       say("{} ÷ {} − {} ÷ 2", Length(hinge, 1).sum(), Number(j.swing, 2), Length(s.diameter, 2).sum()),
       Length(j.life.radius, 1)});
  if (j.life.used > 0.001)
    w.lines.push_back({say("used already, twisting too"), {}, say("{} %", Number(j.life.used * 100, 0))});
  w.lines.push_back({say("bends there and back"), Name(words(j.life.usable)), bendsSaid(j.life.bends)});
  w.source =
      say("Strain-life of the metal; a named wire is known to {} times either way: {} to {}. Nicks from "
          "pliers halve it or worse.",
          Number(catalog.pose.lifeSpread, Quantity::kShort), bendsSaid(j.life.low), bendsSaid(j.life.high));
  return w;
}

Working jointRecoilWorking(const JointReport& j, const Plan& plan, const Catalog& catalog) {
  Working w;
  w.title = say("why the felt pulls {}", Moment(j.hold.recoil, j.hold.recoil < 10 ? 1 : 0));
  w.lines.push_back({say("bent by"), {}, Angle(j.hold.bent, 0)});
  w.lines.push_back(
      {say("over"),
       say("the felt that gives: {}, or its thickness", Length(catalog.pose.softGap, Quantity::kShort)),
       {}});
  w.lines.push_back({say("felt"), Name(word(plan.wool->limbs[static_cast<size_t>(j.hold.limb)].firmness)),
                     Moment(j.hold.recoil, 1)});
  w.lines.push_back({say("that lasts"), say("× {}", Number(catalog.pose.recoilShare, Quantity::kShort)),
                     Moment(j.hold.recoil * catalog.pose.recoilShare, 1)});
  w.lines.push_back({say("the wire holds"), {}, Moment(j.hold.capacity, 1)});
  w.source = say("An upper bound by the felt's stiffness; softer felt, or a thinner sleeve at the joint, "
                 "pulls less [E].");
  return w;
}

Working jointCoverWorking(const PoseReport& report, const JointReport& j, const Plan& plan) {
  Working w;
  const double bundle = wireOf(report, j).bundle;
  const bool toe = plan.figure->limbs[static_cast<size_t>(j.hold.limb)].kind == LimbKind::Digits;
  w.title = say("why {} of wool over it", Length(j.cover, 1));
  w.lines.push_back({say("half the part where it is thinnest"), {}, Length(j.cover + bundle / 2, 1)});
  w.lines.push_back({say("half the wire's bundle"), strandsOf(j, plan), Length(bundle / 2, 1)});
  w.lines.push_back({say("wool over the wire"),
                     say("{} − {}", Length(j.cover + bundle / 2, 1).sum(), Length(bundle / 2, 1).sum()),
                     Length(j.cover, 1)});
  w.source = say("{} are wanted, so that a needle does not meet the wire and it does not show [E].",
                 Length(toe ? kToeCover : kCover, Quantity::kShort));
  return w;
}

Working tipWorking(const PoseReport& r) {
  Working w;
  const Standing& s = r.standing.base;
  w.title = say("why {}", Angle(s.tip, 0));
  w.lines.push_back({say("weight from the nearest edge"), Name(r.standing.towards), Length(s.margin, 1)});
  const double height =
      std::abs(std::tan(s.tip)) > 1e-9 ? s.margin / std::tan(s.tip) : r.sums.armature.centre.z();
  w.lines.push_back({say("its height over the ground"), {}, Length(height, 0)});
  w.lines.push_back({say("it tips at"),
                     say("atan({} ÷ {})", Length(s.margin, 1).sum(), Length(height, 0).sum()),
                     Angle(s.tip, 0)});
  w.source = say(
      "The edge is the hull of all that touches the ground; a lean of 3 to 5° comes from posing alone [E].");
  return w;
}

} // namespace columna
