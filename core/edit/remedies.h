// What would help a limb whose wire does not do: each change is tried on the whole figure, and its result
// told.
#pragma once

#include "plan/plan.h"

namespace columna {

struct Remedy {
  Said words;      ///< "take 2.5 mm wire", a few words
  Said result;     ///< "then it holds 2.3 times its load"
  Project project; ///< with the change made
  double hold = 0, nudge = 0;
  Level verdict = Level::Good;
};

/// Changes that could mend the limb, those that do first, then by how far they go: the next thicker wire
/// (bought, if the drawer has none), the wire doubled, a stronger metal, a part shorter by a seventh, what it
/// carries felted softer, the whole figure a tenth smaller. Only such as better its factors are told. Empty
/// for a limb without wire.
[[nodiscard]] std::vector<Remedy> remedies(const Project& project, const Catalog& catalog, const Plan& plan,
                                           int limb);

} // namespace columna
