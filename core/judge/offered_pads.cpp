#include "judge/offered_pads.h"

#include "project/heads.h"

#include <algorithm>
#include <numbers>

namespace columna {
namespace {

bool laidOn(const Project& project, const std::string& id) {
  return std::any_of(project.face.own.begin(), project.face.own.end(),
                     [&](const OwnPad& own) { return own.pad.id == id; });
}

/// Half an oval.
double halfOval(const Vec3& radii) { return 2 * std::numbers::pi / 3 * radii.prod(); }

} // namespace

std::vector<OfferedPad> offeredPads(const Project& project, const Catalog& catalog, const Plan& plan) {
  std::vector<OfferedPad> out;
  const FaceRules& rules = catalog.face;
  const auto judge = [&](OfferedPad& pad, const Vec3& radii, double density) {
    pad.length = 2 * radii.x();
    pad.width = 2 * radii.y();
    pad.height = radii.z();
    if (!pad.hollow) pad.grams = pad.count * density * halfOval(radii);
    pad.tooSmall = std::min({radii.x(), radii.y()}) < rules.radiusLeast ||
                   (!pad.hollow && pad.grams / std::max(pad.count, 1) < rules.padLeast);
  };
  const auto animal = headOf(project, catalog);
  if (animal && plan.figure->head) {
    const HeadPattern own = asWished(*animal, project.face);
    const double length = plan.figure->head->length;
    const int limb = plan.figure->bones[static_cast<size_t>(plan.figure->head->bone)].limb;
    const double density = plan.wool->limbs[static_cast<size_t>(limb)].density;
    for (const HeadPadKind& kind : catalog.anatomy.head) {
      const auto feature = headPad(kind, own);
      if (!feature) continue;
      OfferedPad pad{kind.id, kind.name, true, kind.hollow, laidOn(project, kind.id)};
      pad.count = feature->twin ? 2 : 1;
      judge(pad, length * Vec3(feature->radii[0], feature->radii[1], feature->radii[2]), density);
      out.push_back(std::move(pad));
    }
  }
  const double scale = plan.figure->scale;
  for (const BodyPadKind& kind : catalog.anatomy.body) {
    const auto now = project.face.body.find(kind.id);
    const bool on = now != project.face.body.end();
    const std::vector<PatternPad> pads = bodyPads(kind, *plan.pattern, on ? now->second : 1);
    if (pads.empty()) continue;
    OfferedPad pad{kind.id, kind.name, false, kind.hollow, on};
    double density = 0;
    for (const PatternPad& each : pads)
      for (const FigureBone& bone : plan.figure->bones) {
        if (bone.patternBone != each.bone) continue;
        const bool pair = bone.twin < 0 && each.across != 0;
        pad.count += pair ? 2 : 1;
        density = plan.wool->limbs[static_cast<size_t>(bone.limb)].density;
      }
    if (pad.count == 0) continue;
    judge(pad, scale * pads.front().radii, density);
    if (on && !kind.hollow) // what it comes to on this figure
      pad.grams = density * laidVolume(plan.figure, kind.id);
    out.push_back(std::move(pad));
  }
  return out;
}

} // namespace columna
