// The head's surface: closed forms, outside results, symmetry, shares.
#include "head/head_field.h"
#include "heads.h"

#include <numbers>

using namespace columna;
using namespace columna::test;

namespace {

HeadFeature oval(const Vec3& at, const Vec3& radii, double blend, FeatureMode mode = FeatureMode::Add) {
  HeadFeature f;
  f.id = "pad";
  f.mode = mode;
  f.at = at;
  f.radii = {radii.x(), radii.y(), radii.z()};
  f.blend = blend;
  return f;
}

double occupied(double d, double cell) { return std::clamp(0.5 - d / cell, 0.0, 1.0); }

/// What the features change of a ball of 26 mm, near (26, 0, 0), mm3, each.
std::vector<double> onBall(const std::vector<FeatureShape>& features, double cell) {
  std::vector<double> out(features.size(), 0);
  for (double x = 14 + cell / 2; x < 36; x += cell)
    for (double y = cell / 2; y < 12; y += cell)
      for (double z = cell / 2; z < 12; z += cell) {
        const Vec3 p(x, y, z);
        double d = p.norm() - 26;
        double w = occupied(d, cell);
        for (size_t i = 0; i < features.size(); ++i) {
          d = features[i].after(d, p);
          out[i] += 4 * cell * cell * cell * (occupied(d, cell) - w);
          w = occupied(d, cell);
        }
      }
  return out;
}

HeadBodyShape tube(double side, double half, double square) {
  HeadBodyShape out;
  out.capBack = out.capFront = 1;
  for (const double x : {-100.0, 0.0, 100.0})
    out.stations.push_back({x, half, -half, side, 0, Vec2(square, square)});
  return out;
}

} // namespace

TEST(HeadField, ABeadOnABallHasTheVolumeOfClosedForms) {
  // The bead less the lens it shares with the ball, and a fillet that grows with the square of its width.
  const double hard = 491.538;
  const double one = onBall({{oval({26, 0, 0}, {6, 6, 6}, 1), 1}}, 0.2)[0];
  const double half = onBall({{oval({26, 0, 0}, {6, 6, 6}, 0.5), 1}}, 0.2)[0];
  EXPECT_NEAR(one, 498.08, 0.002 * 498.08);
  EXPECT_NEAR((half - hard) / (one - hard), 0.25, 0.03);
  const auto pressed = onBall(
      {{oval({26, 0, 0}, {6, 6, 6}, 1), 1}, {oval({26, 0, 0}, {4, 4, 4}, 1, FeatureMode::Press), 1}}, 0.2);
  EXPECT_NEAR(pressed[1], -4.0 / 3 * std::numbers::pi * 64, 0.004 * 268) << "a void within the bead";
  EXPECT_NEAR(one * 0.22e-3, 0.1096, 3e-4) << "grams of the bead";
}

TEST(HeadField, ASharpPressTakesTheLensItShares) {
  // The lens of two balls of radii a and b whose middles lie d apart.
  const auto lens = [](double a, double b, double d) {
    return std::numbers::pi * std::pow(a + b - d, 2) * (d * d + 2 * d * (a + b) - 3 * (a - b) * (a - b)) /
           (12 * d);
  };
  EXPECT_NEAR(lens(26, 4, 26), 126.308, 1e-3);
  const auto plain = onBall({{oval({26, 0, 0}, {4, 4, 4}, 0, FeatureMode::Press), 1}}, 0.1);
  EXPECT_NEAR(plain[0], -126.308, 0.005 * 126.308);
  // Into a bead that stands on the ball, near its tip: what it cuts is of the bead alone.
  EXPECT_NEAR(lens(6, 3, 6), 45.946, 1e-3);
  const auto bead = onBall(
      {{oval({26, 0, 0}, {6, 6, 6}, 0), 1}, {oval({32, 0, 0}, {3, 3, 3}, 0, FeatureMode::Press), 1}}, 0.1);
  EXPECT_NEAR(bead[0], 491.54, 0.002 * 491.54);
  EXPECT_NEAR(bead[1], -45.946, 0.01 * 45.946);
}

TEST(HeadField, ASquaredSectionIsMeasuredTrue) {
  const double a = 20;
  const double b = 13;
  const double n = 2.6;
  const HeadBody body(tube(a, b, n));
  std::vector<Vec2> curve;
  for (int i = 0; i <= 20000; ++i) {
    const double t = std::numbers::pi / 2 * i / 20000;
    curve.emplace_back(a * std::pow(std::cos(t), 2 / n), b * std::pow(std::sin(t), 2 / n));
  }
  double worst = 0;
  double estimate = 0;
  for (size_t i = 200; i + 200 < curve.size(); i += 157)
    for (const double off : {-2.0, 2.0}) {
      const Vec2 along = curve[i + 1] - curve[i - 1];
      const Vec2 p = curve[i] + off * Vec2(-along.y(), along.x()).normalized() * -1;
      double least = 1e9;
      for (const Vec2& c : curve) least = std::min(least, (c - p).norm());
      const Vec3 at(50, p.x(), p.y());
      worst = std::max(worst, std::abs(std::abs(body.distance(at)) - least));
      estimate = std::max(estimate, std::abs(std::abs(body.estimate(at)) - least));
      EXPECT_EQ(body.distance(at) > 0, off > 0);
    }
  EXPECT_LT(worst, 3e-4);
  EXPECT_LT(estimate, 0.045);
  EXPECT_NEAR(HeadBody(tube(a, b, 2)).area(0), std::numbers::pi * a * b, 1e-9);
}

TEST(HeadField, TheFoxWeighsWhatAnotherSumOfItGives) {
  // From a grid of 0.01 modules by a program of its own; with the blend's floor of a fibre's width.
  const HeadField fox(shippedHead("red_fox"), 52);
  const HeadVolumes v = fox.volumes(0.4);
  EXPECT_NEAR(v.body, 16568, 0.006 * 16568);
  double adds = 0;
  double presses = 0;
  for (const double f : v.features) (f > 0 ? adds : presses) += f;
  EXPECT_NEAR(adds, 1236, 0.02 * 1236);
  EXPECT_NEAR(presses, -88, 4);
  EXPECT_NEAR(v.toWeigh() * 0.22e-3, 3.917, 0.03);
  EXPECT_NEAR(v.features[3] * 0.22e-3, 0.200, 0.004) << "both cheeks";
  const HeadField horse(shippedHead("horse"), 80);
  EXPECT_NEAR(horse.volumes(0.8).body / (80.0 * 80 * 80), 0.07850, 0.006 * 0.0785);
}

TEST(HeadField, SharesSumToTheWholeAndArePressedOrLaidOn) {
  for (const char* id : {"red_fox", "owl", "elephant"}) {
    const HeadPattern head = shippedHead(id);
    const HeadField field(head, 50);
    const double cell = 1;
    const HeadVolumes v = field.volumes(cell);
    double whole = 0;
    const auto count = [&](double from, double to) {
      return static_cast<int>(std::ceil((to - from) / cell));
    };
    for (int i = 0; i < count(field.low().x() - cell, field.high().x() + cell); ++i)
      for (int j = 0; j < count(0, field.high().y() + cell); ++j)
        for (int k = 0; k < count(field.low().z() - cell, field.high().z() + cell); ++k)
          whole += 2 * occupied(field.distance({field.low().x() - cell + (i + 0.5) * cell, (j + 0.5) * cell,
                                                field.low().z() - cell + (k + 0.5) * cell}),
                                cell);
    EXPECT_NEAR(v.total(), whole, 1e-9 * whole) << id;
    for (size_t i = 0; i < v.features.size(); ++i)
      EXPECT_GE(head.features[i].mode == FeatureMode::Press ? -v.features[i] : v.features[i], 0)
          << id << " " << head.features[i].id;
  }
}

TEST(HeadField, IsTheSameLeftAndRightAndHoweverItIsAskedToTheLastBit) {
  for (const HeadPattern& head : shippedHeads()) {
    const HeadField field(head, 60);
    for (const Vec3& p : scattered(field.low(), field.high(), 400)) {
      const double d = field.distance(p);
      ASSERT_EQ(d, field.distance({p.x(), -p.y(), p.z()})) << head.id;
      // Each feature asked for in full, without telling first how far it is at least.
      double plain = field.upTo(p, 0);
      for (const FeatureShape& f : field.features()) {
        const double t = f.distance(p);
        ASSERT_GE(t, f.atLeast(p) - 1e-9) << head.id;
        plain = f.press() ? -filletedMin(-plain, t, f.blend()) : filletedMin(plain, t, f.blend());
      }
      ASSERT_EQ(d, plain) << head.id;
    }
  }
}

TEST(HeadField, TwiceTheSizeIsEightTimesTheWool) {
  HeadPattern owl = shippedHead("owl");
  const double small = HeadField(owl, 30).volumes(0.5).total();
  const double large = HeadField(owl, 60).volumes(1).total();
  EXPECT_NEAR(large / small, 8, 0.01) << "but for the least crease, which does not grow";
  owl.features.clear();
  EXPECT_EQ(HeadField(owl, 30).volumes(1).total(), HeadField(owl, 30).volumes(1).body);
}

TEST(HeadField, APlaceIsFoundOnItFromOutside) {
  const HeadPattern head = shippedHead("red_fox");
  const HeadField fox(head, 52);
  const auto nose = fox.hit(Vec3(52, 0, 0.02 * 52), {1, 0, 0});
  ASSERT_TRUE(nose);
  EXPECT_NEAR(nose->x(), 52.32, 0.1);
  const HeadEye& eye = head.eyes.front();
  const Vec3 axis(std::cos(eye.elevation) * std::cos(eye.azimuth),
                  std::cos(eye.elevation) * std::sin(eye.azimuth), std::sin(eye.elevation));
  const auto seen = fox.hit(eye.at * 52, axis);
  ASSERT_TRUE(seen);
  EXPECT_LT((*seen - Vec3(31.40, 6.46, 3.49)).norm(), 0.2);
  EXPECT_FALSE(fox.hit({20, 60, 0}, {1, 0, 0})) << "beside the head";
  for (const HeadPattern& each : shippedHeads()) {
    const HeadField field(each, 40);
    const auto front = field.hit(Vec3(0.5 * 40, 0, 0), {1, 0, 0});
    ASSERT_TRUE(front) << each.id;
    EXPECT_LT(std::abs(field.distance(*front)), 0.01) << each.id;
    const Vec3 near = field.onto(*front + 0.5 * field.normal(*front));
    EXPECT_LT(std::abs(field.distance(near)), 0.01) << each.id;
  }
}
