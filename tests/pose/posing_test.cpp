// Poses changed: mirrored, copied, straightened, gone between, held within limits; as laws over all animals.
#include "pose/posing.h"
#include "support.h"

#include <random>

using namespace columna;
using namespace columna::test;

namespace {

/// A pose of that animal within its limits, drawn at random.
PatternPose drawn(const Pattern& pattern, unsigned seed) {
  std::mt19937 chance(seed);
  std::uniform_real_distribution<double> turn(-1, 1);
  PatternPose pose;
  pose.name = "drawn";
  for (const PatternBone& b : pattern.bones) {
    for (const bool right : {false, true})
      if (!right || b.twin) setTurn(pose, b, right, {turn(chance), turn(chance), turn(chance)});
  }
  pose.whole = {0.2 * turn(chance), turn(chance), 0.2 * turn(chance)};
  return pose;
}

double apart(const Turn& a, const Turn& b) {
  return std::max({std::abs(a.flex - b.flex), std::abs(a.side - b.side), std::abs(a.twist - b.twist)});
}

} // namespace

TEST(PosingLaws, MirroredTwiceIsAsBefore) {
  for (const Pattern& pattern : animals())
    for (unsigned seed = 0; seed < 3; ++seed) {
      const PatternPose pose = drawn(pattern, seed);
      const PatternPose twice = mirroredPose(pattern, mirroredPose(pattern, pose));
      EXPECT_TRUE(sameStance(pattern, pose, twice)) << pattern.id;
      for (const PatternBone& b : pattern.bones)
        for (const bool right : {false, true})
          if (!right || b.twin) {
            EXPECT_LT(apart(turnOf(pose, b, right), turnOf(twice, b, right)), 1e-12)
                << pattern.id << " " << b.id;
          }
    }
}

TEST(PosingLaws, MirroredTheLeftTurnsAsTheRightDid) {
  for (const Pattern& pattern : animals()) {
    const PatternPose pose = drawn(pattern, 5);
    const PatternPose other = mirroredPose(pattern, pose);
    for (const PatternBone& b : pattern.bones)
      if (b.twin) {
        EXPECT_LT(apart(turnOf(pose, b, true), turnOf(other, b, false)), 1e-12) << pattern.id << " " << b.id;
        EXPECT_LT(apart(turnOf(pose, b, false), turnOf(other, b, true)), 1e-12) << pattern.id << " " << b.id;
      }
  }
}

TEST(PosingLaws, CopiedToItsTwinALimbIsTheSameOnBothSidesAndNoOtherChanges) {
  for (const char* animal : {"red_fox", "heron", "beetle", "dragon"}) {
    const Pattern& pattern = *shelf().pattern(animal);
    for (const PatternLimb& limb : pattern.limbs) {
      const PatternBone* first = pattern.bone(limb.bones.front());
      if (!first || !first->twin) continue;
      const PatternPose pose = drawn(pattern, 9);
      for (const bool fromRight : {false, true}) {
        const PatternPose copied = copiedToTwin(pattern, pose, limb.id, fromRight);
        for (const std::string& id : limb.bones) {
          const PatternBone& b = *pattern.bone(id);
          EXPECT_LT(apart(turnOf(copied, b, false), turnOf(copied, b, true)), 1e-12) << animal << " " << id;
          EXPECT_LT(apart(turnOf(copied, b, fromRight), turnOf(pose, b, fromRight)), 1e-12)
              << animal << " " << id;
        }
        EXPECT_EQ(copied.whole, pose.whole);
      }
    }
  }
}

TEST(PosingLaws, AStraightenedLimbIsNeutralAndTheOthersStay) {
  for (const char* animal : {"red_fox", "heron", "beetle"}) {
    const Pattern& pattern = *shelf().pattern(animal);
    const PatternPose pose = drawn(pattern, 3);
    for (const PatternLimb& limb : pattern.limbs) {
      const PatternPose straight = limbStraight(pattern, pose, limb.id, true, true);
      for (const std::string& id : limb.bones) {
        const PatternBone& b = *pattern.bone(id);
        EXPECT_LT(apart(turnOf(straight, b, false), Turn()), 1e-12) << animal << " " << id;
        if (b.twin) {
          EXPECT_LT(apart(turnOf(straight, b, true), Turn()), 1e-12) << animal << " " << id;
        }
      }
    }
  }
}

TEST(PosingLaws, BetweenGoesFromTheOneToTheOtherWithoutTurningBack) {
  for (const Pattern& pattern : animals()) {
    if (pattern.poses.size() < 2) continue;
    const PatternPose& a = pattern.poses[0];
    const PatternPose& b = pattern.poses[1];
    EXPECT_TRUE(sameStance(pattern, between(pattern, a, b, 0), a)) << pattern.id;
    EXPECT_TRUE(sameStance(pattern, between(pattern, a, b, 1), b)) << pattern.id;
    double last = -1;
    for (int k = 0; k <= 10; ++k) {
      const double turned = largestTurn(pattern, a, between(pattern, a, b, k / 10.0));
      EXPECT_GE(turned, last - 1e-9) << pattern.id << " at " << k;
      last = turned;
    }
    EXPECT_NEAR(last, largestTurn(pattern, a, b), 1e-9) << pattern.id;
    EXPECT_NEAR(largestTurn(pattern, a, b), largestTurn(pattern, b, a), 1e-9) << pattern.id;
    EXPECT_EQ(largestTurn(pattern, a, a), 0) << pattern.id;
  }
}

TEST(PosingLaws, LimitsHoldOnceAndForAllAndSayWhereTheyHold) {
  for (const Pattern& pattern : animals()) {
    PatternPose wild;
    for (const PatternBone& b : pattern.bones) wild.turns[b.id] = {4, -4, 4};
    const PatternPose held = withinLimits(pattern, wild);
    EXPECT_FALSE(beyondLimits(pattern, held)) << pattern.id;
    EXPECT_TRUE(sameStance(pattern, withinLimits(pattern, held), held)) << pattern.id;
    for (const AtLimit& at : jointsAtLimit(pattern, held)) {
      ASSERT_NE(pattern.bone(at.bone), nullptr) << pattern.id;
      EXPECT_TRUE(at.way == "flex" || at.way == "side" || at.way == "twist") << at.way;
    }
    EXPECT_TRUE(jointsAtLimit(pattern, PatternPose()).empty())
        << pattern.id << ": none in the neutral stance";
  }
}

TEST(PosingLaws, ASwingIsTheAngleOfItsRotation) {
  PatternBone bone;
  const Vec3 along(0, 0, -1);
  EXPECT_NEAR(swingOf(bone, along, {}, {}), 0, 1e-9);
  for (const double angle : {0.1, 0.7, 1.5}) {
    EXPECT_NEAR(swingOf(bone, along, {}, {angle, 0, 0}), angle, 1e-9);
    EXPECT_NEAR(swingOf(bone, along, {angle, 0, 0}, {}), angle, 1e-9) << "there and back are alike";
    EXPECT_NEAR(swingOf(bone, along, {angle, 0, 0}, {-angle, 0, 0}),
                std::min(2 * angle, 2 * M_PI - 2 * angle), 1e-9);
  }
}
