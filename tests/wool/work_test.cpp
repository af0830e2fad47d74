// How the wool goes on: strips, cover, needles, the build-up, and when to stop.
#include "support.h"
#include "wool/build_up.h"
#include "wool/when_to_stop.h"
#include "wool/woollen.h"

#include <cmath>
#include <set>

using namespace columna;
using namespace columna::test;

TEST(Winding, StripsWeighWhatIsWound) {
  const WoolRules& rules = shelf().wool;
  const Plan plan = plannedExactly(project("red_fox", 160));
  for (size_t l = 0; l < plan.wool->limbs.size(); ++l) {
    const LimbWool& w = plan.wool->limbs[l];
    const Winding& wind = w.winding;
    if (wind.strips == 0) continue;
    EXPECT_NEAR(wind.strips * wind.length * wind.linear, wind.grams, 1e-9 * wind.grams + 1e-12);
    EXPECT_LE(wind.length, rules.stripLongest + 1e-9);
    EXPECT_GT(wind.turns, 0);
    EXPECT_GE(wind.draft, 1);
    EXPECT_FALSE(wind.start.empty());
  }
  WoolStock own;
  own.linear = 0.02;
  EXPECT_TRUE(sliverOf(own, rules).weighed);
  EXPECT_EQ(sliverOf(own, rules).linear, 0.02);
}

TEST(Winding, IsPulledToWhatThePartAsks) {
  const WoolRules& rules = shelf().wool;
  const Sliver sliver{0.025, 50, false};
  FigureLimb leg;
  leg.kind = LimbKind::Leg;
  // By hand: wound 15 mm over wire of 1.6, strips 9 mm wide, three passes of 2.23 mm, half over each other:
  // 9 x 2.23 x 0.06/2 = 0.60 g/m; 40 mm 4.6 g/m and 80 mm 18.8 g/m.
  for (const auto& [wound, perM] : {std::pair{15.0, 0.603}, {40.0, 4.608}, {80.0, 18.8}}) {
    const double grams = rules.wrapped * M_PI / 4 * (wound * wound - 1.6 * 1.6) * 300;
    const Winding w = windingOf(leg, {grams, 300, 1.6, wound, rules.wrapped}, sliver, rules);
    EXPECT_NEAR(w.linear * 1000, perM, 0.01 * perM) << wound;
    EXPECT_NEAR(w.layers, 3, 0.2) << "passes";
  }
  // A thick part of a thin sliver takes the sliver as it comes.
  EXPECT_DOUBLE_EQ(windingOf(leg, {40, 60, 2, 90, rules.wrapped}, {0.004, 10}, rules).draft, 1);
  // A fibre by itself for a mountain of wool: a count all the same.
  const Winding mountain = windingOf(leg, {1e12, 1e4, 2, 1e4, rules.wrapped}, {1e-6, 40}, rules);
  EXPECT_EQ(mountain.strips, 1000000000);
  EXPECT_GT(mountain.length, 0);
  EXPECT_EQ(windingOf(leg, {1, 60, 2, 20, rules.wrapped}, {0, 40}, rules).strips, 0)
      << "a wool that weighs nothing";
}

TEST(Winding, NeverJumpsAndNeverFallsShortOfThePart) {
  const WoolRules& rules = shelf().wool;
  FigureLimb leg;
  leg.kind = LimbKind::Leg;
  double last = 0;
  for (double grams = 0.1; grams < 12; grams *= 1.01) {
    // A part grows with its wool: 9.4 mm across at a gram, 100 mm long.
    const double wound = std::sqrt(grams / (rules.wrapped * M_PI / 4 * 100) + 1.6 * 1.6);
    const Winding w = windingOf(leg, {grams, 100, 1.6, wound, rules.wrapped}, {0.025, 50}, rules);
    const double all = w.strips * w.length;
    if (last > 0) {
      EXPECT_NEAR(all / last, 1, 0.03) << grams;
    }
    last = all;
    if (w.linear > rules.draftLeast) {
      EXPECT_GE(all, 100) << grams;
    }
  }
  for (const Pattern& p : animals()) {
    const Plan plan = planned(project(p.id, 160));
    for (size_t l = 0; l < plan.limbs.size(); ++l) {
      const Winding& w = plan.wool->limbs[l].winding;
      if (w.strips == 0 || w.linear <= 1.001 * rules.draftLeast) continue;
      EXPECT_GE(w.strips * w.length, plan.figure->limbs[l].length) << p.id << ' ' << plan.figure->limbs[l].id;
    }
  }
}

TEST(Winding, SaysThePullInMakersWords) {
  std::set<std::string> said;
  for (double draft = 1; draft < 400; draft *= 1.05) {
    const std::string words(draftWords(draft));
    EXPECT_FALSE(words.empty());
    said.insert(words);
  }
  EXPECT_GT(said.size(), 12U);
  EXPECT_EQ(draftWords(1), draftWords(1.2));
  EXPECT_NE(draftWords(2), draftWords(3));
}

TEST(Winding, PartsWithoutWireAreTubesAndBalls) {
  Project p = project("toy_bear", 180, Construction::NoWire);
  const Plan plan = plannedExactly(p);
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    const Winding& wind = plan.wool->limbs[l].winding;
    if (wind.strips == 0) continue;
    if (limb.kind == LimbKind::Head || limb.kind == LimbKind::Trunk) {
      EXPECT_EQ(wind.as, MadeAs::Ball);
      EXPECT_EQ(wind.startLength, 0);
    }
    if (limb.kind == LimbKind::Leg || limb.kind == LimbKind::Arm) {
      EXPECT_EQ(wind.as, MadeAs::Tube);
      EXPECT_NEAR(wind.startLength, 1.5 * limb.length, 1e-9);
      EXPECT_GT(wind.rolledLength, wind.startLength);
    }
  }
  const Plan bear = plannedExactly(project("toy_bear", 180));
  for (const LimbWool& w : bear.wool->limbs)
    if (w.winding.strips > 0 && w.girths.front().wire > 0) {
      EXPECT_EQ(w.winding.as, MadeAs::Wound);
    }
}

TEST(Winding, ToesAreWispsOneEach) {
  const Plan plan = plannedExactly(project("bat", 120));
  for (size_t l = 0; l < plan.wool->limbs.size(); ++l)
    if (plan.figure->limbs[l].kind == LimbKind::Digits && plan.wool->limbs[l].winding.strips > 0) {
      EXPECT_TRUE(plan.wool->limbs[l].winding.wisp);
      EXPECT_GE(plan.wool->limbs[l].winding.strips, plan.figure->limbs[l].digits);
    }
}

TEST(Cover, ThinPartsAndShiningCoresAreAllCoat) {
  Project p = project("red_fox", 100);
  const Plan plan = plannedExactly(p);
  const LimbWool& leg = limbOf(plan, "left-foreleg");
  EXPECT_TRUE(leg.someCoat);
  EXPECT_EQ(render(leg.coatReason), "thinner than 12 mm");
  // Pale wool 1 mm thick over a dark core shines through; over a pale one it does not.
  p = project("red_fox", 300);
  p.coat = 1;
  p.wool.coat.tone = Tone::Pale;
  p.wool.core.tone = Tone::Dark;
  const Plan dark = plannedExactly(p);
  EXPECT_TRUE(limbOf(dark, "trunk").allCoat);
  EXPECT_NE(render(limbOf(dark, "trunk").coatReason).find("shine through"), std::string::npos);
  EXPECT_EQ(dark.wool->core, 0);
  p.wool.core.tone = Tone::Pale;
  EXPECT_FALSE(limbOf(plannedExactly(p), "trunk").allCoat);
  p.limbs["trunk"].coatWay = CoatWay::AllCoat;
  EXPECT_EQ(render(limbOf(plannedExactly(p), "trunk").coatReason), "as you chose");
  EXPECT_DOUBLE_EQ(hidingMass(Tone::Pale, Tone::Dark, shelf().wool), 150e-6);
  EXPECT_DOUBLE_EQ(hidingMass(Tone::Dark, Tone::Pale, shelf().wool), 400e-6);
}

TEST(Cover, AMarkingIsMirroredAndWeighed) {
  Project p = project("river_otter", 108);
  Marking m;
  m.name = "bib";
  m.view = View::Side;
  const Plan bare = plannedExactly(p);
  // A band right across the figure: the whole of the side that is seen, and with the mirror the other too.
  m.outline = {{-10, -10}, {10, -10}, {10, 10}, {-10, 10}};
  m.both = false;
  p.wool.markings = {m};
  const Plan one = plannedExactly(p);
  double surface = 0;
  for (const double a : one.solid->area) surface += a;
  ASSERT_EQ(one.wool->markings.size(), 1U);
  EXPECT_NEAR(one.wool->markings[0].area, surface / 2, 0.02 * surface);
  p.wool.markings[0].both = true;
  const Plan both = plannedExactly(p);
  EXPECT_NEAR(both.wool->markings[0].area, surface, 0.02 * surface);
  EXPECT_GE(both.wool->markings[0].grams, both.wool->markings[0].area * 60e-6);
  EXPECT_LT(limbOf(both, "trunk").coat, limbOf(bare, "trunk").coat) << "it takes the place of coat wool";
  EXPECT_EQ(limbOf(both, "left-foreleg").coat, limbOf(both, "right-foreleg").coat) << "twins alike";
  // The same place in modules at another size: four times the area.
  p.size.mm *= 2;
  EXPECT_NEAR(plannedExactly(p).wool->markings[0].area, 4 * both.wool->markings[0].area, 0.01 * 4 * surface);
  p.wool.markings[0].limb = "tail";
  const Plan tail = plannedExactly(p);
  for (size_t l = 0; l < tail.figure->limbs.size(); ++l)
    EXPECT_EQ(tail.wool->markings[0].byLimb[l] > 0, tail.figure->limbs[l].family == "tail");
  p.wool.markings[0].outline = {{500, 500}, {501, 500}, {501, 501}};
  const Plan beside = plannedExactly(p);
  EXPECT_EQ(beside.wool->markings[0].area, 0);
}

TEST(Cover, FurIsCutTwiceAsLongAndItsWasteIsTold) {
  FigureLimb tail;
  tail.kind = LimbKind::Tail;
  const FurRows fur = furOn(tail, CoatFinish::Fur, 200, 60, 20, 100, shelf().wool);
  EXPECT_EQ(fur.cut, 45);
  EXPECT_EQ(fur.spacing, 5);
  EXPECT_EQ(fur.rows, 40);
  EXPECT_EQ(fur.tufts, 40 * 10);
  EXPECT_EQ(fur.perStaple, 2);
  EXPECT_NEAR(fur.waste, 0.1, 1e-12);
  EXPECT_NEAR(fur.grams, 400 * 45 * 0.4e-3, 1e-9);
  EXPECT_EQ(furOn(tail, CoatFinish::Fur, 200, 60, 80, 100, shelf().wool).waste, 1)
      << "staple too short for one tuft";
  EXPECT_EQ(furOn(tail, CoatFinish::Fur, 200, 60, 0, 100, shelf().wool).tufts, 0);
}

TEST(Needles, StayOffTheWire) {
  for (const char* id : {"river_otter", "heron"}) {
    const Plan plan = plannedExactly(project(id, 140));
    for (const LimbWool& w : plan.wool->limbs) {
      if (w.girths.empty()) continue;
      for (const NeedleStage& s : w.needles.stages) {
        EXPECT_GT(s.depth, 0);
        if (w.needles.overWire > 1.5) {
          EXPECT_LT(s.depth, w.needles.overWire) << s.stage;
        }
      }
      for (const double along : w.needles.carefulAlong) EXPECT_NE(girthNear(w, along), nullptr);
    }
  }
  const Plan thin = plannedExactly(project("heron", 120));
  EXPECT_FALSE(limbOf(thin, "left-leg").needles.carefulAlong.empty())
      << "a heron's leg is thin over its wire";
}

TEST(BuildUp, GoesFromBareWireToTheFinishedFigure) {
  Project p = project("river_otter", 120);
  p.wool.markings = {{"bib", Tone::Dark, View::Front, {{-1, 0}, {1, 0}, {1, 0.4}, {-1, 0.4}}, true, ""}};
  const Plan plan = plannedExactly(p);
  const std::vector<BuildStep> steps = buildSteps(plan.figure, plan.wool);
  const double total = buildTotal(steps);
  EXPECT_NEAR(total, plan.wool->core + plan.wool->coat, 1e-6 * total) << "every gram goes on once";
  double last = 0;
  for (const BuildStep& s : steps) {
    EXPECT_NEAR(s.from, last, 1e-9);
    last = s.from + s.grams;
  }
  EXPECT_EQ(plan.figure->limbs[static_cast<size_t>(steps.front().limb)].kind, LimbKind::Trunk);
  const size_t limbs = plan.figure->limbs.size();
  std::vector<double> bundles;
  for (const LimbPlan& l : plan.limbs) bundles.push_back(l.wired ? l.section.bundle() : 0);
  const auto volume = [&](double grams) {
    const Figure f = figureAtMoment(plan.figure, plan.wool, momentAt(steps, limbs, grams), bundles);
    double sum = 0;
    for (const TubeShare& s : tubeShares(f, 0)) sum += s.body;
    return sum;
  };
  double before = 0;
  for (int k = 0; k <= 10; ++k) {
    const double now = volume(total * k / 10);
    EXPECT_GE(now, before * (1 - 1e-9)) << "wool does not come off at " << k;
    before = now;
  }
  double finished = 0;
  for (const TubeShare& s : tubeShares(plan.figure, 0)) finished += s.body;
  EXPECT_NEAR(volume(total), finished, 0.01 * finished);
  EXPECT_LT(volume(0), 0.05 * finished);
  EXPECT_EQ(stepAt(steps, total), -1);
  EXPECT_EQ(stepAt(steps, 0), 0);
  // The tape at the end reads the finished girth.
  const LimbWool& trunk = limbOf(plan, "trunk");
  const auto done = momentAt(steps, limbs, total)[static_cast<size_t>(*plan.figure->limb("trunk"))];
  EXPECT_NEAR(girthAtMoment(trunk.girths[2], done), trunk.girths[2].finished, 1e-9);
}

TEST(WhenToStop, SaysHowMuchMoreOrThatItCannotComeOff) {
  const Plan plan = plannedExactly(project("river_otter", 120));
  const auto l = static_cast<size_t>(*plan.figure->limb("trunk"));
  const FigureLimb& limb = plan.figure->limbs[l];
  const LimbWool& w = plan.wool->limbs[l];
  const Girth& g = w.girths[2];
  const GirthAdvice there = adviseGirth(limb, w, g.along, g.felted, false);
  EXPECT_EQ(there.kind, GirthAdvice::Kind::There);
  const GirthAdvice under = adviseGirth(limb, w, g.along, g.felted - 14, false);
  EXPECT_EQ(under.kind, GirthAdvice::Kind::Under);
  EXPECT_GT(under.grams, 0);
  EXPECT_LT(under.low, under.grams);
  EXPECT_NE(render(under.sentence).find("14 mm under"), std::string::npos) << render(under.sentence);
  // Twice as far under is nearly twice the wool.
  EXPECT_NEAR(adviseGirth(limb, w, g.along, g.felted - 28, false).grams / under.grams, 2, 0.3);
  const GirthAdvice over = adviseGirth(limb, w, g.along, g.finished * 1.1, true);
  EXPECT_EQ(over.kind, GirthAdvice::Kind::Over);
  EXPECT_NE(render(over.sentence).find("cannot come off"), std::string::npos);
  EXPECT_NEAR(resizeFor(over, g.finished * 1.1), 1.1, 1e-9);
  // All the stretches of a limb together, from nothing to its girths, are about its core.
  EXPECT_EQ(compareTwins("Left hind leg", 1.0, "Right hind leg", 1.05), Said());
  EXPECT_EQ(render(compareTwins("Left hind leg", 1.4, "Right hind leg", 1.0)),
            "Right hind leg is 0.4 g ahead of the left.");
}
