#include "judge/advice.h"

#include "measure/quantity.h"

#include <algorithm>

namespace columna {
namespace {

/// What the rules look at.
struct Look {
  double height = 0, mass = 0;
  double stoutness = 0; ///< length of the trunk over its depth
  int pairs = 0;
  bool wings = false, neck = false, stands = false, tail = false;
  double thinnestLeg = 1e9; ///< across, mm
};

Look lookAt(const Plan& plan) {
  Look look;
  look.height = plan.figure->overallHeight;
  look.mass = plan.totals.mass > 0 ? plan.totals.mass : plan.wool->core + plan.wool->coat;
  // Standing on its legs, not sitting between them.
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    if (limb.kind != LimbKind::Leg || !plan.footing->stands[l] || limb.bones.empty()) continue;
    const FigureBone& first = plan.figure->bones[static_cast<size_t>(limb.bones.front())];
    look.stands = look.stands || first.begin.z() > 0.5 * limb.length;
  }
  double deep = 0;
  double length = 0;
  for (const FigureLimb& limb : plan.figure->limbs) {
    if (limb.kind == LimbKind::Wing) look.wings = true;
    if (limb.kind == LimbKind::Neck && limb.length > 0.12 * plan.figure->overallHeight) look.neck = true;
    if (limb.kind == LimbKind::Tail) look.tail = true;
    for (const int b : limb.bones) {
      const FigureBone& bone = plan.figure->bones[static_cast<size_t>(b)];
      if (limb.kind == LimbKind::Trunk && bone.wire) length += bone.length;
      for (const Station& s : bone.stations) {
        if (limb.kind == LimbKind::Trunk) deep = std::max(deep, s.deep);
        if (limb.kind == LimbKind::Leg && bone.wire && s.at <= 0.8)
          look.thinnestLeg = std::min({look.thinnestLeg, s.across, s.deep});
      }
    }
  }
  look.pairs = static_cast<int>(spinePairs(plan.figure, plan.skeleton).size());
  if (deep > 0) look.stoutness = length / deep;
  return look;
}

} // namespace

Advice constructionAdvice(Construction construction, Use use, const Plan& plan) {
  const Look look = lookAt(plan);
  Advice a{construction, Level::Good, {}};
  const auto warn = [&](Said reason) {
    a.level = Level::Doubtful;
    a.reason = std::move(reason);
  };
  switch (construction) {
  case Construction::FoldedPair:
    a.reason = say("small and light, and every limb can be posed");
    if (look.pairs == 0) {
      a.level = Level::Wrong;
      a.reason = say("it has no pair of limbs for the wires to run out into");
    } else if (look.height > plan.bench.foldedHeightMost || look.mass > plan.bench.foldedMassMost)
      warn(say("at {} and {} single strands in the legs give up strength; twisted limbs hold more",
               Length(look.height, 0), Mass(look.mass)));
    break;
  case Construction::TwistedLimbs:
    a.reason = say("strong, and every limb can be posed");
    if (look.thinnestLeg < plan.bench.slimLeg)
      warn(
          say("legs of {} hardly hide a doubled wire; a single one is slimmer", Length(look.thinnestLeg, 1)));
    break;
  case Construction::SpineAndCrosspieces:
    a.reason = look.wings ? say("wings and legs are single wires through the body, as slim as they can be")
                          : say("slim: one wire through each pair of limbs");
    if (look.pairs == 0) {
      a.level = Level::Wrong;
      a.reason = say("it has no pair of limbs to run a crosspiece through");
    }
    break;
  case Construction::LegsAndTail:
    a.reason = say("a stout body stands well on wired legs alone, and there is little wire to hide");
    if (look.stoutness > plan.bench.stoutMost && look.neck)
      warn(say("a long body and neck without wire keep no pose and may sag"));
    else if (use == Use::Handled)
      warn(say("handled often, wires glued into felt work loose"));
    break;
  case Construction::ThroughPegs:
    a.reason = say("many legs or a tiny body: equal wires go straight through");
    if (look.pairs == 0) {
      a.level = Level::Wrong;
      a.reason = say("it has no pair of limbs to push a wire through");
    } else if (look.mass > plan.bench.pegMassMost)
      warn(say("pegs bear little, and this weighs {}", Mass(look.mass)));
    break;
  case Construction::PartWired:
    a.reason = say("wire where a pose is wanted, felt where none is");
    break;
  case Construction::ThreadJoints:
    a.reason = say("limbs swing, as a toy bear's do");
    if (look.stands) warn(say("limbs on thread swing, so it will not stand on its legs"));
    break;
  case Construction::NoWire:
    a.reason = say("a simple upright shape needs none");
    if (look.stands && (look.neck || look.tail))
      warn(say("legs, neck and tail without wire keep no pose, and it may not stand"));
    break;
  }
  const auto& suits = plan.pattern->suits;
  if (a.level == Level::Good && std::find(suits.begin(), suits.end(), id(construction)) != suits.end())
    a.reason = say("{}; usual for a {}", a.reason, lowerName(plan.figure->patternName));
  return a;
}

std::vector<Advice> allAdvice(Use use, const Plan& plan) {
  std::vector<Advice> out;
  out.reserve(kConstructions.size());
  for (const Construction each : kConstructions) out.push_back(constructionAdvice(each, use, plan));
  const auto& suits = plan.pattern->suits;
  const auto rank = [&](const Advice& a) {
    const auto at = std::find(suits.begin(), suits.end(), id(a.construction));
    return std::pair(static_cast<int>(a.level), at - suits.begin());
  };
  std::stable_sort(out.begin(), out.end(),
                   [&](const Advice& a, const Advice& b) { return rank(a) < rank(b); });
  return out;
}

} // namespace columna
