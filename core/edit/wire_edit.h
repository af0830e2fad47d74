// Changes of the wire: gauges, strands, digits, ways of holding, routes, what is in the drawer.
#pragma once

#include "plan/plan.h"
#include "wire/allowance.h"

namespace columna::edit {

/// A limb's wire of that diameter, mm, and its twin's when tied. Limbs that share a wire share the choice:
/// the others' are dropped, so that the newest counts. Errors: a part without wire, no diameter there is.
[[nodiscard]] Result<Project> wireOf(Project project, const Plan& plan, int limb, double mm);

/// The next thicker (+1) or thinner (-1) one. Errors: a part without wire, the end of what is sold.
[[nodiscard]] Result<Project> wireStepped(Project project, const Plan& plan, int limb, int step);

/// The metal of a limb's wire and of all that share it, in the size the sums propose. Error: no wire there.
[[nodiscard]] Result<Project> metalOf(Project project, const Plan& plan, int limb,
                                      const std::string& material);

/// Wire as the sums propose it, for a limb and all that share its wire. Error: no wire there.
[[nodiscard]] Result<Project> wireAsReckoned(Project project, const Plan& plan, int limb);

/// So many strands in a limb (0, 1, 2 or 4), or as the construction has it.
[[nodiscard]] Project strandsOf(Project project, const Plan& plan, int limb, std::optional<int> wires);

/// Twice the strands of the size it has now: one becomes two, two become four. Nothing when it has four, or
/// no wire.
[[nodiscard]] std::optional<Project> doubled(Project project, const Plan& plan, int limb);

[[nodiscard]] Project heldBy(Project project, const Plan& plan, int limb, std::optional<RootHold> held);

/// Toes or fingers of fine wire; nothing takes them off.
[[nodiscard]] Project digitsOf(Project project, const Plan& plan, int limb,
                               std::optional<PieceRules::Digits> digits);

/// One end of a routed piece moved to another point of its wires; what it leaves becomes a piece of its own.
/// Errors: a piece that follows no route, a point that is none of its wires'.
[[nodiscard]] Result<Project> endMoved(Project project, const Plan& plan, int piece, bool atEnd, int point);

/// The next way to lay a group's wire, round and round; the first is the one the sums prefer. Errors: a piece
/// that follows no route, a group with one way only.
[[nodiscard]] Result<Project> routeNext(Project project, const Plan& plan, int piece);

/// So many different wires are bought at most. Error: out of range.
[[nodiscard]] Result<Project> boughtAtMost(Project project, int wires);
/// Whether the drawer alone is used.
[[nodiscard]] Project fromDrawer(Project project, bool alone);

/// Puts a wire into the drawer. Errors: a diameter, cover, length or number that no wire has.
[[nodiscard]] Result<Project> wireAdded(Project project, OwnWire wire);
[[nodiscard]] Project wireRemoved(Project project, size_t index);

/// The yield of a wire in the drawer as the hanging test gave it.
[[nodiscard]] Project wireTested(Project project, size_t index, const Estimate& yield);

/// What the hand takes, for the figure or (a name) for one piece: one of its fields. Error: a number that is
/// none, or out of the field's range.
[[nodiscard]] Result<Project> allowanceSet(Project project, const std::string& piece,
                                           const AllowanceField& field, double value);
/// Back to the usual ones.
[[nodiscard]] Project allowancesUsual(Project project, const std::string& piece);

/// The longest wire that is worked with, mm. Error: out of range.
[[nodiscard]] Result<Project> handlingSet(Project project, double mm);

} // namespace columna::edit
