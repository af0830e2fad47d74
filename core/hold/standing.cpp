#include "hold/standing.h"

#include "anatomy/hull.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
bool stands(const Figure& figure, int limb) {
  if (figure.limbs[static_cast<size_t>(limb)].kind != LimbKind::Leg) return false;
  const double touch = kTouchShare * figure.overallHeight;
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; i < tube.rings.size(); ++i)
      if (lowestOf(tube.rings[i]).z() <= touch &&
          legOf(figure, tube.slabBone[std::min(i, tube.slabBone.size() - 1)]) == limb)
        return true;
  return false;
}

Standing standing(const Footing& footing, const Vec3& centre) {
  std::vector<Vec2> contacts;
  for (const Contact& c : footing.soles) contacts.emplace_back(c.at.x(), c.at.y());
  return standingOn(std::move(contacts), centre);
}

Standing standing(const Figure& figure, const Vec3& centre, double touch, double give) {
  return standing(Footing{soles(figure, touch, give), {}}, centre);
}

Standing standingOn(std::vector<Vec2> contacts, const Vec3& centre) {
  Standing out;
  const std::vector<Vec2> hull = convexHull(std::move(contacts));
  if (hull.size() < 3) return out;
  out.support = hull;
  const Vec2 at(centre.x(), centre.y());
  out.margin = std::numeric_limits<double>::max();
  for (size_t i = 0; i < hull.size(); ++i) {
    const Vec2& a = hull[i];
    const Vec2 edge = hull[(i + 1) % hull.size()] - a;
    const double inside = (edge.x() * (at.y() - a.y()) - edge.y() * (at.x() - a.x())) / edge.norm();
    if (inside >= out.margin) continue;
    out.margin = inside;
    const Vec2 outward(edge.y(), -edge.x());
    if (std::abs(outward.y()) > std::abs(outward.x()))
      out.towards = named("to the side");
    else
      out.towards = outward.x() > 0 ? named("forward") : named("backward");
  }
  out.tip = std::atan2(out.margin, std::max(centre.z(), 1e-9));
  out.stands = out.margin > 0;
  return out;
}

} // namespace columna
