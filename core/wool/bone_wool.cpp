#include "wool/bone_wool.h"

#include "wool/hair.h"

#include <algorithm>
#include <numbers>

namespace columna {

double meanThickness(const FigureBone& bone) {
  double sum = 0;
  for (const Station& s : bone.stations) sum += std::min(s.across, s.deep);
  return sum / static_cast<double>(std::max<size_t>(1, bone.stations.size()));
}

/// The wire in one bone's wool, mm3.
double wireIn(const FigureBone& bone, const BoneShare& share, double bundle) {
  if (!bone.wire || bundle <= 0) return 0;
  return std::numbers::pi / 4 * bundle * bundle * bone.length * share.lineInBody;
}

double bundleOf(const LimbWoolInput& limb, const WoolWish& wish) {
  return limb.bundle > 0 ? limb.bundle + 2 * gripThickness(wish.grip) : 0;
}

/// Area of a flat part, one side, mm2.
double flatArea(const FigureFlat& flat) {
  if (!flat.triangles.empty()) {
    double area = 0;
    for (const auto& [a, b, c] : flat.triangles) {
      const Vec3& from = flat.sheet[static_cast<size_t>(a)];
      area += (flat.sheet[static_cast<size_t>(b)] - from)
                  .cross(flat.sheet[static_cast<size_t>(c)] - from)
                  .norm() /
              2;
    }
    return area;
  }
  Vec3 sum = Vec3::Zero();
  for (size_t k = 1; k + 1 < flat.outline.size(); ++k)
    sum += (flat.outline[k] - flat.outline[0]).cross(flat.outline[k + 1] - flat.outline[0]);
  return sum.norm() / 2;
}

Cleared cleared(const FigureBone& bone, const BoneShare& share, bool allCoat, double bundle, double ready) {
  Cleared out;
  out.wound = share.wound;
  out.skin = share.skin;
  out.coat = share.coat;
  // In pairs, so that left and right add up to the same bits.
  out.pads = (share.pads[0].volume + share.pads[1].volume) + (share.pads[2].volume + share.pads[3].volume);
  if (allCoat) {
    out.coat += share.core;
    out.wound = out.pads = out.skin = 0;
  }
  const auto takeOut = [&](double volume) {
    double left = volume;
    for (double* part : {&out.wound, &out.pads, &out.skin, &out.coat}) {
      const double take = std::min(left, *part);
      *part -= take;
      left -= take;
    }
    return volume - left; // a wire thicker than its wool: the rest lies outside
  };
  out.wire = takeOut(wireIn(bone, share, bundle));
  out.ready = takeOut(ready);
  return out;
}

/// What ready cores take of a bone, mm3.
double readyIn(const WoolInput& in, size_t bone) {
  double sum = 0;
  for (const ReadyFit& fit : in.ready) sum += fit.byBone[bone];
  return sum;
}

double densityOf(const LimbWoolInput& in, double handFactor) {
  return in.density.value_or(feltDensity(in.firmness) * handFactor);
}

bool boneAllCoat(const FigureBone& bone, const LimbWoolInput& in, double laid, const WoolWish& wish,
                 const WoolRules& rules) {
  if (in.way == CoatWay::AllCoat) return true;
  if (in.way == CoatWay::CoreAndCoat) return false;
  if (meanThickness(bone) < rules.allCoatBelow) return true;
  return wish.core.tone && wish.coat.tone && wish.core.tone != wish.coat.tone && laid > 0 &&
         laid * rules.coatDensity < (1 - 1e-9) * hidingMass(wish.core.tone, wish.coat.tone, rules);
}

std::vector<double> boneGrams(const Figure& figure, const KnownSolid& solid, const WoolInput& in,
                              const WoolRules& rules) {
  const double factor = in.wish.ball ? handFactor(*in.wish.ball) : 1;
  std::vector<double> out(figure.bones.size(), 0);
  for (size_t b = 0; b < out.size(); ++b) {
    const FigureBone& bone = figure.bones[b];
    if (bone.hard > 0) {
      out[b] = (solid.solid.bones[b].core + solid.solid.bones[b].coat) * bone.hard;
      continue;
    }
    const LimbWoolInput& limb = in.limbs[static_cast<size_t>(bone.limb)];
    const bool all = boneAllCoat(bone, limb, in.laid, in.wish, rules);
    const Cleared c = cleared(bone, solid.solid.bones[b], all, bundleOf(limb, in.wish), readyIn(in, b));
    const double density = densityOf(limb, factor);
    out[b] = (c.wound + c.pads + c.skin) * density + c.coat * (all ? density : rules.coatDensity);
  }
  if (figure.head)
    out[static_cast<size_t>(figure.head->bone)] += figure.eyeGrams() + hairGrams(figure, rules);
  for (const ReadyFit& fit : in.ready)
    for (size_t b = 0; b < out.size() && fit.placed > 0; ++b)
      out[b] += fit.grams * fit.byBone[b] / fit.placed;
  for (const FigureFlat& flat : figure.flats)
    out[static_cast<size_t>(flat.bone)] +=
        flatArea(flat) * flat.thickness * feltDensity(Firmness::Firm) * factor;
  return out;
}

} // namespace columna
