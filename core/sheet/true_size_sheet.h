// The sheet to work from: what to fetch, cautions, cut list, wool to weigh, the pieces as bars at true size
// and the side view at true size to lay the wire on, tiled over pages when the figure is larger than the
// paper.
#pragma once

#include "project/plan.h"
#include "sheet/page.h"

#include <vector>

namespace columna {

/// Tiles overlap by so much, so that they can be glued over each other's edge.
inline constexpr double kTileOverlap = 10;

[[nodiscard]] std::vector<Page> trueSizeSheet(const Project& project, const Plan& plan,
                                              const Catalog& catalog, Paper paper);

} // namespace columna
