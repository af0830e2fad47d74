// A head under the character dials.
#include "head/dialled.h"
#include "head/head_field.h"
#include "heads.h"

using namespace columna;
using namespace columna::test;

TEST(Dialled, AMuzzleIsShortenedInFrontOfTheBrowWithoutAKink) {
  const MuzzleWarp warp{0.6, 0.8};
  EXPECT_EQ(warp(0.5), 0.5);
  EXPECT_NEAR(warp(0.6), 0.596, 1e-12);
  EXPECT_NEAR(warp(0.9), 0.84, 1e-12);
  for (const double x : {0.52, 0.68}) {
    const double e = 1e-7;
    EXPECT_NEAR((warp(x + e) - warp(x)) / e, (warp(x) - warp(x - e)) / e, 1e-5);
    EXPECT_NEAR(warp.slope(x), (warp(x + e) - warp(x - e)) / (2 * e), 1e-6);
  }
}

TEST(Dialled, AtRestAHeadIsTheSameToTheLastBit) {
  for (const HeadPattern& head : shippedHeads()) {
    const HeadField plain(head, 50);
    const HeadField same(dialled(head, Character()), 50);
    for (const Vec3& p : scattered(plain.low(), plain.high(), 30))
      ASSERT_EQ(plain.distance(p), same.distance(p));
  }
}

TEST(Dialled, EveryHeadCanBeYoungAndToyAndOld) {
  for (const double age : {0.5, 1.0, 2.0})
    for (const HeadPattern& head : shippedHeads()) {
      const HeadPattern young = dialled(head, characterAt(age));
      for (size_t i = 1; i < young.body.stations.size(); ++i)
        ASSERT_GT(young.body.stations[i].x, young.body.stations[i - 1].x) << head.id;
      EXPECT_GT(young.eyes.front().diameter, head.eyes.front().diameter);
      EXPECT_LT(young.eyes.front().at.z(), head.eyes.front().at.z()) << head.id;
      EXPECT_EQ(young.eyes.front().at.x(), head.eyes.front().at.x());
      EXPECT_GT(HeadField(young, 50).volumes(2).total(), 0) << head.id;
      EXPECT_LT(HeadBody(young.body).front(), HeadBody(head.body).front()) << head.id;
    }
}
