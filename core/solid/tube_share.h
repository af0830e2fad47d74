// What each bone's own stretch of tube holds when nothing is shared out: a quick measure of a figure.
#pragma once

#include "anatomy/figure.h"

#include <vector>

namespace columna {

struct TubeShare {
  double body = 0, core = 0; ///< mm3
};

/// Each bone's own volumes by frusta; the core's section, `coat` mm inside, by Steiner's formula for an inset
/// oval.
[[nodiscard]] std::vector<TubeShare> tubeShares(const Figure& figure, double coat);

} // namespace columna
