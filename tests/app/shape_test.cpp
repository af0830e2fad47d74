// Outlines that are kept: made anew only when what they are of has changed.
#include "mat/shape.h"
#include "support.h"

using namespace columna;
using namespace columna::test;

namespace {

Figure fox(double height, double head = 1) {
  Pattern pattern = *shelf().pattern("red_fox");
  Shape shape;
  shape.character.head = head;
  return makeFigure(shaped(pattern, shape), {SizeBy::OverallHeight, height, {}}).value();
}

} // namespace

TEST(KeptOutlines, AnotherSizeHasTheSameOutlineAndAnotherCore) {
  Shapes shapes;
  const Figure small = fox(100);
  const ViewShape& first = shapes.of(small, 2, View::Side);
  const QPainterPath near = first.near;
  const QPainterPath core = first.core();
  const Figure large = fox(200);
  const ViewShape& second = shapes.of(large, 2, View::Side);
  EXPECT_EQ(&first, &second) << "the very same, not made again";
  EXPECT_EQ(second.near, near);
  EXPECT_NE(second.core(), core) << "the same coat is less of it";
  EXPECT_GT(second.core().boundingRect().height(), core.boundingRect().height());
  // With a coat that grew along, all is as it was.
  EXPECT_EQ(shapes.of(large, 4, View::Side).core(), core);
}

TEST(KeptOutlines, AThinnerCoatLeavesMoreCoreOfEveryLimb) {
  Shapes shapes;
  const Figure f = fox(160);
  for (int l = 0; l < static_cast<int>(f.limbs.size()); ++l) {
    const QRectF thick = shapes.limb(f, 3, View::Side, l).core().boundingRect();
    const QRectF thin = shapes.limb(f, 1, View::Side, l).core().boundingRect();
    const QRectF whole = shapes.limb(f, 1, View::Side, l).outline.boundingRect();
    EXPECT_LE(thick.width(), thin.width() + 1e-9) << f.limbs[static_cast<size_t>(l)].id;
    EXPECT_LE(thin.width(), whole.width() + 1e-9) << f.limbs[static_cast<size_t>(l)].id;
  }
}

TEST(KeptOutlines, AnotherHeadMakesTheHeadAnewAndKeepsTheTail) {
  Shapes shapes;
  const Figure before = fox(160);
  const auto head = *before.limb("head");
  const auto tail = *before.limb("tail");
  const QPainterPath headWas = shapes.limb(before, 2, View::Side, head).outline;
  const QPainterPath tailWas = shapes.limb(before, 2, View::Side, tail).outline;
  const Figure after = fox(160, 1.4);
  EXPECT_NE(shapes.limb(after, 2, View::Side, head).outline, headWas);
  EXPECT_EQ(shapes.limb(after, 2, View::Side, tail).outline.elementCount(), tailWas.elementCount());
}

TEST(KeptOutlines, UnderTheHandItIsCoarseInThatViewAndFineAgainAfter) {
  Shapes shapes;
  const Figure still = fox(160);
  (void)shapes.of(still, 2, View::Side);
  const QPainterPath front = shapes.of(still, 2, View::Front).near;
  shapes.follow(View::Side);
  EXPECT_TRUE(shapes.coarse());
  const Figure moved = fox(160, 1.2);
  const int head = *moved.limb("head");
  const QRectF quick = shapes.of(moved, 2, View::Side).bounds;
  EXPECT_TRUE(shapes.limb(moved, 2, View::Side, head).coarse);
  EXPECT_FALSE(shapes.limb(moved, 2, View::Side, *moved.limb("tail")).coarse) << "it has not changed";
  EXPECT_EQ(shapes.of(moved, 2, View::Front).near, front) << "the others wait";
  shapes.follow(std::nullopt);
  EXPECT_FALSE(shapes.coarse());
  const QRectF fine = shapes.of(moved, 2, View::Side).bounds;
  EXPECT_FALSE(shapes.limb(moved, 2, View::Side, head).coarse);
  EXPECT_NEAR(fine.width(), quick.width(), 0.02 * fine.width()) << "quick is not far off";
  EXPECT_NE(shapes.of(moved, 2, View::Front).near, front);
}

TEST(KeptOutlines, TheCoreUnderTheHandIsOfOnePieceToo) {
  for (const char* animal : {"red_fox", "dragon", "river_otter"}) {
    const Pattern* pattern = shelf().pattern(animal);
    ASSERT_TRUE(pattern) << animal;
    const Figure f = figureAtScale(*pattern, 160 / inModules(*pattern).overallHeight);
    Shapes shapes;
    const ViewShape fine = shapes.of(f, 2.5, View::Side);
    Shapes thicker; // well inside of the core: its edge may be a little off
    const ViewShape inner = thicker.of(f, 4, View::Side);
    Shapes quick;
    quick.follow(View::Side);
    const ViewShape coarse = quick.of(f, 2.5, View::Side);
    const QRectF all = fine.bounds;
    int core = 0;
    int missed = 0;
    int beyond = 0;
    const double step = all.height() / 120;
    for (double x = all.left(); x < all.right(); x += step)
      for (double y = all.top(); y < all.bottom(); y += step) {
        const QPointF at(x, y);
        const bool in = inner.core().contains(at);
        core += in ? 1 : 0;
        missed += in && !coarse.core().contains(at) ? 1 : 0;
        beyond += coarse.core().contains(at) && !fine.near.contains(at) ? 1 : 0;
      }
    EXPECT_GT(core, 500) << animal;
    EXPECT_LT(missed, 0.01 * core) << animal << ": a stripe where limb meets limb";
    EXPECT_LT(beyond, 0.01 * core) << animal;
  }
}

TEST(KeptOutlines, EveryLimbIsFoundByAPlaceInIt) {
  Shapes shapes;
  const Figure f = fox(160);
  for (const View view : {View::Side, View::Front, View::Above}) {
    int found = 0;
    for (int l = 0; l < static_cast<int>(f.limbs.size()); ++l) {
      const FigureBone& bone = f.bones[static_cast<size_t>(f.limbs[static_cast<size_t>(l)].bones.back())];
      const Vec2 middle = project(Vec3((bone.begin + bone.end) / 2), view) / f.scale;
      const int at = shapes.limbAt(f, 2, view, QPointF(middle.x(), middle.y()));
      EXPECT_GE(at, 0) << f.limbs[static_cast<size_t>(l)].id;
      found += at == l ? 1 : 0;
    }
    EXPECT_GE(found, 3);
    EXPECT_EQ(shapes.limbAt(f, 2, view, QPointF(1e4, 1e4)), -1);
  }
}
