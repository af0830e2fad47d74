#include "judge/planning.h"

namespace columna {

Result<Plan> plan(const Project& project, const Catalog& catalog, const SolidOffer& offer) {
  auto made = sums(project, catalog, offer);
  if (!made) return made.problem();
  Plan whole = std::move(made).value();
  judge(whole);
  whole.findings = findingsOf(project, whole);
  return whole;
}

} // namespace columna
