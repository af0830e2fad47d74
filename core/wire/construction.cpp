#include "wire/construction.h"

#include <algorithm>

namespace columna {
namespace {

bool isPair(const FigureLimb& limb) {
  return limb.side > 0 &&
         (limb.kind == LimbKind::Leg || limb.kind == LimbKind::Arm || limb.kind == LimbKind::Wing);
}

class Grouping {
public:
  Grouping(const Figure& figure, const WireSkeleton& skeleton)
      : figure_(figure), skeleton_(skeleton), taken_(figure.limbs.size(), false) {}

  void take(WireGroup& group, int limb, int wires) {
    const auto i = static_cast<size_t>(limb);
    if (limb < 0 || taken_[i] || skeleton_.limbs[i].empty()) return;
    taken_[i] = true;
    group.limbs.push_back(limb);
    group.wires.push_back(wires);
  }
  void takeKind(WireGroup& group, LimbKind kind, int wires) {
    for (size_t i = 0; i < figure_.limbs.size(); ++i)
      if (figure_.limbs[i].kind == kind && figure_.limbs[i].side == 0 &&
          onSpine(skeleton_, static_cast<int>(i)))
        take(group, static_cast<int>(i), wires);
  }
  void takePair(WireGroup& group, int left, int wires) {
    take(group, left, wires);
    take(group, figure_.limbs[static_cast<size_t>(left)].twin, wires);
  }
  void close(WireGroup group) {
    if (!group.limbs.empty()) groups_.push_back(std::move(group));
  }

  /// What is left: digits of fine wire, anything else a group of its own.
  std::vector<WireGroup> finish(int wires) {
    for (size_t i = 0; i < figure_.limbs.size(); ++i) {
      if (taken_[i]) continue;
      WireGroup group;
      group.digits = figure_.limbs[i].kind == LimbKind::Digits;
      take(group, static_cast<int>(i), group.digits ? 2 : wires);
      close(std::move(group));
    }
    return std::move(groups_);
  }

private:
  const Figure& figure_;
  const WireSkeleton& skeleton_;
  std::vector<bool> taken_;
  std::vector<WireGroup> groups_;
};

} // namespace

std::string_view id(Construction construction) {
  return construction == Construction::FoldedPair ? "folded-pair" : "twisted-limbs";
}

std::string_view name(Construction construction) {
  return construction == Construction::FoldedPair ? "folded pair" : "twisted limbs";
}

std::optional<Construction> construction(std::string_view id) {
  if (id == "folded-pair") return Construction::FoldedPair;
  if (id == "twisted-limbs") return Construction::TwistedLimbs;
  return std::nullopt;
}

bool onSpine(const WireSkeleton& skeleton, int limb) {
  const auto& of = skeleton.spine.segmentLimb;
  return std::find(of.begin(), of.end(), limb) != of.end();
}

std::vector<int> spinePairs(const Figure& figure, const WireSkeleton& skeleton) {
  std::vector<int> pairs;
  for (size_t i = 0; i < figure.limbs.size(); ++i)
    if (isPair(figure.limbs[i]) && skeleton.rootPoint[i] >= 0 &&
        skeleton.alongSpine(skeleton.rootPoint[i]) >= 0)
      pairs.push_back(static_cast<int>(i));
  std::stable_sort(pairs.begin(), pairs.end(), [&](int a, int b) {
    return skeleton.alongSpine(skeleton.rootPoint[static_cast<size_t>(a)]) >
           skeleton.alongSpine(skeleton.rootPoint[static_cast<size_t>(b)]);
  });
  return pairs;
}

std::vector<WireGroup> wireGroups(const Figure& figure, const WireSkeleton& skeleton,
                                  Construction construction) {
  Grouping grouping(figure, skeleton);
  const std::vector<int> pairs = spinePairs(figure, skeleton);
  if (construction == Construction::TwistedLimbs) {
    WireGroup spine;
    for (const LimbKind kind : {LimbKind::Head, LimbKind::Neck, LimbKind::Trunk, LimbKind::Tail})
      grouping.takeKind(spine, kind, 2);
    grouping.close(std::move(spine));
    return grouping.finish(2);
  }
  WireGroup front;
  grouping.takeKind(front, LimbKind::Head, 2);
  grouping.takeKind(front, LimbKind::Neck, 2);
  if (!pairs.empty())
    grouping.takePair(front, pairs.front(), 1);
  else // nothing to run out into: one wire from nose to tail
    for (const LimbKind kind : {LimbKind::Trunk, LimbKind::Tail}) grouping.takeKind(front, kind, 2);
  grouping.close(std::move(front));
  WireGroup back;
  grouping.takeKind(back, LimbKind::Trunk, 2);
  if (pairs.size() > 1)
    grouping.takePair(back, pairs.back(), 1);
  else
    grouping.takeKind(back, LimbKind::Tail, 2);
  grouping.close(std::move(back));
  WireGroup tail;
  tail.tailStem = true;
  grouping.takeKind(tail, LimbKind::Tail, 1);
  grouping.close(std::move(tail));
  for (size_t i = 1; i + 1 < pairs.size(); ++i) { // a pair between: one wire across
    WireGroup across;
    grouping.takePair(across, pairs[i], 1);
    grouping.close(std::move(across));
  }
  return grouping.finish(1);
}

} // namespace columna
