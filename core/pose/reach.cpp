#include "pose/reach.h"

#include <Eigen/Dense>
#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

using Mat3 = Eigen::Matrix3d;

constexpr double kClose = 1e-7; ///< modules
constexpr int kRounds = 120;
constexpr double kDragTurn = 0.25; ///< radians
constexpr double kDragWay = 0.1;   ///< of the chain's length

Vec3 flipped(const Vec3& v) { return {v.x(), -v.y(), v.z()}; }

} // namespace

/// One bone on the way to a joint as it lies in the pose, and the axes its three turns go about.
struct Linkage::Step {
  const PatternBone* bone = nullptr;
  bool right = false;
  Mat3 before = Mat3::Identity(), turn = Mat3::Identity(); ///< world turn of its carrier, and with its own
  Vec3 from{0, 0, 0}, at{0, 0, 0};
  std::array<Vec3, 3> axes{Vec3::Zero(), Vec3::Zero(), Vec3::Zero()};
};

namespace {

Vec3 neutralPlace(const Pattern& p, const std::string& joint, bool right) {
  const Vec3& left = p.joints.at(joint);
  if (!right || p.onMidline(joint)) return left;
  if (p.right)
    if (const auto own = p.right->joints.find(joint); own != p.right->joints.end()) return own->second;
  return flipped(left);
}

} // namespace

Linkage::Linkage(const Pattern& pattern) : pattern_(&pattern) {}

const PatternBone* Linkage::endingAt(const std::string& joint) const {
  for (const PatternBone& b : pattern_->bones)
    if (b.to == joint) return &b;
  return nullptr;
}

namespace {

/// All bones from the first one to `last`, each as the pose has it.
template <class Step>
std::vector<Step> stepsTo(const Pattern& p, const PatternPose& pose, const PatternBone* last, bool right) {
  std::vector<const PatternBone*> bones;
  for (const PatternBone* b = last; b; b = b->parent.empty() ? nullptr : p.bone(b->parent))
    bones.push_back(b);
  std::reverse(bones.begin(), bones.end());
  std::vector<Step> out;
  Mat3 turn = Mat3::Identity();
  for (const PatternBone* b : bones) {
    Step s;
    s.bone = b;
    s.right = right && b->twin;
    s.from = neutralPlace(p, b->from, s.right);
    s.at = out.empty() ? s.from : Vec3(out.back().turn * (s.from - out.back().from) + out.back().at);
    s.before = turn;
    const Turn t = turnOf(pose, *b, s.right);
    const Vec3 along = (p.joints.at(b->to) - p.joints.at(b->from)).normalized();
    // A right copy turns as the mirror image: about the mirrored axis, the other way.
    const auto axis = [&](const Vec3& a) { return s.right ? Vec3(-flipped(a)) : a; };
    const Vec3 flex = axis(b->flexAxis);
    const Vec3 side = axis(b->sideAxis);
    const Vec3 twist = axis(along);
    const Mat3 f = Eigen::AngleAxisd(t.flex, flex).toRotationMatrix();
    const Mat3 fs = f * Eigen::AngleAxisd(t.side, side).toRotationMatrix();
    s.axes = {s.before * flex, s.before * f * side, s.before * fs * twist};
    turn = s.before * fs * Eigen::AngleAxisd(t.twist, twist).toRotationMatrix();
    s.turn = turn;
    out.push_back(s);
  }
  return out;
}

struct Free {
  size_t step;
  int way; ///< 0 flex, 1 side, 2 twist
  TurnRange range;
};

double& part(Turn& t, int way) { return way == 0 ? t.flex : way == 1 ? t.side : t.twist; }

} // namespace

Vec3 Linkage::place(const PatternPose& pose, const SidedJoint& joint) const {
  const PatternBone* last = endingAt(joint.joint);
  const bool ends = last != nullptr;
  if (!last)
    for (const PatternBone& b : pattern_->bones)
      if (b.from == joint.joint) last = &b;
  Vec3 at = neutralPlace(*pattern_, joint.joint, joint.right);
  if (last) {
    const auto steps = stepsTo<Step>(*pattern_, pose, last, joint.right);
    at = ends ? Vec3(steps.back().turn * (at - steps.back().from) + steps.back().at) : steps.back().at;
  }
  if (pose.whole == Turn()) return at;
  const auto first = std::find_if(pattern_->bones.begin(), pattern_->bones.end(),
                                  [](const PatternBone& b) { return b.parent.empty(); });
  const Vec3 about = first == pattern_->bones.end() ? Vec3(0, 0, 0) : pattern_->joints.at(first->from);
  return wholeTurn(pose.whole) * (at - about) + about;
}

std::vector<std::string> Linkage::chainTo(const SidedJoint& joint) const {
  std::vector<std::string> out;
  const PatternBone* last = endingAt(joint.joint);
  if (!last) return out;
  const PatternLimb* limb = pattern_->limbOf(last->id);
  for (const PatternBone* b = last; b; b = b->parent.empty() ? nullptr : pattern_->bone(b->parent)) {
    const PatternLimb* of = pattern_->limbOf(b->id);
    const bool own = of == limb;
    const bool neck = limb && limb->kind == LimbKind::Head && of && of->kind == LimbKind::Neck;
    if (!own && !neck) break;
    out.push_back(b->id);
  }
  std::reverse(out.begin(), out.end());
  return out;
}

Linkage::Reached Linkage::once(PatternPose pose, const SidedJoint& joint, const Vec3& target) const {
  Reached out;
  const std::vector<std::string> chain = chainTo(joint);
  const PatternBone* last = endingAt(joint.joint);
  const auto first = std::find_if(pattern_->bones.begin(), pattern_->bones.end(),
                                  [](const PatternBone& b) { return b.parent.empty(); });
  const Vec3 about = first == pattern_->bones.end() ? Vec3(0, 0, 0) : pattern_->joints.at(first->from);
  const Vec3 goal = wholeTurn(pose.whole).transpose() * (target - about) + about;
  const Vec3 neutral = neutralPlace(*pattern_, joint.joint, joint.right);
  const auto tipOf = [&](const std::vector<Step>& steps) {
    return Vec3(steps.back().turn * (neutral - steps.back().from) + steps.back().at);
  };
  std::vector<Step> steps = stepsTo<Step>(*pattern_, pose, last, joint.right);
  std::vector<Free> free;
  for (size_t s = 0; s < steps.size(); ++s) {
    if (std::find(chain.begin(), chain.end(), steps[s].bone->id) == chain.end()) continue;
    for (int way = 0; way < 3; ++way) {
      const TurnRange range = way == 0   ? steps[s].bone->flex
                              : way == 1 ? steps[s].bone->side
                                         : steps[s].bone->twist;
      if (range.high - range.low > 1e-9) free.push_back({s, way, range});
    }
  }
  const auto count = static_cast<Eigen::Index>(free.size());
  const auto angle = [&](const PatternPose& of, const Free& f) {
    Turn t = turnOf(of, *steps[f.step].bone, steps[f.step].right);
    return part(t, f.way);
  };
  Vec3 tip = tipOf(steps);
  double off = (goal - tip).norm();
  double damp = 1e-4;
  for (int round = 0; round < kRounds && off > kClose && count > 0; ++round) {
    Eigen::Matrix<double, 3, Eigen::Dynamic> slope(3, count);
    for (Eigen::Index k = 0; k < count; ++k) {
      const Free& f = free[static_cast<size_t>(k)];
      slope.col(k) = steps[f.step].axes[static_cast<size_t>(f.way)].cross(tip - steps[f.step].at);
    }
    const Vec3 gap = goal - tip;
    std::vector<bool> locked(free.size(), false);
    Eigen::VectorXd turn = Eigen::VectorXd::Zero(count);
    for (size_t again = 0; again <= free.size(); ++again) {
      Eigen::Matrix<double, 3, Eigen::Dynamic> j = slope;
      for (size_t k = 0; k < free.size(); ++k)
        if (locked[k]) j.col(static_cast<Eigen::Index>(k)).setZero();
      // The least turning that closes the gap, damped: J^T (J J^T + damp)^-1 gap.
      const Mat3 normal = j * j.transpose() + damp * Mat3::Identity();
      turn = j.transpose() * normal.ldlt().solve(gap);
      bool more = false;
      for (size_t k = 0; k < free.size(); ++k) {
        if (locked[k]) continue;
        const double now = angle(pose, free[k]);
        const double t = turn[static_cast<Eigen::Index>(k)];
        const bool out_ =
            (now >= free[k].range.high - 1e-12 && t > 0) || (now <= free[k].range.low + 1e-12 && t < 0);
        if (out_) {
          locked[k] = true;
          more = true;
        }
      }
      if (!more) break;
    }
    // No joint turns further than half a radian at once.
    const double most = turn.cwiseAbs().maxCoeff();
    if (most < 1e-10) break;
    if (most > 0.5) turn *= 0.5 / most;
    PatternPose tried = pose;
    for (size_t k = 0; k < free.size(); ++k) {
      if (locked[k]) continue;
      const Step& s = steps[free[k].step];
      Turn t = turnOf(tried, *s.bone, s.right);
      double& each = part(t, free[k].way);
      each = std::clamp(each + turn[static_cast<Eigen::Index>(k)], free[k].range.low, free[k].range.high);
      setTurn(tried, *s.bone, s.right, t);
    }
    auto next = stepsTo<Step>(*pattern_, tried, last, joint.right);
    const Vec3 to = tipOf(next);
    const double left = (goal - to).norm();
    if (left < off) {
      const bool stuck = off - left < 1e-10;
      pose = std::move(tried);
      steps = std::move(next);
      tip = to;
      off = left;
      damp = std::max(damp / 4, 1e-9);
      if (stuck) break;
    } else {
      damp *= 6;
      if (damp > 1e6) break;
    }
  }
  out.off = off;
  for (const Free& f : free) {
    const double a = angle(pose, f);
    if (std::abs(a) > 1e-3 && (a >= f.range.high - 1e-6 || a <= f.range.low + 1e-6)) out.limited = true;
  }
  out.pose = std::move(pose);
  return out;
}

Linkage::Reached Linkage::reach(const PatternPose& pose, const SidedJoint& joint, const Vec3& place,
                                bool leap) const {
  if (!endingAt(joint.joint)) return {pose, (this->place(pose, joint) - place).norm(), false};
  const PatternPose held = withinLimits(*pattern_, pose);
  Reached best = once(held, joint, place);
  if (!leap) {
    double reach = 0;
    for (const std::string& id : chainTo(joint)) {
      const PatternBone& b = *pattern_->bone(id);
      reach += (pattern_->joints.at(b.to) - pattern_->joints.at(b.from)).norm();
    }
    const double turned = largestTurn(*pattern_, held, best.pose);
    const double moved = (this->place(best.pose, joint) - this->place(held, joint)).norm();
    const double share =
        std::min({1.0, kDragTurn / std::max(turned, 1e-9), kDragWay * reach / std::max(moved, 1e-9)});
    if (share < 1) {
      best.pose = between(*pattern_, held, best.pose, share);
      best.off = (this->place(best.pose, joint) - place).norm();
    }
    return best;
  }
  // Other starts: each joint at a share of its range, the same each time it is asked.
  const std::vector<std::string> chain = chainTo(joint);
  int fruitless = 0;
  for (int start = 0; start < 24 && best.off > 1e-5 && fruitless < 12; ++start) {
    PatternPose from = pose;
    int k = 0;
    for (const std::string& id : chain) {
      const PatternBone& b = *pattern_->bone(id);
      const auto at = [&](const TurnRange& r) {
        // Van der Corput's sequence in three bases, one a turn: evenly spread, never twice the same.
        constexpr std::array<int, 3> bases{2, 3, 5};
        const int base = bases[static_cast<size_t>(k % 3)];
        double share = 0;
        double step = 1.0 / base;
        for (int n = start * 7 + k++ + 1; n > 0; n /= base, step /= base) share += step * (n % base);
        return r.low + share * (r.high - r.low);
      };
      Turn t;
      t.flex = at(b.flex);
      t.side = at(b.side);
      t.twist = at(b.twist);
      setTurn(from, b, joint.right && b.twin, t);
    }
    Reached tried = once(std::move(from), joint, place);
    fruitless = tried.off < best.off - 1e-5 ? 0 : fruitless + 1;
    if (tried.off < best.off) best = std::move(tried);
  }
  return best;
}

PatternPose Linkage::planted(PatternPose pose, const std::vector<std::pair<SidedJoint, Vec3>>& feet) const {
  for (const auto& [foot, place] : feet)
    if (endingAt(foot.joint)) pose = once(withinLimits(*pattern_, pose), foot, place).pose;
  return pose;
}

std::vector<SidedJoint> Linkage::feet() const {
  std::vector<SidedJoint> out;
  for (const PatternLimb& limb : pattern_->limbs) {
    if (limb.kind != LimbKind::Leg || limb.bones.empty()) continue;
    const PatternBone* last = pattern_->bone(limb.bones.back());
    if (!last) continue;
    out.push_back({last->to, false});
    if (limb.twin) out.push_back({last->to, true});
  }
  return out;
}

} // namespace columna
