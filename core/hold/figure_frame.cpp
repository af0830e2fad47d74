#include "hold/figure_frame.h"

#include "hold/figure_supports.h"

#include "measure/quantity.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>
#include <utility>

namespace columna {
namespace {

using Mat3 = Eigen::Matrix3d;

constexpr double kFeltPoisson = 0.3;
constexpr double kOne = 0.5; ///< mm

/// A bone's own axes, to carry what hangs on it into the pose.
Mat3 boneAxes(const FigureBone& b) {
  const Vec3 x = (b.end - b.begin).normalized();
  Vec3 z = b.deepAxis - x * x.dot(b.deepAxis);
  if (z.norm() < 1e-9) z = x.unitOrthogonal();
  z.normalize();
  Mat3 axes;
  axes.col(0) = x;
  axes.col(1) = z.cross(x);
  axes.col(2) = z;
  return axes;
}

/// The least turn that brings one direction on to another.
Mat3 turnOnto(const Vec3& from, const Vec3& to) {
  const Vec3 a = from.normalized();
  const Vec3 b = to.normalized();
  const double cosine = a.dot(b);
  if (cosine < -1 + 1e-12) { // right over, about anything across
    const Vec3 across = a.unitOrthogonal();
    return 2 * across * across.transpose() - Mat3::Identity();
  }
  const Vec3 axis = a.cross(b);
  Mat3 by;
  by << 0, -axis.z(), axis.y(), axis.z(), 0, -axis.x(), -axis.y(), axis.x(), 0;
  return Mat3::Identity() + by + by * by / (1 + cosine);
}

class Building {
public:
  Building(const ArmatureParts& parts, const Figure& posed, const Support& support, const PoseRules& rules)
      : parts_(parts), posed_(posed), support_(support), rules_(rules) {}

  FigureFrame run() {
    out_.points = posedPoints(parts_.figure, parts_.skeleton, posed_);
    if (support_.feet == Feet::Hung) hang();
    out_.nodeOf.assign(out_.points.size(), -1);
    wires();
    felts();
    if (out_.frame.members.empty()) return std::move(out_);
    weights();
    if (out_.weight > 0) out_.centre /= out_.weight;
    supportFigure(parts_, posed_, support_, rules_, hook_, out_);
    return std::move(out_);
  }

private:
  [[nodiscard]] const FigureLimb& limb(int l) const { return parts_.figure.limbs[static_cast<size_t>(l)]; }

  /// A hanging figure turns until its weight is under the thread.
  void hang() {
    Vec3 centre = Vec3::Zero();
    double all = 0;
    for (size_t b = 0; b < posed_.bones.size(); ++b) {
      centre += parts_.wool[b].grams * massAt(b);
      all += parts_.wool[b].grams;
    }
    if (all <= 0) return;
    out_.centre = centre / all;
    int by = pointNamed(parts_.skeleton, support_.at);
    if (by < 0) by = spinePointNear(parts_.skeleton, out_);
    out_.centre.setZero();
    if (by < 0) return;
    hook_ = by;
    const Vec3 hook = out_.points[static_cast<size_t>(by)];
    const Vec3 down = centre / all - hook;
    if (down.norm() < 1e-6) return;
    hung_ = turnOnto(down, Vec3(0, 0, -1));
    about_ = hook;
    for (Vec3& p : out_.points) p = hung_ * (p - hook) + hook;
  }

  [[nodiscard]] Vec3 massAt(size_t b) const {
    const FigureBone& from = parts_.figure.bones[b];
    const FigureBone& to = posed_.bones[b];
    const Vec3 own = boneAxes(from).transpose() * (parts_.wool[b].centre - from.begin);
    return to.begin + boneAxes(to) * own;
  }

  int node(int point) {
    int& n = out_.nodeOf[static_cast<size_t>(point)];
    if (n < 0) {
      // Joints closer than a wire is thick are one: so short a member would drown the others in rounding.
      const Vec3& at = out_.points[static_cast<size_t>(point)];
      for (size_t k = 0; k < out_.frame.nodes.size(); ++k)
        if ((out_.frame.nodes[k].at - at).norm() < kOne) return n = static_cast<int>(k);
      n = static_cast<int>(out_.frame.nodes.size());
      out_.frame.nodes.push_back({parts_.skeleton.points[static_cast<size_t>(point)].id,
                                  out_.points[static_cast<size_t>(point)],
                                  {}});
    }
    return n;
  }

  int member(int a, int b, int l) {
    const auto [it, fresh] =
        memberOf_.emplace(std::minmax(a, b), static_cast<int>(out_.frame.members.size()));
    if (!fresh) return it->second;
    FrameMember m;
    m.id = parts_.skeleton.points[static_cast<size_t>(a)].id + " to " +
           parts_.skeleton.points[static_cast<size_t>(b)].id;
    m.i = node(a);
    m.j = node(b);
    out_.frame.members.push_back(std::move(m));
    MemberWire w;
    w.limb = l;
    w.a = a;
    w.b = b;
    out_.wires.push_back(w);
    return it->second;
  }

  void wires() {
    for (size_t g = 0; g < parts_.groups.size(); ++g)
      for (const StrandSegment& s : parts_.groups[g].segments) {
        if (s.wires <= 0 || node(s.a) == node(s.b)) continue;
        WireSection section = parts_.sections[g];
        section.wires = s.wires;
        const int index = member(s.a, s.b, s.limb);
        FrameMember& m = out_.frame.members[static_cast<size_t>(index)];
        MemberWire& w = out_.wires[static_cast<size_t>(index)];
        const Material& metal = section.material;
        const double d = section.diameter;
        const double n = section.strands() * section.stiffnessShare();
        const double one = std::numbers::pi * std::pow(d, 4) / 64;
        const double e = metal.elastic.value;
        // Wires side by side bend together; the first sets the modulus, the others count by theirs.
        const double by = m.elastic > 0 ? e / m.elastic : 1;
        if (m.elastic <= 0) {
          m.elastic = e;
          m.shear = e / (2 * (1 + metal.poisson));
        }
        m.area += n * by * std::numbers::pi * d * d / 4;
        m.inertia += n * by * one;
        m.torsion += n * by * 2 * one;
        double bond = 1;
        for (const int p : {s.a, s.b})
          if (section.strands() > 1 &&
              parts_.glued.contains(parts_.skeleton.points[static_cast<size_t>(p)].id))
            bond = parts_.bonded;
        w.hold += bond * section.capacity(metal.yield.value);
        w.holdLow += bond * section.capacity(metal.yield.low);
        w.holdHigh += bond * section.capacity(metal.yield.high);
        w.nudge += bond * section.capacity(std::max(metal.flow2, metal.yield.value));
        w.ultimate += bond * section.capacity(metal.ultimate);
        if (w.group < 0 || section.bundle() > w.bundle) {
          w.bundle = section.bundle();
          w.group = static_cast<int>(g);
        }
        m.plastic = w.hold;
        m.firstYield = w.hold * 3 * std::numbers::pi / 16;
        m.plasticTorque = 0.9069 * w.hold;
        const double grams = s.wires * section.lengthFactor() * section.linearMass();
        m.weight.z() -= grams * kGravity / 1000;
        out_.anyWire = true;
      }
  }

  /// Where the skeleton has no wire the felt itself holds: a member as thick as the part.
  void felts() {
    const auto run = [&](const WireRun& r) {
      for (size_t s = 0; s + 1 < r.points.size(); ++s) {
        if (node(r.points[s]) == node(r.points[s + 1])) continue;
        const int index = member(r.points[s], r.points[s + 1], r.segmentLimb[s]);
        FrameMember& m = out_.frame.members[static_cast<size_t>(index)];
        if (m.elastic > 0) continue;
        const double thick = thickness(r.segmentLimb[s], r.segmentBone[s]);
        m.elastic = std::max(1e-3, parts_.feltStiffness[static_cast<size_t>(r.segmentLimb[s])]);
        m.shear = m.elastic / (2 * (1 + kFeltPoisson));
        m.area = std::numbers::pi * thick * thick / 4;
        m.inertia = std::numbers::pi * std::pow(thick, 4) / 64;
        m.torsion = 2 * m.inertia;
      }
    };
    run(parts_.skeleton.spine);
    for (const auto& runs : parts_.skeleton.limbs)
      for (const WireRun& r : runs) run(r);
  }

  /// Mean thickness of a bone; of a link inside the body that of the limb it leads to.
  [[nodiscard]] double thickness(int l, int bone) const {
    double sum = 0;
    int count = 0;
    for (const int b : limb(l).bones) {
      if (bone >= 0 && b != bone) continue;
      for (const Station& s : parts_.figure.bones[static_cast<size_t>(b)].stations) {
        sum += std::sqrt(s.across * s.deep);
        ++count;
      }
    }
    return count ? std::max(1.0, sum / count) : 1;
  }

  void weights() {
    // Stretches of each bone.
    std::vector<std::vector<size_t>> of(posed_.bones.size());
    const auto note = [&](const WireRun& r) {
      for (size_t s = 0; s + 1 < r.points.size(); ++s) {
        const auto found = memberOf_.find(std::minmax(r.points[s], r.points[s + 1]));
        if (r.segmentBone[s] < 0 || found == memberOf_.end()) continue;
        auto& list = of[static_cast<size_t>(r.segmentBone[s])];
        const auto m = static_cast<size_t>(found->second);
        if (std::find(list.begin(), list.end(), m) == list.end()) list.push_back(m);
      }
    };
    note(parts_.skeleton.spine);
    for (const auto& runs : parts_.skeleton.limbs)
      for (const WireRun& r : runs) note(r);
    for (size_t m = 0; m < out_.frame.members.size(); ++m) { // the wire's own
      const FrameMember& each = out_.frame.members[m];
      const double newton = -each.weight.z() * memberLength(out_.frame, static_cast<int>(m));
      out_.weight += newton;
      out_.centre += newton *
                     (out_.frame.nodes[static_cast<size_t>(each.i)].at +
                      out_.frame.nodes[static_cast<size_t>(each.j)].at) /
                     2;
    }
    for (size_t b = 0; b < posed_.bones.size(); ++b) {
      const double newton = parts_.wool[b].grams * kGravity / 1000;
      if (newton <= 0) continue;
      Vec3 at = massAt(b);
      if (support_.feet == Feet::Hung) at = hung_ * (at - about_) + about_;
      out_.weight += newton;
      out_.centre += newton * at;
      const Vec3 force(0, 0, -newton);
      if (of[b].empty()) {
        const int n = carrierOf(static_cast<int>(b), at);
        out_.frame.loads.push_back(
            {n, force, (at - out_.frame.nodes[static_cast<size_t>(n)].at).cross(force)});
        continue;
      }
      double length = 0;
      Vec3 middle = Vec3::Zero();
      for (const size_t m : of[b]) {
        const double each = memberLength(out_.frame, static_cast<int>(m));
        const FrameMember& fm = out_.frame.members[m];
        length += each;
        middle += each *
                  (out_.frame.nodes[static_cast<size_t>(fm.i)].at +
                   out_.frame.nodes[static_cast<size_t>(fm.j)].at) /
                  2;
      }
      middle /= length;
      // Spread along the bone; what lies off its middle turns it, half at either end.
      const Vec3 turn = (at - middle).cross(force);
      for (const size_t m : of[b]) {
        FrameMember& fm = out_.frame.members[m];
        const double share = memberLength(out_.frame, static_cast<int>(m)) / length;
        fm.weight.z() -= newton / length;
        for (const int n : {fm.i, fm.j}) out_.frame.loads.push_back({n, Vec3::Zero(), turn * share / 2});
      }
    }
  }

  /// The node that carries a bone without any stretch of its own: the nearest of the bones it hangs on.
  [[nodiscard]] int carrierOf(int bone, const Vec3& at) const {
    for (int b = bone; b >= 0; b = posed_.bones[static_cast<size_t>(b)].parent) {
      int best = -1;
      double least = 1e18;
      for (size_t p = 0; p < out_.points.size(); ++p) {
        if (out_.nodeOf[p] < 0) continue;
        const std::string& id = parts_.skeleton.points[p].id;
        const FigureBone& each = posed_.bones[static_cast<size_t>(b)];
        if (id != each.from && id != each.to) continue;
        const double away = (out_.points[p] - at).norm();
        if (away < least) {
          least = away;
          best = out_.nodeOf[p];
        }
      }
      if (best >= 0) return best;
    }
    int best = 0;
    double least = 1e18;
    for (size_t n = 0; n < out_.frame.nodes.size(); ++n)
      if (const double away = (out_.frame.nodes[n].at - at).norm(); away < least) {
        least = away;
        best = static_cast<int>(n);
      }
    return best;
  }

  const ArmatureParts& parts_;
  const Figure& posed_;
  const Support& support_;
  const PoseRules& rules_;
  FigureFrame out_;
  std::map<std::pair<int, int>, int> memberOf_;
  Mat3 hung_ = Mat3::Identity();
  Vec3 about_{0, 0, 0};
  int hook_ = -1; ///< point it hangs by
};

} // namespace

std::vector<Vec3> posedPoints(const Figure& figure, const WireSkeleton& skeleton, const Figure& posed) {
  std::map<std::string, Vec3> joints;
  for (const FigureBone& b : posed.bones) {
    joints.emplace(b.from, b.begin);
    joints.insert_or_assign(b.to, b.end);
  }
  std::vector<Vec3> out;
  out.reserve(skeleton.points.size());
  for (const WirePoint& p : skeleton.points) {
    if (const auto found = joints.find(p.id); found != joints.end()) {
      out.push_back(found->second);
      continue;
    }
    // A root: at its share of the bone it lies on.
    size_t best = 0;
    double at = 0;
    double least = 1e18;
    for (size_t b = 0; b < figure.bones.size(); ++b) {
      const FigureBone& bone = figure.bones[b];
      if (!bone.wire) continue;
      const Vec3 run = bone.end - bone.begin;
      const double t = std::clamp((p.at - bone.begin).dot(run) / run.squaredNorm(), 0.0, 1.0);
      const double away = (bone.begin + t * run - p.at).norm();
      if (away < least) {
        least = away;
        best = b;
        at = t;
      }
    }
    out.push_back(posed.bones[best].begin + at * (posed.bones[best].end - posed.bones[best].begin));
  }
  return out;
}

FigureFrame figureFrame(const ArmatureParts& parts, const Figure& posed, const Support& support,
                        const PoseRules& rules) {
  return Building(parts, posed, support, rules).run();
}

} // namespace columna
