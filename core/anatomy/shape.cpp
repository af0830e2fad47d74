#include "anatomy/shape.h"

#include "anatomy/character.h"
#include "anatomy/plane.h"
#include "anatomy/settle.h"
#include "anatomy/study_fields.h"

#include <array>
#include <cmath>
#include <functional>

namespace columna {
namespace {

constexpr double kShortest = 0.005; ///< modules

bool usual(const std::pair<const std::string, double>& each) { return each.second == 1; }

/// Walks the bones of one side from the root outwards with their new lengths.
class Stretcher {
public:
  Stretcher(const Pattern& pattern, const std::map<std::string, double>& lengths)
      : p_(pattern), lengths_(lengths) {}

  void run(Pattern& out) {
    const bool sided = std::any_of(lengths_.begin(), lengths_.end(), [](const auto& each) {
      return each.second != 1 && (each.first.starts_with("left-") || each.first.starts_with("right-"));
    });
    if ((sided || p_.right) && !out.right) out.right = RightSide();
    for (const bool right : {false, true}) {
      if (right && !out.right) break;
      side_ = right ? -1 : 1;
      done_.clear();
      std::map<std::string, Vec3>& joints = right ? out.right->joints : out.joints;
      for (const PatternBone& b : p_.bones) {
        if (right && !b.twin) continue;
        const Placed at = placed(b);
        if (!right || !p_.onMidline(b.from)) joints[b.from] = at.from;
        joints[b.to] = at.to;
      }
      // A joint where a bone ends goes with that bone, whatever else begins there.
      for (const PatternBone& b : p_.bones)
        if (!right || b.twin) joints[b.to] = placed(b).to;
      moveCarried(out, right);
    }
  }

private:
  struct Placed {
    Vec3 from, to;
    double factor = 1;
  };

  [[nodiscard]] double factorOf(const PatternBone& b) const {
    const auto own = lengths_.find(sidedKey(b.id, b.twin ? side_ : 0));
    if (own != lengths_.end()) return own->second;
    const auto both = lengths_.find(b.id);
    return both == lengths_.end() ? 1 : both->second;
  }

  [[nodiscard]] Vec3 joint(const std::string& name, const PatternBone& b) const {
    const Vec3& left = p_.joints.at(name);
    if (side_ > 0 || !b.twin || p_.onMidline(name)) return left;
    if (p_.right)
      if (const auto own = p_.right->joints.find(name); own != p_.right->joints.end()) return own->second;
    return mirrored(left);
  }

  /// A place carried by a bone: it keeps its share of the bone's length and its distance from it.
  [[nodiscard]] Vec3 carried(const PatternBone& by, const Vec3& place) {
    const Placed to = placed(by);
    const Vec3 from = joint(by.from, by);
    const Vec3 along = (joint(by.to, by) - from).normalized();
    return to.from + (place - from) + along * ((place - from).dot(along) * (to.factor - 1));
  }

  Placed placed(const PatternBone& b) {
    const auto known = done_.find(b.id);
    if (known != done_.end()) return known->second;
    Placed out;
    out.factor = factorOf(b);
    out.from = joint(b.from, b);
    if (const PatternBone* parent = p_.bone(b.parent))
      out.from = parent->to == b.from ? placed(*parent).to : carried(*parent, out.from);
    out.to = out.from + (joint(b.to, b) - joint(b.from, b)) * out.factor;
    done_[b.id] = out;
    return out;
  }

  void moveCarried(Pattern& out, bool right) {
    for (size_t i = 0; i < p_.flats.size(); ++i) {
      const PatternFlat& f = p_.flats[i];
      if (right && !f.twin) continue;
      std::vector<Vec3> moved;
      for (size_t k = 0; k < f.outline.size(); ++k) {
        const PatternBone* bone = p_.bone(f.follow.empty() ? f.bone : f.follow[k]);
        moved.push_back(carried(*bone, right ? mirrored(f.outline[k]) : f.outline[k]));
      }
      if (right)
        out.right->flatOutlines[f.id] = std::move(moved);
      else
        out.flats[i].outline = std::move(moved);
    }
    if (const PatternBone* bone = p_.bone(p_.eyeBone)) {
      if (right)
        out.right->eye = carried(*bone, mirrored(p_.eye));
      else
        out.eye = carried(*bone, p_.eye);
    }
  }

  const Pattern& p_;
  const std::map<std::string, double>& lengths_;
  int side_ = 1;
  std::map<std::string, Placed> done_;
};

GirthChange changeAt(const std::array<GirthChange, 3>& places, double at) {
  const bool later = at > 0.5;
  const GirthChange& a = places[later ? 1 : 0];
  const GirthChange& b = places[later ? 2 : 1];
  const double t = later ? (at - 0.5) * 2 : at * 2;
  return {a.across + t * (b.across - a.across), a.deep + t * (b.deep - a.deep),
          a.lift + t * (b.lift - a.lift)};
}

void applyGirths(Pattern& out, const Shape& shape) {
  const auto find = [&](const PatternBone& b, int place, int side) {
    for (const std::string& bone : {sidedKey(b.id, side), b.id})
      if (const auto it = shape.girths.find(girthKey(bone, place)); it != shape.girths.end())
        return it->second;
    return GirthChange();
  };
  const auto changed = [&](const PatternBone& b, int side) {
    std::array<GirthChange, 3> places;
    for (int i = 0; i < 3; ++i) places[static_cast<size_t>(i)] = find(b, i, side);
    std::vector<Station> stations = b.stations;
    for (Station& s : stations) {
      const GirthChange c = changeAt(places, s.at);
      s.across *= c.across;
      s.deep *= c.deep;
      s.lift += c.lift;
    }
    return stations;
  };
  const bool sided = std::any_of(shape.girths.begin(), shape.girths.end(), [](const auto& each) {
    return each.first.starts_with("left-") || each.first.starts_with("right-");
  });
  if (sided && !out.right) out.right = RightSide();
  for (PatternBone& b : out.bones) {
    const std::vector<Station> right = changed(b, b.twin ? -1 : 0);
    b.stations = changed(b, b.twin ? 1 : 0);
    if (b.twin && out.right) out.right->stations[b.id] = right;
  }
}

void applyMoved(Pattern& out, const Shape& shape) {
  for (const auto& [key, by] : shape.moved) {
    const bool left = key.starts_with("left-");
    const bool right = key.starts_with("right-");
    const std::string name = left ? key.substr(5) : right ? key.substr(6) : key;
    const auto at = out.joints.find(name);
    if (at == out.joints.end()) continue;
    if ((left || right) && !out.right) out.right = RightSide();
    if (out.right && !out.onMidline(name) && !out.right->joints.contains(name))
      out.right->joints[name] = mirrored(at->second);
    Vec3 step = by;
    if (out.onMidline(name)) step.y() = left || right ? step.y() : 0;
    if (!right) at->second += step;
    if (out.right && !left && !out.onMidline(name)) out.right->joints[name] += right ? step : mirrored(step);
  }
}

} // namespace

bool Shape::none() const {
  return character == Character() && std::all_of(lengths.begin(), lengths.end(), usual) &&
         std::all_of(moved.begin(), moved.end(), [](const auto& each) { return each.second.isZero(0); }) &&
         std::all_of(girths.begin(), girths.end(), [](const auto& each) { return each.second.none(); });
}

std::string sidedKey(const std::string& name, int side) {
  return side == 0 ? name : (side > 0 ? "left-" : "right-") + name;
}

std::string girthKey(const std::string& bone, int place) {
  constexpr std::array<const char*, 3> at{"0", "0.5", "1"};
  return bone + "@" + at[static_cast<size_t>(place)];
}

namespace {

/// Whether the change can lift a foot or sink it.
bool movesFeet(const Pattern& pattern, const Shape& shape) {
  if (!(shape.character == Character()) || !std::all_of(shape.lengths.begin(), shape.lengths.end(), usual))
    return true;
  return std::any_of(shape.girths.begin(), shape.girths.end(), [&](const auto& each) {
    std::string bone = each.first.substr(0, each.first.find('@'));
    for (const char* side : {"left-", "right-"})
      if (bone.starts_with(side)) bone = bone.substr(std::string_view(side).size());
    const PatternLimb* limb = pattern.limbOf(bone);
    return limb && (limb->kind == LimbKind::Leg || limb->kind == LimbKind::Digits);
  });
}

Pattern reshaped(const Pattern& pattern, const Shape& shape, bool stand) {
  Pattern out = shape.character == Character() ? pattern : withCharacter(pattern, shape.character);
  const bool stretched = !std::all_of(shape.lengths.begin(), shape.lengths.end(), usual);
  if (stretched) {
    const Pattern before = out;
    Stretcher(before, shape.lengths).run(out);
  }
  applyGirths(out, shape);
  if (stand && movesFeet(pattern, shape)) standOnFeet(out, stretched, footLevel(pattern));
  applyMoved(out, shape);
  followMeasures(pattern, out);
  return out;
}

} // namespace

Pattern shaped(const Pattern& pattern, const Shape& shape) {
  return shape.none() ? pattern : reshaped(pattern, shape, true);
}

std::optional<Problem> shapeProblem(const Pattern& pattern, const Shape& shape) {
  std::optional<Problem> wrong;
  eachField<Character>([&](const auto& dial) {
    const double value = shape.character.*dial.member;
    if (wrong || dial.bounds.hold(value)) return;
    wrong = Problem{say("{} of {} is out of range", Name(dial.words), Number(value, Quantity::kShort)),
                    {},
                    say("give {} to {}", Number(dial.bounds.least, Quantity::kShort),
                        Number(dial.bounds.most, Quantity::kShort))};
  });
  if (wrong) return wrong;
  for (const auto& [bone, factor] : shape.lengths)
    if (!boundsOf(&Shape::lengths).hold(factor))
      return Problem{
          say("{} times the length of {} is out of range", Number(factor, Quantity::kShort), AsIs(bone)),
          {},
          say("give a twentieth to twenty times the animal's")};
  for (const auto& [key, g] : shape.girths)
    if (!boundsOf(&GirthChange::across).hold(g.across) || !boundsOf(&GirthChange::deep).hold(g.deep) ||
        !boundsOf(&GirthChange::lift).hold(g.lift))
      return Problem{say("the girth at {} is out of range", AsIs(key)),
                     {},
                     say("give a tenth to ten times the animal's")};
  constexpr Bounds far = boundsOf(&Shape::moved);
  for (const auto& [joint, by] : shape.moved)
    if (!far.hold(by.x()) || !far.hold(by.y()) || !far.hold(by.z()))
      return Problem{say("{} is moved too far", AsIs(joint)), {}, say("put it back nearer to the animal")};
  if (shape.none()) return std::nullopt;
  const Pattern made = reshaped(pattern, shape, false); // standing changes no length
  for (const PatternBone& b : made.bones)
    for (const bool right : {false, true}) {
      const auto at = [&](const std::string& name) {
        if (right && made.right)
          if (const auto own = made.right->joints.find(name); own != made.right->joints.end())
            return own->second;
        return made.joints.at(name);
      };
      if ((at(b.to) - at(b.from)).norm() < kShortest)
        return Problem{say("{} would have no length", Name(b.name)), {}, say("leave its two joints apart")};
      if (!b.twin || !made.right) break;
    }
  return std::nullopt;
}

} // namespace columna
