// Outlines of a figure seen from the side, the front or above, as closed polygons.
#pragma once

#include "anatomy/figure.h"

#include <vector>

namespace columna {

/// Side: from the animal's right, so that its nose points right (x right, z up). Front: from before it (its
/// left on the right, z up). Above: from above (x right, its left up).
enum class View { Side, Front, Above };

using Polygon = std::vector<Vec2>;

/// A place in the view's own plane, mm.
[[nodiscard]] Vec2 project(const Vec3& p, View view);

/// The outline of some of the figure's limbs together. `inset` mm are taken off all round (for the core under
/// the coat); parts thinner than twice that vanish. `corners` are the points a round section is drawn with, 8
/// or more: fewer are quicker, for what is being dragged. Outer contours are counter-clockwise, holes
/// clockwise.
[[nodiscard]] std::vector<Polygon> outline(const Figure& figure, const std::vector<int>& limbs, View view,
                                           double inset = 0, int corners = 36);

/// Several outlines as one, for a figure of that many mm a module. `quick` leaves the notches where limbs
/// join.
[[nodiscard]] std::vector<Polygon> united(const std::vector<std::vector<Polygon>>& outlines, double scale,
                                          bool quick = false);

/// The same number for limbs whose surface is the same but for the figure's size: what a kept outline is good
/// for.
[[nodiscard]] std::uint64_t surfaceKey(const Figure& figure, int limb);

/// An outline drawn in by `inset` mm all round, for a figure of that many mm a module.
[[nodiscard]] std::vector<Polygon> drawnIn(const std::vector<Polygon>& outline, double inset, double scale);

/// Where limb follows on limb, in one tube or end to end: the section there less `inset` mm, long enough to
/// join their own drawn-in outlines. For limbs that are drawn one by one.
[[nodiscard]] std::vector<Polygon> seams(const Figure& figure, View view, double inset);

/// A flat part's outline with the felt's thickness round it: from edge-on there is nothing else of it. For a
/// figure of that many mm a module.
[[nodiscard]] std::vector<Polygon> flatOutline(const FigureFlat& flat, View view, double scale);

/// The outline of the whole figure, flat parts included.
[[nodiscard]] std::vector<Polygon> silhouette(const Figure& figure, View view);

/// The same for a frame under the hand: rounds of so many corners, and no slit closed.
[[nodiscard]] std::vector<Polygon> roughSilhouette(const Figure& figure, View view, int corners);

/// Whether a place lies inside (even-odd).
[[nodiscard]] bool contains(const std::vector<Polygon>& polygons, const Vec2& at);

} // namespace columna
