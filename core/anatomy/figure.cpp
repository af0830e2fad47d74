#include "anatomy/figure.h"

#include "anatomy/joint_names.h"
#include "anatomy/plane.h"
#include "measure/hash.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

std::string sided(std::string_view id, int side) {
  return side == 0 ? std::string(id) : fmt::format("{}-{}", side > 0 ? "left" : "right", id);
}

std::string limbName(const PatternLimb& limb, int side) {
  std::string name = side == 0 ? limb.name : fmt::format("{} {}", side > 0 ? "left" : "right", limb.name);
  if (!name.empty() && name[0] >= 'a' && name[0] <= 'z') name[0] = static_cast<char>(name[0] - 'a' + 'A');
  return name;
}

bool smoothKind(LimbKind kind) {
  return kind == LimbKind::Trunk || kind == LimbKind::Neck || kind == LimbKind::Head ||
         kind == LimbKind::Tail;
}

/// The right copy's own, or the mirror image of the left one's.
Vec3 rightUp(const Pattern& pattern, const PatternBone& bone) {
  if (pattern.right)
    if (const auto own = pattern.right->up.find(bone.id); own != pattern.right->up.end()) return own->second;
  return mirrored(bone.up);
}

const std::vector<Station>& stationsOf(const Pattern& pattern, const PatternBone& bone, bool right) {
  if (right && pattern.right)
    if (const auto own = pattern.right->stations.find(bone.id); own != pattern.right->stations.end())
      return own->second;
  return bone.stations;
}

Vec3 rightJoint(const Pattern& pattern, const std::string& joint) {
  if (pattern.right)
    if (const auto own = pattern.right->joints.find(joint); own != pattern.right->joints.end())
      return own->second;
  return mirrored(pattern.joints.at(joint));
}

SweepBone sweepBone(const Figure& figure, const Pattern& pattern, int index) {
  const FigureBone& b = figure.bones[static_cast<size_t>(index)];
  const PatternBone* source = pattern.bone(b.patternBone);
  const bool right = figure.limbs[static_cast<size_t>(b.limb)].side < 0;
  SweepBone out;
  out.bone = index;
  out.begin = b.begin;
  out.end = b.end;
  out.up = right ? rightUp(pattern, *source) : source->up;
  out.smooth = b.wire && smoothKind(figure.limbs[static_cast<size_t>(b.limb)].kind);
  out.flatBegin = out.flatEnd = source->flatEnds;
  for (const Station& s : stationsOf(pattern, *source, right)) {
    out.at.push_back(s.at);
    out.across.push_back(s.across);
    out.deep.push_back(s.deep);
    out.lift.push_back(s.lift);
  }
  return out;
}

/// The bone that carries a tube on from `index`: it begins where that one ends and bends least.
int continuation(const Figure& figure, int index) {
  const FigureBone& b = figure.bones[static_cast<size_t>(index)];
  int best = -1;
  double least = kSharpestBend;
  for (size_t i = 0; i < figure.bones.size(); ++i) {
    const FigureBone& next = figure.bones[i];
    if (next.parent != index || next.from != b.to) continue;
    const double bend = bendAngle(b.end - b.begin, next.end - next.begin);
    if (bend < least) {
      least = bend;
      best = static_cast<int>(i);
    }
  }
  return best;
}

/// The tubes in modules, so that they scale with the figure exactly; right-hand tubes are mirrored left-hand
/// ones.
void makeTubes(Figure& figure, const Pattern& pattern) {
  const size_t count = figure.bones.size();
  std::vector<int> next(count, -1);
  std::vector<bool> continued(count, false);
  std::vector<int> twins(count, -1);
  std::vector<char> without(count, 0); // of a tube: the head has their surface
  if (pattern.head)
    for (size_t i = 0; i < count; ++i)
      for (const auto* bones : {&pattern.head->body, &pattern.head->hard})
        if (std::find(bones->begin(), bones->end(), figure.bones[i].patternBone) != bones->end())
          without[i] = 1;
  for (size_t i = 0; i < count; ++i) {
    twins[i] = figure.bones[i].twin;
    next[i] = continuation(figure, static_cast<int>(i));
    if (next[i] >= 0) continued[static_cast<size_t>(next[i])] = true;
  }
  for (size_t i = 0; i < count; ++i) {
    // A right-hand tube is the mirror image of its twin, unless the sides differ.
    if (continued[i] ||
        (figure.symmetric && figure.limbs[static_cast<size_t>(figure.bones[i].limb)].side < 0))
      continue;
    std::vector<SweepBone> chain;
    for (int b = static_cast<int>(i); b >= 0; b = next[static_cast<size_t>(b)])
      chain.push_back(sweepBone(figure, pattern, b));
    std::vector<Tube> parts;
    parts.push_back(sweep(chain));
    if (pattern.head) parts = withoutBones(parts.front(), without);
    for (Tube& tube : parts) {
      if (figure.symmetric && figure.bones[i].twin >= 0) figure.tubes.push_back(mirrored(tube, twins));
      figure.tubes.push_back(std::move(tube));
    }
  }
}

/// Digits that have bones are counted by the chains that start anew at their root.
int digitsOf(const Pattern& pattern, const PatternLimb& limb) {
  if (limb.kind != LimbKind::Digits) return limb.digits;
  int count = 0;
  std::string last;
  for (const std::string& id : limb.bones) {
    count += pattern.bone(id)->parent != last ? 1 : 0;
    last = id;
  }
  return count;
}

void makeLimbsAndBones(Figure& figure, const Pattern& pattern) {
  std::map<std::pair<std::string, int>, int> boneIndex;
  for (const PatternLimb& limb : pattern.limbs) {
    const int first = static_cast<int>(figure.limbs.size());
    for (const int side : limb.twin ? std::vector<int>{1, -1} : std::vector<int>{0}) {
      FigureLimb out;
      out.id = sided(limb.id, side);
      out.name = limbName(limb, side);
      out.family = limb.id;
      out.part = limb.name;
      out.plural = limb.plural;
      out.kind = limb.kind;
      out.firmness = limb.firmness;
      out.side = side;
      out.digits = digitsOf(pattern, limb);
      if (limb.twin) out.twin = side > 0 ? first + 1 : first;
      for (const std::string& id : limb.bones) {
        const PatternBone* b = pattern.bone(id);
        FigureBone bone;
        bone.id = sided(id, side);
        bone.patternBone = id;
        bone.name = b->name;
        bone.limb = static_cast<int>(figure.limbs.size());
        const auto place = [&](const std::string& joint, Vec3& at) {
          // A joint on the midline keeps its name on both sides: it is one place.
          const bool middle = pattern.onMidline(joint);
          at = (side < 0 && !middle ? rightJoint(pattern, joint) : pattern.joints.at(joint));
          return middle ? joint : sided(joint, side);
        };
        bone.from = place(b->from, bone.begin);
        bone.to = place(b->to, bone.end);
        bone.length = (bone.end - bone.begin).norm();
        const Vec3 along = (bone.end - bone.begin).normalized();
        const Vec3 up = side < 0 ? rightUp(pattern, *b) : b->up;
        if (const Vec3 square = up - along * along.dot(up); square.norm() > 1e-9)
          bone.deepAxis = square.normalized();
        bone.wire = b->wire;
        bone.hard = b->hard;
        for (const Station& s : stationsOf(pattern, *b, side < 0)) bone.stations.push_back(s);
        boneIndex[{id, side}] = static_cast<int>(figure.bones.size());
        out.bones.push_back(static_cast<int>(figure.bones.size()));
        figure.bones.push_back(std::move(bone));
      }
      figure.limbs.push_back(std::move(out));
    }
  }
  const auto find = [&](const std::string& id, int side) {
    const auto exact = boneIndex.find({id, side});
    if (exact != boneIndex.end()) return exact->second;
    const auto middle = boneIndex.find({id, 0});
    return middle == boneIndex.end() ? -1 : middle->second;
  };
  for (FigureBone& bone : figure.bones) {
    const int side = figure.limbs[static_cast<size_t>(bone.limb)].side;
    const PatternBone* source = pattern.bone(bone.patternBone);
    if (!source->parent.empty()) bone.parent = find(source->parent, side);
    if (side != 0) bone.twin = boneIndex.at({bone.patternBone, -side});
  }
}

double limbLength(const Figure& figure, const FigureLimb& limb) {
  double longest = 0;
  double run = 0;
  int last = -1;
  for (const int b : limb.bones) {
    const FigureBone& bone = figure.bones[static_cast<size_t>(b)];
    if (!bone.wire) continue;
    if (limb.kind == LimbKind::Digits && bone.parent != last) run = 0;
    run += bone.length;
    longest = std::max(longest, run);
    last = b;
  }
  return longest;
}

/// Highest z and extent in x over rings and flat parts.
struct Extent {
  double top = 0, front = -1e9, back = 1e9;
};

Extent extentOf(const Figure& figure) {
  Extent e;
  const auto take = [&](const Vec3& p, double dz, double dx) {
    e.top = std::max(e.top, p.z() + dz);
    e.front = std::max(e.front, p.x() + dx);
    e.back = std::min(e.back, p.x() - dx);
  };
  for (const Tube& tube : figure.tubes)
    for (const Ring& r : tube.rings) {
      // The farthest point of an ellipse along an axis: sqrt of the sum of the squared half axes' shares.
      const auto reach = [&](Eigen::Index axis) { return std::hypot(r.ru * r.u[axis], r.rv * r.v[axis]); };
      take(r.centre, reach(2), reach(0));
    }
  for (const FigureFlat& flat : figure.flats)
    for (const Vec3& p : flat.outline) take(p, 0, 0);
  return e;
}

/// FNV-1a over the numbers the outline depends on.
void add(Hash& h, const std::vector<Station>& stations) {
  for (const Station& s : stations)
    for (const double value : {s.at, s.across, s.deep, s.lift}) h.add(value);
}

std::uint64_t shapeKey(const Pattern& p) {
  Hash h;
  for (const auto& [name, at] : p.joints) h.addPlace(at);
  for (const PatternBone& b : p.bones) {
    add(h, b.stations);
    h.addPlace(b.up);
  }
  for (const PatternFlat& f : p.flats)
    for (const Vec3& at : f.outline) h.addPlace(at);
  h.addPlace(p.eye);
  if (p.head) {
    h.add(p.head->form->key());
    for (const double value : {p.head->eyes, p.head->eyesLower, p.head->length}) h.add(value);
  }
  for (const PatternPad& pad : p.pads) {
    for (const char c : pad.bone) h.add(static_cast<std::uint64_t>(static_cast<unsigned char>(c)));
    for (const double value : {pad.at, pad.deep, pad.across, pad.left, pad.hollow ? 1.0 : 0.0}) h.add(value);
    h.addPlace(pad.radii);
  }
  if (p.right) {
    for (const auto& [name, at] : p.right->joints) h.addPlace(at);
    for (const auto& [name, stations] : p.right->stations) add(h, stations);
    for (const auto& [name, outline] : p.right->flatOutlines)
      for (const Vec3& at : outline) h.addPlace(at);
  }
  return h.sum();
}

Figure build(const Pattern& pattern) {
  Figure figure;
  figure.patternId = pattern.id;
  figure.patternName = pattern.name;
  figure.scale = 1;
  figure.symmetric = !pattern.right.has_value();
  figure.shapeKey = shapeKey(pattern);
  figure.coatThickness = pattern.coatThickness;
  figure.shoulderHeight = pattern.shoulderHeight.modules;
  figure.bodyLength = pattern.bodyLength.modules;
  figure.shoulderMeans = pattern.shoulderHeight.means;
  figure.bodyMeans = pattern.bodyLength.means;
  makeLimbsAndBones(figure, pattern);
  nameJoints(figure, pattern);
  for (FigureLimb& limb : figure.limbs) limb.length = limbLength(figure, limb);
  makeTubes(figure, pattern);
  for (const PatternFlat& flat : pattern.flats) {
    int bone = 0;
    for (size_t i = 0; i < figure.bones.size(); ++i)
      if (figure.bones[i].patternBone == flat.bone) {
        bone = static_cast<int>(i);
        break;
      }
    FigureFlat left{flat.twin ? "left-" + flat.id : flat.id, bone, {}, flat.thickness, {}, {}};
    for (const Vec3& p : flat.outline) left.outline.push_back(p);
    if (flat.twin) {
      const int twin = figure.bones[static_cast<size_t>(bone)].twin;
      FigureFlat right{"right-" + flat.id, twin >= 0 ? twin : bone, {}, flat.thickness, {}, {}};
      const auto own = pattern.right ? pattern.right->flatOutlines.find(flat.id)
                                     : decltype(pattern.right->flatOutlines.end()){};
      if (pattern.right && own != pattern.right->flatOutlines.end())
        for (const Vec3& p : own->second) right.outline.push_back(p);
      else
        for (const Vec3& p : left.outline) right.outline.push_back(mirrored(p));
      figure.flats.push_back(std::move(right));
    }
    figure.flats.push_back(std::move(left));
  }
  figure.eyes = {pattern.eye,
                 (pattern.right && pattern.right->eye ? *pattern.right->eye : mirrored(pattern.eye))};
  figure.eyeDiameter = pattern.eyeDiameter;
  if (pattern.head) wearHead(figure, pattern);
  layPads(figure, pattern);
  const Extent e = extentOf(figure);
  figure.overallHeight = e.top;
  figure.totalLength = e.front - e.back;
  return figure;
}

} // namespace

double lowestPoint(const Figure& figure) {
  double low = 1e9;
  for (const Tube& tube : figure.tubes)
    for (const Ring& r : tube.rings)
      low = std::min(low, r.centre.z() - std::hypot(r.ru * r.u.z(), r.rv * r.v.z()));
  for (const FigureFlat& flat : figure.flats)
    for (const Vec3& p : flat.outline) low = std::min(low, p.z());
  return low;
}

Figure scaledTo(Figure f, double scale) {
  for (double* length : {&f.scale, &f.overallHeight, &f.shoulderHeight, &f.bodyLength, &f.totalLength,
                         &f.coatThickness, &f.eyeDiameter})
    *length *= scale;
  for (FigureLimb& limb : f.limbs) limb.length *= scale;
  for (FigureBone& b : f.bones) {
    b.begin *= scale;
    b.end *= scale;
    b.length *= scale;
    for (Station& s : b.stations) s = {s.at, s.across * scale, s.deep * scale, s.lift * scale};
  }
  for (std::vector<Tube>* tubes : {&f.tubes, &f.hollows})
    for (Tube& tube : *tubes) {
      tube.capBegin *= scale;
      tube.capEnd *= scale;
      for (Ring& r : tube.rings) {
        r.centre *= scale;
        r.ru *= scale;
        r.rv *= scale;
      }
    }
  for (LaidPad& pad : f.pads) {
    pad.at *= scale;
    pad.radii *= scale;
  }
  for (FigureFlat& flat : f.flats) {
    flat.thickness *= scale;
    for (Vec3& p : flat.outline) p *= scale;
    for (Vec3& p : flat.sheet) p *= scale;
  }
  for (Vec3& eye : f.eyes) eye *= scale;
  if (f.head) {
    f.head->length *= scale;
    for (HeadRow& row : f.head->rows)
      for (double* mm : {&row.root, &row.shown, &row.wide, &row.at}) *mm *= scale;
    f.head->origin *= scale;
    for (WornHead::Stretch& s : f.head->stretches) s.from *= scale;
  }
  return f;
}

Figure inModules(const Pattern& pattern) { return build(pattern); }

Figure figureAtScale(const Pattern& pattern, double scale) { return scaledTo(inModules(pattern), scale); }

Station stationAt(const FigureBone& bone, double at) {
  std::vector<double> t;
  std::vector<double> across;
  std::vector<double> deep;
  std::vector<double> lift;
  for (const Station& s : bone.stations) {
    t.push_back(s.at);
    across.push_back(s.across);
    deep.push_back(s.deep);
    lift.push_back(s.lift);
  }
  return {at, pchip(t, across, at), pchip(t, deep, at), pchip(t, lift, at)};
}

std::optional<int> Figure::limb(std::string_view id) const {
  for (size_t i = 0; i < limbs.size(); ++i)
    if (limbs[i].id == id) return static_cast<int>(i);
  return std::nullopt;
}

} // namespace columna
