// A figure's three outlines as an SVG drawing in mm, to print, trace or open in another drawing program.
#pragma once

#include "anatomy/figure.h"

#include <string>

namespace columna {

/// Side view, front view to its right on the same ground line, above view under the side view, all to one
/// scale: one user unit is one mm. Groups are named side, front and above.
[[nodiscard]] std::string outlineSvg(const Figure& figure);

} // namespace columna
