#include "anatomy/limb_place.h"

#include <algorithm>
#include <cassert>

namespace columna {

LimbPlace limbPlace(const Figure& figure, int limb, double along) {
  const std::vector<int>& bones = figure.limbs[static_cast<size_t>(limb)].bones;
  assert(!bones.empty());
  LimbPlace out;
  for (const int b : bones) {
    const FigureBone& bone = figure.bones[static_cast<size_t>(b)];
    const Vec3 whole = bone.end - bone.begin;
    const double length = whole.norm();
    if (length > 0) out.way = whole / length;
    out.at = bone.begin + std::clamp(along, 0.0, length) * out.way;
    if (along <= length) break;
    along -= length;
  }
  return out;
}

} // namespace columna
