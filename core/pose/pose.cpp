#include "pose/pose.h"

#include "anatomy/settle.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <map>
#include <numbers>
#include <set>
#include <utility>

namespace columna {
namespace {

using Mat3 = Eigen::Matrix3d;

Vec3 mirror(const Vec3& p) { return {p.x(), -p.y(), p.z()}; }

/// One copy of a bone as it is carried: a place x of the neutral stance goes to turn (x - from) + at.
struct Carried {
  Mat3 turn = Mat3::Identity();
  Vec3 from{0, 0, 0}, at{0, 0, 0};

  [[nodiscard]] Vec3 operator()(const Vec3& p) const { return turn * (p - from) + at; }
};

} // namespace

Mat3 wholeTurn(const Turn& whole) {
  return (Eigen::AngleAxisd(whole.side, Vec3::UnitZ()) * Eigen::AngleAxisd(whole.flex, Vec3::UnitY()) *
          Eigen::AngleAxisd(whole.twist, Vec3::UnitX()))
      .toRotationMatrix();
}

namespace {

class Poser {
public:
  Poser(const Pattern& pattern, const PatternPose& pose) : p_(pattern), pose_(pose) {}

  Pattern run() {
    Pattern out = p_;
    out.right = p_.right.value_or(RightSide());
    for (const PatternBone& b : p_.bones)
      for (const bool right : {false, true}) {
        if (right && !b.twin) continue;
        const Carried& c = carried(b, right);
        // A joint goes with the bone that ends there; one where none ends, with the bone that begins there.
        putJoint(out, b.from, right, c(joint(b.from, right)), false);
        putJoint(out, b.to, right, c(joint(b.to, right)), true);
        const Vec3 up = c.turn * upOf(b, right);
        if (right)
          out.right->up[b.id] = up;
        else
          turnBone(out, b.id, up, c.turn);
      }
    moveFlats(out);
    const PatternBone* eyeBone = p_.bone(p_.eyeBone);
    if (eyeBone) {
      const Vec3 rightEye = p_.right && p_.right->eye ? *p_.right->eye : mirror(p_.eye);
      out.eye = carried(*eyeBone, false)(p_.eye);
      out.right->eye = carried(*eyeBone, eyeBone->twin)(rightEye);
    }
    lean(out);
    settle(out);
    return out;
  }

private:
  /// The whole figure, about the place the first bone begins at.
  void lean(Pattern& out) const {
    if (pose_.whole == Turn()) return;
    const Mat3 turn = wholeTurn(pose_.whole);
    const auto first =
        std::find_if(p_.bones.begin(), p_.bones.end(), [](const PatternBone& b) { return b.parent.empty(); });
    const Vec3 about = first == p_.bones.end() ? Vec3(0, 0, 0) : p_.joints.at(first->from);
    transformPlaces(
        out, [&](const Vec3& p) { return Vec3(turn * (p - about) + about); },
        [&](const Vec3& d) { return Vec3(turn * d); });
  }

  static void turnBone(Pattern& out, const std::string& id, const Vec3& up, const Mat3& turn) {
    for (PatternBone& b : out.bones)
      if (b.id == id) {
        b.up = up;
        b.flexAxis = turn * b.flexAxis;
        b.sideAxis = turn * b.sideAxis;
      }
  }

  [[nodiscard]] Vec3 joint(const std::string& name, bool right) const {
    const Vec3& left = p_.joints.at(name);
    if (!right || p_.onMidline(name)) return left;
    if (p_.right)
      if (const auto own = p_.right->joints.find(name); own != p_.right->joints.end()) return own->second;
    return mirror(left);
  }

  [[nodiscard]] Vec3 upOf(const PatternBone& b, bool right) const {
    if (!right) return b.up;
    if (p_.right)
      if (const auto own = p_.right->up.find(b.id); own != p_.right->up.end()) return own->second;
    return mirror(b.up);
  }

  [[nodiscard]] Mat3 turnOf(const PatternBone& b, bool right) const {
    const auto found = [&](const std::string& key) {
      const auto it = pose_.turns.find(key);
      return it == pose_.turns.end() ? nullptr : &it->second;
    };
    const Turn* t = right && found(b.id + "'") ? found(b.id + "'") : found(b.id);
    if (!t) return Mat3::Identity();
    const Vec3 along = (p_.joints.at(b.to) - p_.joints.at(b.from)).normalized();
    Mat3 m = (Eigen::AngleAxisd(t->flex, b.flexAxis) * Eigen::AngleAxisd(t->side, b.sideAxis) *
              Eigen::AngleAxisd(t->twist, along))
                 .toRotationMatrix();
    if (!right) return m;
    const Mat3 flip = Vec3(1, -1, 1).asDiagonal();
    return flip * m * flip;
  }

  /// Each bone is asked for by every place it carries, and its parent by every child: worked out once.
  const Carried& carried(const PatternBone& b, bool right) {
    const auto [place, fresh] = carried_.try_emplace({&b, right});
    if (!fresh) return place->second;
    Carried c;
    c.from = c.at = joint(b.from, right);
    c.turn = turnOf(b, right);
    if (!b.parent.empty()) {
      const PatternBone* parent = p_.bone(b.parent);
      const Carried& up = carried(*parent, right && parent->twin);
      c.turn = up.turn * c.turn;
      c.at = up(c.from);
    }
    return place->second = c;
  }

  void putJoint(Pattern& out, const std::string& name, bool right, const Vec3& at, bool ends) {
    const bool middle = p_.onMidline(name);
    if (right && middle) return;
    auto& settled = right ? endsRight_ : endsLeft_;
    if (!ends && settled.contains(name)) return;
    if (ends) settled.insert(name);
    if (right)
      out.right->joints[name] = at;
    else
      out.joints[name] = at;
  }

  void moveFlats(Pattern& out) {
    for (size_t i = 0; i < p_.flats.size(); ++i) {
      const PatternFlat& f = p_.flats[i];
      for (const bool right : {false, true}) {
        if (right && !f.twin) continue;
        std::vector<Vec3> moved;
        for (size_t k = 0; k < f.outline.size(); ++k) {
          const PatternBone* bone = p_.bone(f.follow.empty() ? f.bone : f.follow[k]);
          Vec3 at = right ? mirror(f.outline[k]) : f.outline[k];
          if (right && p_.right)
            if (const auto own = p_.right->flatOutlines.find(f.id); own != p_.right->flatOutlines.end())
              at = own->second[k];
          moved.push_back(carried(*bone, right && bone->twin)(at));
        }
        if (right)
          out.right->flatOutlines[f.id] = std::move(moved);
        else
          out.flats[i].outline = std::move(moved);
      }
    }
  }

  const Pattern& p_;
  const PatternPose& pose_;
  std::map<std::pair<const PatternBone*, bool>, Carried> carried_;
  std::set<std::string> endsLeft_, endsRight_;
};

} // namespace

Pattern posed(const Pattern& pattern, const PatternPose& pose) { return Poser(pattern, pose).run(); }

std::optional<Problem> beyondLimits(const Pattern& pattern, const PatternPose& pose) {
  constexpr double slack = 1e-3;
  for (const auto& [key, turn] : pose.turns) {
    const PatternBone* b = pattern.bone(key.ends_with('\'') ? key.substr(0, key.size() - 1) : key);
    if (!b) continue;
    struct Each {
      const char* word;
      double turned;
      TurnRange range;
    };
    for (const Each& e : {Each{"flex", turn.flex, b->flex}, Each{"side", turn.side, b->side},
                          Each{"twist", turn.twist, b->twist}})
      if (e.turned < e.range.low - slack || e.turned > e.range.high + slack) {
        return Problem{say("pose \"{}\" turns {} by {} in {}, its joint allows {} to {}", AsIs(pose.name),
                           AsIs(key), Angle(e.turned, 0), AsIs(e.word), Angle(e.range.low, 0).figure(),
                           Angle(e.range.high, 0)),
                       pattern.id, say("lessen the turn or widen limits_deg")};
      }
  }
  return std::nullopt;
}

Pattern easyStance(const Pattern& pattern) {
  for (const PatternPose& pose : pattern.poses)
    if (pose.name == "walk") return posed(pattern, pose);
  return pattern;
}

} // namespace columna
