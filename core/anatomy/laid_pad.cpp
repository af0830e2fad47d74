#include "anatomy/laid_pad.h"

#include "anatomy/figure.h"
#include "anatomy/worn_head.h"

#include <Eigen/Geometry>

#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr size_t kRings = 9;
constexpr double kLast = 0.92; ///< of the way to an end: no ring of nothing

/// An oval as a tube along its bone.
Tube ovalTube(const Figure& figure, int bone, const Vec3& centre, const Vec3& along, const Vec3& out,
              const Vec3& radii) {
  Tube tube;
  tube.pad = true;
  const Vec3 v = (out - along * along.dot(out)).normalized();
  for (size_t i = 0; i < kRings; ++i) {
    const double angle = std::numbers::pi * kLast * (static_cast<double>(i) / (kRings - 1) - 0.5);
    Ring ring;
    ring.centre = centre + radii.x() * std::sin(angle) * along;
    ring.normal = along;
    ring.v = v;
    ring.u = v.cross(along);
    ring.ru = radii.y() * std::cos(angle);
    ring.rv = radii.z() * std::cos(angle);
    tube.rings.push_back(ring);
  }
  for (size_t i = 0; i + 1 < kRings; ++i) {
    tube.slabBone.push_back(bone);
    tube.slabFrom.push_back(placeOn(figure, bone, tube.rings[i].centre));
    tube.slabTo.push_back(placeOn(figure, bone, tube.rings[i + 1].centre));
  }
  return tube;
}

/// `side`: +1 left or in the middle, -1 right. Of a twin bone its own; else the side of a bone on the
/// midline.
void lay(Figure& figure, const PatternPad& pad, int index, double side) {
  const FigureBone& bone = figure.bones[static_cast<size_t>(index)];
  const Vec3 along = (bone.end - bone.begin).normalized();
  const Vec3 deep = bone.deepAxis;
  const Vec3 aside = along.cross(deep) * pad.left * side;
  const Station s = stationAt(bone, pad.at);
  const double out = std::hypot(pad.across, pad.deep);
  if (!(out > 0) || !(bone.length > 0)) return;
  const double c = pad.across / out;
  const double d = pad.deep / out;
  // To the surface of the section that way.
  const double reach = 1 / std::hypot(c / (s.across / 2), d / (s.deep / 2));
  LaidPad laid;
  laid.id = pad.id;
  laid.bone = index;
  laid.hollow = pad.hollow;
  laid.out = c * aside + d * deep;
  laid.at = bone.begin + pad.at * (bone.end - bone.begin) + s.lift * deep + reach * laid.out;
  laid.radii = pad.radii;
  std::vector<Tube>& into = pad.hollow ? figure.hollows : figure.tubes;
  laid.tube = static_cast<int>(into.size());
  into.push_back(ovalTube(figure, index, laid.at, along, laid.out, pad.radii));
  figure.pads.push_back(std::move(laid));
}

} // namespace

void layPads(Figure& figure, const Pattern& pattern) {
  for (const PatternPad& pad : pattern.pads)
    for (size_t i = 0; i < figure.bones.size(); ++i) {
      const FigureBone& bone = figure.bones[i];
      if (bone.patternBone != pad.bone) continue;
      const int side = figure.limbs[static_cast<size_t>(bone.limb)].side;
      lay(figure, pad, static_cast<int>(i), side < 0 ? -1 : 1);
      // A pair on one bone.
      if (side == 0 && pad.across != 0) lay(figure, pad, static_cast<int>(i), -1);
    }
}

} // namespace columna
