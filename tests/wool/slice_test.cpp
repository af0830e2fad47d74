// A limb cut across: what tape and callipers read.
#include "solid/slice.h"
#include "support.h"
#include "wool/straight.h"

#include <algorithm>
#include <numbers>

using namespace columna;
using namespace columna::test;

TEST(Slices, ReadWhatATapeReads) {
  const Figure f = figureOf({{80, 20, 10, 20, 10, 0}});
  const WoolField field(f, 0);
  const Slice whole = sliceOf(field, {40, 0, 0}, {0, 1, 0}, {0, 0, 1}, 20);
  EXPECT_NEAR(whole.tape, ellipsePerimeter(20, 10), 2e-3 * whole.tape);
  EXPECT_NEAR(whole.across, 40, 0.05);
  EXPECT_NEAR(whole.deep, 20, 0.05);
  const Slice core = sliceOf(field, {40, 0, 0}, {0, 1, 0}, {0, 0, 1}, 20, 3);
  const Slice exact = offsetEllipse(20, 10, 3);
  EXPECT_NEAR(core.tape, exact.tape, 2e-3 * exact.tape);
  EXPECT_NEAR(exact.tape, ellipsePerimeter(20, 10) - 6 * std::numbers::pi, 1e-3 * exact.tape)
      << "an offset's perimeter";
  // Beyond the least radius of curvature the offset has corners and is shorter across than 2 (a - c).
  const Slice deep = offsetEllipse(20, 10, 8);
  EXPECT_LT(deep.across, 24 - 0.5);
  EXPECT_NEAR(deep.deep, 4, 0.05);
  EXPECT_EQ(offsetEllipse(20, 10, 10).tape, 0);
  EXPECT_TRUE(sliceOf(field, {200, 0, 0}, {0, 1, 0}, {0, 0, 1}, 20).outline.empty());
}

TEST(Slices, ATapeDoesNotFollowHollows) {
  // Two rods side by side: the tape spans the valley between them.
  const Figure f =
      figureOf({{80, 10, 10, 10, 10, 0, 1, Vec3(0, 9, 0)}, {80, 10, 10, 10, 10, 0, 1, Vec3(0, -9, 0)}});
  const Slice s = sliceOf(WoolField(f, 0), {40, 0, 0}, {0, 1, 0}, {0, 0, 1}, 15);
  EXPECT_NEAR(s.tape, 2 * std::numbers::pi * 10 + 2 * 18, 0.3);
}

TEST(Slices, OnACleanOvalATapeReadsItsPerimeter) {
  const auto tapes = tapeShares(figureOf({{80, 20, 10, 20, 10, 0}}), 3);
  for (const TapeShare& t : tapes[0])
    for (const double share : {t.finished, t.across, t.deep, t.felted, t.coreAcross, t.coreDeep})
      EXPECT_NEAR(share, 1, 2e-3);
}

TEST(Slices, BesideABendTheCutIsFullerAndOnARoundedEndLess) {
  double most = 1;
  double least = 1;
  for (const Pattern& p : animals()) {
    const Figure f = makeFigure(p, {SizeBy::OverallHeight, 160}).value();
    const auto tapes = tapeShares(f, f.coatThickness);
    ASSERT_EQ(tapes.size(), f.bones.size());
    for (size_t b = 0; b < tapes.size(); ++b)
      for (size_t k = 0; k < 2; ++k) {
        if (!f.bones[b].wire) continue; // no tape goes round a horn
        const TapeShare& t = tapes[b][k];
        most = std::max(most, t.finished);
        least = std::min(least, t.finished);
        EXPECT_GT(t.finished, 0.8) << p.id << ' ' << f.bones[b].id;
        EXPECT_LE(t.finished, 1.15) << p.id << ' ' << f.bones[b].id;
        if (const int twin = f.bones[b].twin; f.symmetric && twin >= 0) {
          EXPECT_EQ(t.finished, tapes[static_cast<size_t>(twin)][k].finished);
          EXPECT_EQ(t.felted, tapes[static_cast<size_t>(twin)][k].felted);
        }
      }
  }
  EXPECT_GT(most, 1.02) << "some limb bends";
  EXPECT_LT(least, 0.97) << "some limb ends round";
  // Twice the size, the same shares.
  const Pattern& otter = *shelf().pattern("river_otter");
  const Figure one = makeFigure(otter, {SizeBy::OverallHeight, 100}).value();
  const Figure two = makeFigure(otter, {SizeBy::OverallHeight, 200}).value();
  const auto a = tapeShares(one, 2);
  const auto b = tapeShares(two, 4);
  for (size_t i = 0; i < a.size(); ++i) EXPECT_NEAR(a[i][0].felted, b[i][0].felted, 2e-3) << one.bones[i].id;
}
