// What a coat is, by default and by the maker's word: layers, rows, and what they take of the core.
#include "solid/field.h"
#include "support.h"
#include "wool/felt.h"
#include "wool/woollen.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

Project toned(const std::string& pattern, std::optional<Tone> core, std::optional<Tone> coat) {
  Project p = project(pattern, 200);
  p.wool.core.tone = core;
  p.wool.coat.tone = coat;
  return p;
}

} // namespace

TEST(Coat, IsWhatHidesTheCoreByTone) {
  const WoolRules& rules = shelf().wool;
  struct Case {
    std::optional<Tone> core, coat;
    double mm;
  };
  for (const Case& c : {Case{Tone::Pale, Tone::Pale, 0.40}, Case{Tone::Pale, Tone::Dark, 1.00},
                        Case{Tone::Pale, Tone::Mid, 1.667}, Case{Tone::Dark, Tone::Pale, 2.667},
                        Case{Tone::Pale, std::nullopt, 1.667}, Case{std::nullopt, Tone::Dark, 1.667}}) {
    WoolWish wish;
    wish.core.tone = c.core;
    wish.coat.tone = c.coat;
    EXPECT_NEAR(usualCoat(wish, rules), c.mm, 1e-3);
    wish.finish = CoatFinish::Brushed;
    EXPECT_NEAR(usualCoat(wish, rules), std::min(3.0, c.mm * rules.brushedMore), 1e-3);
  }
  WoolRules odd = rules; // an own rule that asks for a pelt is held to a quarter of a 12 mm part
  odd.hidePale = 5e-3;
  WoolWish wish;
  wish.core.tone = Tone::Dark;
  wish.coat.tone = Tone::Pale;
  EXPECT_NEAR(usualCoat(wish, odd), 3, 1e-9);
}

TEST(Coat, LeavesOutlineAndFinishedGirthsAsTheyAre) {
  const Plan alike = plannedExactly(toned("sheep", Tone::Pale, Tone::Pale));
  const Plan over = plannedExactly(toned("sheep", Tone::Dark, Tone::Pale));
  EXPECT_NEAR(over.wool->volume, alike.wool->volume, 1e-9 * alike.wool->volume);
  EXPECT_LT(over.wool->core, alike.wool->core) << "what the coat takes the core gives up";
  EXPECT_GT(over.wool->coat, alike.wool->coat);
  for (size_t l = 0; l < alike.limbs.size(); ++l)
    for (size_t k = 0; k < alike.wool->limbs[l].girths.size(); ++k)
      EXPECT_DOUBLE_EQ(alike.wool->limbs[l].girths[k].finished, over.wool->limbs[l].girths[k].finished);
}

TEST(Coat, NoAnimalWearsMoreCoatThanAMakerWouldLay) {
  for (const Pattern& p : animals()) {
    Project made = toned(p.id, Tone::Pale, Tone::Mid);
    made.size = {SizeBy::BodyLength, 160};
    const Plan plan = planned(made);
    EXPECT_LE(plan.wool->coatThickness, 2.7) << p.id;
    if (plan.wool->volume > 270e3) {
      double flats = 0;
      for (const LimbWool& w : plan.wool->limbs) flats += w.flats;
      EXPECT_LT(plan.wool->coat - flats, 0.5 * plan.wool->core) << p.id;
    }
  }
}

TEST(Coat, OneTheMakerSettledStays) {
  Project p = toned("owl", Tone::Pale, Tone::Dark);
  p.coat = 9;
  EXPECT_EQ(plannedExactly(p).wool->coatThickness, 9);
}

TEST(Coat, EveryGramIsFeltOfItsDensity) {
  // Of every part: wool over its density, with wire and what is set in, is the body's volume.
  for (const Pattern& p : animals()) {
    Project made = project(p.id, 160);
    made.size = {SizeBy::BodyLength, 160};
    const Plan plan = planned(made);
    double volume = 0;
    double legs = 0;
    for (size_t l = 0; l < plan.limbs.size(); ++l) {
      const LimbWool& w = plan.wool->limbs[l];
      double coat = 0; // mm3 by its own density, of a part all coat; else as laid
      if (w.allCoat && w.coatVolume > 0) {
        coat = w.coat / w.density;
        legs += 1;
        EXPECT_NEAR(w.coat / w.coatVolume, w.density, 1e-9) << p.id << ' ' << plan.figure->limbs[l].id;
      } else {
        coat = w.coatVolume;
      }
      volume += w.core / w.density + coat + w.furVolume + w.wireVolume + w.readyVolume + w.hardVolume;
    }
    EXPECT_NEAR(volume / plan.wool->volume, 1, 0.01) << p.id;
  }
  // A firm leg thinner than its coat weighs as firm felt.
  Project fox = project("red_fox", 160);
  const Plan plan = plannedExactly(fox);
  const LimbWool& leg = limbOf(plan, "left-foreleg");
  ASSERT_TRUE(leg.allCoat);
  EXPECT_NEAR(leg.coat / leg.coatVolume, feltDensity(Firmness::Firm), 1e-9);
}

TEST(Coat, BonesWeighWhatTheirPartsDo) {
  for (const char* id : {"red_fox", "owl", "dragon"}) {
    Project p = project(id, 200);
    p.wool.finish = CoatFinish::Fur;
    p.wool.furShown = 12;
    const Plan plan = plannedExactly(p);
    double bones = 0;
    for (const BoneMass& m : plan.boneWool) bones += m.grams;
    const double wire = plan.totals.wireMass - plan.totals.waste;
    EXPECT_NEAR(bones, plan.wool->core + plan.wool->coat + plan.wool->hard, 1e-3 * bones) << id;
    double carried = 0;
    for (const BoneMass& m : plan.carried) carried += m.grams;
    EXPECT_GT(carried, bones) << id << ": loops and laps weigh where they are made";
    EXPECT_LT(carried, bones + wire) << id;
    EXPECT_NEAR(plan.totals.mass, plan.wool->core + plan.wool->coat + plan.wool->hard + wire, 1e-9);
  }
}

TEST(Rows, TakeTheirOwnWoolsDepthFromTheCore) {
  const WoolRules& rules = shelf().wool;
  WoolWish wish;
  EXPECT_EQ(rowsDepth(wish, rules), 0);
  wish.furShown = 12;
  EXPECT_EQ(rowsDepth(wish, rules), 0) << "a length without rows is nothing";
  wish.finish = CoatFinish::Fur;
  // Rows 3 mm apart, tufts 6 mm wide of 29 mm at 0.4 g/m: 644 g/m2, over 0.15 g/cm3.
  EXPECT_NEAR(rowsDepth(wish, rules), 29 * 0.4e-3 / (3 * 6) / 0.15e-3, 1e-9);
  for (const CoatFinish finish : {CoatFinish::Fur, CoatFinish::Feathers, CoatFinish::Yarn}) {
    Project p = toned("sheep", Tone::Pale, Tone::Pale);
    const Plan bare = plannedExactly(p);
    p.wool.finish = finish;
    p.wool.furShown = 15;
    const Plan plan = plannedExactly(p);
    double rows = 0;
    double yarn = 0;
    double volume = 0;
    for (size_t l = 0; l < plan.limbs.size(); ++l) {
      const LimbWool& w = plan.wool->limbs[l];
      rows += w.fur;
      yarn += w.furRows.yarn;
      volume += w.coreVolume + w.coatVolume + w.furVolume + w.wireVolume;
      EXPECT_EQ(w.fur > 0, plan.figure->limbs[l].kind != LimbKind::Digits);
      EXPECT_GE(w.coat, 0);
    }
    EXPECT_GT(rows, 5);
    EXPECT_EQ(yarn > 0, finish == CoatFinish::Yarn);
    EXPECT_LT(plan.wool->core, bare.wool->core) << "the core gives up what rows take";
    EXPECT_NEAR(plan.wool->volume, bare.wool->volume, 1e-9 * bare.wool->volume);
    EXPECT_NEAR(volume / plan.wool->volume, 1, 0.01);
    EXPECT_NEAR(plan.wool->coatThickness, plan.wool->coatLaid + rowsDepth(p.wool, rules), 1e-12);
  }
}

TEST(Rows, AreOfferedWhereThePeltIsLong) {
  const WoolRules& rules = shelf().wool;
  ASSERT_TRUE(coatOffer("long", 12.8, 1.67, rules));
  EXPECT_EQ(coatOffer("long", 12.8, 1.67, rules)->finish, CoatFinish::Fur);
  EXPECT_EQ(coatOffer("feathered", 22.4, 1.0, rules)->finish, CoatFinish::Feathers);
  EXPECT_DOUBLE_EQ(coatOffer("plush", 8, 1.67, rules)->shown, 8);
  EXPECT_FALSE(coatOffer("plush", 4.6, 1.67, rules)) << "under 3 mm more";
  EXPECT_FALSE(coatOffer("short", 30, 1.67, rules));
}

TEST(ReadyCore, AnEggDeepInATrunkFitsWholeAndSavesItsVolume) {
  Project p = project("elephant", 200);
  const Plan bare = plannedExactly(p);
  p.wool.ready.push_back({"trunk", ReadyKind::Foam, 50, 40, 40, 1.5, 0.5});
  const Plan plan = plannedExactly(p);
  ASSERT_EQ(plan.wool->readyFits.size(), 1U);
  const ReadyFit& fit = plan.wool->readyFits[0];
  EXPECT_NEAR(fit.whole, M_PI / 6 * 50 * 40 * 40, 1e-6);
  EXPECT_NEAR(fit.fits(), 1, 1e-12);
  const LimbWool& trunk = limbOf(plan, "trunk");
  const double whole = fit.whole * trunk.density;
  EXPECT_NEAR(plan.wool->saved, whole, 0.02 * whole);
  EXPECT_NEAR(bare.wool->core - plan.wool->core, whole, 0.03 * whole);
  EXPECT_NEAR(plan.wool->ready, 1.5, 1e-9);
  EXPECT_NEAR(plan.totals.mass,
              plan.wool->core + plan.wool->coat + 1.5 + plan.wool->hard + plan.totals.wireMass -
                  plan.totals.waste,
              1e-9);
  EXPECT_LT(plan.loads.weight, bare.loads.weight) << "foam is lighter than wool, and the loads know";
  EXPECT_LT(plan.time.total, bare.time.total);
}

TEST(ReadyCore, IsCutToTheShapeAndSaidSo) {
  Project p = project("river_otter", 108);
  const auto of = [](const Plan& plan) {
    return std::count_if(plan.findings.begin(), plan.findings.end(),
                         [](const Finding& f) { return f.where == "trunk" && f.id() == "cut-the-to-fit"; });
  };
  p.wool.ready = {{"trunk", ReadyKind::Ball, 300, 120, 120, 200, 0.5}};
  const Plan large = plannedExactly(p);
  const ReadyFit& fit = large.wool->readyFits[0];
  EXPECT_GT(fit.fits(), 0.02);
  EXPECT_LT(fit.fits(), 0.9);
  EXPECT_NEAR(large.wool->ready, 200 * fit.fits(), 1e-9) << "what is cut off does not weigh";
  EXPECT_EQ(of(large), 1);
  // In a thin tail there is no room at all.
  p.wool.ready = {{"tail", ReadyKind::Ball, 20, 20, 20, 2, 1.0}};
  const Plan none = plannedExactly(p);
  EXPECT_EQ(none.wool->readyFits[0].placed, 0);
  EXPECT_TRUE(none.anyWrong());
  // Of a part this animal does not have nothing is reckoned.
  p.wool.ready = {{"left-wing", ReadyKind::Ball, 20, 20, 20, 2, 0.5}};
  const Plan other = plannedExactly(p);
  EXPECT_EQ(other.wool->saved, 0);
  EXPECT_EQ(other.wool->ready, 0);
}

TEST(Pads, NeverWeighMoreThanTheCoreTheyAreOf) {
  for (const Pattern& p : animals())
    for (const double height : {100.0, 250.0}) {
      const Plan plan = planned(project(p.id, height));
      for (size_t l = 0; l < plan.limbs.size(); ++l) {
        const LimbWool& w = plan.wool->limbs[l];
        double pads = 0;
        for (const Pad& pad : w.pads) pads += pad.grams * pad.count;
        EXPECT_LE(pads + w.skin, w.core + 1e-9) << p.id << ' ' << plan.figure->limbs[l].id;
        EXPECT_GE(w.wound, 0) << p.id;
      }
    }
}
