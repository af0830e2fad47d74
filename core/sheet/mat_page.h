// The photo mat: a sheet to stand the figure on for its photos, with the discs a photo is measured by and the
// outlines of its feet in its stance.
#pragma once

#include "plan/plan.h"
#include "sheet/marks.h"

namespace columna {

/// On its side; the nose points up the page.
[[nodiscard]] Page matPage(const Project& project, const Plan& plan, const Catalog& catalog, Paper paper,
                           const Manner& manner);

} // namespace columna
