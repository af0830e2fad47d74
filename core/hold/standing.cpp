#include "hold/standing.h"

#include "anatomy/hull.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

/// Depth of a ring's lowest point and where it is.
Vec3 lowest(const Ring& r) {
  const double a = r.ru * r.u.z();
  const double b = r.rv * r.v.z();
  const double reach = std::hypot(a, b);
  if (reach < 1e-12) return r.centre;
  return r.centre - r.u * (r.ru * a / reach) - r.v * (r.rv * b / reach);
}

/// The limb itself or one that its bones carry (its toes).
bool belongs(const Figure& figure, int bone, int limb) {
  for (int b = bone; b >= 0; b = figure.bones[static_cast<size_t>(b)].parent)
    if (figure.bones[static_cast<size_t>(b)].limb == limb) return true;
  return false;
}

template <class Visit>
void eachLowest(const Figure& figure, int limb, Visit&& visit) {
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; i < tube.rings.size(); ++i) {
      const int bone = tube.slabBone[std::min(i, tube.slabBone.size() - 1)];
      if (belongs(figure, bone, limb)) visit(lowest(tube.rings[i]));
    }
}

double touch(const Figure& figure) { return 0.02 * figure.overallHeight; }

} // namespace

bool stands(const Figure& figure, int limb) {
  if (figure.limbs[static_cast<size_t>(limb)].kind != LimbKind::Leg) return false;
  bool touches = false;
  eachLowest(figure, limb, [&](const Vec3& p) { touches = touches || p.z() <= touch(figure); });
  return touches;
}

Standing standing(const Figure& figure, const Vec3& centre) {
  std::vector<Vec2> contacts;
  for (size_t i = 0; i < figure.limbs.size(); ++i) {
    if (!stands(figure, static_cast<int>(i))) continue;
    eachLowest(figure, static_cast<int>(i), [&](const Vec3& p) {
      if (p.z() <= touch(figure)) contacts.emplace_back(p.x(), p.y());
    });
  }
  return standingOn(std::move(contacts), centre);
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
      out.towards = "to the side";
    else
      out.towards = outward.x() > 0 ? "forward" : "backward";
  }
  out.tip = std::atan2(out.margin, std::max(centre.z(), 1e-9));
  out.stands = out.margin > 0;
  return out;
}

} // namespace columna
