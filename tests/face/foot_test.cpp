// Soles: sizes, pads, and their drawing.
#include "../head/heads.h"
#include "anatomy/plane.h"
#include "face/foot.h"
#include "measure/disk.h"
#include "rules.h"
#include "sheet/sole_drawing.h"

#include <numbers>

using namespace columna;
using namespace columna::test;

TEST(Soles, APadWeighsAsHalfAnOval) {
  HeadPattern head = shippedHead("red_fox");
  head.feet = {};
  FootPattern foot;
  foot.length = foot.width = foot.height = 1;
  foot.colourStarts = 2.5;
  FootPad pad;
  pad.id = "ball";
  pad.shape = FootPadShape::Ellipse;
  pad.radii = Vec2(0.3, 0.2);
  pad.turn = 0.4;
  foot.pads = {pad};
  head.feet.hind = foot;
  const auto soles = solesOf(head, 50, 0.22e-3, rules());
  ASSERT_EQ(soles.size(), 1U);
  const SolePad& laid = soles[0].pads[0];
  EXPECT_NEAR(laid.length, 30, 0.1);
  EXPECT_NEAR(laid.width, 20, 0.1);
  EXPECT_NEAR(laid.thickness, 2.4, 0.02) << "0.12 of its width";
  EXPECT_NEAR(laid.grams, 0.22e-3 * std::numbers::pi / 8 * 30 * 20 * 2.4, 0.003);
  EXPECT_NEAR(soles[0].colourUp, 125, 1e-9);
  // In a flat foot it is laid shallower, in a tiny one it is a wisp.
  head.feet.hind->height = 0.1;
  EXPECT_NEAR(solesOf(head, 50, 0.22e-3, rules())[0].pads[0].thickness, 0.35 * 5, 1e-9);
  const auto tiny = solesOf(head, 5, 0.22e-3, rules());
  EXPECT_TRUE(tiny[0].pads[0].wisp);
}

TEST(Soles, GoByTheAnimalsSizeInLife) {
  const HeadPattern fox = shippedHead("red_fox");
  const Pattern& pattern = *shelf().pattern("red_fox");
  // A figure a tenth of life: a foot of 0.33 heads of 155 mm is a tenth of that.
  const double mmPerModule = pattern.lifeMm / pattern.lifeModules / 10;
  const auto soles = solesOf(fox, footScale(fox, pattern, mmPerModule), 0.22e-3, rules());
  EXPECT_NEAR(soles[0].length, 0.33 * 155 / 10, 1e-9);
}

TEST(Soles, PadsOfEveryShapeLieWithinTheirOval) {
  const double whole = areaOf(padShape(FootPadShape::Ellipse, Vec2(3, 2)));
  EXPECT_NEAR(whole, std::numbers::pi * 6, 0.07);
  for (const FootPadShape shape : {FootPadShape::Heart, FootPadShape::Crescent}) {
    EXPECT_LT(areaOf(padShape(shape, Vec2(3, 2))), whole);
    for (const Vec2& p : padShape(shape, Vec2(3, 2))) EXPECT_LE(p.cwiseQuotient(Vec2(3, 2)).norm(), 1 + 1e-9);
  }
  const auto drop = padShape(FootPadShape::Drop, Vec2(3, 2));
  double front = 0;
  double rear = 0;
  for (const Vec2& p : drop) (p.x() > 0 ? front : rear) = std::max(p.x() > 0 ? front : rear, std::abs(p.y()));
  EXPECT_LT(front, rear) << "narrower towards the claw";
}

TEST(Soles, OfEveryAnimalHoldTogether) {
  for (const HeadPattern& head : shippedHeads()) {
    const Pattern& pattern = *shelf().pattern(head.id);
    const double scale = footScale(head, pattern, 60);
    const auto soles = solesOf(head, scale, 0.22e-3, rules());
    ASSERT_FALSE(soles.empty()) << head.id;
    for (const Sole& sole : soles) {
      const std::string what = head.id + " " + sole.which;
      for (const SolePad& pad : sole.pads) {
        EXPECT_GT(pad.grams, 0) << what << " " << pad.pad->id;
        EXPECT_LE(pad.length, 1.6 * std::max(sole.length, sole.width)) << what << " " << pad.pad->id;
        EXPECT_LE(pad.thickness, 0.35 * sole.height + 1e-9) << what;
      }
      for (const SoleClaw& claw : sole.claws) EXPECT_EQ(claw.drawn, claw.length < 1.5) << what;
    }
    const Drawing drawing = soleDrawing(soles);
    for (const Layer2d& layer : drawing.layers)
      for (const DrawnLine& line : layer.lines)
        for (const Vec2& at : line.points)
          ASSERT_TRUE(at.x() >= drawing.low.x() - 1e-6 && at.x() <= drawing.high.x() + 1e-6 &&
                      at.y() >= drawing.low.y() - 1e-6 && at.y() <= drawing.high.y() + 1e-6)
              << head.id << " " << layer.name;
  }
}

TEST(Soles, TheRightOneIsTheLeftOnesMirrorImage) {
  const HeadPattern fox = shippedHead("red_fox");
  const Drawing drawing = soleDrawing(solesOf(fox, 60, 0.22e-3, rules()));
  const auto layer = std::find_if(drawing.layers.begin(), drawing.layers.end(),
                                  [](const Layer2d& l) { return l.name == "foot"; });
  ASSERT_EQ(layer->lines.size(), 4U) << "fore and hind, left and right";
  const auto& left = layer->lines[0].points;
  const auto& right = layer->lines[1].points;
  for (size_t i = 1; i < left.size(); ++i) {
    EXPECT_NEAR(left[i].x() - left[0].x(), right[0].x() - right[i].x(), 1e-9);
    EXPECT_EQ(left[i].y(), right[i].y());
  }
  // The toes lie in front, and the outer ones to the outside: seen from below at the left of a left foot.
  const auto soles = solesOf(fox, 60, 0.22e-3, rules());
  const auto& outer = soles[0].pads.back().outline;
  double middle = 0;
  for (const Vec2& p : outer) middle += p.y() / static_cast<double>(outer.size());
  EXPECT_GT(middle, 0);
}
