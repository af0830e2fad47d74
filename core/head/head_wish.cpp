#include "head/head_wish.h"

#include <algorithm>

namespace columna {
namespace {

void moveEye(HeadPattern& head, HeadEye& eye, const Vec3& by) {
  eye.at += by;
  for (HeadFeature& f : head.features) {
    if (f.kind != FeatureKind::Socket && f.kind != FeatureKind::Lid) continue;
    f.at += by;
    if (f.to) *f.to += by;
  }
  for (HeadHair& hair : head.hair)
    if (hair.kind == HairKind::Lashes)
      for (Vec3& p : hair.line) p += by;
}

} // namespace

HeadPattern asWished(HeadPattern head, const FaceWish& wish) {
  for (const OwnPad& own : wish.own) {
    const auto named = [&](const HeadFeature& f) { return f.id == own.before; };
    head.features.insert(std::find_if(head.features.begin(), head.features.end(), named), own.pad);
  }
  std::erase_if(head.features, [&](const HeadFeature& f) {
    const auto found = wish.features.find(f.id);
    return found != wish.features.end() && found->second.out;
  });
  for (HeadFeature& f : head.features) {
    const auto found = wish.features.find(f.id);
    if (found == wish.features.end()) continue;
    f.at += found->second.shift;
    if (f.to) *f.to += found->second.shift;
    for (double& r : f.radii) r *= found->second.factor;
  }
  for (HeadEye& eye : head.eyes) {
    eye.kind = wish.eyeKind.value_or(eye.kind);
    if (const auto moved = wish.moved.find(eye.id); moved != wish.moved.end())
      moveEye(head, eye, moved->second.shift);
  }
  for (HeadFlat& flat : head.flats)
    if (const auto moved = wish.moved.find(flat.id); moved != wish.moved.end())
      for (Vec3& end : flat.base) end += moved->second.shift;
  return head;
}

} // namespace columna
