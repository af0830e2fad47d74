// A figure's face as it is to be painted.
#pragma once

#include "session/session.h"
#include "turn/felt.h"
#include "turn/wool_paint.h"

namespace columna {

/// With its colours, eyes and hair; without a head an empty one. Takes some milliseconds.
[[nodiscard]] FaceLook faceLookOf(const Session& session, const Figure& figure, const WoolPaint& wool);

/// The same face on the same figure in another stance: its hair hangs down there too.
[[nodiscard]] FaceLook facedAs(FaceLook face, const Figure& posed);

} // namespace columna
