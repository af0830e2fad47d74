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

std::string called(const FigureLimb& limb) {
  if (limb.side == 0) return limb.name;
  std::string name = limb.family;
  name[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(name[0])));
  return name.ends_with('s') ? name : name + "s";
}

void density(std::vector<Finding>& out, const Plan& plan, size_t l) {
  const LimbWool& w = plan.wool->limbs[l];
  const WoolRules& r = plan.woolRules;
  if (w.density >= r.densityLeast && w.density <= r.densityMost) return;
  const FigureLimb& limb = plan.figure->limbs[l];
  out.push_back({Level::Wrong, limb.id,
                 fmt::format("{}: felt of {} g/cm³ there is not; give {} to {}, or weigh a test ball.",
                             called(limb), printNumber(w.density * 1000, 2),
                             printNumber(r.densityLeast * 1000, 2), printNumber(r.densityMost * 1000, 2)),
                 fmt::format("{}: no such felt", limb.family)});
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
                   fmt::format("{}: thinner than its coat of {} mm, so it is coat wool all through.",
                               called(limb), printNumber(plan.wool->coatThickness, 1)),
                   fmt::format("{} all coat", limb.family)});
}

void offCentre(std::vector<Finding>& out, const Plan& plan, size_t l) {
  const LimbWool& w = plan.wool->limbs[l];
  const FigureLimb& limb = plan.figure->limbs[l];
  if (w.allCoat || w.offCentre < std::max(5 * plan.woolRules.padLeast, kDear * w.core)) return;
  out.push_back(
      {Level::Doubtful, limb.id,
       fmt::format("{}: its wire lies {} mm out of the middle {} mm from the root, so {} g must be padded "
                   "that could be wound.",
                   called(limb), printNumber(w.offCentreBy, 0), printNumber(w.offCentreAlong, 0),
                   printNumber(w.offCentre, 1)),
       fmt::format("{}: wire off the middle", limb.family)});
}

void thin(std::vector<Finding>& out, const Plan& plan, size_t l) {
  const LimbWool& w = plan.wool->limbs[l];
  const FigureLimb& limb = plan.figure->limbs[l];
  for (const Girth& g : w.girths)
    if (g.finished <= 0 || g.across <= 0 || g.deep <= 0) {
      out.push_back({Level::Wrong, limb.id,
                     fmt::format("{}: a girth of nothing {} mm from the root; pull it wider in Study.",
                                 called(limb), printNumber(g.along, 0)),
                     fmt::format("{}: no girth", limb.family)});
      return;
    }
}

void stock(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (const auto& [wool, name] :
       {std::pair{&project.wool.core, "core wool"}, std::pair{&project.wool.coat, "coat wool"}})
    if (wool->linear && !(*wool->linear > 0))
      out.push_back(
          {Level::Wrong, "figure",
           fmt::format("The {} weighs nothing: 1 m of it must weigh more than 0 g; weigh it again.", name),
           fmt::format("{} weighs nothing", name)});
  const WoolRules& r = plan.woolRules;
  if (project.wool.ball && project.wool.ball->grams < r.ballLeast)
    out.push_back(
        {Level::Doubtful, "figure",
         fmt::format("The test ball weighs {} g; on a 0.1 g scale take {} g or more, or it says little.",
                     printNumber(project.wool.ball->grams, 1), printNumber(r.ballLeast, 0)),
         "test ball is small"});
  const double need = hidingMass(project.wool.core.tone, project.wool.coat.tone, r);
  const double laid = plan.wool->coatLaid * r.coatDensity;
  if (plan.wool->coatLaid > 0 && laid < 0.98 * need)
    out.push_back(
        {Level::Doubtful, "figure",
         fmt::format("A coat of {} mm is {} g/m²; {} wool over a {} core wants {}: lay {} mm, or core "
                     "wool nearer its colour.",
                     printNumber(plan.wool->coatLaid, 1), printNumber(laid * 1e6, 0),
                     word(project.wool.coat.shown()), word(project.wool.core.shown()),
                     printNumber(need * 1e6, 0), printNumber(need / r.coatDensity, 1)),
         "core would shine through"});
  for (size_t m = 0; m < plan.wool->markings.size(); ++m)
    if (plan.wool->markings[m].area <= 0)
      out.push_back({Level::Doubtful, "figure",
                     fmt::format("The marking \"{}\" lies beside the figure; move it on, or take it off.",
                                 project.wool.markings[m].name),
                     "marking beside the figure"});
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
      out.push_back(
          {Level::Doubtful, record->limb, advice.sentence,
           fmt::format("{} over its girth", lowerFirst(plan.figure->limbs[static_cast<size_t>(*l)].name))});
  }
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    if (limb.side <= 0 || limb.twin < 0) continue;
    const std::string& other = plan.figure->limbs[static_cast<size_t>(limb.twin)].id;
    if (!left.contains(limb.id) || !left.contains(other)) continue;
    const std::string said = compareTwins(
        limb.name, left[limb.id], plan.figure->limbs[static_cast<size_t>(limb.twin)].name, left[other]);
    if (!said.empty())
      out.push_back({Level::Doubtful, limb.id, said, fmt::format("{}s differ", limb.family)});
  }
}

/// Ready cores that do not fit, or are not of this figure.
void readyCores(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (size_t k = 0; k < project.wool.ready.size() && k < plan.wool->readyFits.size(); ++k) {
    const ReadyCore& core = project.wool.ready[k];
    const ReadyFit& fit = plan.wool->readyFits[k];
    if (fit.limb < 0) continue; // kept for an animal that has the part
    const FigureLimb& limb = plan.figure->limbs[static_cast<size_t>(fit.limb)];
    const std::string what(word(core.kind));
    if (fit.placed <= 0)
      out.push_back(
          {Level::Wrong, limb.id,
           fmt::format("{}: no room for the {} of {} × {} × {} mm under {} mm of wool; take a smaller "
                       "one, or wind the core.",
                       limb.name, what, printNumber(core.length, 0), printNumber(core.across, 0),
                       printNumber(core.deep, 0), printNumber(plan.woolRules.readyCover, 0)),
           fmt::format("{}: the {} does not fit", limb.family, what)});
    else if (fit.fits() < kFits)
      out.push_back(
          {Level::Doubtful, limb.id,
           fmt::format("{}: {} % of the {} stands out of the shape less {} mm of wool; cut that off, or "
                       "set it elsewhere.",
                       limb.name, printNumber(std::max(1.0, (1 - fit.fits()) * 100), 0), what,
                       printNumber(plan.woolRules.readyCover, 0)),
           fmt::format("{}: cut the {} to fit", limb.family, what)});
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
