#include "judge/pose_words.h"

#include "judge/factor_words.h"
#include "judge/standing_words.h"
#include "measure/quantity.h"
#include "pose/posing.h"
#include "wire/allowance.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// One thing wrong with a joint; the first of the worst level is what is told.
struct Say {
  Level level;
  std::string sentence, brief;
};

void standingFindings(std::vector<Finding>& out, const Project& project, const Catalog& catalog,
                      const PoseReport& r) {
  const auto add = [&](Level level, std::string text, std::string brief) {
    out.push_back({level, "figure", std::move(text), std::move(brief)});
  };
  const PoseStanding& s = r.standing;
  const Feet feet = project.stances.support.feet;
  if (s.fixed) return;
  if (s.contacts.empty()) {
    add(Level::Wrong,
        "It touches the ground nowhere, so it cannot stand; give it feet, hold it, or hang it up.",
        "nothing to stand on");
    return;
  }
  const auto leg = [&](const Contact& c) {
    return r.figure.limbs[static_cast<size_t>(c.limb)].kind == LimbKind::Leg;
  };
  if (std::none_of(s.contacts.begin(), s.contacts.end(), leg))
    add(Level::Doubtful,
        fmt::format(
            "No foot is on the ground: it lies on its {}, so it is judged lying; bring a foot down, or hold "
            "it up.",
            r.figure.limbs[static_cast<size_t>(s.contacts.front().limb)].family),
        "no foot on the ground");
  if (s.inLine) {
    add(Level::Wrong,
        "What touches the ground lies in one line, so it falls to a side; put a third place down (the tail, "
        "a "
        "toe), or glue it to a base.",
        "it stands on a line");
    return;
  }
  const std::string on = feet == Feet::Base ? "its base" : "its feet";
  if (const auto said =
          standingWords(s.base, s.towards, on, catalog.pose.tipNeeded * kDegree, catalog.pose.marginNeeded,
                        "move a foot that way, lean it back, or glue it to a wider base",
                        "spread the feet, or glue it to a wider base"))
    add(said->level, said->text, said->brief);
}

} // namespace

void judgeJoint(JointReport& j, const Project& project, const Plan& plan, const Catalog& catalog) {
  const PoseRules& rules = catalog.pose;
  const double limit = effortLimit(rules, project.stances.hands);
  const FigureLimb& limb = plan.figure->limbs[static_cast<size_t>(j.hold.limb)];
  const double needed = limb.kind == LimbKind::Digits ? kToeCover : kCover;
  std::vector<Say> says;
  const auto say = [&](Level level, std::string sentence, std::string brief) {
    says.push_back({level, std::move(sentence), std::move(brief)});
  };
  if (j.hold.hold < 1)
    say(Level::Wrong, fmt::format("Gives way under the weight: holds {} of it.", timesWords(j.hold.hold, 1)),
        "gives way");
  else if (j.hold.hold < rules.holdNeeded - 1e-6)
    say(Level::Doubtful,
        fmt::format("May sag: holds {} its load, {:g} is wanted.", timesWords(j.hold.hold, rules.holdNeeded),
                    rules.holdNeeded),
        "may sag");
  if (j.hold.nudge < rules.nudgeNeeded - 1e-6)
    say(Level::Doubtful,
        fmt::format("A knock of {} N bends it: the wire has {} of the strength that takes.",
                    printNumber(plan.loads.nudge, 2), printApart(j.hold.nudge, rules.nudgeNeeded, 2)),
        "bent by a knock");
  // Said once for the figure: posed before it is felted firm the joint keeps its bend.
  j.springs = j.hold.against < 1;
  if (j.cover < 0)
    say(Level::Wrong, "The wire is thicker than the wool round it.", "thinner than its wire");
  else if (j.cover < needed)
    say(Level::Doubtful,
        fmt::format("Only {} mm of wool covers the wire, {} is wanted.", printApart(j.cover, needed, 1),
                    printNumber(needed, 1)),
        "thinly covered");
  if (j.hold.effort > limit)
    say(Level::Doubtful,
        fmt::format("Stiff: takes {} N to bend, {:g} is what {} like.", printApart(j.hold.effort, limit, 0),
                    limit,
                    project.stances.hands == Hands::Child  ? "a child's hands"
                    : project.stances.hands == Hands::Sore ? "sore hands"
                                                           : "fingers"),
        "stiff to pose");
  if (j.budget > 1 / rules.lifeSpread && j.swing > 0.02)
    say(j.life.bends < 1 ? Level::Wrong : Level::Doubtful,
        fmt::format("Bends about {} times before it breaks ({} to {}); spread the bend, or double the wire.",
                    bendsWords(j.life.bends), bendsWords(j.life.low), bendsWords(j.life.high)),
        j.life.bends < 1 ? "worn out" : "soon worn out");
  j.level = Level::Good;
  for (const Say& s : says)
    if (s.level > j.level) {
      j.level = s.level;
      j.sentence = s.sentence;
      j.brief = s.brief;
    }
  if (j.level != Level::Good) return;
  j.brief.clear();
  j.sentence = fmt::format("Holds {} its load; bends with {} N.", timesWords(j.hold.hold),
                           printNumber(j.hold.effort, j.hold.effort < 10 ? 1 : 0));
  if (j.springs)
    j.sentence +=
        fmt::format(" Bend it before it is felted firm: the felt pulls back with {} N mm, the wire holds {}.",
                    printApart(j.hold.recoil, j.hold.capacity, 0), printNumber(j.hold.capacity, 0));
}

std::vector<Finding> poseFindings(const Project& project, const Plan& plan, const Catalog& catalog,
                                  const PoseReport& r) {
  std::vector<Finding> out;
  standingFindings(out, project, catalog, r);
  const auto add = [&](Level level, std::string where, std::string text, std::string brief) {
    out.push_back({level, std::move(where), std::move(text), std::move(brief)});
  };
  if (!r.sums.armature.anyWire)
    add(Level::Doubtful, "figure",
        "There is no wire in it, so it keeps whatever pose the felt has; choose a construction with wire to "
        "pose it.",
        "no wire to pose");
  else if (!r.sums.stable)
    add(Level::Wrong, "figure",
        "Part of it could move without any wire bending, so no sum can be made; hold it at more places.",
        "not held");
  double wool = 0;
  for (const BoneMass& m : plan.carried) wool += m.grams;
  if (wool <= 0)
    add(Level::Doubtful, "figure",
        "There is no wool on it, so only the wire's own weight is reckoned with; give it a size and a coat.",
        "no wool");
  const bool turns =
      std::any_of(plan.pattern->bones.begin(), plan.pattern->bones.end(), [](const PatternBone& b) {
        return b.flex.high > b.flex.low || b.side.high > b.side.low || b.twist.high > b.twist.low;
      });
  if (!turns)
    add(Level::Doubtful, "figure",
        "None of its joints turns: every limit in its pattern is nought; widen limits_deg there.",
        "no joint turns");
  const auto springs =
      std::count_if(r.joints.begin(), r.joints.end(), [](const JointReport& j) { return j.springs; });
  if (springs > 0)
    add(Level::Doubtful, "figure",
        fmt::format("Felted firm, the felt bends {} back: set the pose before firming, or leave {} softer.",
                    springs == 1 ? "one joint" : fmt::format("{} joints", springs),
                    springs == 1 ? "it" : "them"),
        "set the pose before firming");
  // The worst joint of each limb and its twin, once.
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const JointReport* worst = r.worstOf(static_cast<int>(l));
    if (!worst || worst->level == Level::Good) continue;
    const FigureLimb& limb = plan.figure->limbs[l];
    if (limb.side < 0 && limb.twin >= 0)
      if (const JointReport* other = r.worstOf(limb.twin); other && other->brief == worst->brief) continue;
    std::string name = worst->name;
    if (!name.empty()) name[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(name[0])));
    add(worst->level, limb.id, fmt::format("{}: {}", name, lowerFirst(worst->sentence)),
        fmt::format("{} {}", worst->name, worst->brief));
  }
  std::stable_sort(out.begin(), out.end(),
                   [](const Finding& a, const Finding& b) { return a.level > b.level; });
  return out;
}

} // namespace columna
