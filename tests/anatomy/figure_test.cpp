#include "anatomy/outline.h"
#include "anatomy/plane.h"
#include "support.h"

#include <cmath>
#include <limits>

using namespace columna;
using namespace columna::test;

namespace {

Figure figureOf(const Pattern& pattern, SizeBy by, double mm) {
  auto made = makeFigure(pattern, {by, mm});
  EXPECT_TRUE(made.ok());
  return std::move(made).value();
}

double area(const std::vector<Polygon>& polygons) {
  double total = 0;
  for (const Polygon& p : polygons)
    for (size_t i = 0, j = p.size() - 1; i < p.size(); j = i++)
      total += (p[j].x() * p[i].y() - p[i].x() * p[j].y()) / 2;
  return total;
}

} // namespace

TEST(Figure, IsAsLargeAsAskedInEachMeasure) {
  for (const Pattern& p : animals()) {
    EXPECT_NEAR(figureOf(p, SizeBy::OverallHeight, 160).overallHeight, 160, 1e-9) << p.id;
    EXPECT_NEAR(figureOf(p, SizeBy::ShoulderHeight, 95).shoulderHeight, 95, 1e-9) << p.id;
    EXPECT_NEAR(figureOf(p, SizeBy::BodyLength, 200).bodyLength, 200, 1e-9) << p.id;
  }
}

TEST(Figure, TwiceAsHighIsTwiceEveryBone) {
  for (const Pattern& p : animals()) {
    const Figure small = figureOf(p, SizeBy::OverallHeight, 120);
    const Figure large = figureOf(p, SizeBy::OverallHeight, 240);
    for (size_t i = 0; i < small.bones.size(); ++i)
      EXPECT_DOUBLE_EQ(large.bones[i].length, 2 * small.bones[i].length) << p.id << ' ' << small.bones[i].id;
  }
}

TEST(Figure, TwinsAreMirrorsToTheLastBit) {
  for (const Pattern& p : animals()) {
    const Figure f = figureOf(p, SizeBy::OverallHeight, 137);
    for (const FigureBone& b : f.bones) {
      if (b.twin < 0) continue;
      const FigureBone& t = f.bones[static_cast<size_t>(b.twin)];
      EXPECT_EQ(b.length, t.length);
      EXPECT_EQ(b.begin.x(), t.begin.x());
      EXPECT_EQ(b.begin.y(), -t.begin.y());
      EXPECT_EQ(b.end.z(), t.end.z());
      EXPECT_EQ(f.bones[static_cast<size_t>(t.twin)].id, b.id);
    }
    for (const FigureLimb& l : f.limbs)
      if (l.twin >= 0) {
        EXPECT_EQ(l.length, f.limbs[static_cast<size_t>(l.twin)].length);
      }
  }
}

TEST(Figure, StandsOnTheGround) {
  for (const Pattern& p : animals()) {
    const Figure f = figureOf(p, SizeBy::OverallHeight, 160);
    double lowest = 1e9;
    for (const Polygon& polygon : silhouette(f, View::Side))
      for (const Vec2& at : polygon) lowest = std::min(lowest, at.y());
    EXPECT_NEAR(lowest, 0, 0.02 * 160) << p.id;
  }
}

TEST(Figure, RefusesSizesNoFigureHas) {
  const Pattern& otter = *shelf().pattern("river_otter");
  for (const double mm : {0.0, -5.0, 5e6, 1.0, std::nan(""), std::numeric_limits<double>::infinity()}) {
    const auto made = makeFigure(otter, {SizeBy::OverallHeight, mm});
    ASSERT_FALSE(made.ok()) << mm;
    EXPECT_NE(made.problem().sentence().find("height"), std::string::npos);
  }
}

TEST(Figure, HasTheLimbIdsThatOthersRelyOn) {
  const Figure otter = figureOf(*shelf().pattern("river_otter"), SizeBy::OverallHeight, 160);
  for (const char* id :
       {"head", "neck", "trunk", "left-foreleg", "right-foreleg", "left-hindleg", "right-hindleg", "tail"})
    EXPECT_TRUE(otter.limb(id).has_value()) << id;
  EXPECT_FALSE(otter.limb("left-wing").has_value());
}

TEST(Outline, OfARodIsItsRectangle) {
  const auto rod = readPattern(rodPattern(10, 2, 2, 2, 2), "rod.json");
  ASSERT_TRUE(rod.ok()) << rod.problem().sentence();
  const Figure f = figureOf(*rod, SizeBy::OverallHeight, 60); // the rod's top lies at 6 modules
  EXPECT_NEAR(f.scale, 10, 1e-9);
  EXPECT_NEAR(area(outline(f, {0}, View::Side)), 100 * 20, 2);
  EXPECT_NEAR(area(outline(f, {0}, View::Above)), 100 * 20, 2);
  EXPECT_NEAR(area(outline(f, {0}, View::Front)), M_PI * 100, 4) << "an end on is its round section";
  EXPECT_NEAR(area(outline(f, {0}, View::Side, 3)), 94 * 14, 3) << "three mm off all round";
  EXPECT_TRUE(outline(f, {0}, View::Side, 11).empty())
      << "nothing is left of a rod under a coat thicker than it";
}

TEST(Outline, HasNoSlitsOrSpikes) {
  for (const Pattern& p : animals()) {
    const Figure f = figureOf(p, SizeBy::OverallHeight, 160);
    for (const View view : {View::Side, View::Front, View::Above}) {
      const auto all = silhouette(f, view);
      ASSERT_FALSE(all.empty());
      // One outer contour holds nearly everything; what is beside it would be crumbs.
      double largest = 0;
      for (const Polygon& each : all) largest = std::max(largest, area({each}));
      EXPECT_GT(largest, 0.97 * area(all)) << p.id;
    }
  }
}

TEST(Outline, UnderTheHandIsNearTheOneAtRest) {
  for (const Pattern& p : animals()) {
    const Figure f = figureOf(p, SizeBy::OverallHeight, 160);
    for (const View view : {View::Side, View::Front, View::Above}) {
      const auto fine = silhouette(f, view);
      const auto rough = roughSilhouette(f, view, 14);
      EXPECT_NEAR(area(rough) / area(fine), 1, 0.06) << p.id;
      Bounds2 a;
      Bounds2 b;
      for (const Polygon& each : fine) a.take(each);
      for (const Polygon& each : rough) b.take(each);
      const double most = 0.015 * a.size().maxCoeff();
      EXPECT_NEAR(a.size().x(), b.size().x(), most) << p.id;
      EXPECT_NEAR(a.size().y(), b.size().y(), most) << p.id;
    }
  }
}

TEST(Tube, PchipNeitherOvershootsNorMissesItsPoints) {
  const std::vector<double> x{0, 0.3, 0.5, 1};
  const std::vector<double> y{2, 2, 5, 1};
  for (size_t i = 0; i < x.size(); ++i) EXPECT_DOUBLE_EQ(pchip(x, y, x[i]), y[i]);
  for (double t = 0; t <= 1; t += 0.01) {
    EXPECT_GE(pchip(x, y, t), 1 - 1e-12);
    EXPECT_LE(pchip(x, y, t), 5 + 1e-12);
  }
  EXPECT_DOUBLE_EQ(pchip(x, y, -3), 2);
  EXPECT_DOUBLE_EQ(pchip(x, y, 7), 1);
}

TEST(Tube, EllipsePerimeterIsRight) {
  EXPECT_NEAR(ellipsePerimeter(10, 10), 2 * M_PI * 10, 1e-9);
  EXPECT_NEAR(ellipsePerimeter(20, 10), 96.88448, 1e-4); // complete elliptic integral
  EXPECT_NEAR(ellipsePerimeter(5, 1), 21.01004, 2e-3);
}
