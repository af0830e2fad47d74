// The head of a plan's figure.
#pragma once

#include "plan/plan.h"

#include <optional>

namespace columna {

/// Under its dials and with the maker's pads, eyes and thicknesses; how long it is, and its felt.
struct OwnHead {
  HeadPattern head;
  double length = 0;  ///< mm
  double density = 0; ///< g/mm3
};

/// The limb a head is worn on; -1 of a figure without one.
[[nodiscard]] int headLimb(const Figure& figure);

/// Nothing where the animal has none.
[[nodiscard]] std::optional<OwnHead> ownHead(const Project& project, const Catalog& catalog,
                                             const Plan& plan);

/// The wires in its flat parts, of the material its own wire is of.
[[nodiscard]] std::vector<FlatWire> flatWiresOf(const Project& project, const Catalog& catalog,
                                                const Plan& plan);

} // namespace columna
