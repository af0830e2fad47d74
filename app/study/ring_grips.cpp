#include "study/ring_grips.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kThinnest = 0.3; ///< mm: a ring is not dragged thinner

/// The half diameter that shows in the view, as a direction in its plane with its length.
Vec2 shown(const Ring& r, bool across, View view) {
  return across ? Vec2(project(r.u, view) * r.ru) : Vec2(project(r.v, view) * r.rv);
}

} // namespace

std::optional<Ring> ringOf(const Figure& figure, int bone, int place) {
  // Its beginning, the ring nearest to its middle, its end.
  const double wanted = place == 0 ? 0 : place == 1 ? 0.5 : 1;
  std::optional<Ring> best;
  double least = 1e9;
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; !tube.pad && i < tube.slabBone.size(); ++i) {
      if (tube.slabBone[i] != bone || tube.slabFrom[i] >= tube.slabTo[i]) continue; // a rounded end
      for (const bool end : {false, true})
        if (const double away = std::abs((end ? tube.slabTo[i] : tube.slabFrom[i]) - wanted); away < least) {
          least = away;
          best = tube.rings[end ? i + 1 : i];
        }
    }
  return best;
}

std::vector<Grip> ringGrips(const Figure& figure, int limb, View view,
                            const std::function<QPointF(const Vec2&)>& pixel) {
  std::vector<Grip> out;
  int last = -1;
  for (const int b : figure.limbs[static_cast<size_t>(limb)].bones) {
    const FigureBone& bone = figure.bones[static_cast<size_t>(b)];
    if (!bone.wire) continue;
    for (const int place : {0, 1, 2}) {
      if (place == 0 && last >= 0 && bone.parent == last) continue; // the end of the bone before
      const auto ring = ringOf(figure, b, place);
      if (!ring) continue;
      const bool across = shown(*ring, true, view).norm() > shown(*ring, false, view).norm();
      const Vec2 half = shown(*ring, across, view);
      if (half.norm() < 1e-6) continue;
      for (const int edge : {1, -1}) {
        Grip g;
        g.kind = Grip::Kind::Ring;
        g.bone = b;
        g.place = place;
        g.edge = edge;
        g.across = across;
        g.at = pixel(project(ring->centre, view) + edge * half);
        out.push_back(std::move(g));
      }
    }
    last = b;
  }
  return out;
}

RingDrag dragTo(const Figure& figure, const Ring& ring, const Grip& grip, View view, const Vec2& mm) {
  RingDrag out;
  const Vec2 half = shown(ring, grip.across, view);
  const double seen = half.norm();
  const Vec2 along = half / seen;
  const double to = grip.edge * (mm - project(ring.centre, view)).dot(along);
  if (grip.across) {
    out.across = std::max(kThinnest / 2, to) / seen;
    return out;
  }
  const double diameter = std::max(kThinnest, to + seen);
  out.deep = diameter / (2 * seen);
  // The middle follows half the way; the lift is told along the bone's own `deep`.
  const FigureBone& bone = figure.bones[static_cast<size_t>(grip.bone)];
  const double same = ring.v.dot(bone.deepAxis) < 0 ? -1 : 1;
  out.lift = same * grip.edge * (diameter - 2 * seen) / 2 * ring.rv / seen;
  return out;
}

} // namespace columna
