#include "wire/skeleton.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace columna {
namespace {

/// A root inserted into a bone's run.
struct Insert {
  double t;
  int point;
};

class Builder {
public:
  explicit Builder(const Figure& figure) : figure_(figure), inserts_(figure.bones.size()) {
    out_.limbs.resize(figure.limbs.size());
    out_.rootPoint.assign(figure.limbs.size(), -1);
  }

  WireSkeleton build() {
    for (size_t i = 0; i < figure_.limbs.size(); ++i) findRoot(static_cast<int>(i));
    for (auto& list : inserts_)
      std::sort(list.begin(), list.end(), [](const Insert& a, const Insert& b) { return a.t < b.t; });
    for (size_t i = 0; i < figure_.limbs.size(); ++i) makeRuns(static_cast<int>(i));
    makeSpine();
    return std::move(out_);
  }

private:
  [[nodiscard]] const FigureBone& bone(int i) const { return figure_.bones[static_cast<size_t>(i)]; }
  [[nodiscard]] const FigureLimb& limb(int i) const { return figure_.limbs[static_cast<size_t>(i)]; }

  [[nodiscard]] int firstWired(int l) const {
    for (const int b : limb(l).bones)
      if (bone(b).wire) return b;
    return -1;
  }

  int jointPoint(const std::string& id, const Vec3& at) {
    const auto [it, fresh] = index_.emplace(id, static_cast<int>(out_.points.size()));
    if (fresh) {
      const auto name = figure_.jointNames.find(id);
      out_.points.push_back({id, at, name == figure_.jointNames.end() ? rootName_ : name->second});
    }
    return it->second;
  }

  /// Where limb l leaves the limb that carries it.
  void findRoot(int l) {
    const int first = firstWired(l);
    if (first < 0) return;
    int carrier = bone(first).parent;
    while (carrier >= 0 && (bone(carrier).limb == l || firstWired(bone(carrier).limb) < 0))
      carrier = bone(carrier).parent;
    const FigureBone& start = bone(first);
    if (carrier < 0) {
      out_.rootPoint[static_cast<size_t>(l)] = jointPoint(start.from, start.begin);
      return;
    }
    int best = -1;
    double bestT = 0;
    double least = 1e18;
    Vec3 at;
    for (const int b : limb(bone(carrier).limb).bones) {
      const FigureBone& c = bone(b);
      if (!c.wire) continue;
      const Vec3 run = c.end - c.begin;
      const double t = std::clamp((start.begin - c.begin).dot(run) / run.squaredNorm(), 0.0, 1.0);
      const Vec3 place = c.begin + t * run;
      const double distance = (place - start.begin).norm();
      if (distance < least - 1e-9) {
        least = distance;
        best = b;
        bestT = t;
        at = place;
      }
    }
    const FigureBone& c = bone(best);
    int point = 0;
    // A root within a fiftieth of a bone's end is that joint.
    if (bestT < 0.02)
      point = jointPoint(c.from, c.begin);
    else if (bestT > 0.98)
      point = jointPoint(c.to, c.end);
    else {
      const std::string id =
          limb(bone(carrier).limb).side == 0 ? limb(l).family + "-root" : limb(l).id + "-root";
      rootName_ =
          "root of the " + lowerFirst(limb(bone(carrier).limb).side == 0 ? limb(l).part : limb(l).name);
      const bool fresh = !index_.contains(id);
      point = jointPoint(id, at);
      if (fresh) inserts_[static_cast<size_t>(best)].push_back({bestT, point});
    }
    out_.rootPoint[static_cast<size_t>(l)] = point;
  }

  void makeRuns(int l) {
    const int root = out_.rootPoint[static_cast<size_t>(l)];
    if (root < 0) return;
    WireRun run;
    int last = -1;
    const auto begin = [&] {
      run = {};
      run.points.push_back(root);
    };
    const auto add = [&](int point, int b) {
      if (run.points.back() == point) return;
      run.points.push_back(point);
      run.segmentBone.push_back(b);
      run.segmentLimb.push_back(l);
    };
    begin();
    for (const int b : limb(l).bones) {
      const FigureBone& here = bone(b);
      if (!here.wire) continue;
      if (limb(l).kind == LimbKind::Digits && last >= 0 && here.parent != last) {
        out_.limbs[static_cast<size_t>(l)].push_back(run);
        begin();
      }
      add(jointPoint(here.from, here.begin), -1);
      for (const Insert& insert : inserts_[static_cast<size_t>(b)]) add(insert.point, b);
      add(jointPoint(here.to, here.end), b);
      last = b;
    }
    out_.limbs[static_cast<size_t>(l)].push_back(run);
  }

  [[nodiscard]] int limbOfKind(LimbKind kind) const {
    for (size_t i = 0; i < figure_.limbs.size(); ++i)
      if (limb(static_cast<int>(i)).kind == kind && limb(static_cast<int>(i)).side == 0 &&
          !out_.limbs[i].empty())
        return static_cast<int>(i);
    return -1;
  }

  /// Tail reversed, the trunk from the tail's root to the neck's (or head's), neck, head.
  void makeSpine() {
    const int trunk = limbOfKind(LimbKind::Trunk);
    const int tail = limbOfKind(LimbKind::Tail);
    const int neck = limbOfKind(LimbKind::Neck);
    const int head = limbOfKind(LimbKind::Head);
    if (trunk < 0) return;
    const WireRun& body = out_.limbs[static_cast<size_t>(trunk)].front();
    int rear = body.points.front();
    int front = body.points.back();
    if (tail >= 0) rear = out_.rootPoint[static_cast<size_t>(tail)];
    const int next = neck >= 0 ? neck : head;
    if (next >= 0) front = out_.rootPoint[static_cast<size_t>(next)];
    WireRun spine = stretch(body, rear, front);
    if (spine.points.empty()) spine = body;
    if (tail >= 0) spine = joined(reversed(out_.limbs[static_cast<size_t>(tail)].front()), spine);
    if (neck >= 0) spine = joined(spine, out_.limbs[static_cast<size_t>(neck)].front());
    if (head >= 0) spine = joined(spine, out_.limbs[static_cast<size_t>(head)].front());
    out_.spine = std::move(spine);
  }

  std::string rootName_; ///< of the root that is being made
  const Figure& figure_;
  WireSkeleton out_;
  std::map<std::string, int> index_;
  std::vector<std::vector<Insert>> inserts_;
};

} // namespace

double WireSkeleton::segmentLength(const WireRun& run, size_t segment) const {
  return (points[static_cast<size_t>(run.points[segment + 1])].at -
          points[static_cast<size_t>(run.points[segment])].at)
      .norm();
}

double WireSkeleton::length(const WireRun& run) const {
  double total = 0;
  for (size_t i = 0; i + 1 < run.points.size(); ++i) total += segmentLength(run, i);
  return total;
}

double WireSkeleton::alongSpine(int point) const {
  double at = 0;
  for (size_t i = 0; i < spine.points.size(); ++i) {
    if (spine.points[i] == point) return at;
    if (i + 1 < spine.points.size()) at += segmentLength(spine, i);
  }
  return -1;
}

WireSkeleton makeSkeleton(const Figure& figure) { return Builder(figure).build(); }

WireRun reversed(const WireRun& run) {
  WireRun out = run;
  std::reverse(out.points.begin(), out.points.end());
  std::reverse(out.segmentBone.begin(), out.segmentBone.end());
  std::reverse(out.segmentLimb.begin(), out.segmentLimb.end());
  return out;
}

WireRun stretch(const WireRun& run, int fromPoint, int toPoint) {
  const auto find = [&](int point) {
    return std::find(run.points.begin(), run.points.end(), point) - run.points.begin();
  };
  const auto a = find(fromPoint);
  const auto b = find(toPoint);
  const auto count = static_cast<std::ptrdiff_t>(run.points.size());
  if (a == count || b == count) return {};
  if (a > b) return reversed(stretch(run, toPoint, fromPoint));
  WireRun out;
  out.points.assign(run.points.begin() + a, run.points.begin() + b + 1);
  out.segmentBone.assign(run.segmentBone.begin() + a, run.segmentBone.begin() + b);
  out.segmentLimb.assign(run.segmentLimb.begin() + a, run.segmentLimb.begin() + b);
  return out;
}

WireRun joined(const WireRun& first, const WireRun& second) {
  if (first.points.empty()) return second;
  if (second.points.empty()) return first;
  WireRun out = first;
  const bool shared = first.points.back() == second.points.front();
  if (!shared) { // a link across: it belongs to what follows
    out.points.push_back(second.points.front());
    out.segmentBone.push_back(-1);
    out.segmentLimb.push_back(second.segmentLimb.empty() ? first.segmentLimb.back()
                                                         : second.segmentLimb.front());
  }
  out.points.insert(out.points.end(), second.points.begin() + 1, second.points.end());
  out.segmentBone.insert(out.segmentBone.end(), second.segmentBone.begin(), second.segmentBone.end());
  out.segmentLimb.insert(out.segmentLimb.end(), second.segmentLimb.begin(), second.segmentLimb.end());
  return out;
}

} // namespace columna
