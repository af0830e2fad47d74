// Girth rings as grips: where their edges lie in a view, and what dragging an edge does to the section.
#pragma once

#include "study/study_layer.h"

#include <functional>

namespace columna {

/// The tube's ring at the beginning, middle or end (0, 1, 2) of a bone.
[[nodiscard]] std::optional<Ring> ringOf(const Figure& figure, int bone, int place);

/// The edges of a limb's rings: in each view the diameter that shows in it. `pixel` maps mm of the view's
/// plane.
[[nodiscard]] std::vector<Grip> ringGrips(const Figure& figure, int limb, View view,
                                          const std::function<QPointF(const Vec2&)>& pixel);

/// Factors on the section, and how far its middle moves along `deep` (mm): the edge dragged goes to the hand,
/// of a deep ring the other edge stays, of an across ring both move alike.
struct RingDrag {
  double across = 1, deep = 1, lift = 0;
};
[[nodiscard]] RingDrag dragTo(const Figure& figure, const Ring& ring, const Grip& grip, View view,
                              const Vec2& mm);

} // namespace columna
