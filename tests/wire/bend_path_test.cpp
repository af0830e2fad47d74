// The way of a bent wire against plane geometry.
#include "wire/bend_path.h"

#include "anatomy/tube.h"

#include <Eigen/Geometry>
#include <gtest/gtest.h>

#include <cmath>
#include <random>

using namespace columna;

namespace {

/// Follows the path and gives where each bend's apex and the end lie.
std::vector<Vec3> followed(const BentPath& path, const Vec3& from) {
  std::vector<Vec3> out;
  Vec3 at = from;
  for (size_t k = 0; k < path.bends.size(); ++k) {
    const PathBend& b = path.bends[k];
    at += path.straight[k] * b.in;
    const Vec3 inward = b.axis.cross(b.in);
    const auto on = [&](double angle) {
      return Vec3(at + b.radius * (std::sin(angle) * b.in + (1 - std::cos(angle)) * inward));
    };
    out.push_back(on(b.angle / 2));
    at = on(b.angle);
  }
  out.push_back(at + path.straight.back() * path.ends);
  return out;
}

double lengthOf(const BentPath& path) {
  double sum = 0;
  for (const double s : path.straight) sum += s;
  for (const PathBend& b : path.bends) sum += 2 * b.half();
  return sum;
}

std::vector<PathPoint> points(const std::vector<Vec3>& at, double tightest, double usual) {
  std::vector<PathPoint> out;
  for (const Vec3& p : at) out.push_back({p, tightest, usual});
  return out;
}

} // namespace

TEST(BendPath, ARightAngleOfLongLegs) {
  // With legs far longer than the arc the wire leaves the bones' directions hardly at all: the arc takes
  // R t - 2 R sin(t/2) more than its chords, and lies R (1 - cos(t/2)) inside.
  const double leg = 1e5;
  const BentPath path = bendPath(points({{-leg, 0, 0}, {0, 0, 0}, {0, leg, 0}}, 1, 4), 1);
  ASSERT_EQ(path.bends.size(), 1U);
  EXPECT_NEAR(path.bends[0].angle, M_PI / 2, 1e-4);
  EXPECT_NEAR(lengthOf(path) - 2 * leg, 4 * M_PI / 2 - 2 * 4 * std::sin(M_PI / 4), 1e-3);
  const auto at = followed(path, {-leg, 0, 0});
  EXPECT_NEAR(at[0].norm(), 0, 1e-6) << "the apex lies on the joint";
  EXPECT_NEAR((at[1] - Vec3(0, leg, 0)).norm(), 0, 1e-5);
}

TEST(BendPath, GoesThroughEveryJointAndIsNeverShorterThanTheBones) {
  std::mt19937 random(5);
  std::uniform_real_distribution<double> any(-1, 1);
  int bends = 0;
  for (int trial = 0; trial < 400; ++trial) {
    std::vector<Vec3> joints{{0, 0, 0}};
    double bones = 0;
    for (int k = 0; k < 6; ++k) {
      Vec3 step(any(random), any(random), any(random));
      step *= (15 + 10 * any(random)) / step.norm();
      joints.push_back(joints.back() + step);
      bones += step.norm();
    }
    const BentPath path = bendPath(points(joints, 0.8, 2), 0.8);
    if (path.bends.size() < 5) continue; // folded too flat for its arcs
    const auto at = followed(path, joints.front());
    for (size_t k = 0; k < at.size(); ++k) EXPECT_LT((at[k] - joints[k + 1]).norm(), 1e-6) << trial;
    EXPECT_GE(lengthOf(path), bones - 1e-9);
    for (const double s : path.straight) EXPECT_GE(s, 0);
    for (const PathBend& b : path.bends) {
      EXPECT_GE(b.radius, 0.8);
      EXPECT_LE(b.radius, 2);
      ++bends;
    }
  }
  EXPECT_GT(bends, 1900);
}

TEST(BendPath, TheSameEitherWay) {
  const std::vector<Vec3> joints{{0, 0, 0}, {20, 0, 0}, {28, 9, 3}, {10, 22, 3}, {12, 40, -5}};
  const BentPath there = bendPath(points(joints, 1, 3), 1);
  const BentPath back = bendPath(points({joints.rbegin(), joints.rend()}, 1, 3), 1);
  ASSERT_EQ(there.bends.size(), back.bends.size());
  for (size_t k = 0; k < there.bends.size(); ++k)
    EXPECT_NEAR(there.bends[k].angle, back.bends[back.bends.size() - 1 - k].angle, 1e-8);
  EXPECT_NEAR(lengthOf(there), lengthOf(back), 1e-8);
}

TEST(BendPath, JointsTooNearAreOneBend) {
  // A jog a wire cannot make: 90 degrees and back within a millimetre becomes what is left of it.
  const BentPath jog = bendPath(points({{0, 0, 0}, {40, 0, 0}, {40, 1, 0}, {80, 1, 0}}, 0.7, 1.7), 1);
  ASSERT_LE(jog.bends.size(), 1U);
  if (!jog.bends.empty()) {
    EXPECT_LT(jog.bends[0].angle, 0.06);
    EXPECT_EQ(jog.bends[0].first, 1U);
    EXPECT_EQ(jog.bends[0].last, 2U);
  }
  // Two that turn the same way are one bend of both.
  const BentPath hook = bendPath(points({{0, 0, 0}, {40, 0, 0}, {41, 1, 0}, {41, 41, 0}}, 0.7, 1.7), 1);
  ASSERT_EQ(hook.bends.size(), 1U);
  EXPECT_NEAR(hook.bends[0].angle, M_PI / 2, 0.06);
  EXPECT_NEAR((hook.bends[0].at - Vec3(40.5, 0.5, 0)).norm(), 0, 1e-9);
  EXPECT_GE(hook.bends[0].radius, 0.7);
}

TEST(BendPath, AJointBesideAnEndIsPassedStraight) {
  const BentPath toe = bendPath(points({{0, 0, 0}, {30, 0, 0}, {30.5, 0.5, 0}}, 1.5, 3), 1);
  EXPECT_TRUE(toe.bends.empty());
  EXPECT_EQ(toe.passed, std::vector<size_t>{1});
  EXPECT_NEAR(lengthOf(toe), Vec3(30.5, 0.5, 0).norm(), 1e-9);
}

TEST(BendPath, GentleBendsKeepTheirJoints) {
  std::vector<Vec3> arc;
  for (int k = 0; k <= 10; ++k) arc.emplace_back(100 * std::sin(0.08 * k), 100 * (1 - std::cos(0.08 * k)), 0);
  const BentPath path = bendPath(points(arc, 1, 2), 1);
  ASSERT_EQ(path.bends.size(), 9U);
  for (const PathBend& b : path.bends) EXPECT_NEAR(b.angle, 0.08, 1e-3);
}

TEST(BendPath, OutOfAFoldAnotherWayItBendsAtOnce) {
  const BentPath path = bendPath(points({{0, 0, 0}, {30, 0, 0}}, 1, 2), 1, Vec3(0, 1, 0));
  ASSERT_TRUE(path.start.has_value());
  EXPECT_GE(path.start->radius, 1);
  // From the arc's end straight to the point.
  const PathBend& b = *path.start;
  const Vec3 inward = b.axis.cross(b.in);
  const Vec3 end =
      b.radius * (std::sin(b.angle) * b.in + (1 - std::cos(b.angle)) * inward) + path.straight[0] * path.ends;
  EXPECT_NEAR((end - Vec3(30, 0, 0)).norm(), 0, 1e-6);
}
