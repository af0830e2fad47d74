// What the pieces are cut from.
#pragma once

#include "plan/plan.h"

namespace columna {

/// The longest wire of that kind to be had, mm: infinite for a coil, 0 when there is none.
[[nodiscard]] double longestOf(const Project& project, const Catalog& catalog, const std::string& material,
                               double diameter);

/// Every wire's pieces cut from the drawer first, then from what is bought.
[[nodiscard]] std::vector<WireStock> cutFromStock(const Project& project, const Catalog& catalog,
                                                  const Plan& plan);

/// A material as the drawer has it: sizes at hand can be stepped to like those that are sold, and the maker's
/// own wire of that diameter (mm) has the cover and the yield that were measured of it.
[[nodiscard]] Material asMeasured(Material material, const std::vector<OwnWire>& drawer, double diameter);

} // namespace columna
