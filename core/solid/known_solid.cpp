#include "solid/known_solid.h"

#include "measure/hash.h"
#include "solid/field.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

double ratio(double now, double before) { return before > 0 ? now / before : 1; }

} // namespace

std::uint64_t solidKey(const Figure& figure, double coat, double skin) {
  Hash h;
  h.add(coat);
  h.add(skin);
  h.add(figure.overallHeight);
  for (const FigureBone& b : figure.bones) {
    h.addPlace(b.begin);
    h.addPlace(b.end);
    h.addPlace(b.deepAxis);
    h.add(b.wire ? 1.0 : 0.0);
  }
  if (figure.head) {
    h.add(figure.head->form->key());
    const HeadDials& dials = figure.head->dials; // hollows are in no tube
    for (const double value : {dials.muzzle, dials.eyes, dials.eyesLower, dials.wide, dials.high})
      h.add(value);
  }
  for (const Tube& tube : figure.tubes)
    for (const Ring& r : tube.rings) {
      h.addPlace(r.centre);
      h.addPlace(r.normal);
      h.addPlace(r.v);
      h.add(r.ru);
      h.add(r.rv);
    }
  return h.sum();
}

KnownSolid makeSolid(const Figure& figure, const SolidWish& wish) {
  KnownSolid out;
  out.key = solidKey(figure, wish.coat, wish.skin);
  out.scale = figure.scale;
  out.coat = wish.coat;
  out.solid = bodySolid(figure, wish);
  out.tubes = tubeShares(figure, wish.coat);
  out.tapes = tapeShares(figure, wish.coat, wish.threads);
  out.area.assign(figure.bones.size(), 0);
  for (const SurfacePatch& patch : out.solid.surface) out.area[static_cast<size_t>(patch.bone)] += patch.area;
  if (figure.symmetric) // sums in another order differ in their last bits
    for (size_t b = 0; b < out.area.size(); ++b)
      if (const int twin = figure.bones[b].twin; twin > static_cast<int>(b))
        out.area[b] = out.area[static_cast<size_t>(twin)] =
            (out.area[b] + out.area[static_cast<size_t>(twin)]) / 2;
  return out;
}

std::optional<KnownSolid> guessSolid(const Figure& figure, double coat, const KnownSolid& before) {
  if (before.solid.bones.size() != figure.bones.size() || before.scale <= 0) return std::nullopt;
  KnownSolid out = before;
  out.exact = false;
  out.scale = figure.scale;
  out.coat = coat;
  out.tubes = tubeShares(figure, coat);
  const double length = figure.scale / before.scale;
  out.solid.core = out.solid.coat = 0;
  out.solid.cell *= length;
  for (size_t b = 0; b < out.solid.bones.size(); ++b) {
    BoneShare& share = out.solid.bones[b];
    const double body = (share.core + share.coat) * ratio(out.tubes[b].body, before.tubes[b].body);
    const double core =
        before.tubes[b].core > 0 && share.core > 0
            ? share.core * out.tubes[b].core / before.tubes[b].core
            : body * ratio(out.tubes[b].core, out.tubes[b].body) * (out.tubes[b].core > 0 ? 1 : 0);
    const double grown = ratio(core, share.core);
    const bool none = share.core <= 0;
    share.core = std::min(core, body);
    share.coat = body - share.core;
    share.wound = none ? (figure.bones[b].wire ? share.core : 0) : share.wound * grown;
    share.skin *= grown;
    for (PadShare& pad : share.pads) {
      pad.volume *= grown;
      pad.alongSpread *= length;
      pad.acrossSpread *= length;
      pad.centre *= length;
    }
    // Whatever rounding left over is wound or padded, so that the parts are the core still.
    double parts = share.wound + share.skin;
    for (const PadShare& pad : share.pads) parts += pad.volume;
    (figure.bones[b].wire ? share.wound : share.pads[0].volume) += share.core - parts;
    const FigureBone& bone = figure.bones[b];
    share.centre = Vec3(share.centre * length);
    if (length == 1) share.centre = bone.begin + share.coreAt * (bone.end - bone.begin);
    out.area[b] = before.area[b] *
                  std::pow(ratio(body, before.solid.bones[b].core + before.solid.bones[b].coat), 2.0 / 3);
    out.solid.core += share.core;
    out.solid.coat += share.coat;
  }
  for (SurfacePatch& patch : out.solid.surface) {
    patch.centre *= static_cast<float>(length);
    patch.area *= static_cast<float>(length * length);
  }
  out.solid.error =
      before.solid.error + (std::abs(coat / before.coat - length) < 1e-6 * length ? 0.01 : 0.04);
  return out;
}

} // namespace columna
