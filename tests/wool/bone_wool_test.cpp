// The wool of single bones and limbs: what is taken out is there again, and what is known is taken over.
#include "plan/plan_keys.h"
#include "support.h"
#include "wool/bone_wool.h"
#include "wool/build_up.h"

#include <numeric>

using namespace columna;
using namespace columna::test;

TEST(BoneWool, WhatIsTakenOutOfABoneIsNeitherLostNorMadeUp) {
  for (const char* animal : {"red_fox", "heron", "beetle"}) {
    const Plan plan = plannedExactly(project(animal, 160));
    for (size_t b = 0; b < plan.figure->bones.size(); ++b) {
      const BoneShare& share = plan.solid->solid.bones[b];
      const double all = share.core + share.coat;
      for (const bool allCoat : {false, true})
        for (const double bundle : {0.0, 1.0, 3.0, 50.0})
          for (const double ready : {0.0, 0.3 * all, 5 * all}) {
            const Cleared c = cleared(plan.figure->bones[b], share, allCoat, bundle, ready);
            EXPECT_NEAR(c.wound + c.pads + c.skin + c.coat + c.wire + c.ready, all, 1e-6 * (1 + all))
                << animal << " bone " << b << ", bundle " << bundle;
            for (const double part : {c.wound, c.pads, c.skin, c.coat, c.wire, c.ready})
              EXPECT_GE(part, -1e-9 * (1 + all));
            if (allCoat) {
              EXPECT_EQ(c.wound + c.pads + c.skin, 0);
            }
          }
    }
  }
}

TEST(BoneWool, AFlatPartsAreaIsItsPolygons) {
  FigureFlat flat;
  flat.outline = {{0, 0, 0}, {30, 0, 0}, {30, 0, 40}, {0, 0, 40}};
  EXPECT_DOUBLE_EQ(flatArea(flat), 1200);
  flat.outline = {{0, 0, 0}, {30, 0, 0}, {0, 40, 0}};
  EXPECT_DOUBLE_EQ(flatArea(flat), 600);
  // Hollow corners count as what they leave out.
  flat.outline = {{0, 0, 0}, {20, 0, 0}, {20, 20, 0}, {10, 10, 0}, {0, 20, 0}};
  EXPECT_DOUBLE_EQ(flatArea(flat), 300);
  flat.outline = {{0, 0, 0}, {20, 0, 0}};
  EXPECT_DOUBLE_EQ(flatArea(flat), 0);
}

TEST(BoneWool, WireTakesWoolsPlaceAndWeighsNothingOfIt) {
  const Plan plan = plannedExactly(project("red_fox", 160));
  const auto total = [&](double bundle) {
    WoolInput in = plan.keys->wool.input;
    for (LimbWoolInput& limb : in.limbs) limb.bundle = bundle;
    const auto grams = boneGrams(plan.figure, *plan.solid, in, plan.woolRules);
    return std::accumulate(grams.begin(), grams.end(), 0.0);
  };
  EXPECT_GT(total(0), total(2));
  EXPECT_GT(total(2), total(4));
  EXPECT_GT(total(4), 0);
}

TEST(BoneWool, LimbsThatAreAsTheyWereAreTakenOverAndTheRestMadeAnew) {
  const Plan plan = plannedExactly(project("red_fox", 160));
  const WoolKey& key = plan.keys->wool;
  ASSERT_EQ(key.alone.size(), plan.figure->limbs.size());
  for (size_t changed = 0; changed < key.alone.size(); ++changed) {
    WoolInput in = key.input;
    in.limbs[changed].firmness =
        in.limbs[changed].firmness == Firmness::Soft ? Firmness::Firm : Firmness::Soft;
    const LimbsBefore before{key.input, key.alone};
    const auto taken = limbsAlone(plan.figure, *plan.solid, in, plan.woolRules, &before);
    const auto scratch = limbsAlone(plan.figure, *plan.solid, in, plan.woolRules);
    for (size_t l = 0; l < taken.size(); ++l) {
      EXPECT_EQ(taken[l].core, scratch[l].core) << l;
      EXPECT_EQ(taken[l].coat, scratch[l].coat) << l;
      EXPECT_EQ(taken[l].girths.size(), scratch[l].girths.size()) << l;
      if (l != changed) {
        EXPECT_EQ(taken[l].core, key.alone[l].core) << l;
      }
    }
    EXPECT_NE(taken[changed].density, key.alone[changed].density);
  }
}

TEST(BuildUpLeft, IsAllAtFirstNothingAtLastAndNeverGrows) {
  for (const char* animal : {"red_fox", "beetle", "toy_bear"}) {
    const Plan plan = plannedExactly(project(animal, 160));
    const auto steps = buildSteps(plan.figure, plan.wool);
    const double total = buildTotal(steps);
    for (int l = 0; l < static_cast<int>(plan.figure->limbs.size()); ++l) {
      double own = 0;
      for (const BuildStep& s : steps) own += s.limb == l ? s.grams : 0;
      EXPECT_NEAR(leftOf(steps, l, 0), own, 1e-9);
      EXPECT_NEAR(leftOf(steps, l, total), 0, 1e-9);
      double last = own + 1e-9;
      for (int k = 0; k <= 50; ++k) {
        const double left = leftOf(steps, l, total * k / 50);
        EXPECT_LE(left, last + 1e-9);
        last = left;
      }
    }
    // What is left of all of them and what is on is the whole.
    for (const double on : {0.2 * total, 0.61 * total}) {
      double left = 0;
      for (int l = 0; l < static_cast<int>(plan.figure->limbs.size()); ++l) left += leftOf(steps, l, on);
      EXPECT_NEAR(left + on, total, 1e-6 * total) << animal;
    }
  }
}
