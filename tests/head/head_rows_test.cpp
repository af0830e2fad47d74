// Where a head's hair is rooted, and in which order it is laid.
#include "head/head_rows.h"
#include "head/variant.h"

#include "heads.h"

#include <numbers>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

HeadHair ring(double inner, double flat) {
  HeadHair hair;
  hair.id = "ring";
  hair.kind = HairKind::Disc;
  hair.at = Vec3(0.6, 0.1, 0.1);
  hair.inner = inner;
  hair.flat = flat;
  hair.length = 0.1;
  hair.width = 0.02;
  hair.count = 12;
  return hair;
}

HeadPattern haired(std::vector<HeadHair> hair) {
  HeadPattern head = shippedHead("red_fox");
  head.hair = std::move(hair);
  return head;
}

} // namespace

TEST(HeadRows, ARingIsAsLongAsItIsRound) {
  const HeadPattern head = haired({ring(0.1, 1), ring(0.1, 0.5), ring(0.1, 0)});
  std::multiset<double> roots;
  for (const HeadRow& row : rowsOf(head, HeadField(head, 50))) roots.insert(row.root);
  auto at = roots.begin();
  EXPECT_NEAR(*at++, 0.4, 4.1e-4 * 0.4);     // flat: there and back
  EXPECT_NEAR(*at++, 0.1 * 4.8442241, 1e-6); // 4 E(sqrt(3)/2), by tables of the elliptic integral
  EXPECT_NEAR(*at, 0.2 * std::numbers::pi, 1e-12);
}

TEST(HeadRows, TheWiderOfTwoRingsIsLaidFirst) {
  HeadHair inner = ring(0.05, 1);
  inner.id = "inner";
  HeadHair outer = ring(0.12, 1);
  outer.id = "outer";
  const HeadPattern head = haired({inner, outer});
  EXPECT_EQ(rowsOf(head, HeadField(head, 50)).front().id, "outer");
}

TEST(HeadRows, RunFromBehindForwardsAndDoNotChangeWithTheSize) {
  for (const HeadPattern& head : shippedHeads()) {
    const auto small = rowsOf(head, HeadField(head, 40));
    const auto large = rowsOf(head, HeadField(head, 120));
    size_t laid = 0;
    for (const HeadHair& hair : head.hair) laid += laidRows(hair).size();
    ASSERT_EQ(small.size(), laid) << head.id;
    for (size_t i = 0; i < small.size(); ++i) {
      EXPECT_EQ(small[i].id, large[i].id) << head.id;
      EXPECT_NEAR(small[i].root, large[i].root, 1e-3 * large[i].root) << head.id << small[i].id;
      EXPECT_GT(small[i].root, 0) << head.id << small[i].id;
      if (i > 0) {
        EXPECT_GE(small[i].at, small[i - 1].at) << head.id;
      }
    }
  }
}

TEST(HeadRows, WhatIsRootedOnTheHeadIsMeasuredRoundIt) {
  HeadHair hair;
  hair.id = "brow";
  hair.line = {{0.45, -0.08, 0.3}, {0.45, 0.08, 0.3}};
  hair.direction = {{0, 0, 1}};
  hair.length = 0.1;
  hair.count = 10;
  hair.onSurface = false;
  const HeadPattern straight = haired({hair});
  hair.onSurface = true;
  const HeadPattern round = haired({hair});
  const double off = rowsOf(straight, HeadField(straight, 50)).front().root;
  const double on = rowsOf(round, HeadField(round, 50)).front().root;
  EXPECT_NEAR(off, 0.16, 1e-12);
  EXPECT_LT(on, off) << "pulled in on to the brow";
  EXPECT_GT(on, 0.05);
}
