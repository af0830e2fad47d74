// How a figure's lengths and its share of life come about.
#pragma once

#include "anatomy/figure.h"
#include "measure/working.h"

namespace columna {

/// How many times smaller than life the figure is: of the length that the pattern knows of the living animal.
[[nodiscard]] Working scaleWorking(const Figure& figure, const Pattern& pattern);

/// A limb's length along its bones, from the pattern's modules.
[[nodiscard]] Working lengthWorking(const Figure& figure, const FigureLimb& limb);

} // namespace columna
