#include "wool/ready_core.h"

#include "solid/field.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr int kSteps = 28; ///< along each diameter

/// Where a share of a limb's length lies: the bone, and how far along it.
std::pair<int, double> along(const Figure& figure, const FigureLimb& limb, double share) {
  double whole = 0;
  for (const int b : limb.bones) whole += figure.bones[static_cast<size_t>(b)].length;
  double left = std::clamp(share, 0.0, 1.0) * whole;
  for (const int b : limb.bones) {
    const double length = figure.bones[static_cast<size_t>(b)].length;
    if (left <= length || b == limb.bones.back()) return {b, length > 0 ? std::min(1.0, left / length) : 0};
    left -= length;
  }
  return {-1, 0};
}

} // namespace

ReadyFit fitReadyCore(const ReadyCore& core, const Figure& figure, double blend, double under) {
  ReadyFit out;
  out.byBone.assign(figure.bones.size(), 0);
  out.whole = std::numbers::pi / 6 * core.length * core.across * core.deep;
  const auto limb = figure.limb(core.limb);
  if (!limb) return out;
  out.limb = *limb;
  const auto [b, at] = along(figure, figure.limbs[static_cast<size_t>(*limb)], core.at);
  if (b < 0) return out;
  const FigureBone& bone = figure.bones[static_cast<size_t>(b)];
  const Vec3 run = (bone.end - bone.begin).normalized();
  const Vec3 side = bone.deepAxis.cross(run);
  const Vec3 middle = bone.begin + at * (bone.end - bone.begin) + stationAt(bone, at).lift * bone.deepAxis;
  const WoolField field(figure, blend);
  std::vector<int> near;
  const double reach = std::max({core.length, core.across, core.deep}) / 2;
  field.near(middle, reach + under, field.all(), near);
  int inside = 0;
  int all = 0;
  Vec3 sum = Vec3::Zero();
  std::vector<int> count(figure.bones.size(), 0);
  for (int i = 0; i < kSteps; ++i)
    for (int j = 0; j < kSteps; ++j)
      for (int k = 0; k < kSteps; ++k) {
        const Vec3 q = Vec3(2 * i + 1 - kSteps, 2 * j + 1 - kSteps, 2 * k + 1 - kSteps) / kSteps;
        if (q.squaredNorm() > 1) continue;
        ++all;
        const Vec3 p = middle + q.x() * core.length / 2 * run + q.y() * core.across / 2 * side +
                       q.z() * core.deep / 2 * bone.deepAxis;
        const FieldSample here = field.sample(p, near, 1e9);
        if (here.bone < 0 || here.distance > -under) continue;
        ++inside;
        ++count[static_cast<size_t>(here.bone)];
        sum += p;
      }
  if (inside == 0) return out;
  const double each = out.whole / all;
  out.placed = each * inside;
  for (size_t n = 0; n < count.size(); ++n) out.byBone[n] = each * count[n];
  out.centre = sum / inside;
  out.grams = core.grams * out.fits();
  return out;
}

} // namespace columna
