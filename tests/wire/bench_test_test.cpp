// Bench tests and the printed sums of wire.
#include "wire/allowance.h"
#include "wire/bench_test.h"
#include "wire/layer.h"
#include "wire/section.h"

#include <gtest/gtest.h>

#include <cmath>

using namespace columna;

TEST(BenchTests, DiameterByTurns) {
  const auto d = diameterByTurns(20, 16.4);
  ASSERT_TRUE(d.ok());
  EXPECT_NEAR(d->value, 0.82, 1e-9);
  EXPECT_NEAR(d->high - d->low, 2 * 0.5 / 20, 1e-9);
  EXPECT_FALSE(diameterByTurns(2, 2).ok());
  EXPECT_FALSE(diameterByTurns(20, 0).ok());
}

TEST(BenchTests, YieldByHangingMass) {
  // 6 m g L/d^3: 10 g at 60 mm of 1 mm wire.
  const auto y = yieldByHangingMass(10, 60, 1);
  ASSERT_TRUE(y.ok());
  EXPECT_NEAR(y->value, 6 * 0.010 * 9.81 * 60, 0.05);
  EXPECT_LT(y->low, y->value);
  EXPECT_GT(y->high / y->value, 1.1) << "the error of the mass is a tenth, the diameter's counts three times";
  const auto rough = yieldByHangingMass(10, 60, 1, 0.1);
  EXPECT_GT(rough->high, y->high);
  EXPECT_FALSE(yieldByHangingMass(0, 60, 1).ok());
  EXPECT_FALSE(yieldByHangingMass(10, 60, 0.01).ok()) << "no wire yields at that";
}

TEST(Splice, TurnsToFullStrength) {
  EXPECT_NEAR(spliceTurns(4, 0.35), 2.0, 0.05);
  EXPECT_NEAR(spliceTurns(5, 0.35), 2.6, 0.05);
  EXPECT_NEAR(spliceTurns(6, 0.25), 4.6, 0.05);
  EXPECT_NEAR(spliceTurns(6, 0.35), 3.3, 0.05);
  EXPECT_NEAR(spliceTurns(8, 0.5), 3.3, 0.05);
  EXPECT_EQ(spliceOverlap(1, false), 30);
  EXPECT_EQ(spliceOverlap(0.4, false), 15);
  EXPECT_EQ(spliceOverlap(1, true), 50);
}

TEST(Springback, PrintedTable) {
  const auto degrees = [](double sigma, double elastic, double radius) {
    return 90 / springback(sigma, elastic, radius + 0.5, 1) - 90;
  };
  EXPECT_NEAR(degrees(34, 69000, 2), 0.38, 0.006);
  EXPECT_NEAR(degrees(80, 69000, 5), 1.99, 0.006);
  EXPECT_NEAR(degrees(190, 117000, 10), 5.53, 0.02);
  EXPECT_NEAR(degrees(330, 205000, 5), 2.79, 0.006);
  EXPECT_NEAR(degrees(220, 205000, 10), 3.58, 0.006);
}

TEST(FourStrands, AreAPairTwistedTwice) {
  WireSection pair;
  pair.material.strandsPerWire = 1;
  pair.diameter = 0.644;
  pair.wires = 2;
  WireSection four = pair;
  four.wires = 4;
  EXPECT_NEAR(four.lengthFactor(), pair.lengthFactor() * pair.lengthFactor(), 1e-12);
  EXPECT_NEAR(4 * 32 * four.lengthFactor(), 163, 0.5);
  EXPECT_GT(four.capacity(60), 1.9 * pair.capacity(60));
}
