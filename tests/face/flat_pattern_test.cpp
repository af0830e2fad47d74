// Patterns of ears: their lines and what is laid for them.
#include "../head/heads.h"
#include "anatomy/plane.h"
#include "face/flat_pattern.h"
#include "measure/disk.h"
#include "rules.h"
#include "sheet/flat_drawing.h"

using namespace columna;
using namespace columna::test;

namespace {

/// A square ear of 0.5 modules, 0.06 thick.
HeadFlat square() {
  HeadFlat out;
  out.id = "ear";
  out.outline = {{0, 0}, {0, 0.5}, {0.5, 0.5}, {0.5, 0}};
  out.thickness = 0.06;
  out.lining = "pale";
  out.liningInset = 0.2;
  return out;
}

double distanceTo(const Vec2& p, const std::vector<Vec2>& outline) {
  double least = 1e9;
  for (size_t i = 0; i < outline.size(); ++i) {
    const Vec2& a = outline[i];
    const Vec2 run = outline[(i + 1) % outline.size()] - a;
    const double t = std::clamp((p - a).dot(run) / run.squaredNorm(), 0.0, 1.0);
    least = std::min(least, (a + t * run - p).norm());
  }
  return least;
}

} // namespace

TEST(FlatPattern, ASquareEarIsWhatOneWouldCutByHand) {
  // A head of 50 mm: an ear of 25 by 25, 3 mm thick.
  const FlatPattern p = flatPattern(square(), 50, 0.15e-3, false, rules());
  EXPECT_NEAR(p.area, 625, 1e-9);
  EXPECT_NEAR(p.grams, 625 * 3 * 0.15e-3, 1e-12);
  EXPECT_NEAR(p.layMass * 1e6, 340.3, 0.1) << "3.4 layers of 100 g/m2";
  EXPECT_NEAR(flatPattern(square(), 50, 0.22e-3, false, rules()).layMass * 1e6, 499, 0.5);
  EXPECT_LT(flatPattern(square(), 50, 0.22e-3, true, rules()).layMass, 0.499e-3)
      << "firm felt is laid larger";
  // A millimetre all round: four sides and a circle of corners.
  EXPECT_NEAR(areaOf(p.cut), 625 + 4 * 25 + 3.1416, 0.05);
  EXPECT_NEAR(p.baseAllowance, 9, 1e-9) << "three times its thickness";
  const double side = 25 * p.layFactor;
  EXPECT_NEAR(areaOf(p.lay), side * side + side * p.baseAllowance, 0.5);
  EXPECT_NEAR(p.layGrams, p.layMass * areaOf(p.lay), 1e-12);
  EXPECT_NEAR(areaOf(p.lining), 0.64 * 625, 1e-9);
}

TEST(FlatPattern, OfEveryAnimalTheLinesLieOneOutsideTheOther) {
  for (const HeadPattern& head : shippedHeads())
    for (const HeadFlat& flat : head.flats)
      for (const double length : {15.0, 120.0}) {
        const FlatPattern p = flatPattern(flat, length, 0.2e-3, true, rules());
        const std::string what = head.id + " " + flat.id;
        EXPECT_GT(areaOf(p.cut), p.area) << what;
        EXPECT_GT(areaOf(p.lay), 0.99 * p.area * p.layFactor * p.layFactor) << what;
        EXPECT_GE(p.baseAllowance, 8) << what;
        EXPECT_LE(p.baseAllowance, 15) << what;
        for (const Vec2& at : p.cut)
          EXPECT_NEAR(distanceTo(at, p.finished), rules().edgeNeedled, 0.06) << what;
        EXPECT_GT(p.layGrams, p.grams) << what << ": what runs out beyond the base is wool too";
      }
}

TEST(FlatPattern, IsDrawnLeftAndRightAtTrueSize) {
  const HeadFlat ear = square();
  const FlatPattern p = flatPattern(ear, 50, 0.15e-3, false, rules());
  const Drawing pair = flatDrawing(ear, p);
  std::map<std::string, const Layer2d*> layers;
  for (const Layer2d& layer : pair.layers) layers[layer.name] = &layer;
  ASSERT_EQ(layers["finished"]->lines.size(), 2U);
  const auto& left = layers["finished"]->lines[0].points;
  const auto& right = layers["finished"]->lines[1].points;
  for (size_t i = 1; i < left.size(); ++i) {
    const Vec2 l = left[i] - left[0];
    const Vec2 r = right[i] - right[0];
    EXPECT_NEAR(l.x(), -r.x(), 1e-9) << "mirrored";
    EXPECT_NEAR(l.y(), r.y(), 1e-9);
    EXPECT_NEAR((left[i] - left[i - 1]).norm(), 25, 1e-9) << "true to size";
  }
  for (const Layer2d& layer : pair.layers)
    for (const DrawnLine& line : layer.lines)
      for (const Vec2& at : line.points)
        EXPECT_TRUE(at.x() >= pair.low.x() - 1e-6 && at.x() <= pair.high.x() + 1e-6 &&
                    at.y() >= pair.low.y() - 1e-6 && at.y() <= pair.high.y() + 1e-6)
            << layer.name;
  // The two keep clear of each other.
  double most = -1e9;
  double least = 1e9;
  for (const Vec2& at : layers["lay"]->lines[0].points) most = std::max(most, at.x());
  for (const Vec2& at : layers["lay"]->lines[1].points) least = std::min(least, at.x());
  EXPECT_NEAR(least - most, 12, 1e-6);
  HeadFlat single = ear;
  single.twin = false;
  EXPECT_LT(flatDrawing(single, p).high.x(), pair.high.x());
}
