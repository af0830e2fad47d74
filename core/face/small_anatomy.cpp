#include "face/small_anatomy.h"

#include "anatomy/figure.h"
#include "head/field_kinds.h"
#include "measure/table_file.h"
#include "solid/field.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <set>

namespace columna {
namespace {

constexpr const char* kAnatomySchema = "columna-small-anatomy/1";
constexpr double kThroat = 0.12; ///< of the head from the occiput: where the throat meets the jaw
constexpr double kOnePad = 0.02; ///< head modules: nearer to the middle is one, not a pair
constexpr double kSoft = 0.6;    ///< of its height: how wide a pad of the head runs out
constexpr int kPadCells = 24;
constexpr double kLength = 1000; ///< mm: of the head that places are looked up on

/// How deep the trunk is, modules.
double trunkDepth(const Pattern& pattern) {
  double out = 0;
  for (const PatternLimb& limb : pattern.limbs)
    if (limb.kind == LimbKind::Trunk)
      for (const std::string& id : limb.bones)
        for (const Station& s : pattern.bone(id)->stations) out = std::max(out, s.deep);
  return out;
}

} // namespace

namespace heads {
inline constexpr std::array<Words, 2> kSizeOf{"bone", "trunk"};
inline constexpr std::array<Words, 3> kHeadPlace{"eye", "ear", "throat"};
} // namespace heads
template <>
struct Choices<SizeOf> : InOrder<SizeOf, heads::kSizeOf> {};
template <>
struct Choices<HeadPlace> : InOrder<HeadPlace, heads::kHeadPlace> {};

template <>
struct Table<BodyPadKind> {
  static constexpr std::tuple fields{field("id", &BodyPadKind::id).must(),
                                     field("name", &BodyPadKind::name).must(),
                                     field("bones", &BodyPadKind::bones).must().upTo(40, 1),
                                     field("each", &BodyPadKind::each),
                                     field("hollow", &BodyPadKind::hollow),
                                     field("at", &BodyPadKind::at).must().within(0, 1),
                                     field("towards", &BodyPadKind::towards).must().within(-1, 1),
                                     field("size", &BodyPadKind::size).must().within(0.005, 2),
                                     field("of", &BodyPadKind::of),
                                     field("long_of_bone", &BodyPadKind::longOfBone)};
};
template <>
struct Table<HeadPadKind> {
  static constexpr std::tuple fields{field("id", &HeadPadKind::id).must(),
                                     field("name", &HeadPadKind::name).must(),
                                     field("from", &HeadPadKind::from).must(),
                                     field("hollow", &HeadPadKind::hollow),
                                     field("shift", &HeadPadKind::shift).within(-1, 1),
                                     field("along", &HeadPadKind::along).must().within(-1, 1),
                                     field("size", &HeadPadKind::size).must().within(0.005, 1)};
};
template <>
struct Table<SmallAnatomy> {
  static constexpr std::tuple fields{field("source", &SmallAnatomy::source).must(),
                                     field("body", &SmallAnatomy::body).must().upTo(200).knownBy("id"),
                                     field("head", &SmallAnatomy::head).must().upTo(200).knownBy("id")};
};

namespace {

template <class Kind>
const Kind* found(const std::vector<Kind>& all, std::string_view id) {
  const auto at = std::find_if(all.begin(), all.end(), [&](const Kind& each) { return each.id == id; });
  return at == all.end() ? nullptr : &*at;
}

} // namespace

const BodyPadKind* SmallAnatomy::bodyPad(std::string_view id) const { return found(body, id); }
const HeadPadKind* SmallAnatomy::headPad(std::string_view id) const { return found(head, id); }

Result<SmallAnatomy> readSmallAnatomy(std::string_view json, const std::string& file) {
  return readTableFile<SmallAnatomy>(
      json, file, kAnatomySchema, [](const SmallAnatomy& out, const FieldReader& reader) {
        std::set<std::string> seen;
        const auto check = [&](const std::string& list, const std::string& id, const Vec3& way,
                               const char* key) {
          const std::string at = list + "." + id;
          if (!seen.insert(id).second) reader.fail(at, say("is there twice"), say("give each its own id"));
          if (way.norm() < 1e-6)
            reader.fail(at + "." + key, say("points nowhere"), say("give a direction, like [1, 0, 0]"));
        };
        for (const BodyPadKind& kind : out.body) check("body", kind.id, kind.towards, "towards");
        for (const HeadPadKind& kind : out.head) check("head", kind.id, kind.along, "along");
      });
}

std::vector<PatternPad> bodyPads(const BodyPadKind& kind, const Pattern& pattern, double factor) {
  std::vector<PatternPad> out;
  for (const std::string& id : kind.bones) {
    const PatternBone* bone = pattern.bone(id);
    const PatternLimb* limb = bone ? pattern.limbOf(id) : nullptr;
    if (!limb || limb->kind == LimbKind::Wing || limb->kind == LimbKind::Head) continue;
    const Vec3 run = pattern.joints.at(bone->to) - pattern.joints.at(bone->from);
    const Vec3 along = run.normalized();
    Vec3 deep = bone->up - along * along.dot(bone->up);
    deep = deep.norm() > 1e-9 ? Vec3(deep.normalized()) : along.unitOrthogonal();
    PatternPad pad;
    pad.id = kind.id;
    pad.bone = id;
    pad.hollow = kind.hollow;
    pad.at = kind.at;
    pad.left = along.cross(deep).y() < 0 ? -1 : 1;
    const Vec3 towards = kind.towards.normalized();
    pad.deep = towards.dot(deep);
    pad.across = towards.dot(along.cross(deep)) * pad.left;
    if (std::abs(pad.across) < 1e-9) pad.across = 0; // one, on the middle
    const double length = run.norm();
    const double of = factor * (kind.of == SizeOf::Trunk ? trunkDepth(pattern) : length);
    pad.radii = of * Vec3(kind.size.x() / 2, kind.size.y() / 2, kind.size.z());
    if (kind.longOfBone) pad.radii.x() = kind.size.x() * length / 2;
    out.push_back(std::move(pad));
    if (!kind.each) break;
  }
  return out;
}

HeadFeature padAt(const HeadField& field, const Vec3& at, const Vec3& along, const Vec3& size, bool hollow) {
  HeadFeature out;
  const Vec3 on = field.onto(field.length() * at);
  out.at = on / field.length();
  out.up = field.normal(on);
  out.axis = along - out.up * out.up.dot(along);
  if (out.axis.norm() < 1e-6) out.axis = out.up.unitOrthogonal();
  out.axis.normalize();
  out.radii = {size.x() / 2, size.y() / 2, size.z()};
  out.blend = std::min(kSoft * size.z(), out.thinnest());
  out.mode = hollow ? FeatureMode::Press : FeatureMode::Add;
  out.kind = FeatureKind::Pad;
  out.twin = std::abs(out.at.y()) > kOnePad;
  if (out.twin) {
    if (out.at.y() < 0) { // the left one is told
      for (Vec3* v : {&out.at, &out.up, &out.axis}) v->y() = -v->y();
    }
  } else {
    out.at.y() = 0;
  }
  return out;
}

std::optional<HeadFeature> headPad(const HeadPadKind& kind, const HeadPattern& head) {
  const HeadField field(head, kLength);
  Vec3 at = Vec3::Zero();
  if (kind.from == HeadPlace::Eye) {
    if (head.eyes.empty()) return std::nullopt;
    at = head.eyes.front().at;
  } else if (kind.from == HeadPlace::Ear) {
    const auto ear = std::find_if(head.flats.begin(), head.flats.end(),
                                  [](const HeadFlat& flat) { return flat.kind == FlatKind::Ear; });
    if (ear == head.flats.end()) return std::nullopt;
    at = ear->base.front();
  } else {
    const auto throat = field.hit(kLength * Vec3(kThroat, 0, 0), -Vec3::UnitZ());
    if (!throat) return std::nullopt;
    at = *throat / kLength;
  }
  HeadFeature out = padAt(field, at + kind.shift, kind.along, kind.size, kind.hollow);
  out.id = kind.id;
  return out;
}

double laidVolume(const Figure& figure, const std::string& id) {
  Figure bare = figure;
  // Without its own pads; the others stay.
  std::vector<char> out(figure.tubes.size(), 0);
  for (const LaidPad& pad : figure.pads)
    if (pad.id == id && !pad.hollow) out[static_cast<size_t>(pad.tube)] = 1;
  for (size_t t = figure.tubes.size(); t-- > 0;)
    if (out[t]) bare.tubes.erase(bare.tubes.begin() + static_cast<std::ptrdiff_t>(t));
  bare.hollows.clear();
  const WoolField field(bare, 0);
  double volume = 0;
  for (const LaidPad& pad : figure.pads) {
    if (pad.id != id) continue;
    const FigureBone& bone = figure.bones[static_cast<size_t>(pad.bone)];
    const Vec3 along = (bone.end - bone.begin).normalized();
    const Vec3 v = (pad.out - along * along.dot(pad.out)).normalized();
    const Vec3 u = v.cross(along);
    const Vec3 cell = 2 * pad.radii / kPadCells;
    for (int i = 0; i < kPadCells; ++i)
      for (int k = 0; k < kPadCells; ++k)
        for (int j = 0; j < kPadCells; ++j) {
          const Vec3 share = (2 * Vec3(i + 0.5, k + 0.5, j + 0.5) / kPadCells).array() - 1;
          if (share.squaredNorm() > 1) continue;
          const Vec3 p = pad.at + share.x() * pad.radii.x() * along + share.y() * pad.radii.y() * u +
                         share.z() * pad.radii.z() * v;
          if ((field.sample(p, pad.radii.maxCoeff()).distance > 0) != pad.hollow) volume += cell.prod();
        }
  }
  return volume;
}

} // namespace columna
