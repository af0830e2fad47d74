#include "anatomy/settle.h"

#include "anatomy/figure.h"

#include <Eigen/Geometry>

#include <cmath>

namespace columna {
namespace {

/// Lowest place of a leg: its joints less the half depth of the section there.
struct Foot {
  double x = 0, z = 0;
};

bool carriedByLimb(const Figure& f, int bone, int limb) {
  for (int b = bone; b >= 0; b = f.bones[static_cast<size_t>(b)].parent)
    if (f.bones[static_cast<size_t>(b)].limb == limb) return true;
  return false;
}

/// One foot a leg or pair of legs: the lower of the two.
std::vector<Foot> feetOf(const Figure& f) {
  std::map<std::string, Foot> feet;
  for (size_t l = 0; l < f.limbs.size(); ++l) {
    if (f.limbs[l].kind != LimbKind::Leg || (f.symmetric && f.limbs[l].side < 0)) continue;
    Foot& foot = feet.emplace(f.limbs[l].family, Foot{0, 1e9}).first->second;
    for (const Tube& tube : f.tubes)
      for (size_t i = 0; i < tube.slabBone.size(); ++i) {
        if (!carriedByLimb(f, tube.slabBone[i], static_cast<int>(l))) continue;
        for (const Ring* r : {&tube.rings[i], &tube.rings[i + 1]}) {
          const double low = r->centre.z() - std::hypot(r->ru * r->u.z(), r->rv * r->v.z());
          if (low < foot.z) foot = {r->centre.x(), low};
        }
      }
  }
  std::vector<Foot> out;
  for (const auto& [family, foot] : feet)
    if (foot.z < 1e8) out.push_back(foot);
  return out;
}

} // namespace

void transformPlaces(Pattern& pattern, const std::function<Vec3(const Vec3&)>& place,
                     const std::function<Vec3(const Vec3&)>& turn) {
  for (auto& [name, at] : pattern.joints) at = place(at);
  for (PatternFlat& f : pattern.flats)
    for (Vec3& p : f.outline) p = place(p);
  pattern.eye = place(pattern.eye);
  for (PatternBone& b : pattern.bones)
    for (Vec3* direction : {&b.up, &b.flexAxis, &b.sideAxis}) *direction = turn(*direction);
  if (!pattern.right) return;
  for (auto& [name, at] : pattern.right->joints) at = place(at);
  for (auto& [name, outline] : pattern.right->flatOutlines)
    for (Vec3& p : outline) p = place(p);
  for (auto& [name, up] : pattern.right->up) up = turn(up);
  if (pattern.right->eye) pattern.right->eye = place(*pattern.right->eye);
}

namespace {

void lift(Pattern& pattern, double by) {
  transformPlaces(
      pattern, [by](const Vec3& p) { return Vec3(p.x(), p.y(), p.z() + by); },
      [](const Vec3& d) { return d; });
}

} // namespace

void settle(Pattern& pattern) { lift(pattern, -lowestPoint(inModules(pattern))); }

double footLevel(const Pattern& pattern) {
  const Figure f = inModules(pattern);
  const std::vector<Foot> feet = feetOf(f);
  if (feet.empty()) return lowestPoint(f);
  double low = 1e9;
  for (const Foot& foot : feet) low = std::min(low, foot.z);
  return low;
}

void standOnFeet(Pattern& pattern, bool turn, double level) {
  // Three times, since the lowest place of a foot moves a little as it turns.
  for (int pass = 0; turn && pass < 3; ++pass) {
    const std::vector<Foot> feet = feetOf(inModules(pattern));
    if (feet.size() < 2) break;
    const auto [back, front] =
        std::minmax_element(feet.begin(), feet.end(), [](const Foot& a, const Foot& b) { return a.x < b.x; });
    if (front->x - back->x < 1e-3) break;
    const double angle = std::atan2(front->z - back->z, front->x - back->x);
    if (std::abs(angle) < 1e-9) break;
    const Eigen::Matrix3d m = Eigen::AngleAxisd(angle, Vec3::UnitY()).toRotationMatrix();
    const auto turned = [m](const Vec3& p) { return Vec3(m * p); };
    transformPlaces(pattern, turned, turned);
  }
  lift(pattern, level - footLevel(pattern));
}

} // namespace columna
