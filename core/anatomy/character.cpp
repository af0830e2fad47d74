#include "anatomy/character.h"

#include "anatomy/settle.h"

#include <array>
#include <cmath>

namespace columna {
namespace {

/// Whether `bone` is carried, at whatever remove, by `root`.
bool carriedBy(const Pattern& p, const PatternBone& bone, const std::string& root) {
  for (const PatternBone* b = &bone; b; b = p.bone(b->parent))
    if (b->id == root) return true;
  return false;
}

/// Scales everything carried by a bone about its beginning; sections too when `sections` is set.
void scaleCarried(Pattern& p, const std::string& root, double factor, bool sections) {
  const Vec3 about = p.joints.at(p.bone(root)->from);
  const auto scaled = [&](const Vec3& at) { return Vec3(about + (at - about) * factor); };
  std::set<std::string> joints;
  for (PatternBone& b : p.bones) {
    if (!carriedBy(p, b, root)) continue;
    joints.insert({b.from, b.to});
    if (!sections) continue;
    for (Station& s : b.stations) {
      s.across *= factor;
      s.deep *= factor;
      s.lift *= factor;
    }
  }
  for (const std::string& joint : joints) p.joints[joint] = scaled(p.joints[joint]);
  for (PatternFlat& f : p.flats)
    if (carriedBy(p, *p.bone(f.bone), root))
      for (Vec3& at : f.outline) at = scaled(at);
  if (carriedBy(p, *p.bone(p.eyeBone), root)) p.eye = scaled(p.eye);
}

void scaleHead(Pattern& p, const Character& c) {
  for (const PatternLimb& limb : p.limbs) {
    if (limb.kind != LimbKind::Head) continue;
    const PatternBone* root = p.bone(limb.bones.front());
    if (c.head != 1) scaleCarried(p, root->id, c.head, true);
    if (c.muzzle != 1)
      for (const std::string& id : limb.bones) {
        const PatternBone* b = p.bone(id);
        const PatternBone* parent = p.bone(b->parent);
        if (b->muzzle && !(parent && parent->muzzle)) scaleCarried(p, id, c.muzzle, false);
      }
    const double depth = root->stations[root->stations.size() / 2].deep;
    p.eye.z() -= c.eyesLower * depth;
    break;
  }
  p.eyeDiameter *= c.head * c.eyes;
  if (p.head) { // its size and muzzle follow from its bones
    p.head->eyes *= c.eyes;
    p.head->eyesLower += c.eyesLower;
  }
}

/// All legs by one lift of the body, each by as much as that takes, so that every foot stays on the ground.
void scaleLegs(Pattern& p, double factor) {
  double roots = 0;
  int count = 0;
  for (const PatternLimb& limb : p.limbs)
    if (limb.kind == LimbKind::Leg) {
      roots += p.joints.at(p.bone(limb.bones.front())->from).z();
      ++count;
    }
  if (count == 0) return;
  const double lift = (factor - 1) * roots / count;
  for (const PatternLimb& limb : p.limbs) {
    if (limb.kind != LimbKind::Leg) continue;
    const double root = p.joints.at(p.bone(limb.bones.front())->from).z();
    if (root < 0.02) continue;
    std::set<std::string> done;
    for (const std::string& id : limb.bones) {
      const PatternBone* b = p.bone(id);
      // The first bone takes along all it carries; a bone of the limb hung elsewhere goes by itself.
      if (std::none_of(done.begin(), done.end(), [&](const std::string& d) { return carriedBy(p, *b, d); })) {
        scaleCarried(p, id, std::max(0.1, 1 + lift / root), false);
        done.insert(id);
      }
    }
  }
  transformPlaces(
      p, [lift](const Vec3& at) { return Vec3(at.x(), at.y(), at.z() + lift); },
      [](const Vec3& d) { return d; });
}

/// How much of the stoutness a part takes: a stout animal's trunk grows most, its head not at all [E].
double shareOf(LimbKind kind) {
  switch (kind) {
  case LimbKind::Trunk:
    return 1;
  case LimbKind::Neck:
    return 0.7;
  case LimbKind::Leg:
  case LimbKind::Arm:
  case LimbKind::Tail:
    return 0.5;
  default:
    return 0;
  }
}

Vec3 noseOf(const Pattern& p) {
  Vec3 nose{-1e9, 0, 0};
  for (const PatternLimb& limb : p.limbs)
    if (limb.kind == LimbKind::Head)
      for (const std::string& id : limb.bones)
        if (const Vec3& at = p.joints.at(p.bone(id)->to); at.x() > nose.x()) nose = at;
  return nose;
}

const PatternLimb* trunkOf(const Pattern& p) {
  for (const PatternLimb& limb : p.limbs)
    if (limb.kind == LimbKind::Trunk) return &limb;
  return nullptr;
}

double trunkLength(const Pattern& p, const PatternLimb& trunk) {
  double length = 0;
  for (const std::string& id : trunk.bones)
    if (const PatternBone* b = p.bone(id); b->wire)
      length += (p.joints.at(b->to) - p.joints.at(b->from)).norm();
  return length;
}

} // namespace

Character characterAt(double age) {
  // old, true to life, young, toy
  constexpr std::array<Character, 4> marks{
      Character{0.96, 1.08, 1, 0.85, -0.1, 1}, Character{1, 1, 1, 1, 0, 1},
      Character{1.25, 0.8, 0.86, 1.3, 0.08, 1}, Character{1.6, 0.6, 0.7, 1.7, 0.16, 1}};
  const double at = std::clamp(age, -1.0, 2.0);
  const double from = std::min(1.0, std::floor(at));
  const auto i = static_cast<size_t>(from + 1);
  const double t = at - from;
  const Character& a = marks[i];
  const Character& b = marks[i + 1];
  const auto mix = [t](double x, double y) { return x + t * (y - x); };
  return {mix(a.head, b.head), mix(a.muzzle, b.muzzle),       mix(a.legs, b.legs),
          mix(a.eyes, b.eyes), mix(a.eyesLower, b.eyesLower), 1};
}

Pattern withCharacter(const Pattern& pattern, const Character& character) {
  Pattern out = pattern;
  scaleHead(out, character);
  if (character.legs != 1) scaleLegs(out, character.legs);
  if (character.girth != 1)
    for (const PatternLimb& limb : out.limbs) {
      const double factor = std::pow(character.girth, shareOf(limb.kind));
      for (PatternBone& b : out.bones)
        if (std::find(limb.bones.begin(), limb.bones.end(), b.id) != limb.bones.end())
          for (Station& s : b.stations) {
            s.across *= factor;
            s.deep *= factor;
            s.lift *= factor;
          }
    }
  return out;
}

void followMeasures(const Pattern& before, Pattern& after) {
  const PatternLimb* trunk = trunkOf(before);
  if (!trunk) return;
  // The shoulders rise and sink with the joint the forelegs (or arms, or wings) hang from.
  std::string shoulder = before.bone(trunk->bones.back())->to;
  for (const PatternLimb& limb : before.limbs)
    if (limb.kind == LimbKind::Leg || limb.kind == LimbKind::Arm || limb.kind == LimbKind::Wing) {
      shoulder = before.bone(limb.bones.front())->from;
      break;
    }
  double risen = after.joints.at(shoulder).z() - before.joints.at(shoulder).z();
  if (after.right && !after.onMidline(shoulder))
    if (const auto right = after.right->joints.find(shoulder); right != after.right->joints.end())
      risen = (risen + right->second.z() - before.joints.at(shoulder).z()) / 2;
  after.shoulderHeight.modules = std::max(0.01, before.shoulderHeight.modules + risen);
  if (before.bodyLength.means.starts_with("nose") || before.bodyLength.means.starts_with("tip of the bill")) {
    const std::string& rump = before.bone(trunk->bones.front())->from;
    const double change =
        (noseOf(after).x() - after.joints.at(rump).x()) - (noseOf(before).x() - before.joints.at(rump).x());
    after.bodyLength.modules = std::max(0.01, before.bodyLength.modules + change);
  } else {
    after.bodyLength.modules *= trunkLength(after, *trunk) / trunkLength(before, *trunk);
  }
}

} // namespace columna
