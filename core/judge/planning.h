// plan(): from what the maker decided to everything that follows. A pure function; the same input gives the
// same output, bit for bit, on a busy machine too.
#pragma once

#include "plan/plan.h"

namespace columna {

/// Everything from a project: its sums, judged. Errors: a pattern or material that is not in the catalog, a
/// size no figure can have.
[[nodiscard]] Result<Plan> plan(const Project& project, const Catalog& catalog, const SolidOffer& offer = {});

/// Whether a limb and its twin are of the same wire and hold alike: what is said of one is said of both.
[[nodiscard]] bool alike(const Plan& plan, size_t limb, size_t twin);

/// Findings of a plan otherwise complete, worst first.
[[nodiscard]] std::vector<Finding> findingsOf(const Project& project, const Plan& plan);

/// Sets each limb's verdict and sentence.
void judge(Plan& plan);

} // namespace columna
