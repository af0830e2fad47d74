#include "solid/round.h"

#include "solid/field.h"

#include <algorithm>
#include <cmath>

namespace columna {

double BoneRound::radiusAt(double t) const {
  if (at.empty()) return 0;
  if (t <= at.front()) return radius.front();
  if (t >= at.back()) return radius.back();
  const auto i = static_cast<size_t>(std::upper_bound(at.begin(), at.end(), t) - at.begin()) - 1;
  const double s = (t - at[i]) / (at[i + 1] - at[i]);
  return radius[i] + s * (radius[i + 1] - radius[i]);
}

Vec2 lineInRing(const FigureBone& bone, const Ring& ring) {
  const Vec3 run = bone.end - bone.begin;
  const double into = ring.normal.dot(run);
  // A ring that lies along its bone is met at its nearest place.
  const double s = std::abs(into) > 1e-9 ? ring.normal.dot(ring.centre - bone.begin) / into
                                         : run.dot(ring.centre - bone.begin) / run.squaredNorm();
  const Vec3 d = bone.begin + s * run - ring.centre;
  return {d.dot(ring.u), d.dot(ring.v)};
}

std::vector<BoneRound> largestRounds(const Figure& figure, double coat) {
  std::vector<BoneRound> out(figure.bones.size());
  for (const Tube& tube : figure.tubes) {
    if (tube.pad) continue;
    const size_t first = tube.capBegin > 0 ? static_cast<size_t>(tube.capSlabs) : 0;
    const size_t last = tube.rings.size() - 1 - (tube.capEnd > 0 ? static_cast<size_t>(tube.capSlabs) : 0);
    for (size_t i = first; i < last; ++i) {
      const FigureBone& bone = figure.bones[static_cast<size_t>(tube.slabBone[i])];
      if (!bone.wire) continue;
      BoneRound& round = out[static_cast<size_t>(tube.slabBone[i])];
      for (const bool end : {false, true}) {
        const double at = end ? tube.slabTo[i] : tube.slabFrom[i];
        if (!round.at.empty() && at <= round.at.back() + 1e-9) continue;
        const Ring& ring = tube.rings[end ? i + 1 : i];
        const Vec2 line = lineInRing(bone, ring);
        const double free = -distanceToEllipse(line.x(), line.y(), ring.ru, ring.rv).distance - coat;
        round.at.push_back(at);
        round.radius.push_back(std::max(0.0, free));
      }
    }
  }
  return out;
}

} // namespace columna
