// The wire in an ear: when it is needed, how thick, how long.
#include "judge/flat_wire.h"

#include "../head/heads.h"
#include "hold/gauge_rule.h"

#include <array>
#include <cmath>
#include <numbers>

namespace columna::test {
namespace {

HeadPattern oneEar(double tall, double wide, FlatStands stands) {
  HeadPattern head = shippedHead("red_fox");
  HeadFlat ear = head.flats.front();
  ear.outline = {{-wide / 2, 0}, {-wide / 2, tall}, {wide / 2, tall}, {wide / 2, 0}};
  ear.stands = stands;
  ear.cup = 0;
  ear.thickness = 0.04;
  head.flats = {ear};
  return head;
}

std::vector<FlatWire> wiresOf(const HeadPattern& head, double length, const Material& material) {
  const FaceReport report = faceReport(head, length, 0.2e-3, shelf().face);
  return flatWires(report, 0.2e-3, material, shelf().pose, shelf().face);
}

TEST(FlatWire, HoldsItsEarLevelAsTheClosedFormSays) {
  const Material& material = *shelf().material("copper-soft");
  const auto wires = wiresOf(oneEar(0.6, 0.3, FlatStands::Wire), 50, material);
  ASSERT_EQ(wires.size(), 1U);
  // 30 by 15 by 2 mm of felt: 0.18 g at 15 mm on two runs, twice over at the stress of a set under one
  // degree.
  const double grams = 30 * 15 * 2 * 0.2e-3;
  const double moment = grams * 9.81e-3 * 15 / 2;
  EXPECT_NEAR(wires[0].need, std::cbrt(6 * shelf().pose.holdNeeded * moment / material.yield.value), 1e-9);
  EXPECT_LE(wires[0].low, wires[0].need);
  EXPECT_GE(wires[0].high, wires[0].need);
  ASSERT_TRUE(wires[0].take);
  EXPECT_GE(*wires[0].take, wires[0].need);
  // Up one side, over the tip, down the other, 2 mm less at both ends and 10 mm into the head.
  EXPECT_NEAR(wires[0].cut, 30 + 15 + 30 - 4 + 20, 1e-9);
  EXPECT_EQ(wires[0].count, 2);
}

TEST(FlatWire, IsAskedForOnlyWhereFeltAloneDroops) {
  const Material& material = *shelf().material("copper-soft");
  EXPECT_TRUE(wiresOf(oneEar(0.3, 0.3, FlatStands::Felt), 30, material).empty()) << "a small ear stands";
  EXPECT_FALSE(wiresOf(oneEar(3, 0.3, FlatStands::Felt), 80, material).empty()) << "240 mm of felt do not";
  EXPECT_TRUE(wiresOf(oneEar(3, 0.3, FlatStands::Hang), 80, material).empty()) << "what hangs need not stand";
  // The larger the ear the thicker its wire, and the length goes with it.
  double last = 0;
  for (const double length : {20.0, 40.0, 80.0, 160.0}) {
    const auto wires = wiresOf(oneEar(1, 0.5, FlatStands::Wire), length, material);
    ASSERT_EQ(wires.size(), 1U);
    EXPECT_GT(wires[0].need, last);
    EXPECT_NEAR(wires[0].cut - 16, 2.5 * length, 1e-9);
    last = wires[0].need;
  }
}

TEST(FlatWire, OfEveryAnimalIsSoldOrSaidNotToBe) {
  size_t turn = 0;
  size_t wires = 0;
  for (const HeadPattern& head : shippedHeads()) {
    const double length = std::array{15.0, 60.0, 400.0}[turn++ % 3];
    const FaceReport report = faceReport(head, length, 0.2e-3, shelf().face);
    for (const Material& material : shelf().materials)
      for (const FlatWire& wire : flatWires(report, 0.2e-3, material, shelf().pose, shelf().face)) {
        EXPECT_GT(wire.need, 0) << head.id;
        EXPECT_GT(wire.cut, 0) << head.id;
        EXPECT_EQ(wire.take.has_value(), material.diameters.back() >= wire.need) << head.id << material.id;
        ++wires;
      }
  }
  EXPECT_GT(wires, animals().size());
}

} // namespace
} // namespace columna::test
