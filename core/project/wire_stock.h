// What the pieces are cut from, and how parts are held to the body where no wire does it.
#pragma once

#include "project/plan.h"

namespace columna {

/// More toes or fingers than these on one limb are not planned.
inline constexpr int kMostDigits = 12;
/// A digit shorter than this can hardly be wrapped, mm.
inline constexpr double kLeastDigit = 6;

/// The longest wire of that kind to be had, mm: infinite for a coil, 0 when there is none.
[[nodiscard]] double longestOf(const Project& project, const Catalog& catalog, const std::string& material,
                               double diameter);

/// Every wire's pieces cut from the drawer first, then from what is bought.
[[nodiscard]] std::vector<WireStock> cutFromStock(const Project& project, const Catalog& catalog,
                                                  const Plan& plan);

/// Joins that go with the construction rather than with a piece: thread, skewers, a spine pin to the head, a
/// glue stay at the hips, the tail as third foot.
void bodyJoins(const Project& project, Plan& plan);

} // namespace columna
