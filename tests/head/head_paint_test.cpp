// Colours of a head where they are, and its hair.
#include "head/head_paint.h"

#include "head/hair_strokes.h"
#include "heads.h"

#include <gtest/gtest.h>

#include <set>

namespace columna::test {
namespace {

constexpr Colour kCoat = 0x123456;

TEST(HeadPaint, MixesAndReadsColours) {
  EXPECT_EQ(mixed(0x000000, 0xffffff, 0), 0x000000U);
  EXPECT_EQ(mixed(0x000000, 0xffffff, 1), 0xffffffU);
  EXPECT_EQ(mixed(0x102030, 0x304050, 0.5), 0x203040U);
  const HeadPattern fox = shippedHead("red_fox");
  EXPECT_EQ(paletteColour(fox, "no such name"), paletteColour(fox, fox.base));
}

TEST(HeadPaint, AFoxIsWhiteUnderTheChinAndDarkAtTheNose) {
  const HeadPattern fox = shippedHead("red_fox");
  const HeadPaint paint(fox, {}, 52);
  const HeadField field(fox, 52);
  const auto light = [](Colour c) { return ((c >> 16U) & 0xffU) + ((c >> 8U) & 0xffU) + (c & 0xffU); };
  const auto at = [&](const Vec3& inside, const Vec3& way) {
    const Vec3 p = *field.hit(52 * inside, way);
    return paint.skin(p, field.normal(p), kCoat);
  };
  EXPECT_GT(light(at({0.75, 0, 0}, -Vec3::UnitZ())), 550U); // chin
  EXPECT_LT(light(at({1.0, 0, fox.nose.at.z()}, Vec3::UnitX())), 250U);
  EXPECT_EQ(at({0.35, 0, 0}, Vec3::UnitZ()), kCoat); // the crown is the coat's
}

TEST(HeadPaint, IsAlikeOnBothSides) {
  for (const HeadPattern& head : shippedHeads()) {
    const HeadPaint paint(head, {}, 60);
    int other = 0;
    for (const Vec3& p : scattered(paint.field().low(), paint.field().high(), 60)) {
      const Vec3 on = paint.field().onto(p);
      const Vec3 n = paint.field().normal(on);
      other +=
          paint.skin(on, n, kCoat) != paint.skin({on.x(), -on.y(), on.z()}, {n.x(), -n.y(), n.z()}, kCoat)
              ? 1
              : 0;
    }
    // A patch that is one side's own is the exception.
    const bool oneSided = std::any_of(head.patches.begin(), head.patches.end(),
                                      [](const HeadPatch& patch) { return !patch.both; });
    if (oneSided) continue;
    EXPECT_EQ(other, 0) << head.id;
  }
}

TEST(HeadPaint, AnEyeHasItsPupilInTheMiddleAndItsRimAtTheEdge) {
  for (const HeadPattern& head : shippedHeads()) {
    const HeadPaint paint(head, {}, 60);
    ASSERT_EQ(paint.eyes().size(), head.eyes.size()) << head.id;
    for (const EyeBall& ball : paint.eyes()) {
      const HeadEye& e = head.eyes[ball.index];
      EXPECT_NEAR(2 * ball.radius, 60 * e.diameter, 1e-9) << head.id;
      // Sunk half, its middle lies on the skin.
      EXPECT_LT(paint.away(ball.centre), ball.radius) << head.id;
      if (e.pupil != PupilShape::None) {
        EXPECT_EQ(paint.eye(ball, ball.axis), 0x17120FU) << head.id;
      }
      const Vec3 edge = (0.1 * ball.axis + ball.axis.unitOrthogonal()).normalized();
      EXPECT_EQ(paint.eye(ball, edge), e.rim.empty() ? 0x17120FU : paint.named(e.rim)) << head.id;
    }
  }
}

TEST(HeadPaint, HairIsTheSameEveryTimeAndOnBothSides) {
  std::set<std::string> with;
  for (const HeadPattern& head : shippedHeads()) {
    const HeadField field(head, 60);
    const auto strokes = hairStrokes(head, field, -Vec3::UnitZ());
    const auto again = hairStrokes(head, field, -Vec3::UnitZ());
    ASSERT_EQ(strokes.size(), again.size());
    size_t wanted = 0;
    for (const HeadHair& hair : head.hair) wanted += static_cast<size_t>(hair.count) * (hair.twin ? 2 : 1);
    EXPECT_EQ(strokes.size(), wanted) << head.id;
    for (size_t i = 0; i < strokes.size(); ++i) {
      ASSERT_EQ(strokes[i].points, again[i].points) << head.id;
      const HeadHair& hair = head.hair[strokes[i].hair];
      double length = 0;
      for (size_t k = 0; k + 1 < strokes[i].points.size(); ++k)
        length += (strokes[i].points[k + 1] - strokes[i].points[k]).norm();
      if (!hair.at && !hair.lies) {
        EXPECT_GT(length, 60 * hair.length * 0.8) << head.id;
        EXPECT_LT(length, 60 * hair.length * 1.2) << head.id;
      }
    }
    if (!strokes.empty()) with.insert(head.id);
  }
  EXPECT_GT(with.size(), animals().size() / 3);
}

TEST(HeadPaint, HairReachHoldsEveryStrokeThatStandsOut) {
  size_t checked = 0;
  for (const HeadPattern& head : shippedHeads()) {
    const std::vector<Vec3> reach = hairReach(head, 60);
    if (reach.empty()) continue;
    Vec3 low = reach.front();
    Vec3 high = low;
    for (const Vec3& p : reach) {
      low = low.cwiseMin(p);
      high = high.cwiseMax(p);
    }
    EXPECT_EQ(low.y(), -high.y()) << head.id; // no head's hair stands on one side only
    for (const HairStroke& stroke : hairStrokes(head, HeadField(head, 60), Vec3::Zero())) {
      const HeadHair& hair = head.hair[stroke.hair];
      if (hair.kind == HairKind::Mane || hair.kind == HairKind::Whiskers || hair.kind == HairKind::Lashes ||
          hair.at)
        continue;
      // A stroke is up to 15 % longer than laid, and spreads.
      const double off = 60 * hair.length * (0.2 + 2 * hair.spread) + 2;
      for (const Vec3& p : stroke.points) {
        EXPECT_TRUE((p.array() >= low.array() - off).all() && (p.array() <= high.array() + off).all())
            << head.id << ' ' << hair.id << ' ' << p.transpose();
        ++checked;
      }
    }
  }
  EXPECT_GT(checked, 1000U);
}

} // namespace
} // namespace columna::test
