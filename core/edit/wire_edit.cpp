#include "edit/wire_edit.h"

#include "edit/erase_at.h"
#include "measure/gauge.h"
#include "project/project_fields.h"
#include "wire/route_edit.h"

#include <algorithm>
#include <cmath>

namespace columna::edit {
namespace {

const LimbPlan& planOf(const Plan& plan, int limb) { return plan.limbs[static_cast<size_t>(limb)]; }

Problem noWire(const Plan& plan, int limb) {
  return {say("that part has no wire"), Name(plan.figure->limbs[static_cast<size_t>(limb)].name),
          say("give it strands first")};
}

/// Changes the choice of every limb that shares a limb's wire, and of their twins.
template <class Change>
void eachSharing(Project& project, const Plan& plan, int limb, Change&& change) {
  for (const int other : plan.groups[static_cast<size_t>(planOf(plan, limb).group)].limbs)
    project.change(plan.figure, other, change);
}

/// Limbs that share a wire share the choice: all of theirs are dropped, so that the newest counts.
void dropSizes(Project& project, const Plan& plan, int limb) {
  for (const int other : plan.groups[static_cast<size_t>(planOf(plan, limb).group)].limbs) {
    const auto found = project.limbs.find(plan.figure->limbs[static_cast<size_t>(other)].id);
    if (found == project.limbs.end()) continue;
    found->second.diameter.reset();
    if (found->second.empty()) project.limbs.erase(found);
  }
}

std::optional<Problem> wireProblem(const OwnWire& w) {
  if (!boundsOf(&OwnWire::diameter).hold(w.diameter))
    return Problem{say("no wire is {} thick", Length(w.diameter, Quantity::kShort)), w.name,
                   say("measure it, or count turns on a stick")};
  if (!boundsOf(&OwnWire::cover).hold(w.cover))
    return Problem{say("a cover of {} is none", Length(w.cover, Quantity::kShort)), w.name,
                   say("give 0 to {}: measure it over and without",
                       Length(boundsOf(&OwnWire::cover).most, Quantity::kShort))};
  if (!boundsOf(&OwnWire::length).hold(w.length))
    return Problem{say("a straight length of {} is none", Length(w.length, Quantity::kShort)), w.name,
                   say("give above 0 and up to {}, or nothing for a coil",
                       Length(boundsOf(&OwnWire::length).most).metres())};
  if (!boundsOf(&OwnWire::count).hold(w.count))
    return Problem{say("{} of them are not in a drawer", w.count), w.name,
                   say("give 0 to {}", Number(boundsOf(&OwnWire::count).most, 0))};
  return std::nullopt;
}

} // namespace

Result<Project> wireOf(Project project, const Plan& plan, int limb, double mm) {
  if (planOf(plan, limb).group < 0) return noWire(plan, limb);
  if (!(mm > 0 && mm <= kThickestWire))
    return Problem{say("no wire is that thick"), Name(plan.figure->limbs[static_cast<size_t>(limb)].name),
                   say("give above 0 and up to {}", Length(kThickestWire, Quantity::kShort))};
  dropSizes(project, plan, limb);
  project.change(plan.figure, limb, [&](LimbChoice& c) { c.diameter = mm; });
  return project;
}

Result<Project> wireStepped(Project project, const Plan& plan, int limb, int step) {
  if (!planOf(plan, limb).wired) return noWire(plan, limb);
  const auto next = nextWire(plan, limb, step);
  if (!next)
    return Problem{step > 0 ? say("this is the thickest there is of this wire")
                            : say("this is the thinnest there is of this wire"),
                   {},
                   say("take another metal, or another number of strands")};
  return wireOf(std::move(project), plan, limb, *next);
}

Result<Project> metalOf(Project project, const Plan& plan, int limb, const std::string& material) {
  if (planOf(plan, limb).group < 0) return noWire(plan, limb);
  eachSharing(project, plan, limb, [&](LimbChoice& c) {
    c.material = material;
    c.diameter.reset();
  });
  return project;
}

Result<Project> wireAsReckoned(Project project, const Plan& plan, int limb) {
  if (planOf(plan, limb).group < 0) return noWire(plan, limb);
  eachSharing(project, plan, limb, [](LimbChoice& c) {
    c.material.reset();
    c.diameter.reset();
  });
  return project;
}

Project strandsOf(Project project, const Plan& plan, int limb, std::optional<int> wires) {
  project.change(plan.figure, limb, [&](LimbChoice& c) { c.wires = wires; });
  return project;
}

std::optional<Project> doubled(Project project, const Plan& plan, int limb) {
  const LimbPlan& now = planOf(plan, limb);
  if (!now.wired || now.section.wires >= 4) return std::nullopt;
  dropSizes(project, plan, limb);
  project.change(plan.figure, limb, [&](LimbChoice& c) {
    c.wires = now.section.wires == 1 ? 2 : 4;
    c.diameter = now.section.diameter;
  });
  return project;
}

Project heldBy(Project project, const Plan& plan, int limb, std::optional<RootHold> held) {
  project.change(plan.figure, limb, [&](LimbChoice& c) { c.held = held; });
  return project;
}

Project digitsOf(Project project, const Plan& plan, int limb, std::optional<PieceRules::Digits> digits) {
  project.change(plan.figure, limb, [&](LimbChoice& c) { c.digits = digits; });
  return project;
}

Result<Project> endMoved(Project project, const Plan& plan, int piece, bool atEnd, int point) {
  const Piece& moved = plan.pieces[static_cast<size_t>(piece)];
  if (moved.group < 0)
    return Problem{say("that piece follows no route"), moved.tag, say("move the end of another")};
  const WireGroup& group = plan.groups[static_cast<size_t>(moved.group)];
  Routes routes;
  size_t which = 0;
  for (size_t i = 0; i < plan.pieces.size(); ++i) {
    const Piece& each = plan.pieces[i];
    if (each.group != moved.group) continue;
    if (static_cast<int>(i) == piece) which = routes.size();
    routes.emplace_back();
    for (const int p : each.route) routes.back().push_back(plan.skeleton->points[static_cast<size_t>(p)].id);
  }
  const auto made = withEndMoved(plan.skeleton, group, routes, which, atEnd, point);
  if (!made) return made.problem();
  project.routes[group.name] = *made;
  return project;
}

Result<Project> routeNext(Project project, const Plan& plan, int piece) {
  const Piece& of = plan.pieces[static_cast<size_t>(piece)];
  if (of.group < 0) return Problem{say("that piece follows no route"), of.tag, say("choose another")};
  const std::string& group = plan.groups[static_cast<size_t>(of.group)].name;
  const auto choice = std::find_if(plan.routes.begin(), plan.routes.end(),
                                   [&](const RouteChoice& each) { return each.group == group; });
  if (choice == plan.routes.end() || choice->ways.size() < 2)
    return Problem{say("there is one way only to lay this wire"), of.tag, say("move an end instead")};
  size_t now = 0;
  if (const auto own = project.routes.find(group); own != project.routes.end())
    for (size_t i = 0; i < choice->ways.size(); ++i)
      if (choice->ways[i] == own->second) now = i;
  const size_t next = (now + 1) % choice->ways.size();
  if (next == 0)
    project.routes.erase(group);
  else
    project.routes[group] = choice->ways[next];
  return project;
}

Result<Project> boughtAtMost(Project project, int wires) {
  constexpr Bounds range = boundsOf(&Project::mostWires);
  if (!range.hold(wires))
    return Problem{say("{} different wires are not bought for a figure", wires),
                   {},
                   say("give {} to {}", Number(range.least, 0), Number(range.most, 0))};
  project.mostWires = wires;
  return project;
}

Project fromDrawer(Project project, bool alone) {
  project.drawerOnly = alone;
  return project;
}

Result<Project> wireAdded(Project project, OwnWire wire) {
  if (auto problem = wireProblem(wire)) return *problem;
  project.drawer.push_back(std::move(wire));
  return project;
}

Project wireRemoved(Project project, size_t index) {
  eraseAt(project.drawer, index);
  return project;
}

Project wireTested(Project project, size_t index, const Estimate& yield) {
  if (index < project.drawer.size()) project.drawer[index].yield = yield;
  return project;
}

namespace {

/// An allowance's value as what it is: a length, turns, a share.
Quantity quantityOf(const AllowanceField& field, double value) {
  if (field.unit.sign == unit::kMm.sign) return Length(value, Quantity::kShort);
  return Number(value, Quantity::kShort);
}

} // namespace

Result<Project> allowanceSet(Project project, const std::string& piece, const AllowanceField& field,
                             double value) {
  if (!field.bounds.hold(value))
    return Problem{say("{} is no such allowance", quantityOf(field, value)), Name(field.words),
                   say("give {} to {}", quantityOf(field, field.bounds.least).figure(),
                       quantityOf(field, field.bounds.most))};
  if (piece.empty())
    project.allow.*field.member = value;
  else
    project.pieceAllow.emplace(piece, project.allow).first->second.*field.member = value;
  return project;
}

Project allowancesUsual(Project project, const std::string& piece) {
  if (piece.empty())
    project.allow = {};
  else
    project.pieceAllow.erase(piece);
  return project;
}

Result<Project> handlingSet(Project project, double mm) {
  constexpr Bounds kHandling = boundsOf(&Project::handling);
  if (!kHandling.hold(mm))
    return Problem{say("the longest wire to work with is {} to {}", Length(kHandling.least, 0),
                       Length(kHandling.most).metres()),
                   {},
                   say("give what the bench has room for")};
  project.handling = mm;
  return project;
}

} // namespace columna::edit
