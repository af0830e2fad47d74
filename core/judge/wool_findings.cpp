#include "judge/wool_findings.h"

#include "measure/quantity.h"
#include "wool/when_to_stop.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kFits = 0.97; ///< of a ready core: what sticks out is pressed in
constexpr double kDear = 0.15; ///< of the core: pads that wire in the middle would save are worth a word

/// "Forelegs" of a pair.
Name called(const FigureLimb& limb) { return limb.side == 0 ? Name(limb.name) : upperName(limb.plural); }

void density(std::vector<Finding>& out, const Plan& plan, size_t l) {
  const LimbWool& w = plan.wool->limbs[l];
  const WoolRules& r = plan.woolRules;
  if (w.density >= r.densityLeast && w.density <= r.densityMost) return;
  const FigureLimb& limb = plan.figure->limbs[l];
  out.push_back(
      {Level::Wrong, limb.id,
       say("{}: felt of {} there is not; give {} to {}, or weigh a test ball.", called(limb),
           Density(w.density, 2), Density(r.densityLeast, 2).figure(), Density(r.densityMost, 2).figure()),
       say("{}: no such felt", Name(limb.part))});
}

void allCoat(std::vector<Finding>& out, const Plan& plan, size_t l) {
  const LimbWool& w = plan.wool->limbs[l];
  const FigureLimb& limb = plan.figure->limbs[l];
  double thinnest = 1e9;
  double core = 0;
  for (const Girth& g : w.girths) thinnest = std::min({thinnest, g.across, g.deep});
  for (const int b : limb.bones) core += plan.solid->solid.bones[static_cast<size_t>(b)].core;
  if (limb.kind == LimbKind::Digits || plan.wool->coatThickness <= 0) return;
  // A coat as thick as the part: nothing is left to wind under it.
  if (core <= 0 && !w.girths.empty() && 2 * plan.wool->coatThickness >= thinnest)
    out.push_back({Level::Doubtful, limb.id,
                   say("{}: thinner than its coat of {}, so it is coat wool all through.", called(limb),
                       Length(plan.wool->coatThickness, 1)),
                   say("{} all coat", Name(limb.part))});
}

void offCentre(std::vector<Finding>& out, const Plan& plan, size_t l) {
  const LimbWool& w = plan.wool->limbs[l];
  const FigureLimb& limb = plan.figure->limbs[l];
  if (w.allCoat || w.offCentre < std::max(5 * plan.woolRules.padLeast, kDear * w.core)) return;
  out.push_back(
      {Level::Doubtful, limb.id,
       say("{}: its wire lies {} out of the middle {} from the root, so {} must be padded that could be "
           "wound.",
           called(limb), Length(w.offCentreBy, 0), Length(w.offCentreAlong, 0), Mass(w.offCentre, 1)),
       say("{}: wire off the middle", Name(limb.part))});
}

void thin(std::vector<Finding>& out, const Plan& plan, size_t l) {
  const LimbWool& w = plan.wool->limbs[l];
  const FigureLimb& limb = plan.figure->limbs[l];
  for (const Girth& g : w.girths)
    if (g.finished <= 0 || g.across <= 0 || g.deep <= 0) {
      out.push_back({Level::Wrong, limb.id,
                     say("{}: a girth of nothing {} from the root; pull it wider in Study.", called(limb),
                         Length(g.along, 0)),
                     say("{}: no girth", Name(limb.part))});
      return;
    }
}

void stock(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (const auto& [wool, name] : {std::pair{&project.wool.core, Name(named("core wool"))},
                                   std::pair{&project.wool.coat, Name(named("coat wool"))}})
    if (wool->linear && !(*wool->linear > 0))
      out.push_back({Level::Wrong, "figure", say("The {} weighs nothing; weigh it again.", name),
                     say("{} weighs nothing", name)});
  const WoolRules& r = plan.woolRules;
  if (project.wool.ball && project.wool.ball->grams < r.ballLeast)
    out.push_back(
        {Level::Doubtful, "figure",
         say("The test ball weighs {}; on a scale that shows {} take {} or more, or it says little.",
             Mass(project.wool.ball->grams, 1), Mass(0.1, 1), Mass(r.ballLeast, 0)),
         say("test ball is small")});
  const double need = hidingMass(project.wool.core.tone, project.wool.coat.tone, r);
  const double laid = plan.wool->coatLaid * r.coatDensity;
  if (plan.wool->coatLaid > 0 && laid < 0.98 * need)
    out.push_back(
        {Level::Doubtful, "figure",
         say("A coat of {} is {}; {} wool over a {} core wants {}: lay {}, or core wool nearer its colour.",
             Length(plan.wool->coatLaid, 1), AreaMass(laid, 0), Name(word(project.wool.coat.shown())),
             Name(word(project.wool.core.shown())), AreaMass(need, 0).figure(),
             Length(need / r.coatDensity, 1)),
         say("core would shine through")});
  for (size_t m = 0; m < plan.wool->markings.size(); ++m)
    if (plan.wool->markings[m].area <= 0)
      out.push_back({Level::Doubtful, "figure",
                     say("The marking \"{}\" lies beside the figure; move it on, or take it off.",
                         AsIs(project.wool.markings[m].name)),
                     say("marking beside the figure")});
}

/// Half of what is over or under in a measured pair, and girths that are over.
void measured(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  std::map<std::string, double> left;
  std::map<std::pair<std::string, std::string>, const WrapRecord*> girths;
  for (const WrapRecord& r : project.wool.records) {
    if (r.what == WrapRecord::What::Left)
      left[r.limb] = r.value;
    else
      girths[{r.limb, fmt::format("{:.0f}{}", r.along, r.moment)}] = &r;
  }
  for (const auto& [at, record] : girths) {
    const auto l = plan.figure->limb(record->limb);
    if (!l) continue;
    const GirthAdvice advice =
        adviseGirth(plan.figure->limbs[static_cast<size_t>(*l)], plan.wool->limbs[static_cast<size_t>(*l)],
                    record->along, record->value, record->moment == "finished");
    if (advice.kind == GirthAdvice::Kind::Over)
      out.push_back({Level::Doubtful, record->limb, advice.sentence,
                     say("{} over its girth", lowerName(plan.figure->limbs[static_cast<size_t>(*l)].name))});
  }
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    if (limb.side <= 0 || limb.twin < 0) continue;
    const std::string& other = plan.figure->limbs[static_cast<size_t>(limb.twin)].id;
    if (!left.contains(limb.id) || !left.contains(other)) continue;
    const Said said = compareTwins(limb.name, left[limb.id],
                                   plan.figure->limbs[static_cast<size_t>(limb.twin)].name, left[other]);
    if (!said.empty()) out.push_back({Level::Doubtful, limb.id, said, say("{} differ", Name(limb.plural))});
  }
}

/// Ready cores that do not fit, or are not of this figure.
void readyCores(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (size_t k = 0; k < project.wool.ready.size() && k < plan.wool->readyFits.size(); ++k) {
    const ReadyCore& core = project.wool.ready[k];
    const ReadyFit& fit = plan.wool->readyFits[k];
    if (fit.limb < 0) continue; // kept for an animal that has the part
    const FigureLimb& limb = plan.figure->limbs[static_cast<size_t>(fit.limb)];
    const Name what(word(core.kind));
    if (fit.placed <= 0)
      out.push_back(
          {Level::Wrong, limb.id,
           say("{}: no room for the {} of {} × {} × {} under {} of wool; take a smaller one, or wind the "
               "core.",
               Name(limb.name), what, Length(core.length, 0).figure(), Length(core.across, 0).figure(),
               Length(core.deep, 0), Length(plan.woolRules.readyCover, 0)),
           say("{}: the {} does not fit", Name(limb.part), what)});
    else if (fit.fits() < kFits)
      out.push_back({Level::Doubtful, limb.id,
                     say("{}: {} % of the {} stands out of the shape less {} of wool; cut that off, or set "
                         "it elsewhere.",
                         Name(limb.name), Number(std::max(1.0, (1 - fit.fits()) * 100), 0), what,
                         Length(plan.woolRules.readyCover, 0)),
                     say("{}: cut the {} to fit", Name(limb.part), what)});
  }
}

} // namespace

void lookAtWool(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    if (plan.figure->limbs[l].side < 0 && plan.figure->symmetric) continue;
    density(out, plan, l);
    allCoat(out, plan, l);
    offCentre(out, plan, l);
    thin(out, plan, l);
  }
  stock(out, project, plan);
  readyCores(out, project, plan);
  measured(out, project, plan);
}

} // namespace columna
