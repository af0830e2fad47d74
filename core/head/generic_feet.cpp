#include "head/generic_feet.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kTouches = 0.35; ///< of a ring's half height: so near to the ground it is of the foot
constexpr double kBeside = 0.5;   ///< of a leg's height: a toe so far before or behind it is that leg's

/// What of a leg lies on the ground, modules.
struct Print {
  double back = 1e9, front = -1e9, inner = 1e9, outer = -1e9, top = 0;
  void take(const Ring& r) {
    const auto reach = [&](const Vec3& way) { return std::hypot(r.ru * r.u.dot(way), r.rv * r.v.dot(way)); };
    back = std::min(back, r.centre.x() - reach(Vec3::UnitX()));
    front = std::max(front, r.centre.x() + reach(Vec3::UnitX()));
    inner = std::min(inner, r.centre.y() - reach(Vec3::UnitY()));
    outer = std::max(outer, r.centre.y() + reach(Vec3::UnitY()));
    top = std::max(top, r.centre.z() + reach(Vec3::UnitZ()));
  }
  [[nodiscard]] bool any() const { return front > back && outer > inner; }
};

FootType typeOf(const std::string& family, int digits) {
  if (family == "hoofed")
    return digits == 1 ? FootType::Hoof : digits == 2 || digits == 4 ? FootType::Cloven : FootType::Column;
  if (family == "bird") return FootType::Talon;
  if (family == "two-legged") return FootType::Sole;
  if (family == "insect") return FootType::Peg;
  if (family == "toy") return FootType::ToyPad;
  return FootType::Paw;
}

int digitsOf(FootType type, int told) {
  switch (type) {
  case FootType::Hoof:
    return 1;
  case FootType::Cloven:
    return 2;
  case FootType::Sole:
  case FootType::Column:
    return 5;
  case FootType::Peg:
  case FootType::ToyPad:
    return 0;
  default:
    return told > 0 ? told : 4;
  }
}

class Feet {
public:
  Feet(const Pattern& pattern, const Figure& unit) : pattern_(pattern), unit_(unit) {}

  /// What the left leg of a twin stands on.
  [[nodiscard]] Print printOf(const PatternLimb& leg) const {
    const Vec3 root = pattern_.joints.at(pattern_.bone(leg.bones.front())->from);
    const Vec3 end = pattern_.joints.at(pattern_.bone(leg.bones.back())->to);
    Print out;
    eachRing([&](const PatternLimb& limb, const Ring& r) {
      const bool toe = limb.kind == LimbKind::Digits;
      if (limb.id != leg.id && !toe) return;
      if (r.centre.y() < 0) return;
      if (toe && std::abs(r.centre.x() - end.x()) > kBeside * root.z()) return;
      const double half = std::hypot(r.ru * r.u.z(), r.rv * r.v.z());
      if (r.centre.z() - half > kTouches * std::max(half, 1e-6)) return;
      out.take(r);
    });
    return out;
  }

private:
  template <class Take>
  void eachRing(Take take) const {
    for (const Tube& tube : unit_.tubes)
      for (size_t i = 0; i < tube.slabBone.size(); ++i) {
        const std::string& bone = unit_.bones[static_cast<size_t>(tube.slabBone[i])].patternBone;
        if (const PatternLimb* limb = pattern_.limbOf(bone))
          for (const size_t end : {i, i + 1}) take(*limb, tube.rings[end]);
      }
  }

  const Pattern& pattern_;
  const Figure& unit_;
};

} // namespace

HeadFeet genericFeet(const Pattern& pattern, const Figure& unit, double headLength) {
  std::vector<std::pair<double, FootPattern>> found; // by where it stands
  const Feet feet(pattern, unit);
  for (const PatternLimb& leg : pattern.limbs) {
    if (leg.kind != LimbKind::Leg || !leg.twin || leg.bones.empty()) continue;
    const Print print = feet.printOf(leg);
    if (!print.any()) continue;
    FootPattern foot;
    foot.type = typeOf(pattern.family, leg.digits);
    foot.digits = digitsOf(foot.type, leg.digits);
    foot.length = (print.front - print.back) / headLength;
    foot.width = (print.outer - print.inner) / headLength;
    foot.height = print.top / headLength;
    foot.colour = "wool";
    foot.padColour = foot.clawColour = "dark";
    found.emplace_back(print.front, std::move(foot));
  }
  std::stable_sort(found.begin(), found.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  HeadFeet out;
  // Of two legs the feet are hind feet, as they are of birds and of those who walk upright.
  if (found.size() > 1) out.fore = found.front().second;
  if (found.size() > 2) out.mid = found[1].second;
  if (!found.empty()) out.hind = found.back().second;
  return out;
}

} // namespace columna
