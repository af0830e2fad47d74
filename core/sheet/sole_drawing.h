// The soles at true size, left and right.
#pragma once

#include "face/foot.h"
#include "sheet/drawing.h"

namespace columna {

/// Layers "foot", "toes", "pads", "claws" and "notes" (which foot, L and R, a scale of 50 mm). Toes point up;
/// each foot is seen from below: the right one is the left one's mirror image.
[[nodiscard]] Drawing soleDrawing(const std::vector<Sole>& soles);

} // namespace columna
