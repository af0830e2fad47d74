#include "project/wire_findings.h"

#include "measure/quantity.h"
#include "project/advice.h"
#include "project/wire_stock.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>

namespace columna {
namespace {

std::string where(const Plan& plan, const Piece& piece) {
  return piece.limbs.empty() ? "figure" : plan.figure.limbs[static_cast<size_t>(piece.limbs.front())].id;
}

void lookAtStock(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (const WireStock& wire : plan.stock)
    for (const int part : wire.cuts.uncut) {
      const auto& [index, length] = wire.parts[static_cast<size_t>(part)];
      const Piece& piece = plan.pieces[static_cast<size_t>(index)];
      if (piece.mirrorOf >= 0) continue;
      out.push_back({Level::Wrong, where(plan, piece),
                     fmt::format("Piece {} wants {} mm of {} mm wire in one, and no stock is that long; {}.",
                                 piece.tag, printNumber(length, 0), printNumber(wire.diameter, 2),
                                 project.drawerOnly ? "let more be bought, or put longer wire in the drawer"
                                                    : "a splice would not hold in so short lengths"),
                     fmt::format("no stock for piece {}", piece.tag)});
    }
  for (const Piece& piece : plan.pieces) {
    const auto splices = std::count_if(piece.features.begin(), piece.features.end(),
                                       [](const Feature& f) { return f.kind == "splice"; });
    if (splices > 0 && piece.mirrorOf < 0)
      out.push_back(
          {Level::Doubtful, where(plan, piece),
           fmt::format("Piece {} wants {} mm, longer than one length of its wire: it is spliced {}, away "
                       "from the joints.",
                       piece.tag, printNumber(piece.cut, 0),
                       splices == 1 ? "once" : fmt::format("{} times", splices)),
           fmt::format("piece {} is spliced", piece.tag)});
  }
}

void lookAtNumbers(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  if (!project.drawerOnly && plan.wiresBought > project.mostWires && !plan.groups.empty())
    out.push_back(
        {project.mostWires == 0 ? Level::Wrong : Level::Doubtful, "figure",
         fmt::format(
             "{} different wires have to be bought, more than the {} you want; as few as {} would do with "
             "other materials left out.",
             plan.wiresBought, project.mostWires, plan.wiresLeast),
         "too many kinds of wire"});
  if (project.drawerOnly && project.drawer.empty() && !plan.groups.empty())
    out.push_back(
        {Level::Wrong, "figure",
         "Nothing is to be bought and the drawer is empty, so there is no wire; put some in, or let some be "
         "bought.",
         "no wire at all"});
  for (const RouteChoice& choice : plan.routes)
    if (!choice.problem.empty())
      out.push_back(
          {Level::Doubtful, "figure",
           fmt::format("The route settled for {} no longer fits: {}; the best one is used until you settle "
                       "another.",
                       choice.group, choice.problem),
           "a route that does not fit"});
  for (const RouteChoice& choice : plan.routes)
    if (!choice.proven && !choice.own)
      out.push_back(
          {Level::Doubtful, "figure",
           fmt::format("So many strands meet in {} that not every way through was tried: there may be one "
                       "of fewer pieces. Give some limbs fewer strands, or settle the route by hand.",
                       choice.group),
           "pieces perhaps more than needed"});
  if (plan.figure.bones.size() < 2)
    out.push_back({Level::Doubtful, "figure",
                   "The animal has a single bone, so there is nothing to join; add limbs to its pattern.",
                   "a single bone"});
}

void lookAtDigits(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  const auto say = [&](const FigureLimb& limb, std::string text, std::string brief) {
    out.push_back({Level::Doubtful, limb.id, std::move(text), std::move(brief)});
  };
  for (size_t l = 0; l < plan.figure.limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure.limbs[l];
    if (limb.side < 0) continue; // said of the left one
    const auto found = project.limbs.find(limb.id);
    if (found == project.limbs.end() || !found->second.digits) continue;
    const PieceRules::Digits& wish = *found->second.digits;
    if (wish.count > plan.bench.digitsMost)
      say(limb,
          fmt::format("{}: {} toes or fingers cannot be woven on one loop; {} are planned.", limb.name,
                      wish.count, static_cast<int>(plan.bench.digitsMost)),
          "too many digits");
    if (wish.count > 0 && wish.length < plan.bench.digitLeast)
      say(limb,
          fmt::format("{}: a digit of {} mm is too short to wrap; {:g} mm is about the least.", limb.name,
                      printNumber(wish.length, 1), plan.bench.digitLeast),
          "digits too short to wrap");
    if (!plan.limbs[l].wired && wish.count > 0)
      say(limb,
          fmt::format("{}: it has no wire for its digits to be woven on; give it wire first.", limb.name),
          "digits without wire");
  }
}

void lookAtHolds(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (size_t l = 0; l < plan.figure.limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure.limbs[l];
    const auto found = project.limbs.find(limb.id);
    if (limb.side < 0 || found == project.limbs.end() || !found->second.held) continue;
    const RootHold held = *found->second.held;
    const std::vector<RootHold> ways = holdsFor(limb);
    if (std::find(ways.begin(), ways.end(), held) == ways.end())
      out.push_back(
          {Level::Doubtful, limb.id,
           fmt::format(
               "{}: it is the body itself, or has no twin, and cannot be held \"{}\"; choose another.",
               limb.name, id(held)),
           fmt::format("{} cannot be held so", limb.family)});
    else if (held == RootHold::Lashed && plan.limbs[l].wired &&
             plan.groups[static_cast<size_t>(plan.limbs[l].group)].root != RootHold::Lashed)
      out.push_back({Level::Doubtful, limb.id,
                     fmt::format("{}: no wire passes where it meets the body, so it cannot be lashed; it is "
                                 "planned glued into an awl hole.",
                                 limb.name),
                     fmt::format("nothing to lash {} to", limb.family)});
    if ((held == RootHold::Thread || held == RootHold::Skewer) && limb.kind == LimbKind::Leg)
      out.push_back({Level::Doubtful, limb.id,
                     fmt::format("{}: without wire it keeps no pose and bears the figure only as felt does.",
                                 limb.name),
                     fmt::format("{} has no wire", limb.family)});
  }
}

} // namespace

void lookAtWire(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  lookAtStock(out, project, plan);
  lookAtNumbers(out, project, plan);
  lookAtDigits(out, project, plan);
  lookAtHolds(out, project, plan);
  const Advice advice = constructionAdvice(project.construction, project.use, plan);
  if (advice.level != Level::Good)
    out.push_back({advice.level, "figure", fmt::format("{}: {}.", name(project.construction), advice.reason),
                   fmt::format("{} is doubtful here", name(project.construction))});
}

} // namespace columna
