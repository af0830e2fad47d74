#include "pose/carried.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

Eigen::Matrix3d axes(const FigureBone& bone) {
  Eigen::Matrix3d m;
  m.col(0) = (bone.end - bone.begin).normalized();
  m.col(1) = bone.deepAxis;
  m.col(2) = m.col(0).cross(m.col(1));
  return m;
}

} // namespace

Eigen::Matrix3d boneTurn(const FigureBone& from, const FigureBone& to) {
  return axes(to) * axes(from).transpose();
}

Vec3 carried(const Vec3& place, const FigureBone& from, const FigureBone& to) {
  return to.begin + boneTurn(from, to) * (place - from.begin);
}

Vec2 carriedOnView(const Vec2& place, View view, const Figure& from, const Figure& to) {
  const Vec2 ofX = project(Vec3::UnitX(), view);
  const Vec2 ofY = project(Vec3::UnitY(), view);
  const Vec2 ofZ = project(Vec3::UnitZ(), view);
  const Vec3 right(ofX.x(), ofY.x(), ofZ.x());
  const Vec3 up(ofX.y(), ofY.y(), ofZ.y());
  Vec2 sum(0, 0);
  double weights = 0;
  for (size_t b = 0; b < from.bones.size() && b < to.bones.size(); ++b) {
    const FigureBone& bone = from.bones[b];
    if (view == View::Side && from.limbs[static_cast<size_t>(bone.limb)].side > 0) continue;
    const Vec2 begin = project(bone.begin, view);
    const Vec2 along = project(bone.end, view) - begin;
    const double t =
        along.squaredNorm() > 0 ? std::clamp((place - begin).dot(along) / along.squaredNorm(), 0.0, 1.0) : 0;
    const Vec2 off = place - (begin + t * along);
    const Station s = stationAt(bone, t);
    // By shares of the section, so that a thick part does not lose its edge to a thin one beside it.
    const double share = off.norm() / std::max(0.5, std::min(s.across, s.deep) / 2);
    const double weight = 1 / std::pow(0.05 + share, 6);
    const Vec3 on = bone.begin + t * (bone.end - bone.begin) + off.x() * right + off.y() * up;
    sum += weight * project(carried(on, bone, to.bones[b]), view);
    weights += weight;
  }
  return weights > 0 ? Vec2(sum / weights) : place;
}

} // namespace columna
