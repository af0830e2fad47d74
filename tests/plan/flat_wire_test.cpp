// The wire in an ear: when it is needed, how thick, how long.
#include "plan/flat_wire.h"

#include "../head/heads.h"
#include "face/face_report.h"
#include "hold/gauge_rule.h"
#include "plan/plan.h"
#include "wire/allowance.h"

#include <algorithm>
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
  return flatWires(faceFlats(head, length, 0.2e-3, shelf().face), length, 0.2e-3, material, shelf().pose,
                   shelf().face);
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
    for (const Material& material : shelf().materials)
      for (const FlatWire& wire : wiresOf(head, length, material)) {
        EXPECT_GT(wire.need, 0) << head.id;
        EXPECT_GT(wire.cut, 0) << head.id;
        EXPECT_EQ(wire.take.has_value(), material.diameters.back() >= wire.need) << head.id << material.id;
        ++wires;
      }
  }
  EXPECT_GT(wires, animals().size());
}

TEST(FlatWire, IsCutFromStockLikeAnyOther) {
  Project p = project("donkey", 200);
  const Plan sold = planned(p);
  ASSERT_EQ(sold.flatWires.size(), 1U);
  const FlatWire ear = sold.flatWires.front();
  ASSERT_TRUE(ear.take);
  const auto cut = [](const Plan& plan) {
    std::vector<double> out;
    for (const WireStock& wire : plan.stock)
      for (const WirePart& part : wire.parts)
        if (part.flat >= 0) {
          EXPECT_EQ(wire.diameter, *plan.flatWires.front().take);
          out.push_back(part.length);
        }
    return out;
  };
  EXPECT_EQ(cut(sold), (std::vector<double>{ear.cut, ear.cut}));
  // What is at hand and not much too thick is taken; what is too thin or three times too thick is not.
  const auto takes = [&](double own, bool only) {
    p.drawer = {{"own", p.material, own, 0, 0, 1, {}}};
    p.drawerOnly = only;
    return planned(p).flatWires.front().take;
  };
  EXPECT_EQ(takes(1.2 * *ear.take, false), 1.2 * *ear.take);
  EXPECT_EQ(takes(3 * *ear.take, false), ear.take);
  EXPECT_EQ(takes(3 * *ear.take, true), 3 * *ear.take) << "there is nothing else";
  EXPECT_EQ(takes(0.9 * ear.need, false), ear.take);
}

TEST(FlatWire, ThatIsNotThereIsWrongAndNamed) {
  Project p = project("donkey", 200);
  const Plan sold = planned(p);
  // All the figure's own wire is in the drawer, and nothing for the ears.
  p.drawerOnly = true;
  for (const Piece& piece : sold.pieces)
    p.drawer.push_back({"own", piece.material, piece.diameter, 0, piece.cut, 1, {}});
  const Plan plan = planned(p);
  EXPECT_TRUE(std::ranges::any_of(plan.findings, [](const Finding& f) {
    return f.level == Level::Wrong && f.where == "head" && render(f.brief).find("ear") != std::string::npos;
  }));
  EXPECT_TRUE(std::ranges::none_of(sold.findings, [](const Finding& f) { return f.level == Level::Wrong; }));
}

TEST(FlatWire, LongerThanALengthOfWireIsCutInAlikePartsThatOverlap) {
  Project p = project("elephant", 700);
  p.material = "steel-florist"; // 360 mm
  const Plan plan = planned(p);
  ASSERT_FALSE(plan.flatWires.empty());
  const FlatWire& ear = plan.flatWires.front();
  ASSERT_GT(ear.cut, 360);
  double sum = 0;
  size_t parts = 0;
  for (const WireStock& wire : plan.stock)
    for (const WirePart& part : wire.parts)
      if (part.flat == 0) {
        EXPECT_LE(part.length, 360 + 1e-6);
        sum += part.length;
        ++parts;
      }
  ASSERT_GT(parts, 2U);
  const double over = (sum - 2 * ear.cut) / static_cast<double>(parts - 2);
  EXPECT_NEAR(over, spliceOverlap(*ear.take, shelf().material("steel-florist")->coverRadial > 0), 1e-6);
}

} // namespace
} // namespace columna::test
