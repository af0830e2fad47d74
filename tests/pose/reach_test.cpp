// Posing by hand: limits, mirrors, and reaching a place.
#include "pose/reach.h"
#include "support.h"

#include <cmath>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

PatternPose anyPose(const Pattern& p, std::mt19937& random, double share = 1) {
  std::uniform_real_distribution<double> u(0, 1);
  PatternPose pose{"any", {}};
  const auto in = [&](const TurnRange& r) { return share * (r.low + (r.high - r.low) * u(random)); };
  for (const PatternBone& b : p.bones)
    for (const bool right : {false, true})
      if (!right || b.twin) setTurn(pose, b, right, {in(b.flex), in(b.side), in(b.twist)});
  return pose;
}

/// Ends of limbs that can be dragged.
std::vector<SidedJoint> tips(const Pattern& p) {
  std::vector<SidedJoint> out;
  for (const PatternLimb& limb : p.limbs) {
    if (limb.bones.empty() || limb.kind == LimbKind::Trunk || limb.kind == LimbKind::Digits) continue;
    const std::string joint = p.bone(limb.bones.back())->to;
    out.push_back({joint, false});
    if (limb.twin && !p.onMidline(joint)) out.push_back({joint, true});
  }
  return out;
}

double chainLength(const Pattern& p, const Linkage& l, const SidedJoint& j) {
  double out = 0;
  for (const std::string& id : l.chainTo(j))
    out += (p.joints.at(p.bone(id)->to) - p.joints.at(p.bone(id)->from)).norm();
  return out;
}

constexpr double kMm = 160; // a module of the patterns at a usual size, at most

} // namespace

TEST(Reach, PlacesAreThoseOfThePosedPattern) {
  std::mt19937 random(3);
  for (const Pattern& p : animals()) {
    PatternPose pose = anyPose(p, random);
    pose.whole = {0.2, -0.4, 0.1};
    const Linkage l(p);
    const Pattern made = posed(p, pose);
    // The posed pattern is set on the ground; all else is the same.
    const SidedJoint some{p.bones.back().to, false};
    const double lift = made.joints.at(some.joint).z() - l.place(pose, some).z();
    for (const PatternBone& b : p.bones)
      for (const bool right : {false, true}) {
        if (right && (!b.twin || p.onMidline(b.to))) continue;
        const Vec3 there = right ? made.right->joints.at(b.to) : made.joints.at(b.to);
        EXPECT_LT((l.place(pose, {b.to, right}) + Vec3(0, 0, lift) - there).norm(), 1e-9)
            << p.id << ' ' << b.to;
      }
  }
}

TEST(Reach, ReachableTargetsAreReached) {
  std::mt19937 random(11);
  for (const Pattern& p : animals()) {
    const Linkage l(p);
    for (const SidedJoint& tip : tips(p))
      for (int round = 0; round < 4; ++round) {
        const Vec3 goal = l.place(anyPose(p, random), tip);
        // The trunk is as it is, so the place is asked for within the limb's own reach.
        PatternPose own{"own", {}};
        const PatternPose other = anyPose(p, random);
        for (const std::string& id : l.chainTo(tip)) {
          const PatternBone& b = *p.bone(id);
          setTurn(own, b, tip.right && b.twin, turnOf(other, b, tip.right && b.twin));
        }
        (void)goal;
        const Linkage::Reached r = l.reach({"start", {}}, tip, l.place(own, tip), true);
        EXPECT_LT(r.off * kMm, 0.1) << p.id << ' ' << tip.joint << (tip.right ? " right" : "");
        EXPECT_FALSE(beyondLimits(p, r.pose).has_value()) << p.id << ' ' << tip.joint;
        EXPECT_LT((l.place(r.pose, tip) - l.place(own, tip)).norm(), r.off + 1e-9);
      }
  }
}

TEST(Reach, FarTargetsEndStraightTowardsThem) {
  for (const Pattern& p : animals()) {
    const Linkage l(p);
    for (const SidedJoint& tip : tips(p)) {
      const double reach = chainLength(p, l, tip);
      const Vec3 at = l.place({}, tip);
      for (const Vec3& way : {Vec3(1, 0, 0), Vec3(0, 0, -1), Vec3(0.6, 0.3, 0.7)}) {
        const Vec3 goal = at + way.normalized() * reach * 20;
        const Linkage::Reached r = l.reach({}, tip, goal, true);
        EXPECT_FALSE(beyondLimits(p, r.pose).has_value()) << p.id << ' ' << tip.joint;
        EXPECT_LE(r.off, (goal - at).norm() + 1e-9) << p.id << ' ' << tip.joint;
        // No small turn within the limits brings it nearer: it is as straight towards it as it goes.
        for (const std::string& id : l.chainTo(tip))
          for (const double d : {-0.01, 0.01})
            for (int turn = 0; turn < 2; ++turn) {
              const PatternBone& b = *p.bone(id);
              PatternPose tried = r.pose;
              Turn t = turnOf(tried, b, tip.right && b.twin);
              (turn == 0 ? t.flex : t.side) += d;
              setTurn(tried, b, tip.right && b.twin, t);
              EXPECT_GT((l.place(tried, tip) - goal).norm(), r.off - 1e-4 * reach)
                  << p.id << ' ' << tip.joint << ' ' << id;
            }
      }
    }
  }
}

TEST(Reach, ASlowDragDoesNotJump) {
  for (const Pattern& p : animals()) {
    const Linkage l(p);
    for (const SidedJoint& tip : tips(p)) {
      const double reach = chainLength(p, l, tip);
      PatternPose pose;
      const Vec3 start = l.place(pose, tip);
      for (int step = 1; step <= 80; ++step) {
        const double a = step * 0.08;
        const Vec3 goal = start + 0.35 * reach * Vec3(std::sin(a), 0.3 * std::sin(2 * a), 1 - std::cos(a));
        const Linkage::Reached r = l.reach(pose, tip, goal);
        const double moved = (l.place(r.pose, tip) - l.place(pose, tip)).norm();
        EXPECT_LT(moved, 0.25 * reach) << p.id << ' ' << tip.joint << ' ' << step;
        EXPECT_LT(largestTurn(p, pose, r.pose), 0.2501) << p.id << ' ' << tip.joint << ' ' << step;
        EXPECT_FALSE(beyondLimits(p, r.pose).has_value());
        pose = r.pose;
      }
    }
  }
}

TEST(Reach, PlantedFeetStayWhileTheBodyBends) {
  const Pattern& otter = *shelf().pattern("river_otter");
  const Linkage l(otter);
  std::vector<std::pair<SidedJoint, Vec3>> feet;
  for (const SidedJoint& foot : l.feet()) feet.emplace_back(foot, l.place({}, foot));
  ASSERT_EQ(feet.size(), 4U);
  PatternPose bent;
  setTurn(bent, *otter.bone("loin"), false, {0.12, 0.1, 0});
  const PatternPose stood = l.planted(bent, feet);
  for (const auto& [foot, place] : feet) {
    EXPECT_GT((l.place(bent, foot) - place).norm() + (foot.joint == feet.back().first.joint ? 1 : 0), 1e-3);
    EXPECT_LT((l.place(stood, foot) - place).norm() * kMm, 0.1) << foot.joint;
  }
}

TEST(Posing, MirrorsAndCopies) {
  std::mt19937 random(9);
  for (const Pattern& p : animals()) {
    const PatternPose pose = anyPose(p, random, 0.7);
    EXPECT_TRUE(sameStance(p, mirroredPose(p, mirroredPose(p, pose)), pose)) << p.id;
    const Linkage l(p);
    const PatternPose other = mirroredPose(p, pose);
    for (const SidedJoint& tip : tips(p)) {
      const bool middle = p.onMidline(tip.joint);
      if (middle && p.joints.at(tip.joint).y() != 0) continue; // a curled tail has no mirror image
      const Vec3 here = l.place(pose, tip);
      const Vec3 there = l.place(other, {tip.joint, middle ? false : !tip.right});
      EXPECT_LT((Vec3(here.x(), -here.y(), here.z()) - there).norm(), 1e-9) << p.id << ' ' << tip.joint;
    }
    for (const PatternLimb& limb : p.limbs)
      if (limb.twin) {
        const PatternPose both = copiedToTwin(p, pose, limb.id, true);
        for (const std::string& id : limb.bones)
          EXPECT_EQ(turnOf(both, *p.bone(id), false), turnOf(pose, *p.bone(id), true));
      }
  }
}

TEST(Posing, LimitsHoldAndAreNamed) {
  const Pattern& otter = *shelf().pattern("river_otter");
  const PatternBone& forearm = *otter.bone("forearm");
  PatternPose pose;
  EXPECT_TRUE(setTurn(pose, forearm, true, {10, 0, 0}));
  EXPECT_EQ(turnOf(pose, forearm, true).flex, forearm.flex.high);
  EXPECT_EQ(turnOf(pose, forearm, false), Turn()) << "the other side is left alone";
  const auto ends = jointsAtLimit(otter, pose);
  ASSERT_EQ(ends.size(), 1U);
  EXPECT_EQ(ends[0].bone, "forearm");
  EXPECT_TRUE(ends[0].right);
  EXPECT_EQ(ends[0].way, "flex");
  EXPECT_TRUE(limbStraight(otter, pose, "foreleg", true, true).turns.empty());
}
