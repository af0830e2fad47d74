// What pieces are cut from, and what wire weighs where it is made up.
#include "plan/joint_wire.h"
#include "plan/wire_stock.h"
#include "support.h"

#include <numeric>

using namespace columna;
using namespace columna::test;

namespace {

double lengthOf(const WireStock& stock) {
  double sum = 0;
  for (const WirePart& part : stock.parts) sum += part.length;
  return sum;
}

} // namespace

TEST(Stock, EveryPieceIsCutFromSomethingAndNothingTwice) {
  for (const Pattern& pattern : animals())
    for (const char* material : {"aluminium-annealed", "steel-florist"}) {
      Project p = project(pattern.id, 160);
      p.material = material;
      const Plan plan = planned(p);
      std::vector<double> cut(plan.pieces.size(), 0);
      std::vector<double> ears(plan.flatWires.size(), 0);
      for (const WireStock& stock : plan.stock) {
        std::vector<int> seen(stock.parts.size(), 0);
        for (const CutBar& bar : stock.cuts.bars) {
          double end = 0;
          for (const Cut& c : bar.cuts) {
            ++seen[static_cast<size_t>(c.piece)];
            EXPECT_GE(c.at, end - 1e-6) << pattern.id << ": cuts lie behind each other";
            end = c.at + stock.parts[static_cast<size_t>(c.piece)].length;
          }
          EXPECT_LE(end, bar.length + 1e-6) << pattern.id;
        }
        for (const int each : stock.cuts.uncut) ++seen[static_cast<size_t>(each)];
        for (const int times : seen) EXPECT_EQ(times, 1) << pattern.id << " " << material;
        for (const WirePart& part : stock.parts)
          (part.piece >= 0 ? cut[static_cast<size_t>(part.piece)] : ears[static_cast<size_t>(part.flat)]) +=
              part.length;
      }
      for (size_t i = 0; i < plan.pieces.size(); ++i)
        EXPECT_GE(cut[i], plan.pieces[i].cut - 1e-6) << pattern.id << " " << plan.pieces[i].tag;
      for (size_t i = 0; i < ears.size(); ++i) {
        const FlatWire& wire = plan.flatWires[i];
        EXPECT_GE(ears[i], wire.take ? wire.count * wire.cut - 1e-6 : 0) << pattern.id << " " << wire.flat;
      }
    }
}

TEST(Stock, WhatIsInTheDrawerIsUsedBeforeAnythingIsBought) {
  Project p = project("red_fox", 160);
  const Plan bought = planned(p);
  const double d = bought.stock.front().diameter;
  const double all = lengthOf(bought.stock.front());
  p.drawer.push_back({"coil", bought.stock.front().material, d, 0, 0, 1, {}});
  const Plan had = planned(p);
  for (const WireStock& stock : had.stock)
    if (stock.diameter == d && stock.material == bought.stock.front().material) {
      EXPECT_TRUE(stock.have);
      for (const CutBar& bar : stock.cuts.bars) EXPECT_TRUE(bar.drawer);
      EXPECT_NEAR(lengthOf(stock), all, 0.2 * all);
    }
  EXPECT_LE(had.wiresBought, bought.wiresBought);
  // A wire of which nothing is left is not had.
  p.drawer.back().length = 300;
  p.drawer.back().count = 0;
  for (const WireStock& stock : planned(p).stock) EXPECT_FALSE(stock.have);
}

TEST(Stock, TheLongestWireIsTheCoilsOrTheStems) {
  Project p = project("red_fox", 160);
  EXPECT_TRUE(std::isinf(longestOf(p, shelf(), "aluminium-annealed", 2)));
  const double stem = shelf().material("steel-florist")->pieceLength;
  ASSERT_GT(stem, 0);
  EXPECT_DOUBLE_EQ(longestOf(p, shelf(), "steel-florist", 0.9), stem);
  p.drawer.push_back({"long", "steel-florist", 0.9, 0, 3 * stem, 2, {}});
  EXPECT_DOUBLE_EQ(longestOf(p, shelf(), "steel-florist", 0.9), 3 * stem);
  p.drawerOnly = true;
  EXPECT_DOUBLE_EQ(longestOf(p, shelf(), "aluminium-annealed", 2), 0) << "there is none";
}

TEST(Stock, AMeasuredWireBringsItsCoverAndItsYield) {
  const Material usual = *shelf().material("aluminium-annealed");
  std::vector<OwnWire> drawer{{"waxed", usual.id, 1.73, 0.4, 0, 1, Estimate{61, 55, 70}}};
  const Material own = asMeasured(usual, drawer, 1.73);
  EXPECT_EQ(own.yield.value, 61);
  EXPECT_EQ(own.coverRadial, 0.4);
  EXPECT_NE(std::find(own.diameters.begin(), own.diameters.end(), 1.73), own.diameters.end())
      << "it can be stepped to";
  EXPECT_TRUE(std::is_sorted(own.diameters.begin(), own.diameters.end()));
  const Material other = asMeasured(usual, drawer, 2);
  EXPECT_EQ(other.yield.value, usual.yield.value) << "of another size nothing was measured";
}

TEST(JointWire, WhatIsMadeUpOfAPieceWeighsAsMuchAsItTakes) {
  for (const char* animal : {"red_fox", "heron", "beetle"}) {
    const Plan plan = planned(project(animal, 160));
    double made = 0;
    for (const Piece& piece : plan.pieces) {
      if (piece.route.empty() || piece.cut <= 0) continue;
      for (const Feature& f : piece.features)
        if (f.kind != "twist" && f.kind != "waste") made += piece.mass * f.takes / piece.cut;
    }
    double carried = 0;
    for (const BoneMass& m : wireAtJoints(plan)) {
      carried += m.grams;
      EXPECT_GE(m.grams, 0);
    }
    // What a curve saves is taken off only where something is made up: a hundredth of a gram.
    EXPECT_NEAR(carried, made, 0.03 * made) << animal;
    EXPECT_LT(carried, plan.totals.wireMass) << animal;
  }
}

TEST(JointWire, WeightsAddUpAtTheirCommonMiddle) {
  BoneMass mass{3, Vec3(0, 0, 0), 0.5};
  addWeight(mass, 1, Vec3(8, 0, 4));
  EXPECT_DOUBLE_EQ(mass.grams, 4);
  EXPECT_NEAR((mass.centre - Vec3(2, 0, 1)).norm(), 0, 1e-12);
  BoneMass none;
  addWeight(none, 0, Vec3(5, 5, 5));
  EXPECT_EQ(none.grams, 0);
  EXPECT_EQ(none.centre, Vec3(0, 0, 0));
}
