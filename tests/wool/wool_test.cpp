// How much wool: weights, the maker's own felt, girths, pads, ends left loose.
#include "judge/planning.h"
#include "support.h"
#include "wool/woollen.h"

#include <cmath>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

double bundleVolume(const Plan& plan) {
  double sum = 0;
  for (const LimbWool& w : plan.wool->limbs) sum += w.wireVolume;
  return sum;
}

} // namespace

TEST(Wool, CoreCoatAndWireAreTheBody) {
  for (const Pattern& p : animals()) {
    const Plan plan = plannedExactly(project(p.id, 160));
    double sum = 0;
    for (const LimbWool& w : plan.wool->limbs) {
      sum += w.coreVolume + w.coatVolume + w.wireVolume + w.hardVolume;
      EXPECT_NEAR(w.woundVolume + w.padVolume + w.skinVolume, w.coreVolume, 1e-9 * plan.wool->volume);
      EXPECT_NEAR(w.wound + w.padded + w.skin, w.core, 1e-9 * plan.wool->core + 1e-12) << p.id;
      EXPECT_GE(w.wound, -1e-9);
    }
    EXPECT_NEAR(sum, plan.wool->volume, 1e-3 * plan.wool->volume) << p.id;
    EXPECT_GT(bundleVolume(plan), 0);
    // What the loads are reckoned with is the same wool.
    double grams = 0;
    for (const BoneMass& m : plan.boneWool) grams += m.grams;
    EXPECT_NEAR(grams, plan.totals.core + plan.totals.coat + plan.wool->hard, 1e-3 * grams) << p.id;
  }
}

TEST(Wool, TwiceAsHighIsEightTimesTheWool) {
  for (const char* id : {"river_otter", "heron", "dragon", "doll_human"}) {
    const Plan small = plannedExactly(plain(id, 120));
    const Plan large = plannedExactly(plain(id, 240));
    // Wire does not grow in proportion: it is put back.
    double smallWool = 0;
    double largeWool = 0;
    for (size_t l = 0; l < small.wool->limbs.size(); ++l) {
      smallWool +=
          small.wool->limbs[l].coreVolume + small.wool->limbs[l].coatVolume + small.wool->limbs[l].wireVolume;
      largeWool +=
          large.wool->limbs[l].coreVolume + large.wool->limbs[l].coatVolume + large.wool->limbs[l].wireVolume;
      EXPECT_NEAR(large.wool->limbs[l].girthMax, 2 * small.wool->limbs[l].girthMax,
                  1e-9 * large.wool->limbs[l].girthMax);
    }
    EXPECT_NEAR(largeWool, 8 * smallWool, 1e-3 * largeWool) << id;
    // The same of weights, where no wire takes room.
    Project bare = plain(id, 120);
    bare.construction = Construction::NoWire;
    bare.coat = 1.5; // a coat of one thickness would not grow with the figure
    const Plan smallBare = plannedExactly(bare);
    bare.size.mm = 240;
    bare.coat = 3;
    const Plan largeBare = plannedExactly(bare);
    EXPECT_NEAR(largeBare.totals.core, 8 * smallBare.totals.core, 1e-3 * largeBare.totals.core) << id;
    // Rows of hair go by their tufts, which do not grow.
    const auto coatOf = [](const Plan& plan) {
      double hair = 0;
      for (const LimbWool& w : plan.wool->limbs) hair += w.hair;
      return plan.totals.coat - hair;
    };
    EXPECT_NEAR(coatOf(largeBare), 8 * coatOf(smallBare), 1e-3 * largeBare.totals.coat) << id;
  }
}

TEST(Wool, TwinsWeighTheSameToTheLastBit) {
  for (const Pattern& p : animals()) {
    const Plan plan = plannedExactly(project(p.id, 160));
    for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
      const int twin = plan.figure->limbs[l].twin;
      if (twin < 0) continue;
      const LimbWool& a = plan.wool->limbs[l];
      const LimbWool& b = plan.wool->limbs[static_cast<size_t>(twin)];
      EXPECT_EQ(a.core, b.core) << p.id << ' ' << plan.figure->limbs[l].id << ' '
                                << a.wireVolume - b.wireVolume;
      EXPECT_EQ(a.coat, b.coat);
      EXPECT_EQ(a.winding.strips, b.winding.strips);
      EXPECT_EQ(a.winding.length, b.winding.length);
      ASSERT_EQ(a.pads.size(), b.pads.size()) << p.id << ' ' << plan.figure->limbs[l].id;
      for (size_t k = 0; k < a.pads.size(); ++k) {
        EXPECT_EQ(a.pads[k].place, b.pads[k].place) << p.id;
        EXPECT_EQ(a.pads[k].grams, b.pads[k].grams) << p.id;
      }
    }
  }
}

TEST(Wool, DensityDoubledDoublesGrams) {
  Project p = plain("river_otter", 108);
  const Plan before = plannedExactly(p);
  p.limbs["trunk"].density = 2 * limbOf(before, "trunk").density;
  const Plan after = plannedExactly(p);
  EXPECT_NEAR(limbOf(after, "trunk").core / limbOf(before, "trunk").core, 2, 1e-3);
  EXPECT_EQ(limbOf(after, "trunk").coat, limbOf(before, "trunk").coat);
  EXPECT_TRUE(limbOf(after, "trunk").ownDensity);
  EXPECT_LT(limbOf(before, "trunk").coreLow, limbOf(before, "trunk").core);
  EXPECT_GT(limbOf(before, "trunk").coreHigh, limbOf(before, "trunk").core);
  p.limbs["trunk"].density.reset();
  p.limbs["trunk"].firmness = Firmness::Firm;
  EXPECT_NEAR(limbOf(plannedExactly(p), "trunk").core / limbOf(before, "trunk").core, 0.22 / 0.15, 1e-3);
}

TEST(Wool, ATestBallSettlesAllWeights) {
  const TestBall ball{30, 3.0, Firmness::Medium};
  EXPECT_NEAR(ballDensity(ball) * 1000, 6 * 3.0 / (M_PI * 27), 1e-12);
  EXPECT_NEAR(handFactor(ball), 0.21221 / 0.15, 1e-4);
  EXPECT_NEAR(ballError(ball), 0.1 + 0.05 / 3, 1e-12) << "1 mm on 30 is 10 %";
  EXPECT_NEAR(ballError({30, 3.0, Firmness::Medium, {29.5, 30, 30.5}}), 0.1 + 0.05 / 3, 1e-12)
      << "callipers read to a millimetre, however alike";
  EXPECT_NEAR(ballError({30, 3.0, Firmness::Medium, {27, 30, 33}}), 0.3 + 0.05 / 3, 1e-12)
      << "half of 6 mm on 30, three times";
  Project p = plain("river_otter", 108);
  const Plan usual = plannedExactly(p);
  p.wool.ball = ball;
  const Plan own = plannedExactly(p);
  EXPECT_NEAR(own.wool->handFactor, 1.4147, 1e-4);
  for (size_t l = 0; l < own.wool->limbs.size(); ++l) {
    if (usual.wool->limbs[l].core <= 0.01) continue;
    EXPECT_DOUBLE_EQ(own.wool->limbs[l].density / usual.wool->limbs[l].density, own.wool->handFactor);
    // A heavier figure takes thicker wire, which leaves a little less room.
    EXPECT_NEAR(own.wool->limbs[l].core / usual.wool->limbs[l].core, own.wool->handFactor, 0.06);
    EXPECT_TRUE(own.wool->limbs[l].ownDensity);
    EXPECT_LT(own.wool->limbs[l].coreHigh / own.wool->limbs[l].core,
              usual.wool->limbs[l].coreHigh / usual.wool->limbs[l].core + 1e-9);
  }
  const Working w = ballWorking(ball);
  EXPECT_EQ(render(w.lines.back().result), "1.41 times");
}

TEST(Felt, ShrinkageLaws) {
  // "To three quarters" on a ball is 2.37 times the density, which takes a limb to 0.65.
  EXPECT_NEAR(30 / woundBallDiameter(30, 0.06, 0.142), 0.75, 1e-3);
  EXPECT_NEAR(10 / woundLimbDiameter(10, 0, 0.06, 0.142), 0.65, 1e-3);
  EXPECT_NEAR(woundLimbDiameter(10, 10, 0.06, 0.142), 10, 1e-12) << "bare wire does not felt";
  EXPECT_NEAR(woolLength(1.5, 0.015), 100, 1e-12);
}

TEST(Girths, GrowFromTheWireOutwards) {
  for (const Pattern& p : animals()) {
    const Plan plan = plannedExactly(project(p.id, 200));
    for (size_t l = 0; l < plan.wool->limbs.size(); ++l) {
      const LimbWool& w = plan.wool->limbs[l];
      double last = -1;
      for (const Girth& g : w.girths) {
        if (plan.figure->limbs[l].kind != LimbKind::Digits) {
          EXPECT_GT(g.along, last);
        }
        last = g.along;
        EXPECT_NEAR(g.finished, ellipsePerimeter(g.across / 2, g.deep / 2), 0.1 * g.finished)
            << "a tape and callipers tell of the same cut";
        EXPECT_EQ(g.allCoat ? 0 : g.felted, g.felted) << "what is all coat has no felted core";
        if (g.round > 0) {
          EXPECT_GE(g.wound, M_PI * g.round - 1e-9) << "wool comes down in felting";
          EXPECT_LE(g.round, std::min(g.across, g.deep) + 1e-6);
        }
        if (g.felted <= 0) continue;
        EXPECT_LE(g.felted, g.finished - 2 * M_PI * plan.wool->coatThickness + 0.025 * g.finished);
        EXPECT_LE(g.coreAcross, g.across - 2 * plan.wool->coatThickness + 1e-2 * g.across);
        EXPECT_LE(g.round, std::min(g.coreAcross, g.coreDeep) + 0.02 * g.across);
        if (g.round > 0) {
          EXPECT_LT(g.wire, M_PI * g.round + 1e-9);
        }
      }
    }
  }
}

TEST(Girths, AGripMakesTheWireThicker) {
  Project p = project("river_otter", 108);
  const Plan bare = plannedExactly(p);
  p.wool.grip = WireGrip::Sleeve;
  const Plan sleeved = plannedExactly(p);
  const LimbWool& a = limbOf(bare, "left-foreleg");
  const LimbWool& b = limbOf(sleeved, "left-foreleg");
  EXPECT_NEAR(b.girths.front().wire - a.girths.front().wire, M_PI * 3, 1e-9);
  EXPECT_GT(b.wireVolume, a.wireVolume);
}

TEST(Pads, AreWhereTheBodyIsFullerThanItsRound) {
  const Plan plan = plannedExactly(project("river_otter", 108), 1);
  const LimbWool& trunk = limbOf(plan, "trunk");
  ASSERT_FALSE(trunk.pads.empty());
  std::set<std::string> places;
  int rank = 0;
  for (const Pad& pad : trunk.pads) {
    places.insert(pad.place);
    EXPECT_GE(pad.rank, rank) << "in the order to add them";
    rank = pad.rank;
    EXPECT_GE(pad.grams, shelf().wool.padLeast);
    EXPECT_NEAR(pad.grams, pad.volume * trunk.density, 1e-12);
    EXPECT_NEAR(pad.volume, M_PI / 8 * pad.length * pad.width * pad.thickness, 1e-6 * pad.volume);
    EXPECT_GT(pad.loose, pad.thickness);
    EXPECT_LT(pad.length, plan.figure->totalLength);
    EXPECT_LT(pad.thickness, 0.6 * pad.width) << pad.place << ": a pad lies flat";
  }
  EXPECT_TRUE(places.contains("belly") || places.contains("chest")) << "wire runs along the back";
  EXPECT_EQ(trunk.pads.front().place.find("back"), std::string::npos);
  // A straight rod wound about its middle needs none.
  const auto rod = readPattern(rodPattern(10, 2, 2, 2, 2), "rod.json");
  Catalog one = shelf();
  one.patterns.push_back(*rod);
  Project p = project("rod", 60);
  p.limbs["trunk"].coatWay = CoatWay::CoreAndCoat;
  const auto made = columna::plan(p, one);
  ASSERT_TRUE(made.ok());
  EXPECT_TRUE(made->wool->limbs[0].pads.empty());
  EXPECT_LT(made->wool->limbs[0].offCentre, 0.01 * made->wool->limbs[0].core);
}

TEST(Pads, WireOffTheMiddleCostsPads) {
  auto pattern = *readPattern(rodPattern(10, 3, 3, 3, 3), "rod.json");
  Catalog one = shelf();
  one.patterns.push_back(pattern);
  Project p = project("rod", 65);
  p.size = {SizeBy::BodyLength, 20, {}}; // 20 mm a module, however low it hangs
  p.limbs["trunk"].coatWay = CoatWay::CoreAndCoat;
  const auto first = columna::plan(p, one);
  ASSERT_TRUE(first.ok()) << first.problem().sentence();
  const Plan& centred = *first;
  for (Station& s : pattern.bones[0].stations) s.lift = -0.5;
  one.patterns.back() = pattern;
  const Plan off = columna::plan(p, one).value();
  EXPECT_LT(off.wool->limbs[0].wound, 0.8 * centred.wool->limbs[0].wound);
  EXPECT_GT(off.wool->limbs[0].offCentre, 0.2 * off.wool->limbs[0].core);
  EXPECT_NEAR(off.wool->limbs[0].core, centred.wool->limbs[0].core, 0.02 * centred.wool->limbs[0].core);
  ASSERT_FALSE(off.wool->limbs[0].pads.empty());
  EXPECT_EQ(off.wool->limbs[0].pads.front().side, PadSide::Down) << "the body hangs under its wire";
  const bool said = std::any_of(off.findings.begin(), off.findings.end(),
                                [](const Finding& f) { return f.id() == "wire-off-the-middle"; });
  EXPECT_TRUE(said);
}

TEST(LooseEnds, AreSomeOfTheirLimbsWool) {
  const Plan plan = plannedExactly(plain("river_otter", 160));
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    const LimbWool& w = plan.wool->limbs[l];
    EXPECT_NEAR(w.loose, w.looseVolume * w.density, 1e-12);
    EXPECT_LE(w.loose, w.core + 1e-9) << "it is some of the limb's own wool";
    if (limb.kind == LimbKind::Trunk || limb.kind == LimbKind::Digits) {
      EXPECT_EQ(w.looseEnd, 0) << limb.id;
      continue;
    }
    EXPECT_LE(w.looseEnd, std::min(plan.woolRules.looseEnd, limb.length / 4) + 1e-9);
    for (const Girth& g : w.girths) EXPECT_EQ(g.loose, g.along < w.looseFrom + w.looseEnd) << limb.id;
  }
  // The tail is hardly buried: its loose end is a slice of its thick end. A thigh begins deep in the trunk.
  const LimbWool& tail = limbOf(plan, "tail");
  const LimbWool& leg = limbOf(plan, "left-hindleg");
  EXPECT_GT(tail.loose, 0.1);
  EXPECT_GT(leg.looseFrom, 2);
  EXPECT_EQ(leg.loose, limbOf(plan, "right-hindleg").loose);
}

TEST(LooseEnds, OfAStraightTubeAreTheirShareOfItsLength) {
  // A tail of one thickness all along, free of the trunk: 12 mm of 80 hold 12/80 of its wool.
  Figure f;
  f.limbs.resize(1);
  f.limbs[0].kind = LimbKind::Tail;
  f.limbs[0].length = 80;
  f.limbs[0].bones = {0, 1};
  for (int b = 0; b < 2; ++b) {
    FigureBone bone;
    bone.begin = {40.0 * b, 0, 0};
    bone.end = {40.0 * b + 40, 0, 0};
    bone.length = 40;
    bone.stations = {{0, 30, 30, 0}, {1, 30, 30, 0}};
    f.bones.push_back(bone);
  }
  KnownSolid solid;
  solid.solid.bones.resize(2);
  for (BoneShare& share : solid.solid.bones) share.core = share.wound = 28000;
  solid.tubes = {{28000, 28000}, {28000, 28000}};
  solid.area = {0, 0};
  WoolInput in;
  in.limbs.resize(1);
  const LimbWool w = planWool(f, solid, in, shelf().wool).limbs[0];
  EXPECT_EQ(w.looseEnd, 12);
  EXPECT_NEAR(w.looseFrom, 0, 1e-9);
  EXPECT_NEAR(w.looseVolume, 56000 * 12 / 80.0, 1e-6 * 56000);
  // A quarter of the first bone's tube is buried: it begins there, and its wool lies in what is left.
  solid.tubes[0] = {28000 / 0.75, 28000 / 0.75};
  const LimbWool buried = planWool(f, solid, in, shelf().wool).limbs[0];
  EXPECT_NEAR(buried.looseFrom, 10, 1e-6);
  EXPECT_NEAR(buried.looseVolume, 28000 * 12 / 30.0, 1e-6 * 56000);
}
