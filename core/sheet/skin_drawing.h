// A skin's pattern at true size, left and right, for paper or a cutter.
#pragma once

#include "face/skin.h"
#include "sheet/drawing.h"

namespace columna {

/// Layers "finished", "cut" and "notes" (the name, L and R, a scale of 50 mm); a twin's right half beside the
/// left one, as its mirror image.
[[nodiscard]] Drawing skinDrawing(const SkinPattern& skin);

} // namespace columna
