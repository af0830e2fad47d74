#include "pose/posing.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kSame = 1.7e-4;  ///< radians: a hundredth of a degree
constexpr double kReached = 1e-6; ///< radians from the end of the range

bool near(const Turn& a, const Turn& b) {
  return std::abs(a.flex - b.flex) < kSame && std::abs(a.side - b.side) < kSame &&
         std::abs(a.twist - b.twist) < kSame;
}

double held(double value, const TurnRange& range, bool& limited) {
  const double out = std::clamp(value, std::min(range.low, range.high), std::max(range.low, range.high));
  limited = limited || std::abs(out - value) > 1e-9;
  return out;
}

void put(PatternPose& pose, const std::string& key, const Turn& turn) {
  if (turn == Turn())
    pose.turns.erase(key);
  else
    pose.turns[key] = turn;
}

/// Bones of the limb and of limbs they carry (toes).
bool goesWith(const Pattern& pattern, const PatternBone& bone, const std::string& limb) {
  for (const PatternBone* b = &bone; b; b = b->parent.empty() ? nullptr : pattern.bone(b->parent))
    if (const PatternLimb* of = pattern.limbOf(b->id); of && of->id == limb) return true;
  return false;
}

/// Both copies' turns, told apart only where they differ.
void putBoth(PatternPose& pose, const PatternBone& bone, const Turn& left, const Turn& right) {
  put(pose, bone.id, left);
  pose.turns.erase(bone.id + "'");
  if (bone.twin && !(left == right)) pose.turns[bone.id + "'"] = right;
}

} // namespace

Turn turnOf(const PatternPose& pose, const PatternBone& bone, bool right) {
  if (right)
    if (const auto own = pose.turns.find(bone.id + "'"); own != pose.turns.end()) return own->second;
  const auto found = pose.turns.find(bone.id);
  return found == pose.turns.end() ? Turn() : found->second;
}

bool setTurn(PatternPose& pose, const PatternBone& bone, bool right, const Turn& turn) {
  bool limited = false;
  const Turn to{held(turn.flex, bone.flex, limited), held(turn.side, bone.side, limited),
                held(turn.twist, bone.twist, limited)};
  if (!bone.twin) {
    put(pose, bone.id, to);
    return limited;
  }
  putBoth(pose, bone, right ? turnOf(pose, bone, false) : to, right ? to : turnOf(pose, bone, true));
  return limited;
}

PatternPose withinLimits(const Pattern& pattern, PatternPose pose) {
  for (const PatternBone& b : pattern.bones)
    for (const bool right : {false, true})
      if (!right || b.twin) setTurn(pose, b, right, turnOf(pose, b, right));
  return pose;
}

PatternPose mirroredPose(const Pattern& pattern, const PatternPose& pose) {
  PatternPose out = pose;
  out.whole.side = -pose.whole.side;
  out.whole.twist = -pose.whole.twist;
  for (const PatternBone& b : pattern.bones) {
    if (b.twin) {
      putBoth(out, b, turnOf(pose, b, true), turnOf(pose, b, false));
      continue;
    }
    Turn t = turnOf(pose, b, false);
    t.side = -t.side;
    t.twist = -t.twist;
    put(out, b.id, t);
  }
  return out;
}

PatternPose copiedToTwin(const Pattern& pattern, PatternPose pose, const std::string& limb, bool fromRight) {
  for (const PatternBone& b : pattern.bones)
    if (b.twin && goesWith(pattern, b, limb)) {
      const Turn t = turnOf(pose, b, fromRight);
      putBoth(pose, b, t, t);
    }
  return pose;
}

PatternPose limbStraight(const Pattern& pattern, PatternPose pose, const std::string& limb, bool left,
                         bool right) {
  for (const PatternBone& b : pattern.bones) {
    if (!goesWith(pattern, b, limb)) continue;
    putBoth(pose, b, left ? Turn() : turnOf(pose, b, false), right ? Turn() : turnOf(pose, b, true));
  }
  return pose;
}

PatternPose between(const Pattern& pattern, const PatternPose& from, const PatternPose& to, double share) {
  const auto mix = [share](const Turn& a, const Turn& b) {
    return Turn{a.flex + share * (b.flex - a.flex), a.side + share * (b.side - a.side),
                a.twist + share * (b.twist - a.twist)};
  };
  PatternPose out = to;
  out.whole = mix(from.whole, to.whole);
  for (const PatternBone& b : pattern.bones) {
    const Turn left = mix(turnOf(from, b, false), turnOf(to, b, false));
    putBoth(out, b, left, b.twin ? mix(turnOf(from, b, true), turnOf(to, b, true)) : left);
  }
  return out;
}

double largestTurn(const Pattern& pattern, const PatternPose& a, const PatternPose& b) {
  double most = 0;
  for (const PatternBone& bone : pattern.bones)
    for (const bool right : {false, true}) {
      const Turn x = turnOf(a, bone, right);
      const Turn y = turnOf(b, bone, right);
      most =
          std::max({most, std::abs(x.flex - y.flex), std::abs(x.side - y.side), std::abs(x.twist - y.twist)});
    }
  return most;
}

std::vector<AtLimit> jointsAtLimit(const Pattern& pattern, const PatternPose& pose) {
  std::vector<AtLimit> out;
  for (const PatternBone& b : pattern.bones)
    for (const bool right : {false, true}) {
      if (right && !b.twin) continue;
      const Turn t = turnOf(pose, b, right);
      const auto look = [&](const char* way, double value, const TurnRange& range) {
        if (range.high - range.low < kSame || std::abs(value) < kSame) return;
        if (value >= range.high - kReached || value <= range.low + kReached)
          out.push_back({b.id, right, way});
      };
      look("flex", t.flex, b.flex);
      look("side", t.side, b.side);
      look("twist", t.twist, b.twist);
    }
  return out;
}

bool sameStance(const Pattern& pattern, const PatternPose& a, const PatternPose& b) {
  if (!near(a.whole, b.whole)) return false;
  return std::all_of(pattern.bones.begin(), pattern.bones.end(), [&](const PatternBone& bone) {
    return near(turnOf(a, bone, false), turnOf(b, bone, false)) &&
           (!bone.twin || near(turnOf(a, bone, true), turnOf(b, bone, true)));
  });
}

double swingOf(const PatternBone& bone, const Vec3& along, const Turn& from, const Turn& to) {
  if (from == to) return 0;
  const auto turned = [&](const Turn& t) {
    return Eigen::Quaterniond(Eigen::AngleAxisd(t.flex, bone.flexAxis) *
                              Eigen::AngleAxisd(t.side, bone.sideAxis) *
                              Eigen::AngleAxisd(t.twist, along.normalized()));
  };
  return turned(from).angularDistance(turned(to));
}

} // namespace columna
