#include "wool/pads.h"

#include "words/said.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numbers>

namespace columna {
namespace {

constexpr double kThickest = 0.5; ///< of its width: a pad that lies flat enough to be needled on [E]

bool has(std::string_view text, std::initializer_list<std::string_view> words) {
  return std::any_of(words.begin(), words.end(),
                     [&](std::string_view w) { return text.find(w) != std::string_view::npos; });
}

/// In the maker's words, without "left" and "right".
std::string plain(std::string name) {
  std::replace(name.begin(), name.end(), '_', ' ');
  while (!name.empty() && (std::isdigit(static_cast<unsigned char>(name.back())) || name.back() == ' '))
    name.pop_back();
  return name;
}

std::string_view trunkPlace(const std::string& bone, PadSide side) {
  const bool front = has(bone, {"chest", "thorax", "ribs", "spine3", "torso"});
  const bool behind = has(bone, {"pelvis", "rump", "hips", "spine1"});
  switch (side) {
  case PadSide::Up:
    return front ? named("withers") : behind ? named("rump") : named("back");
  case PadSide::Down:
    return front ? named("chest") : behind ? named("groin") : named("belly");
  default:
    return front ? named("ribs") : behind ? named("hips") : named("flanks");
  }
}

std::string_view headPlace(const std::string& bone, PadSide side) {
  const bool muzzle = has(bone, {"muzzle", "snout"});
  switch (side) {
  case PadSide::Up:
    return muzzle ? named("bridge of the nose") : named("brow");
  case PadSide::Down:
    return muzzle ? named("chin") : named("jaw");
  default:
    return muzzle ? named("muzzle sides") : named("cheeks");
  }
}

/// "behind", "in front", "outside" or "inside" of a limb at the side.
std::string_view direction(const FigureBone& bone, int limbSide, PadSide side) {
  if (side == PadSide::Left || side == PadSide::Right)
    return (side == PadSide::Left) == (limbSide >= 0) ? named("outside") : named("inside");
  const Vec3 way = side == PadSide::Up ? bone.deepAxis : Vec3(-bone.deepAxis);
  if (std::abs(way.x()) >= std::abs(way.z())) return way.x() > 0 ? named("in front") : named("behind");
  return way.z() > 0 ? named("on top") : named("underneath");
}

std::string placeOf(const Figure& figure, const FigureBone& bone, PadSide side) {
  const FigureLimb& limb = figure.limbs[static_cast<size_t>(bone.limb)];
  const std::string& id = bone.patternBone;
  if (!bone.wire) return has(id, {"scapula"}) ? std::string(named("shoulder blade")) : plain(id);
  switch (limb.kind) {
  case LimbKind::Trunk:
    return std::string(trunkPlace(id, side));
  case LimbKind::Head:
    return std::string(headPlace(id, side));
  case LimbKind::Neck:
    return std::string(side == PadSide::Up     ? named("nape")
                       : side == PadSide::Down ? named("throat")
                                               : named("neck sides"));
  case LimbKind::Tail:
    return std::string(side == PadSide::Up     ? named("tail top")
                       : side == PadSide::Down ? named("tail underside")
                                               : named("tail sides"));
  default:
    break;
  }
  const bool shoulder = has(id, {"upper", "shoulder", "scapula", "humerus", "fore_thigh"});
  const std::string part = shoulder                             ? std::string(named("shoulder"))
                           : has(id, {"thigh"})                 ? std::string(named("haunch"))
                           : has(id, {"shin", "gaskin", "leg"}) ? std::string(named("calf"))
                                                                : plain(id);
  return fmt::format("{}, {}", part, direction(bone, limb.side, side));
}

int rankOf(const std::string& place) {
  constexpr std::array<std::string_view, 9> order{"chest", "breast",   "belly",  "haunch", "rump",
                                                  "calf",  "shoulder", "cheeks", "jaw"};
  for (size_t i = 0; i < order.size(); ++i)
    if (place.find(order[i]) != std::string::npos) return static_cast<int>(i);
  return static_cast<int>(order.size());
}

struct Heap {
  Pad pad;
  double along = 0, along2 = 0, across2 = 0, volume = 0;
  Vec3 moment{0, 0, 0};
};

} // namespace

double padThicknessShare(double along) {
  const double x = 2 * along - 1;
  return std::max(0.0, 1 - x * x);
}

std::vector<Pad> padsOf(const Figure& figure, int limb, const BodySolid& solid, double density, double core,
                        const WoolRules& rules, const std::vector<bool>& skip) {
  const FigureLimb& part = figure.limbs[static_cast<size_t>(limb)];
  std::map<std::pair<std::string, int>, Heap> heaps;
  double run = 0;
  for (const int b : part.bones) {
    const auto i = static_cast<size_t>(b);
    const FigureBone& bone = figure.bones[i];
    if (!skip[i])
      for (size_t k = 0; k < kPadSides; ++k) {
        const PadShare& share = solid.bones[i].pads[k];
        if (share.volume <= 0) continue;
        const auto side = static_cast<PadSide>(k);
        Heap& heap = heaps[{placeOf(figure, bone, side), bone.wire ? static_cast<int>(k) : -1}];
        heap.pad.side = side;
        if (heap.pad.bones.empty() || heap.pad.bones.back() != b) heap.pad.bones.push_back(b);
        const double at = run + share.at * bone.length;
        heap.volume += share.volume;
        heap.along += share.volume * at;
        heap.along2 += share.volume * (at * at + share.alongSpread * share.alongSpread);
        heap.across2 += share.volume * share.acrossSpread * share.acrossSpread;
        heap.moment += share.volume * share.centre;
      }
    run += bone.length;
  }
  std::vector<Pad> out;
  for (auto& [key, heap] : heaps) {
    Pad& pad = heap.pad;
    pad.place = key.first;
    // On a part in the middle left and right are a pair of one pad each.
    const bool pair =
        part.side == 0 && (pad.side == PadSide::Left || pad.side == PadSide::Right) && key.second >= 0;
    if (pair && pad.side == PadSide::Right && figure.symmetric) continue;
    pad.count = pair && figure.symmetric ? 2 : 1;
    pad.volume = heap.volume;
    pad.grams = heap.volume * density;
    if (pad.grams < rules.padLeast || pad.grams * pad.count < rules.padShare * core) continue;
    const double mean = heap.along / heap.volume;
    // An oval of parabolic thickness spreads by its length (width) over sqrt(24).
    const double least = std::cbrt(heap.volume) / 2;
    pad.length = std::max(least, std::sqrt(24 * std::max(0.0, heap.along2 / heap.volume - mean * mean)));
    pad.width = std::max(least, std::sqrt(24 * heap.across2 / heap.volume));
    pad.thickness = 8 * heap.volume / (std::numbers::pi * pad.length * pad.width);
    if (pad.thickness >
        kThickest * pad.width) { // deep and narrow: laid on as a roll and needled down to that
      pad.width = std::sqrt(8 * heap.volume / (std::numbers::pi * pad.length * kThickest));
      pad.thickness = kThickest * pad.width;
    }
    pad.loose = pad.thickness * std::max(1.0, density / rules.wrapped);
    pad.centre = heap.moment / heap.volume;
    pad.rank = rankOf(pad.place);
    out.push_back(std::move(pad));
  }
  std::stable_sort(out.begin(), out.end(), [](const Pad& a, const Pad& b) {
    return a.rank != b.rank ? a.rank < b.rank : a.grams * a.count > b.grams * b.count;
  });
  return out;
}

} // namespace columna
