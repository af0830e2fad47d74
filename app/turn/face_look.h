// A figure's face as it is to be painted, and what the pictures that are made beside the window have in
// common.
#pragma once

#include "session/session.h"
#include "turn/felt.h"
#include "turn/fine_picture.h"
#include "turn/wool_paint.h"

namespace columna {

/// With its colours, eyes and hair; without a head an empty one. Takes some milliseconds.
[[nodiscard]] FaceLook faceLookOf(const Session& session, const Figure& figure, const WoolPaint& wool);

/// The same of a head as it is in its file.
[[nodiscard]] FaceLook faceLookOf(const HeadPattern& head, const Figure& figure, const WoolPaint& wool);

/// The same face on the same figure in another stance: its hair hangs down there too.
[[nodiscard]] FaceLook facedAs(FaceLook face, const Figure& posed);

/// A figure as finished felt, to be made beside the window; `cell` mm is what of its surface is seen. Its
/// camera and size are still to be set.
[[nodiscard]] FineAsk woolAsk(const Figure& figure, const WoolPaint& wool, FaceLook face, double cell,
                              const std::atomic<bool>* stop);

/// Looking at one of the flat views, so that those mm of it (y up) fill the picture, `scale` pixels a mm.
void frame(FineAsk& ask, View view, const QRectF& mm, double scale);

} // namespace columna
