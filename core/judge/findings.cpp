#include "judge/planning.h"
#include "judge/wire_findings.h"
#include "judge/wool_findings.h"

#include "judge/factor_words.h"
#include "judge/standing_words.h"
#include "wire/allowance.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kCheckedSmallest = 60; ///< mm: the figures the rules were checked on
constexpr double kCheckedLargest = 400;

constexpr double kMadeOff = 0.08; ///< a made part this far off the rest is worth a look
constexpr double kSunk = 0.03;    ///< of the height: the patterns themselves rest within it

double coverNeeded(const FigureLimb& limb) { return limb.kind == LimbKind::Digits ? kToeCover : kCover; }

std::string_view endOf(LimbKind kind) {
  switch (kind) {
  case LimbKind::Leg:
    return named("foot");
  case LimbKind::Arm:
    return named("palm");
  case LimbKind::Head:
    return named("nose");
  case LimbKind::Wing:
  case LimbKind::Tail:
  case LimbKind::Digits:
    return named("tip");
  default:
    return named("end");
  }
}

/// A limb's id of another animal, as words.
std::string spaced(std::string id) {
  std::replace(id.begin(), id.end(), '-', ' ');
  std::replace(id.begin(), id.end(), '_', ' ');
  return id;
}

/// "Both forelegs" for a pair that is alike, else "Left foreleg".
Said called(const FigureLimb& limb, bool pair) {
  return pair ? say("Both {}", Name(limb.plural)) : Said(Name(limb.name));
}

void look(std::vector<Finding>& out, const Plan& plan, size_t l, bool pair) {
  const LimbPlan& limb = plan.limbs[l];
  const FigureLimb& part = plan.figure->limbs[l];
  if (!limb.wired) return;
  const Said name = called(part, pair);
  const Said lowered = name.with(Name::First::Lower);
  const Said wire = say("{} {}", Length(limb.section.diameter, 2), Name(limb.section.material.shortName));
  const Said range = say("{} to {}", Length(limb.need.low, 1).figure(), Length(limb.need.high, 1).figure());
  const auto add = [&](Level level, Said text, Said brief) {
    out.push_back({level, part.id, std::move(text), std::move(brief)});
  };
  const bool stems = limb.section.material.strandsPerWire > 1;
  const bool made = limb.need.diameter <= limb.section.material.diameters.back() + 1e-9;
  const Said ask =
      made    ? say("take {} (it could be {}), or a stronger metal", Length(limb.need.diameter, 2), range)
      : stems ? say("no stem is so strong: take wire")
              : say("no size of it is enough: take a stronger metal, or build smaller");
  if (limb.hold.hold < 1)
    add(Level::Wrong,
        say("{}: {} gives way under the weight, it holds {} of it; {}.", name, wire,
            Times(limb.hold.hold).apart(1), ask),
        say("{} will not hold", lowered));
  else if (!limb.chosen && !limb.fits)
    add(Level::Doubtful,
        say("{}: no {} here is thick enough, {} is wanted (it could be {}); take a stronger metal or a "
            "smaller figure.",
            name, Name(limb.section.material.shortName), Length(limb.need.diameter, 1), range),
        say("no wire for {}", lowered));
  else if (limb.hold.hold < plan.poseRules.holdNeeded - 1e-6)
    add(Level::Doubtful,
        say("{}: {} holds {} its load, {} is wanted; {}.", name, wire,
            Times(limb.hold.hold).apart(plan.poseRules.holdNeeded),
            Number(plan.poseRules.holdNeeded, Quantity::kShort), ask),
        say("{} may sag", lowered));
  else if (limb.hold.nudge < plan.poseRules.nudgeNeeded - 1e-6)
    add(Level::Doubtful,
        say("{}: {} is bent by a knock of {}; {}.", name, wire, Force(plan.loads.nudge, 2), ask),
        counted(many("{1} droop if knocked", "{1} droops if knocked"), pair ? 2 : 1, lowered));
  if (limb.hold.effort > plan.poseRules.effortAdult)
    add(Level::Doubtful,
        say("{}: {} takes {} at the {} to bend, more than the {} fingers like; thinner wire would pose more "
            "easily.",
            name, wire, Force(limb.hold.effort, 0).apart(plan.poseRules.effortAdult), Name(endOf(part.kind)),
            Force(plan.poseRules.effortAdult, Quantity::kShort)),
        say("{} stiff to pose", lowered));
  const double needed = coverNeeded(part);
  if (limb.hold.cover < 0)
    add(Level::Wrong,
        say("{}: the wire is {} across, thicker than the part at its thinnest; take thinner wire, or build "
            "the figure larger.",
            name, Length(limb.section.bundle(), 1)),
        say("{} thinner than its wire", lowered));
  else if (limb.hold.cover < needed)
    add(Level::Doubtful,
        say("{}: only {} of wool covers the wire, {} is wanted; take thinner wire, or build the figure "
            "larger.",
            name, Length(limb.hold.cover, 1).apart(needed), Length(needed, 1).figure()),
        say("{} thinly covered", lowered));
}

/// Parts that a changed shape leaves under the ground.
void sunk(std::vector<Finding>& out, const Plan& plan) {
  const Figure& f = plan.figure;
  for (size_t l = 0; l < f.limbs.size(); ++l) {
    if (f.limbs[l].kind == LimbKind::Leg || f.limbs[l].kind == LimbKind::Digits || f.limbs[l].side < 0)
      continue;
    double low = 0;
    for (const Tube& tube : f.tubes)
      for (size_t i = 0; i < tube.slabBone.size(); ++i)
        if (f.bones[static_cast<size_t>(tube.slabBone[i])].limb == static_cast<int>(l)) {
          const Ring& r = tube.rings[i + 1];
          low = std::min(low, r.centre.z() - std::hypot(r.ru * r.u.z(), r.rv * r.v.z()));
        }
    if (low > -kSunk * f.overallHeight) continue;
    const Said name = called(f.limbs[l], f.limbs[l].twin >= 0);
    out.push_back(
        {Level::Doubtful, f.limbs[l].id,
         say("{}: it reaches {} under the ground the feet stand on; lengthen the legs, or bend it up.", name,
             Length(-low, 0)),
         say("{} under the ground", Name(f.limbs[l].part))});
  }
}

void lookAtStanding(std::vector<Finding>& out, const Plan& plan) {
  const Standing& s = plan.standing;
  const auto add = [&](Level level, Said text, Said brief) {
    out.push_back({level, "figure", std::move(text), std::move(brief)});
  };
  if (plan.loads.legs == 0)
    add(Level::Doubtful,
        say("No leg reaches the ground, so nothing is said of how it stands; plan a base or a hanger."),
        say("no legs to stand on"));
  else if (s.support.empty())
    add(Level::Wrong,
        say("What touches the ground lies in one line, so it falls; spread the feet, or glue them to a "
            "base."),
        say("it falls over"));
  else if (const auto said = standingWords(s, s.towards, false, plan.poseRules.tipNeeded * kDegree,
                                           plan.poseRules.marginNeeded, Cure::Armature))
    add(said->level, said->text, said->brief);
}

void lookAtFigure(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  const auto add = [&](Level level, Said text, Said brief) {
    out.push_back({level, "figure", std::move(text), std::move(brief)});
  };
  for (const MadeResidual& r : plan.made->residuals)
    if (std::abs(r.off) > kMadeOff)
      add(Level::Doubtful, say("What is made does not agree: {}; make it anew, or measure again.", r.words),
          r.words);
  sunk(out, plan);
  const double height = plan.figure->overallHeight;
  if (height < kCheckedSmallest || height > kCheckedLargest)
    add(Level::Doubtful,
        say("The rules were checked on figures of {} to {}; at {} they are stretched, so try a limb first.",
            Length(kCheckedSmallest, Quantity::kShort).figure(), Length(kCheckedLargest, Quantity::kShort),
            Length(height, 0)),
        say("outside the checked sizes"));
  for (const auto& [limbId, choice] : project.limbs)
    if (!plan.figure->limb(limbId))
      add(Level::Doubtful,
          say("A choice is kept for the {}, which this animal does not have; it comes back with the animal.",
              AsIs(spaced(limbId))),
          say("a choice without a limb"));
}

} // namespace

bool alike(const Plan& plan, size_t l, size_t twin) {
  const LimbPlan& a = plan.limbs[l];
  const LimbPlan& b = plan.limbs[twin];
  return a.wired == b.wired && a.section.diameter == b.section.diameter &&
         a.section.material.id == b.section.material.id && a.hold.hold == b.hold.hold &&
         a.hold.nudge == b.hold.nudge;
}

std::vector<Finding> findingsOf(const Project& project, const Plan& plan) {
  std::vector<Finding> out;
  for (size_t l = 0; l < plan.limbs.size(); ++l) {
    const int twin = plan.figure->limbs[l].twin;
    const bool pair = twin >= 0 && alike(plan, l, static_cast<size_t>(twin));
    if (pair && static_cast<size_t>(twin) < l) continue; // said of both already
    look(out, plan, l, pair);
  }
  const auto about = [&out](Topic topic, const auto& look) {
    const size_t before = out.size();
    look();
    for (size_t i = before; i < out.size(); ++i) out[i].topic = topic;
  };
  about(Topic::Pose, [&] { lookAtStanding(out, plan); });
  about(Topic::Shape, [&] { lookAtFigure(out, project, plan); });
  about(Topic::Wire, [&] { lookAtWire(out, project, plan); });
  about(Topic::Shape, [&] { lookAtConstruction(out, project, plan); });
  about(Topic::Wool, [&] { lookAtWool(out, project, plan); });
  std::stable_sort(out.begin(), out.end(),
                   [](const Finding& a, const Finding& b) { return a.level > b.level; });
  return out;
}

void judge(Plan& plan) {
  for (size_t l = 0; l < plan.limbs.size(); ++l) {
    LimbPlan& limb = plan.limbs[l];
    if (!limb.wired) {
      limb.sentence = say("No wire runs in it.");
      continue;
    }
    std::vector<Finding> found;
    look(found, plan, l, false);
    limb.verdict = Level::Good;
    for (const Finding& f : found) limb.verdict = std::max(limb.verdict, f.level);
    const Said bend = say("bends with {} at the {}", Force(limb.hold.effort, limb.hold.effort < 1 ? 1 : 0),
                          Name(endOf(plan.figure->limbs[l].kind)));
    if (limb.hold.hold < 1)
      limb.sentence = say("Gives way: it holds {} its load; {}.", Times(limb.hold.hold).apart(1), bend);
    else
      limb.sentence = say("Holds {} its load; {}.", Times(limb.hold.hold), bend);
    if (limb.hold.hold >= plan.poseRules.holdNeeded - 1e-6 &&
        limb.hold.nudge < plan.poseRules.nudgeNeeded - 1e-6)
      limb.sentence = say("Holds {} its load, but droops if knocked.", Times(limb.hold.hold));
  }
}

} // namespace columna
