// How the numbers of a pose come about, as one would do the sums on paper.
#include "judge/factor_words.h"
#include "judge/pose_report.h"
#include "measure/quantity.h"
#include "wire/allowance.h"

#include <fmt/format.h>

#include <cmath>
#include <numbers>

namespace columna {
namespace {

std::string factor(double value) {
  return std::isfinite(value) && value < 100 ? printNumber(value, value < 10 ? 1 : 0) : "over 99";
}

const MemberWire& wireOf(const PoseReport& report, const JointReport& joint) {
  return report.sums.armature.wires[static_cast<size_t>(joint.hold.member)];
}

std::string strandsOf(const JointReport& joint, const Plan& plan) {
  const WireSection& s = plan.limbs[static_cast<size_t>(joint.hold.limb)].section;
  return fmt::format("{} × {} mm {}", s.strands(), printNumber(s.diameter, 2), s.material.shortName);
}

} // namespace

Working jointHoldWorking(const PoseReport& report, const JointReport& j, const Plan& plan) {
  Working w;
  const MemberWire& wire = wireOf(report, j);
  w.title = fmt::format("why {} times", factor(j.hold.hold));
  w.lines.push_back(
      {"weight bends it with", "from the frame of this pose", printNumber(j.hold.moment, 1) + " N mm"});
  w.lines.push_back({"the wire carries", strandsOf(j, plan), printNumber(wire.hold, 1) + " N mm"});
  w.lines.push_back({"hold factor",
                     fmt::format("{} ÷ {}", printNumber(wire.hold, 1), printNumber(j.hold.moment, 1)),
                     factor(j.hold.hold)});
  w.source = fmt::format("By the wire's yield it could be {} to {}. Straight members joined rigidly, small "
                         "displacements; the joint sags {} mm.",
                         factor(j.hold.holdLow), factor(j.hold.holdHigh), printNumber(j.hold.sag, 1));
  return w;
}

Working jointNudgeWorking(const PoseReport& report, const JointReport& j, const Plan& plan) {
  Working w;
  const MemberWire& wire = wireOf(report, j);
  w.title = fmt::format("why {} times a knock", factor(j.hold.nudge));
  const std::string at = j.hold.knockAt >= 0 ? plan.skeleton->points[static_cast<size_t>(j.hold.knockAt)].name
                                             : std::string("it");
  const std::string way = std::abs(j.hold.knockWay.z()) > 0.7
                              ? (j.hold.knockWay.z() > 0 ? "from below" : "from above")
                              : compass({j.hold.knockWay.x(), j.hold.knockWay.y()});
  w.lines.push_back(
      {"the knock", fmt::format("{} N at the {}, {}", printNumber(plan.loads.nudge, 2), at, way), {}});
  w.lines.push_back({"weight and knock bend it with", "the worst of all directions",
                     printNumber(j.hold.knock, 1) + " N mm"});
  w.lines.push_back(
      {"the wire carries, bent a little", "at the 2 % stress", printNumber(wire.nudge, 1) + " N mm"});
  w.lines.push_back({"factor",
                     fmt::format("{} ÷ {}", printNumber(wire.nudge, 1), printNumber(j.hold.knock, 1)),
                     factor(j.hold.nudge)});
  w.source = "Half the figure's weight, but 0.1 to 0.5 N, by what it has to bear [E].";
  return w;
}

Working jointEffortWorking(const JointReport& j, const Plan& plan, const Catalog& catalog, Hands hands) {
  Working w;
  const double ultimate = j.hold.effort * j.hold.lever;
  w.title = fmt::format("why {} N", printNumber(j.hold.effort, j.hold.effort < 10 ? 1 : 0));
  w.lines.push_back({"full bending moment", strandsOf(j, plan), printNumber(ultimate, 0) + " N mm"});
  w.lines.push_back({"lever", "to the end, as far as fingers use it", printNumber(j.hold.lever, 0) + " mm"});
  w.lines.push_back({"force", fmt::format("{} ÷ {}", printNumber(ultimate, 0), printNumber(j.hold.lever, 0)),
                     printNumber(j.hold.effort, 1) + " N"});
  w.source = fmt::format("Up to {:g} N is easy for these hands; what aches is too much, whatever the number.",
                         effortLimit(catalog.pose, hands));
  return w;
}

Working jointLifeWorking(const JointReport& j, const Plan& plan, const Catalog& catalog) {
  Working w;
  const WireSection& s = plan.limbs[static_cast<size_t>(j.hold.limb)].section;
  const double hinge = hingeLength(s.material, s.diameter, j.gap);
  if (!std::isfinite(j.life.bends)) {
    w.title = "why it lasts";
    w.lines.push_back({"swing between the poses", {}, "none"});
    w.source = "What is not bent does not break.";
    return w;
  }
  w.title = fmt::format("why {} bends", bendsWords(j.life.bends));
  w.lines.push_back({"largest swing", {}, printNumber(j.swing / kDegree, 0) + "°"});
  const double n = s.material.hardening;
  const bool soft = j.gap * n / (1 + n) > (2 + 5 * n) * s.diameter;
  w.lines.push_back({"bends over",
                     soft ? fmt::format("soft felt, {:g} mm × {:g} ÷ {:g}", j.gap, n, 1 + n)
                          : fmt::format("(2 + 5 × {:g}) × {} mm", n, printNumber(s.diameter, 2)),
                     printNumber(hinge, 1) + " mm"});
  w.lines.push_back(
      {"outer strain",
       fmt::format("{:.2f} × {} ÷ (2 × {})", j.swing, printNumber(s.diameter, 2), printNumber(hinge, 1)),
       printNumber(j.life.strain * 100, 1) + " %"});
  w.lines.push_back(
      {"inside radius it comes to",
       fmt::format("{} ÷ {:.2f} − {} ÷ 2", printNumber(hinge, 1), j.swing, printNumber(s.diameter, 2)),
       printNumber(j.life.radius, 1) + " mm"});
  if (j.life.used > 0.001)
    w.lines.push_back({"used already, twisting too", {}, printNumber(j.life.used * 100, 0) + " %"});
  w.lines.push_back({"bends there and back", std::string(words(j.life.usable)), bendsWords(j.life.bends)});
  w.source =
      fmt::format("Strain-life of the metal; a named wire is known to {:g} times either way: {} to {}. Nicks "
                  "from pliers halve it or worse.",
                  catalog.pose.lifeSpread, bendsWords(j.life.low), bendsWords(j.life.high));
  return w;
}

Working jointRecoilWorking(const JointReport& j, const Plan& plan, const Catalog& catalog) {
  Working w;
  w.title = fmt::format("why the felt pulls {} N mm", printNumber(j.hold.recoil, j.hold.recoil < 10 ? 1 : 0));
  w.lines.push_back({"bent by", {}, printNumber(j.hold.bent / kDegree, 0) + "°"});
  w.lines.push_back(
      {"over", fmt::format("the felt that gives: {:g} mm, or its thickness", catalog.pose.softGap), {}});
  w.lines.push_back({"felt", std::string(word(plan.wool->limbs[static_cast<size_t>(j.hold.limb)].firmness)),
                     printNumber(j.hold.recoil, 1) + " N mm"});
  w.lines.push_back({"that lasts", fmt::format("× {:g}", catalog.pose.recoilShare),
                     printNumber(j.hold.recoil * catalog.pose.recoilShare, 1) + " N mm"});
  w.lines.push_back({"the wire holds", {}, printNumber(j.hold.capacity, 1) + " N mm"});
  w.source = "An upper bound by the felt's stiffness; softer felt, or a thinner sleeve at the joint, pulls "
             "less [E].";
  return w;
}

Working jointCoverWorking(const PoseReport& report, const JointReport& j, const Plan& plan) {
  Working w;
  const double bundle = wireOf(report, j).bundle;
  const bool toe = plan.figure->limbs[static_cast<size_t>(j.hold.limb)].kind == LimbKind::Digits;
  w.title = fmt::format("why {} mm of wool over it", printNumber(j.cover, 1));
  w.lines.push_back({"half the part where it is thinnest", {}, printNumber(j.cover + bundle / 2, 1) + " mm"});
  w.lines.push_back({"half the wire's bundle", strandsOf(j, plan), printNumber(bundle / 2, 1) + " mm"});
  w.lines.push_back({"wool over the wire",
                     fmt::format("{} − {}", printNumber(j.cover + bundle / 2, 1), printNumber(bundle / 2, 1)),
                     printNumber(j.cover, 1) + " mm"});
  w.source =
      fmt::format("{:g} mm are wanted, so that a needle does not meet the wire and it does not show [E].",
                  toe ? kToeCover : kCover);
  return w;
}

Working tipWorking(const PoseReport& r) {
  Working w;
  const Standing& s = r.standing.base;
  w.title = fmt::format("why {}", printAngle(s.tip));
  w.lines.push_back({"weight from the nearest edge", r.standing.towards, printNumber(s.margin, 1) + " mm"});
  const double height =
      std::abs(std::tan(s.tip)) > 1e-9 ? s.margin / std::tan(s.tip) : r.sums.armature.centre.z();
  w.lines.push_back({"its height over the ground", {}, printNumber(height, 0) + " mm"});
  w.lines.push_back({"it tips at",
                     fmt::format("atan({} ÷ {})", printNumber(s.margin, 1), printNumber(height, 0)),
                     printAngle(s.tip)});
  w.source =
      "The edge is the hull of all that touches the ground; a lean of 3 to 5° comes from posing alone [E].";
  return w;
}

} // namespace columna
