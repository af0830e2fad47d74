// Wool as it is painted.
#pragma once

#include "wool/wool_wish.h"

#include <QColor>

namespace columna {

/// Wool of a tone, the same in both themes.
[[nodiscard]] QColor toneColour(Tone tone);

} // namespace columna
