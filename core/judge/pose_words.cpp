#include "judge/pose_words.h"

#include "judge/factor_words.h"
#include "judge/standing_words.h"
#include "measure/quantity.h"
#include "pose/posing.h"
#include "wire/allowance.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// One thing wrong with a joint; the first of the worst level is what is told.
struct Say {
  Level level;
  Said sentence, brief;
};

void standingFindings(std::vector<Finding>& out, const Project& project, const Catalog& catalog,
                      const PoseReport& r) {
  const auto add = [&](Level level, Said text, Said brief) {
    out.push_back({level, "figure", std::move(text), std::move(brief)});
  };
  const PoseStanding& s = r.standing;
  const Feet feet = project.stances.support.feet;
  if (s.fixed) return;
  if (s.contacts.empty()) {
    add(Level::Wrong,
        say("It touches the ground nowhere, so it cannot stand; give it feet, hold it, or hang it up."),
        say("nothing to stand on"));
    return;
  }
  const auto leg = [&](const Contact& c) {
    return r.figure.limbs[static_cast<size_t>(c.limb)].kind == LimbKind::Leg;
  };
  if (std::none_of(s.contacts.begin(), s.contacts.end(), leg))
    add(Level::Doubtful,
        say("No foot is on the ground: it lies on its {}, so it is judged lying; bring a foot down, or hold "
            "it up.",
            Name(r.figure.limbs[static_cast<size_t>(s.contacts.front().limb)].part)),
        say("no foot on the ground"));
  if (s.inLine) {
    add(Level::Wrong,
        say("What touches the ground lies in one line, so it falls to a side; put a third place down (the "
            "tail, a toe), or glue it to a base."),
        say("it stands on a line"));
    return;
  }
  if (const auto said = standingWords(s.base, s.towards, feet == Feet::Base, catalog.pose.tipNeeded * kDegree,
                                      catalog.pose.marginNeeded, Cure::Pose))
    add(said->level, said->text, said->brief);
}

} // namespace

void judgeJoint(JointReport& j, const Project& project, const Plan& plan, const Catalog& catalog) {
  const PoseRules& rules = catalog.pose;
  const double limit = effortLimit(rules, project.stances.hands);
  const FigureLimb& limb = plan.figure->limbs[static_cast<size_t>(j.hold.limb)];
  const double needed = limb.kind == LimbKind::Digits ? kToeCover : kCover;
  std::vector<Say> says;
  const auto add = [&](Level level, Said sentence, Said brief) {
    says.push_back({level, std::move(sentence), std::move(brief)});
  };
  if (j.hold.hold < 1)
    add(Level::Wrong, say("Gives way under the weight: holds {} of it.", Times(j.hold.hold).apart(1)),
        say("gives way"));
  else if (j.hold.hold < rules.holdNeeded - 1e-6)
    add(Level::Doubtful,
        say("May sag: holds {} its load, {} is wanted.", Times(j.hold.hold).apart(rules.holdNeeded),
            Number(rules.holdNeeded, Quantity::kShort)),
        say("may sag"));
  if (j.hold.nudge < rules.nudgeNeeded - 1e-6)
    add(Level::Doubtful,
        say("A knock of {} bends it: the wire has {} of the strength that takes.", Force(plan.loads.nudge, 2),
            Number(j.hold.nudge, 2).apart(rules.nudgeNeeded)),
        say("bent by a knock"));
  // Said once for the figure: posed before it is felted firm the joint keeps its bend.
  j.springs = j.hold.against < 1;
  if (j.cover < 0)
    add(Level::Wrong, say("The wire is thicker than the wool round it."), say("thinner than its wire"));
  else if (j.cover < needed)
    add(Level::Doubtful,
        say("Only {} of wool covers the wire, {} is wanted.", Length(j.cover, 1).apart(needed),
            Length(needed, 1).figure()),
        say("thinly covered"));
  if (j.hold.effort > limit)
    add(Level::Doubtful,
        say("Stiff: takes {} to bend, {} is what {} like.", Force(j.hold.effort, 0).apart(limit),
            Force(limit, Quantity::kShort).figure(),
            Name(project.stances.hands == Hands::Child  ? named("a child's hands")
                 : project.stances.hands == Hands::Sore ? named("sore hands")
                                                        : named("fingers"))),
        say("stiff to pose"));
  if (j.budget > 1 / rules.lifeSpread && j.swing > 0.02)
    add(j.life.bends < 1 ? Level::Wrong : Level::Doubtful,
        say("Bends about {} times before it breaks ({} to {}); spread the bend, or double the wire.",
            bendsSaid(j.life.bends), bendsSaid(j.life.low), bendsSaid(j.life.high)),
        j.life.bends < 1 ? say("worn out") : say("soon worn out"));
  j.level = Level::Good;
  for (const Say& s : says)
    if (s.level > j.level) {
      j.level = s.level;
      j.sentence = s.sentence;
      j.brief = s.brief;
    }
  if (j.level != Level::Good) return;
  j.brief = {};
  j.sentence = say("Holds {} its load; bends with {}.", Times(j.hold.hold),
                   Force(j.hold.effort, j.hold.effort < 10 ? 1 : 0));
  if (j.springs)
    j.sentence =
        together(j.sentence,
                 say("Bend it before it is felted firm: the felt pulls back with {}, the wire holds {}.",
                     Moment(j.hold.recoil, 0).apart(j.hold.capacity), Moment(j.hold.capacity, 0).figure()));
}

std::vector<Finding> poseFindings(const Project& project, const Plan& plan, const Catalog& catalog,
                                  const PoseReport& r) {
  std::vector<Finding> out;
  standingFindings(out, project, catalog, r);
  const auto add = [&](Level level, std::string where, Said text, Said brief) {
    out.push_back({level, std::move(where), std::move(text), std::move(brief)});
  };
  if (!r.sums.armature.anyWire)
    add(Level::Doubtful, "figure",
        say("There is no wire in it, so it keeps whatever pose the felt has; choose a construction with wire "
            "to pose it."),
        say("no wire to pose"));
  else if (!r.sums.stable)
    add(Level::Wrong, "figure",
        say("Part of it could move without any wire bending, so no sum can be made; hold it at more places."),
        say("not held"));
  double wool = 0;
  for (const BoneMass& m : plan.carried) wool += m.grams;
  if (wool <= 0)
    add(Level::Doubtful, "figure",
        say("There is no wool on it, so only the wire's own weight is reckoned with; give it a size and a "
            "coat."),
        say("no wool"));
  const bool turns =
      std::any_of(plan.pattern->bones.begin(), plan.pattern->bones.end(), [](const PatternBone& b) {
        return b.flex.high > b.flex.low || b.side.high > b.side.low || b.twist.high > b.twist.low;
      });
  if (!turns)
    add(Level::Doubtful, "figure",
        say("None of its joints turns: every limit in its pattern is nought; widen limits_deg there."),
        say("no joint turns"));
  const auto springs =
      std::count_if(r.joints.begin(), r.joints.end(), [](const JointReport& j) { return j.springs; });
  if (springs > 0)
    add(Level::Doubtful, "figure",
        counted(many("Felted firm, the felt bends {} joints back: set the pose before firming, or leave them "
                     "softer.",
                     "Felted firm, the felt bends one joint back: set the pose before firming, or leave it "
                     "softer."),
                springs),
        say("set the pose before firming"));
  // The worst joint of each limb and its twin, once.
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const JointReport* worst = r.worstOf(static_cast<int>(l));
    if (!worst || worst->level == Level::Good) continue;
    const FigureLimb& limb = plan.figure->limbs[l];
    if (limb.side < 0 && limb.twin >= 0)
      if (const JointReport* other = r.worstOf(limb.twin); other && other->brief == worst->brief) continue;
    add(worst->level, limb.id,
        say("{}: {}", upperName(worst->name), worst->sentence.with(Name::First::Lower)),
        say("{} {}", Name(worst->name), worst->brief));
  }
  std::stable_sort(out.begin(), out.end(),
                   [](const Finding& a, const Finding& b) { return a.level > b.level; });
  return out;
}

} // namespace columna
