#include "hold/joint_hold.h"

#include <Eigen/Geometry>
#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <map>
#include <numbers>

namespace columna {
namespace {

using Way = Eigen::Matrix<double, 2, 3>;

constexpr double kNothing = 1e-9; ///< N mm: no moment to speak of

double over(double a, double b) { return b > kNothing ? a / b : std::numeric_limits<double>::infinity(); }

Vec2 bendingAt(const EndForces& e, bool atJ) { return atJ ? Vec2(e.j[4], e.j[5]) : Vec2(e.i[4], e.i[5]); }

class Summing {
public:
  Summing(const ArmatureParts& parts, FigureFrame armature, const JointRules& rules)
      : parts_(parts), rules_(rules) {
    out_.armature = std::move(armature);
  }

  PoseSums run() {
    const Frame& frame = out_.armature.frame;
    if (frame.members.empty()) return std::move(out_);
    const auto elastic =
        out_.armature.elastic ? out_.armature.elastic : std::make_shared<const ElasticFrame>(frame);
    out_.armature.elastic = elastic;
    out_.stable = elastic->stable();
    if (!out_.stable) return std::move(out_);
    out_.under = elastic->solve();
    knocks(*elastic);
    for (size_t l = 0; l < parts_.skeleton.limbs.size(); ++l)
      for (const WireRun& run : parts_.skeleton.limbs[l]) limbJoints(static_cast<int>(l), run);
    return std::move(out_);
  }

private:
  struct Knock {
    int point = 0;
    std::array<std::vector<EndForces>, 3> unit; ///< under a newton along x, y and z
  };

  /// Ends that can be knocked: the last joint of every limb that is not held, and the highest place of all.
  void knocks(const ElasticFrame& elastic) {
    std::vector<int> places;
    std::vector<FrameLoad> units;
    int highest = -1;
    for (size_t l = 0; l < parts_.skeleton.limbs.size(); ++l) {
      if (parts_.figure.limbs[l].kind == LimbKind::Digits) continue;
      for (const WireRun& run : parts_.skeleton.limbs[l])
        if (!run.points.empty()) places.push_back(run.points.back());
    }
    for (size_t p = 0; p < out_.armature.points.size(); ++p)
      if (out_.armature.nodeOf[p] >= 0 &&
          (highest < 0 ||
           out_.armature.points[p].z() > out_.armature.points[static_cast<size_t>(highest)].z()))
        highest = static_cast<int>(p);
    if (highest >= 0) places.push_back(highest);
    std::sort(places.begin(), places.end());
    places.erase(std::unique(places.begin(), places.end()), places.end());
    for (const int p : places) {
      const int n = out_.armature.nodeOf[static_cast<size_t>(p)];
      if (n < 0) continue;
      const auto& fixed = out_.armature.frame.nodes[static_cast<size_t>(n)].fixed;
      if (fixed[0] && fixed[1] && fixed[2]) continue;
      knocks_.push_back({p, {}});
      for (int c = 0; c < 3; ++c) units.push_back({n, Vec3::Unit(c), Vec3::Zero()});
    }
    auto ends = elastic.endForcesOf(units);
    for (size_t k = 0; k < knocks_.size(); ++k)
      for (size_t c = 0; c < 3; ++c) knocks_[k].unit[c] = std::move(ends[3 * k + c]);
  }

  [[nodiscard]] int memberBetween(int a, int b) const {
    for (size_t m = 0; m < out_.armature.wires.size(); ++m) {
      const MemberWire& w = out_.armature.wires[m];
      if ((w.a == a && w.b == b) || (w.a == b && w.b == a)) return static_cast<int>(m);
    }
    return -1;
  }

  void limbJoints(int l, const WireRun& run) {
    double after = 0;
    for (size_t s = run.points.size(); s-- > 1;) {
      const int a = run.points[s - 1];
      const int b = run.points[s];
      after += (out_.armature.points[static_cast<size_t>(b)] - out_.armature.points[static_cast<size_t>(a)])
                   .norm();
      const int m = memberBetween(a, b);
      if (m < 0 || out_.armature.wires[static_cast<size_t>(m)].group < 0) continue;
      // Of the joint's two sides the one that is nearer to giving way.
      JointHold j = joint(l, a, m, after, run.segmentBone[s - 1]);
      if (s >= 2)
        if (const int before = memberBetween(run.points[s - 2], a);
            before >= 0 && out_.armature.wires[static_cast<size_t>(before)].group >= 0) {
          JointHold other = joint(l, a, before, after, run.segmentBone[s - 1]);
          if (other.hold < j.hold) j = std::move(other);
        }
      found_.push_back(std::move(j));
    }
    std::reverse(found_.begin(), found_.end());
    for (JointHold& j : found_) {
      name(j);
      out_.joints.push_back(std::move(j));
    }
    found_.clear();
  }

  void name(JointHold& j) {
    const FigureLimb& limb = parts_.figure.limbs[static_cast<size_t>(j.limb)];
    const WirePoint& point = parts_.skeleton.points[static_cast<size_t>(j.point)];
    const bool root = j.point == parts_.skeleton.rootPoint[static_cast<size_t>(j.limb)];
    j.id = point.id;
    j.name = point.name;
    if (root) {
      j.id = limb.id + "-root";
      j.name = "root of the " + lowerFirst(limb.name);
    } else if (j.id.ends_with("-root")) {
      j.id = limb.id + "-at-" + j.id;
      j.name = lowerFirst(limb.name) + " at the " + point.name;
    }
    // Toes leave their root one by one.
    if (const int same = ++named_[j.id]; same > 1) j.id += fmt::format("-{}", same);
  }

  [[nodiscard]] JointHold joint(int l, int point, int m, double after, int bone) const {
    const MemberWire& w = out_.armature.wires[static_cast<size_t>(m)];
    const FrameMember& fm = out_.armature.frame.members[static_cast<size_t>(m)];
    const int n = out_.armature.nodeOf[static_cast<size_t>(point)];
    const bool atJ = fm.j == n;
    JointHold j;
    j.limb = l;
    j.point = point;
    j.member = m;
    const Vec2 weight = bendingAt(out_.under.ends[static_cast<size_t>(m)], atJ);
    j.moment = weight.norm();
    j.capacity = w.hold;
    j.hold = over(w.hold, j.moment);
    j.holdLow = over(w.holdLow, j.moment);
    j.holdHigh = over(w.holdHigh, j.moment);
    j.knock = j.moment;
    for (const Knock& k : knocks_) {
      Way a;
      for (int c = 0; c < 3; ++c)
        a.col(c) = bendingAt(k.unit[static_cast<size_t>(c)][static_cast<size_t>(m)], atJ);
      // No direction can add more than the matrix's own size; most ends are done with that.
      if (j.moment + rules_.nudge * a.norm() <= j.knock) continue;
      const WorstWay worst = worstWay(weight, a, rules_.nudge);
      if (worst.length > j.knock) {
        j.knock = worst.length;
        j.knockWay = worst.way;
        j.knockAt = k.point;
      }
    }
    j.nudge = over(w.nudge, j.knock);
    j.lever = std::max(1.0, std::min(after, rules_.rules.fingerLever));
    j.effort = w.ultimate / j.lever;
    if (bone >= 0) j.bent = rules_.turned[static_cast<size_t>(bone)];
    if (j.bent > 1e-4) {
      const double thick = thickAt(bone);
      j.recoil = feltRecoil(rules_.feltStiffness[static_cast<size_t>(l)], thick, j.bent,
                            std::max(rules_.rules.softGap, thick));
    }
    j.against = over(w.hold, rules_.rules.recoilShare * j.recoil);
    j.sag = out_.under.moved[static_cast<size_t>(n)].head<3>().norm();
    return j;
  }

  /// Thickness of the part where a bone begins.
  [[nodiscard]] double thickAt(int bone) const {
    const auto& stations = parts_.figure.bones[static_cast<size_t>(bone)].stations;
    return stations.empty() ? 0 : std::sqrt(stations.front().across * stations.front().deep);
  }

  const ArmatureParts& parts_;
  const JointRules& rules_;
  PoseSums out_;
  std::vector<Knock> knocks_;
  std::vector<JointHold> found_;
  std::map<std::string, int> named_;
};

} // namespace

WorstWay worstWay(const Vec2& m, const Way& a, double f) {
  WorstWay best{m.norm(), Vec3::Zero()};
  if (!(f > 0) || a.cwiseAbs().maxCoeff() < 1e-15) return best;
  // Stationary where n lies along A^T (m + f A n); from the strongest direction either way, and from the
  // moment's own, the step that never shortens it is gone on with until it stands still.
  const Eigen::Matrix2d both = a * a.transpose();
  const double angle =
      std::atan2(2 * both(0, 1), both(0, 0) - both(1, 1)) / 2; // of its greater principal axis
  const Vec3 strong = a.transpose() * Vec2(std::cos(angle), std::sin(angle));
  for (const Vec3& start : {strong, Vec3(-strong), Vec3(a.transpose() * m)}) {
    if (start.norm() < 1e-15) continue;
    Vec3 n = start.normalized();
    for (int k = 0; k < 200; ++k) {
      const Vec3 next = a.transpose() * (m + f * (a * n));
      if (next.norm() < 1e-15) break;
      const Vec3 unit = next.normalized();
      const bool still = (unit - n).norm() < 1e-10;
      n = unit;
      if (still) break;
    }
    const double length = (m + f * (a * n)).norm();
    if (length > best.length) best = {length, n};
  }
  return best;
}

double feltRecoil(double elastic, double thick, double theta, double gap) {
  return elastic * std::numbers::pi * std::pow(thick, 4) / 64 * std::abs(theta) / std::max(gap, 1e-6);
}

PoseSums poseSums(const ArmatureParts& parts, FigureFrame armature, const JointRules& rules) {
  return Summing(parts, std::move(armature), rules).run();
}

} // namespace columna
