// An ear's pattern at true size, left and right, for paper or a cutter.
#pragma once

#include "face/flat_pattern.h"
#include "sheet/drawing.h"

namespace columna {

/// Layers "finished", "cut", "lay", "lining", "marks" and "notes" (the name, L and R, an arrow along the
/// wool, ticks at the base's ends, a scale of 50 mm); a twin's right half beside the left one, as its mirror
/// image.
[[nodiscard]] Drawing flatDrawing(const HeadFlat& flat, const FlatPattern& pattern);

} // namespace columna
