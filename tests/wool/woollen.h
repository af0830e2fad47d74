// What the tests of wool share.
#pragma once

#include "support.h"

namespace columna::test {

inline const LimbWool& limbOf(const Plan& plan, const char* id) {
  return plan.wool->limbs[static_cast<size_t>(*plan.figure->limb(id))];
}

/// Weights as they follow from volume alone: nothing is all coat for being thin.
inline Project plain(const std::string& pattern, double height) {
  Project p = project(pattern, height);
  const Plan plan = plannedExactly(p);
  for (const FigureLimb& limb : plan.figure->limbs) p.limbs[limb.id].coatWay = CoatWay::CoreAndCoat;
  return p;
}

} // namespace columna::test
