#include "head/generic_head.h"

#include "head/generic_feet.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kStations = 9;
constexpr double kEnd = 0.04; ///< head modules: a rounded end

} // namespace

std::optional<HeadPattern> genericHead(const Pattern& pattern) {
  if (pattern.head) return std::nullopt;
  const auto limb = std::find_if(pattern.limbs.begin(), pattern.limbs.end(),
                                 [](const PatternLimb& l) { return l.kind == LimbKind::Head && !l.twin; });
  if (limb == pattern.limbs.end() || limb->bones.empty()) return std::nullopt;
  HeadPattern out;
  out.id = pattern.id;
  out.name = pattern.name;
  out.seat.bone = limb->bones.front();
  const PatternBone& bone = *pattern.bone(out.seat.bone);
  out.seat.back = bone.from;
  out.seat.tip = bone.to;
  Vec3 axis = pattern.joints.at(bone.to) - pattern.joints.at(bone.from);
  axis.y() = 0;
  if (axis.norm() < 1e-9) return std::nullopt;
  axis.normalize();
  const Vec3 up = axis.cross(Vec3::UnitY());
  // The box of its tubes in the skull's own axes.
  const Vec3 from = pattern.joints.at(bone.from);
  double back = 1e9;
  double front = -1e9;
  double low = 1e9;
  double high = -1e9;
  double side = 0;
  const Figure unit = inModules(pattern);
  for (const Tube& tube : unit.tubes)
    for (size_t i = 0; i < tube.slabBone.size(); ++i) {
      const std::string& id = unit.bones[static_cast<size_t>(tube.slabBone[i])].patternBone;
      if (std::find(limb->bones.begin(), limb->bones.end(), id) == limb->bones.end()) continue;
      const Ring& r = tube.rings[i + 1];
      const auto reach = [&](const Vec3& way) {
        return std::hypot(r.ru * r.u.dot(way), r.rv * r.v.dot(way));
      };
      const double x = (r.centre - from).dot(axis);
      const double z = (r.centre - from).dot(up);
      back = std::min(back, x - reach(axis));
      front = std::max(front, x + reach(axis));
      low = std::min(low, z - reach(up));
      high = std::max(high, z + reach(up));
      side = std::max(side, std::abs(r.centre.y()) + reach(Vec3::UnitY()));
    }
  const double length = front - back;
  if (!(length > 0 && side > 0 && high > low)) return std::nullopt;
  out.seat.origin = from + back * axis + (low + high) / 2 * up;
  out.seat.axis = axis;
  out.seat.length = length;
  const double half = (high - low) / 2 / length;
  for (int i = 0; i < kStations; ++i) {
    const double x = kEnd + (1 - 2 * kEnd) * i / (kStations - 1);
    const double round = std::sqrt(std::max(0.0, 1 - (2 * x - 1) * (2 * x - 1)));
    out.body.stations.push_back({x, half * round, -half * round, side / length * round, 0, Vec2(2, 2)});
  }
  out.body.capBack = out.body.capFront = kEnd;
  out.module.means = "the head";
  out.module.lifeMm = length / std::max(pattern.lifeModules, 1e-9) * pattern.lifeMm;
  out.module.range = Vec2(out.module.lifeMm, out.module.lifeMm);
  out.palette = {{"wool", "#B08B62"}, {"dark", "#2B211C"}};
  out.base = "wool";
  if (pattern.eyeDiameter > 0) {
    HeadEye eye;
    eye.id = "eye";
    const Vec3 d = (pattern.eye - out.seat.origin) / length;
    eye.at = Vec3(d.dot(axis), std::max(std::abs(d.y()), 0.02), d.dot(up));
    eye.azimuth = std::atan2(eye.at.y() / (side / length), std::max(eye.at.x() - 0.5, 0.05) / 0.5);
    eye.diameter = pattern.eyeDiameter / length;
    eye.iris = "dark";
    out.eyes.push_back(eye);
  }
  out.nose.shape = NoseShape::None;
  for (const std::string& id : limb->bones) out.replaces.push_back(id);
  out.feet = genericFeet(pattern, unit, length);
  return out;
}

} // namespace columna
