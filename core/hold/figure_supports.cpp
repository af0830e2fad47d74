#include "hold/figure_supports.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <map>
#include <utility>

namespace columna {
namespace {

constexpr double kSame = 1e-6; ///< mm: of two joints as near as that the first is taken, on either side alike

class Supporting {
public:
  Supporting(const ArmatureParts& parts, const Figure& posed, const Support& support, const PoseRules& rules,
             int hook, FigureFrame& armature)
      : parts_(parts), posed_(posed), support_(support), rules_(rules), hook_(hook), out_(armature) {}

  void run() {
    if (support_.feet == Feet::Held || support_.feet == Feet::Hung) {
      int p = hook_ >= 0 ? hook_ : pointNamed(parts_.skeleton, support_.at);
      if (p < 0 || out_.nodeOf[static_cast<size_t>(p)] < 0) p = spinePointNear(parts_.skeleton, out_);
      clamp(p >= 0 && out_.nodeOf[static_cast<size_t>(p)] >= 0 ? out_.nodeOf[static_cast<size_t>(p)] : 0);
      return;
    }
    feet();
    if (out_.supports.empty()) { // it touches the ground nowhere: held at its middle
      const int p = spinePointNear(parts_.skeleton, out_);
      clamp(p >= 0 && out_.nodeOf[static_cast<size_t>(p)] >= 0 ? out_.nodeOf[static_cast<size_t>(p)] : 0);
      return;
    }
    if (support_.feet == Feet::Glued || support_.feet == Feet::Base) {
      for (const int n : out_.supports) out_.frame.nodes[static_cast<size_t>(n)].fixed.fill(true);
      return;
    }
    out_.inLine = line();
    if (support_.feet == Feet::Flat || out_.inLine) {
      flat();
      return;
    }
    letGo();
  }

private:
  [[nodiscard]] const FigureLimb& limb(int l) const { return parts_.figure.limbs[static_cast<size_t>(l)]; }

  void clamp(int n) {
    out_.frame.nodes[static_cast<size_t>(n)].fixed.fill(true);
    out_.supports.push_back(n);
  }

  /// Nodes that stand: of a leg those nearest to its sole, toes and heel; of a tail, wing or belly on the
  /// ground the nearest one.
  void feet() {
    const std::vector<Contact> contacts = contactsOf(posed_, rules_);
    std::map<int, std::vector<Vec2>> byNode;
    for (const Contact& c : contacts) {
      int best = -1;
      double least = 1e18;
      for (size_t l = 0; l < parts_.skeleton.limbs.size(); ++l) {
        if (!within(static_cast<int>(l), c.limb)) continue;
        for (const WireRun& r : parts_.skeleton.limbs[l]) {
          // A sole bears at the nearest joint, be it toe or heel; never at the leg's root.
          const bool leg = limb(c.limb).kind == LimbKind::Leg;
          for (size_t k = leg ? 1 : 0; k < r.points.size(); ++k) {
            const int p = r.points[k];
            if (out_.nodeOf[static_cast<size_t>(p)] < 0) continue;
            const double away = (out_.points[static_cast<size_t>(p)] - c.at).norm();
            if (away < least - kSame) {
              least = away;
              best = out_.nodeOf[static_cast<size_t>(p)];
            }
          }
        }
      }
      if (best >= 0) byNode[best].push_back({c.at.x(), c.at.y()});
    }
    for (const auto& [n, places] : byNode) {
      for (size_t k = 0; k < 3; ++k) out_.frame.nodes[static_cast<size_t>(n)].fixed[k] = true;
      out_.supports.push_back(n);
      double half = 0;
      const Vec3& at = out_.frame.nodes[static_cast<size_t>(n)].at;
      for (const Vec2& p : places) half = std::max(half, (p - Vec2(at.x(), at.y())).norm());
      foot_[n] = half;
    }
  }

  /// Whether limb `l` is `of` or carried by it.
  [[nodiscard]] bool within(int l, int of) const {
    if (l == of) return true;
    if (limb(l).bones.empty()) return false;
    for (int b = limb(l).bones.front(); b >= 0; b = posed_.bones[static_cast<size_t>(b)].parent)
      if (posed_.bones[static_cast<size_t>(b)].limb == of) return limb(of).kind == LimbKind::Leg;
    return false;
  }

  [[nodiscard]] bool line() const {
    Vec3 first = out_.frame.nodes[static_cast<size_t>(out_.supports.front())].at;
    Vec3 far = Vec3::Zero();
    for (const int n : out_.supports) {
      const Vec3 d = out_.frame.nodes[static_cast<size_t>(n)].at - first;
      if (d.norm() > far.norm()) far = d;
    }
    if (far.norm() < 1) return true;
    for (const int n : out_.supports) {
      const Vec3 d = out_.frame.nodes[static_cast<size_t>(n)].at - first;
      if (far.normalized().cross(d).norm() > 1) return false;
    }
    return true;
  }

  /// Flat feet resist turning as far as the weight on them does; a foot that would lift its edge turns
  /// freely.
  void flat() {
    for (const int n : out_.supports) out_.frame.nodes[static_cast<size_t>(n)].fixed.fill(true);
    if (out_.inLine) return;
    for (size_t round = 0; round < out_.supports.size(); ++round) {
      const FrameSolution s = ElasticFrame(out_.frame).solve();
      int worst = -1;
      double over = 1;
      for (const int n : out_.supports) {
        if (!out_.frame.nodes[static_cast<size_t>(n)].fixed[3]) continue;
        const Vec6& r = s.reactions[static_cast<size_t>(n)];
        const double can = std::max(1e-9, r[2]) * std::max(foot_[n], 0.5);
        const double used = std::hypot(r[3], r[4]) / can;
        if (used > over) {
          over = used;
          worst = n;
        }
      }
      if (worst < 0) return;
      for (size_t k = 3; k < 6; ++k) out_.frame.nodes[static_cast<size_t>(worst)].fixed[k] = false;
      if (!ElasticFrame(out_.frame).stable()) {
        out_.frame.nodes[static_cast<size_t>(worst)].fixed.fill(true);
        return;
      }
    }
  }

  /// A foot can press and not pull.
  void letGo() {
    while (out_.supports.size() > 3) {
      out_.elastic = std::make_shared<const ElasticFrame>(out_.frame);
      if (!out_.elastic->stable()) return;
      const FrameSolution s = out_.elastic->solve();
      // All that pull are let go together, so that neither side comes first.
      std::vector<int> pulling;
      for (const int n : out_.supports)
        if (-s.reactions[static_cast<size_t>(n)][2] > 1e-6 * out_.weight) pulling.push_back(n);
      if (pulling.empty()) return;
      Frame before = out_.frame;
      std::vector<int> all = out_.supports;
      for (const int n : pulling) {
        out_.frame.nodes[static_cast<size_t>(n)].fixed.fill(false);
        std::erase(out_.supports, n);
      }
      const auto held = std::exchange(out_.elastic, nullptr);
      if (out_.supports.size() < 3 || line()) {
        out_.frame = std::move(before);
        out_.supports = std::move(all);
        out_.elastic = held;
        return;
      }
    }
  }

  const ArmatureParts& parts_;
  const Figure& posed_;
  const Support& support_;
  const PoseRules& rules_;
  int hook_;
  FigureFrame& out_;
  std::map<int, double> foot_; ///< half the length of what stands on a node
};

} // namespace

int pointNamed(const WireSkeleton& skeleton, const std::string& id) {
  for (size_t p = 0; p < skeleton.points.size(); ++p)
    if (skeleton.points[p].id == id) return static_cast<int>(p);
  return -1;
}

int spinePointNear(const WireSkeleton& skeleton, const FigureFrame& armature) {
  int best = -1;
  double least = 1e18;
  const Vec3& middle = armature.centre;
  for (const int p : skeleton.spine.points) {
    const double away = (armature.points[static_cast<size_t>(p)] - middle).norm();
    if (away < least) {
      least = away;
      best = p;
    }
  }
  return best;
}

void supportFigure(const ArmatureParts& parts, const Figure& posed, const Support& support,
                   const PoseRules& rules, int hook, FigureFrame& armature) {
  Supporting(parts, posed, support, rules, hook, armature).run();
}

} // namespace columna
