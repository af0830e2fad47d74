#include "judge/wire_findings.h"

#include "face/face_report.h"
#include "judge/advice.h"
#include "measure/quantity.h"
#include "plan/own_head.h"
#include "plan/wire_stock.h"

#include <algorithm>
#include <set>

namespace columna {
namespace {

constexpr double kBeside = 2; ///< mm a joint may lie beside its bend without a word

std::string where(const Plan& plan, const Piece& piece) {
  return piece.limbs.empty() ? "figure" : plan.figure->limbs[static_cast<size_t>(piece.limbs.front())].id;
}

/// Ears' wire goes with the head.
std::string headOf(const Plan& plan) {
  const int limb = headLimb(plan.figure);
  return limb < 0 ? "figure" : plan.figure->limbs[static_cast<size_t>(limb)].id;
}

/// "two hindleg pieces of 135 mm", alike ones together.
struct Uncut {
  std::string called;
  double length = 0;
  int count = 0;
  std::string where;
  bool tooLong = false; ///< longer than any length there is, rather than used up
};

std::vector<Uncut> uncutOf(const Plan& plan, const WireStock& wire, double longest) {
  std::vector<Uncut> out;
  for (const int part : wire.cuts.uncut) {
    const WirePart& of = wire.parts[static_cast<size_t>(part)];
    const Piece* piece = of.piece >= 0 ? &(*plan.pieces)[static_cast<size_t>(of.piece)] : nullptr;
    std::string called = piece ? piece->name : pinName(plan.flatWires[static_cast<size_t>(of.flat)].flat);
    if (piece && piece->limbs.size() == 1)
      called = plan.figure->limbs[static_cast<size_t>(piece->limbs.front())].part;
    const double mm = of.length;
    const auto same = std::find_if(out.begin(), out.end(), [&](const Uncut& u) {
      return u.called == called && std::abs(u.length - mm) < 0.5;
    });
    if (same != out.end())
      ++same->count;
    else
      out.push_back({called, mm, 1, piece ? where(plan, *piece) : headOf(plan), mm > longest});
  }
  return out;
}

void lookAtStock(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (const WireStock& wire : plan.stock) {
    double longest = 0;
    for (const OwnWire& own : project.drawer)
      if (own.material == wire.material && std::abs(own.diameter - wire.diameter) < 1e-6 && own.count > 0)
        longest = std::max(longest, own.length);
    for (const Uncut& each : uncutOf(plan, wire, longest)) {
      const Name called(each.called);
      const Length of(each.length, 0);
      const Said why = !each.tooLong ? say("the drawer has not enough")
                       : longest > 0 ? say("the longest in the drawer is {}", Length(longest, 0))
                                     : say("the drawer has none");
      const Said help = project.drawerOnly ? say("let some be bought, or put more in the drawer")
                                           : say("a splice would not hold in so short lengths");
      const Length wide(wire.diameter, 2);
      out.push_back(
          {Level::Wrong, each.where,
           counted(many("{0} {1} pieces of {2} have no wire: {3} of {4} wire; {5}.",
                        "The {1} piece of {2} has no wire: {3} of {4} wire; {5}."),
                   each.count, called, of, why, wide, help),
           counted(many("no wire for {} {} pieces", "no wire for {} {} piece"), each.count, called)});
    }
    if (!wire.cuts.proven)
      out.push_back({Level::Doubtful, "figure",
                     say("So many ways lead to the cuts of {} wire that not all were tried: a little less "
                         "might be lost than is planned.",
                         Length(wire.diameter, 2)),
                     say("cuts perhaps not the least")});
  }
  for (const Piece& piece : plan.pieces) {
    const auto splices = std::count_if(piece.features.begin(), piece.features.end(),
                                       [](const Feature& f) { return f.kind == "splice"; });
    if (splices > 0 && piece.mirrorOf < 0)
      out.push_back({Level::Doubtful, where(plan, piece),
                     counted(many("Piece {1} wants {2}, longer than one length of its wire: it is spliced "
                                  "{0} times, away from the joints.",
                                  "Piece {1} wants {2}, longer than one length of its wire: it is spliced "
                                  "once, away from the joints."),
                             splices, AsIs(piece.tag), Length(piece.cut, 0)),
                     say("piece {} is spliced", AsIs(piece.tag))});
  }
}

void lookAtNumbers(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  if (!project.drawerOnly && plan.wiresBought > project.mostWires && !plan.groups.empty())
    out.push_back({project.mostWires == 0 ? Level::Wrong : Level::Doubtful, "figure",
                   say("{} different wires have to be bought, more than the {} you want; as few as {} would "
                       "do with other materials left out.",
                       plan.wiresBought, project.mostWires, plan.wiresLeast),
                   say("too many kinds of wire")});
  if (project.drawerOnly && project.drawer.empty() && !plan.groups.empty())
    out.push_back({Level::Wrong, "figure",
                   say("Nothing is to be bought and the drawer is empty, so there is no wire; put some in, "
                       "or let some be bought."),
                   say("no wire at all")});
  for (const RouteChoice& choice : plan.routes)
    if (!choice.problem.empty())
      out.push_back(
          {Level::Doubtful, "figure",
           say("The route settled for {} no longer fits: {}; the best one is used until you settle another.",
               Name(choice.group), choice.problem),
           say("a route that does not fit")});
  for (const RouteChoice& choice : plan.routes)
    if (!choice.proven && !choice.own)
      out.push_back({Level::Doubtful, "figure",
                     say("So many strands meet in {} that not every way through was tried: there may be one "
                         "of fewer pieces. Give some limbs fewer strands, or settle the route by hand.",
                         Name(choice.group)),
                     say("pieces perhaps more than needed")});
  if (plan.figure->bones.size() < 2)
    out.push_back(
        {Level::Doubtful, "figure",
         say("The animal has a single bone, so there is nothing to join; add limbs to its pattern."),
         say("a single bone")});
}

/// Joints that wire cannot be bent at where they lie.
void lookAtBends(std::vector<Finding>& out, const Plan& plan) {
  std::set<std::vector<int>> said;
  for (const Piece& piece : plan.pieces) {
    if (piece.mirrorOf >= 0 || piece.group < 0 || plan.groups[static_cast<size_t>(piece.group)].digits)
      continue;
    for (const CrowdedJoints& joints : piece.crowded) {
      std::vector<int> points = joints.points;
      std::sort(points.begin(), points.end());
      points.erase(std::unique(points.begin(), points.end()), points.end());
      if (joints.off < kBeside || !said.insert(points).second) continue;
      const auto nameOf = [&](int p) { return Name(plan.skeleton->points[static_cast<size_t>(p)].name); };
      const Name first = nameOf(points.front());
      out.push_back({Level::Doubtful, where(plan, piece),
                     joints.one && points.size() > 1
                         ? say("The {} and the {} lie nearer to each other than {} wire can be bent: they "
                               "are one bend, {} beside them. Take thinner wire there, or build it larger.",
                               first, nameOf(points.back()), Length(piece.diameter, 2), Length(joints.off, 1))
                         : say("The {} lies too near the end of its wire for {} wire to be bent there: it is "
                               "passed straight, {} beside it. Take thinner wire there, or build it larger.",
                               first, Length(piece.diameter, 2), Length(joints.off, 1)),
                     say("no room to bend at the {}", first)});
    }
  }
}

void lookAtDigits(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  const auto add = [&](const FigureLimb& limb, Said text, Said brief) {
    out.push_back({Level::Doubtful, limb.id, std::move(text), std::move(brief)});
  };
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    if (limb.side < 0) continue; // said of the left one
    const auto found = project.limbs.find(limb.id);
    if (found == project.limbs.end() || !found->second.digits) continue;
    const PieceRules::Digits& wish = *found->second.digits;
    if (wish.count > plan.bench.digitsMost)
      add(limb,
          say("{}: {} toes or fingers cannot be woven on one loop; {} are planned.", Name(limb.name),
              wish.count, static_cast<int>(plan.bench.digitsMost)),
          say("too many digits"));
    if (wish.count > 0 && wish.length < plan.bench.digitLeast)
      add(limb,
          say("{}: a digit of {} is too short to wrap; {} is about the least.", Name(limb.name),
              Length(wish.length, 1), Length(plan.bench.digitLeast, Quantity::kShort)),
          say("digits too short to wrap"));
    if (!plan.limbs[l].wired && wish.count > 0)
      add(limb, say("{}: it has no wire for its digits to be woven on; give it wire first.", Name(limb.name)),
          say("digits without wire"));
  }
}

void lookAtHolds(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    const auto found = project.limbs.find(limb.id);
    if (limb.side < 0 || found == project.limbs.end() || !found->second.held) continue;
    const RootHold held = *found->second.held;
    const std::vector<RootHold> ways = holdsFor(limb);
    if (std::find(ways.begin(), ways.end(), held) == ways.end())
      out.push_back(
          {Level::Doubtful, limb.id,
           say("{}: it is the body itself, or has no twin, and cannot be held \"{}\"; choose another.",
               Name(limb.name), Name(id(held))),
           say("{} cannot be held so", Name(limb.part))});
    else if (held == RootHold::Lashed && plan.limbs[l].wired &&
             plan.groups[static_cast<size_t>(plan.limbs[l].group)].root != RootHold::Lashed)
      out.push_back({Level::Doubtful, limb.id,
                     say("{}: no wire passes where it meets the body, so it cannot be lashed; it is planned "
                         "glued into an awl hole.",
                         Name(limb.name)),
                     say("nothing to lash {} to", Name(limb.part))});
    if ((held == RootHold::Thread || held == RootHold::Skewer) && limb.kind == LimbKind::Leg)
      out.push_back(
          {Level::Doubtful, limb.id,
           say("{}: without wire it keeps no pose and bears the figure only as felt does.", Name(limb.name)),
           say("{} has no wire", Name(limb.part))});
  }
}

} // namespace

void lookAtWire(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  lookAtStock(out, project, plan);
  lookAtNumbers(out, project, plan);
  lookAtBends(out, plan);
  lookAtDigits(out, project, plan);
  lookAtHolds(out, project, plan);
}

void lookAtConstruction(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  const Advice advice = constructionAdvice(project.construction, project.use, plan);
  if (advice.level != Level::Good)
    out.push_back({advice.level, "figure", say("{}: {}.", Name(name(project.construction)), advice.reason),
                   say("{} is doubtful here", Name(name(project.construction)))});
}

} // namespace columna
