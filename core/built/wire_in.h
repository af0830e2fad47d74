// What is to be looked at, once wire is in: no other can be taken for it any more.
#pragma once

#include "make/journal.h"
#include "plan/plan.h"

namespace columna {

/// Of each limb whether wool is on its wire by the record: wound or firmed, and not taken back.
[[nodiscard]] std::vector<bool> wireIn(const Figure& figure, const std::vector<Entry>& record);

/// The plan's findings, where those of wire that is in say what can be done with it as it is; what only asks
/// for another wire, or for other cuts and bends of it, is left out.
[[nodiscard]] std::vector<Finding> withWireIn(const Plan& plan, const std::vector<bool>& in);

} // namespace columna
