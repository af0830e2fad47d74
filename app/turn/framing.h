// Where the camera has to be for a figure to fill a picture.
#pragma once

#include "turn/raster.h"

#include "anatomy/figure.h"

#include <QRectF>

namespace columna {

/// The middle of what a figure takes up, mm.
[[nodiscard]] Vec3 middleOf(const Figure& figure);

/// Moves and scales the camera so that the figure, as it is seen from there, fills that part of the picture.
/// Its turn and its centre stay.
void frameRound(Camera& camera, const Figure& figure, const QRectF& room);

} // namespace columna
