// Wire as a whole: limits, the drawer, remedies, impossible wishes.
#include "support.h"

#include "edit/remedies.h"
#include "judge/advice.h"
#include "judge/planning.h"
#include "plan/wire_stock.h"

#include <cmath>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

bool says(const Plan& plan, const std::string& words) {
  for (const Finding& f : plan.findings)
    if (render(f.text).find(words) != std::string::npos || render(f.brief).find(words) != std::string::npos)
      return true;
  return false;
}

std::set<std::pair<std::string, double>> kinds(const Plan& plan) {
  std::set<std::pair<std::string, double>> out;
  for (const WireSection& s : plan.sections) out.insert({s.material.id, s.diameter});
  return out;
}

} // namespace

TEST(WirePlan, NoMoreKindsThanAreWanted) {
  for (const Pattern& p : animals())
    for (const int most : {1, 2, 3, 5}) {
      Project wanted = project(p.id, 160);
      wanted.mostWires = most;
      const Plan plan = planned(wanted);
      if (plan.wiresLeast <= most) {
        EXPECT_LE(kinds(plan).size(), static_cast<size_t>(most)) << p.id;
      }
      // Every limb that fits has at least what it needs.
      for (const LimbPlan& l : plan.limbs)
        if (l.wired && l.fits) {
          EXPECT_GE(l.section.diameter, l.need.diameter - 1e-9) << p.id;
        }
    }
}

TEST(WirePlan, TheDrawerComesFirst) {
  Project p = project("river_otter", 108);
  p.mostWires = 1;
  p.drawer = {{"odd coil", "aluminium-annealed", 1.45, 0, 0, 1, {}}};
  const Plan plan = planned(p);
  EXPECT_TRUE(kinds(plan).contains({"aluminium-annealed", 1.45})) << "used without counting as bought";
  EXPECT_LE(plan.wiresBought, 1);
  bool fromDrawer = false;
  for (const WireStock& wire : plan.stock)
    for (const CutBar& bar : wire.cuts.bars) fromDrawer = fromDrawer || (bar.drawer && bar.id == "odd coil");
  EXPECT_TRUE(fromDrawer);
}

TEST(WirePlan, AMeasuredYieldCounts) {
  Project p = project("river_otter", 108);
  p.drawerOnly = true;
  p.drawer = {{"mine", "aluminium-annealed", 2, 0, 0, 1, {}}};
  const Plan handbook = planned(p);
  p.drawer[0].yield = Estimate{68, 60, 76};
  const Plan measured = planned(p);
  const auto neck = static_cast<size_t>(*handbook.figure->limb("neck"));
  EXPECT_NEAR(measured.limbs[neck].hold.hold / handbook.limbs[neck].hold.hold, 2, 0.05);
}

TEST(WirePlan, EveryPieceIsCutOnce) {
  for (const Construction c : kConstructions) {
    const Plan plan = planned(project("dragon", 160, c));
    std::vector<double> cut(plan.pieces.size(), 0);
    for (const WireStock& wire : plan.stock) {
      EXPECT_TRUE(wire.cuts.uncut.empty());
      for (const CutBar& bar : wire.cuts.bars)
        for (const Cut& each : bar.cuts) {
          const WirePart& part = wire.parts[static_cast<size_t>(each.piece)];
          if (part.piece >= 0) cut[static_cast<size_t>(part.piece)] += part.length;
        }
    }
    for (size_t i = 0; i < cut.size(); ++i)
      EXPECT_NEAR(cut[i], plan.pieces[i].cut, 1e-6) << plan.pieces[i].name;
  }
}

TEST(WirePlan, LongPiecesOfStemAreSpliced) {
  Project p = project("river_otter", 200);
  p.material = "steel-florist"; // sold in lengths of 360 mm
  const Plan sold = planned(p);
  for (const WireStock& wire : sold.stock) {
    EXPECT_TRUE(wire.cuts.uncut.empty());
    for (const WirePart& part : wire.parts) EXPECT_LE(part.length, 360 + 1e-6);
  }
  // Stretches longer than a length of wire are spliced, away from the bends.
  p = project("heron", 320);
  p.drawerOnly = true;
  p.drawer = {{"lengths", "aluminium-annealed", 0.5, 0, 80, 500, {}}};
  const Plan plan = planned(p);
  EXPECT_TRUE(says(plan, "spliced"));
  for (const Piece& piece : plan.pieces)
    for (const Feature& f : piece.features)
      if (f.kind == "splice") {
        EXPECT_EQ(f.takes, 15);
        for (const Bend& b : piece.bends)
          if (b.angle > 0.15) {
            EXPECT_GT(std::abs(b.at + b.arc / 2 - f.at), 5) << piece.name;
          }
      }
  for (const WireStock& wire : plan.stock)
    for (const WirePart& part : wire.parts) EXPECT_LE(part.length, 80 + 1e-6);
}

TEST(WirePlan, ImpossibleWishesAreFindings) {
  Project p = project("red_fox", 160);
  p.drawerOnly = true;
  EXPECT_TRUE(says(planned(p), "drawer is empty"));
  p.drawer = {{"bits", "aluminium-annealed", 1.6, 0, 10, 3, {}}};
  const Plan tiny = planned(p);
  EXPECT_TRUE(says(tiny, "the longest in the drawer is 10 mm"));
  EXPECT_TRUE(tiny.anyWrong());
  p = project("red_fox", 160);
  p.mostWires = 0;
  EXPECT_TRUE(says(planned(p), "different wires have to be bought"));
  p = project("red_fox", 160);
  p.limbs["left-foreleg"].digits = PieceRules::Digits{40, 2, false};
  const Plan digits = planned(p);
  EXPECT_TRUE(says(digits, "cannot be woven"));
  EXPECT_TRUE(says(digits, "too short to wrap"));
  p = project("red_fox", 160);
  p.handling = 1;
  EXPECT_GT(planned(p).pieces.size(), 10U) << "every stretch by itself";
}

TEST(WirePlan, DigitsAskedForAreReckonedByHand) {
  Project p = project("red_fox", 160);
  p.limbs["left-foreleg"].digits = PieceRules::Digits{4, 6, false};
  const Plan plan = planned(p);
  const auto found = std::find_if(plan.pieces.begin(), plan.pieces.end(),
                                  [](const Piece& x) { return x.name == "left foreleg toes"; });
  ASSERT_NE(found, plan.pieces.end());
  const double before = 4 * digitLength(6, found->diameter, 6) + 2 * 15;
  EXPECT_NEAR(found->cut, before * 1.03 + 10, 1e-9);
  p.limbs["left-foreleg"].digits->pegs = true;
  const Plan pegs = planned(p);
  EXPECT_EQ(std::count_if(pegs.pieces.begin(), pegs.pieces.end(),
                          [](const Piece& x) { return x.name.starts_with("left foreleg toes"); }),
            4);
}

TEST(WirePlan, RoutesOfTheMakersOwnAreCheckedNotReplaced) {
  Project p = project("river_otter", 108, Construction::FoldedPair);
  const Plan best = planned(p);
  const RouteChoice& back = *std::find_if(best.routes.begin(), best.routes.end(),
                                          [](const RouteChoice& c) { return c.group == "back"; });
  // Cut in two at the front: covered all the same, so it is taken.
  std::vector<std::vector<std::string>> two;
  const auto& one = back.ways.front().front();
  const size_t middle = one.size() / 2;
  two.emplace_back(one.begin(), one.begin() + static_cast<std::ptrdiff_t>(middle) + 1);
  two.emplace_back(one.begin() + static_cast<std::ptrdiff_t>(middle), one.end());
  p.routes["back"] = two;
  const Plan own = planned(p);
  EXPECT_FALSE(says(own, "no longer fits"));
  EXPECT_EQ(std::count_if(own.pieces.begin(), own.pieces.end(),
                          [](const Piece& x) { return x.name.starts_with("back"); }),
            2);
  // Half of it missing: said, and the best one used.
  p.routes["back"].pop_back();
  const Plan missing = planned(p);
  EXPECT_TRUE(says(missing, "no longer fits"));
  EXPECT_EQ(missing.pieces.size(), best.pieces.size());
}

TEST(WirePlan, AllowancesAreTheMakersOwn) {
  Project p = project("river_otter", 108);
  const Plan usual = planned(p);
  const auto find = [](const Plan& plan, const char* name) {
    return *std::find_if(plan.pieces.begin(), plan.pieces.end(),
                         [&](const Piece& x) { return x.name == name; });
  };
  p.allow.lap = 20;
  EXPECT_NEAR(find(planned(p), "left foreleg").cut - find(usual, "left foreleg").cut, 20 * 1.03, 1e-6);
  p.allow.lap = 10;
  p.pieceAllow["left foreleg"] = p.allow;
  p.pieceAllow["left foreleg"].wasteLength = 30;
  EXPECT_NEAR(find(planned(p), "left foreleg").cut - find(usual, "left foreleg").cut, 20, 1e-6);
}

TEST(WirePlan, FourStrandsInALegTakeTwiceTheWire) {
  Project p = project("river_otter", 108);
  const Plan two = planned(p);
  const int leg = *two.figure->limb("left-foreleg");
  p.change(two.figure, leg, [&](LimbChoice& c) {
    c.wires = 4;
    c.diameter = two.limbs[static_cast<size_t>(leg)].section.diameter;
  });
  const Plan four = planned(p);
  EXPECT_EQ(four.limbs[static_cast<size_t>(leg)].section.wires, 4);
  EXPECT_GT(four.limbs[static_cast<size_t>(leg)].hold.hold,
            1.8 * two.limbs[static_cast<size_t>(leg)].hold.hold);
  p.change(two.figure, leg, [](LimbChoice& c) {
    c.wires = 0;
    c.diameter.reset();
  });
  EXPECT_FALSE(planned(p).limbs[static_cast<size_t>(leg)].wired);
}

TEST(WirePlan, AHeavyHeadIsSaidWithWhatWouldHelp) {
  Project p = project("river_otter", 260);
  p.drawerOnly = true;
  p.drawer = {{"thin", "aluminium-annealed", 1, 0, 0, 1, {}}};
  const Plan plan = planned(p);
  const int neck = *plan.figure->limb("neck");
  ASSERT_NE(plan.limbs[static_cast<size_t>(neck)].verdict, Level::Good);
  const std::vector<Remedy> help = remedies(p, shelf(), plan, neck);
  ASSERT_GE(help.size(), 4U);
  std::set<std::string> words;
  for (const Remedy& r : help) {
    words.insert(render(r.words));
    // What is told is what planning it gives.
    const Plan then = planned(r.project);
    EXPECT_NEAR(then.limbs[static_cast<size_t>(*then.figure->limb("neck"))].hold.hold, r.hold, 0.03 * r.hold)
        << r.words << ": wool guessed from one figure or another";
    EXPECT_TRUE(r.hold > plan.limbs[static_cast<size_t>(neck)].hold.hold ||
                r.nudge > plan.limbs[static_cast<size_t>(neck)].hold.nudge)
        << r.words;
  }
  EXPECT_TRUE(words.contains("make the neck a seventh shorter"));
  EXPECT_TRUE(words.contains("double it again, to four strands"));
}

TEST(WirePlan, AdviceForEveryConstruction) {
  const Plan bear = planned(project("toy_bear", 160));
  const auto order = allAdvice(Use::Shelf, bear);
  EXPECT_EQ(order.size(), kConstructions.size());
  EXPECT_EQ(order.front().construction, Construction::ThreadJoints);
  for (const Advice& a : order) EXPECT_FALSE(a.reason.empty());
  const Plan large = planned(project("river_otter", 320, Construction::FoldedPair));
  EXPECT_EQ(constructionAdvice(Construction::FoldedPair, Use::Shelf, large).level, Level::Doubtful);
  EXPECT_TRUE(says(large, "give up strength"));
  EXPECT_EQ(constructionAdvice(Construction::ThroughPegs, Use::Shelf, large).level, Level::Doubtful);
}

TEST(WirePlan, JoinsOfEachConstruction) {
  const auto has = [](const Plan& plan, const char* kind) {
    return std::any_of(plan.joins.begin(), plan.joins.end(), [&](const Join& j) { return j.kind == kind; });
  };
  EXPECT_TRUE(has(planned(project("river_otter", 108, Construction::FoldedPair)), "mutual-twist"));
  EXPECT_TRUE(has(planned(project("river_otter", 108)), "lashing"));
  const Plan glued = planned(project("sheep", 108, Construction::LegsAndTail));
  EXPECT_TRUE(has(glued, "awl-hole"));
  EXPECT_TRUE(has(glued, "spine-pin"));
  for (const Join& j : glued.joins)
    if (j.kind == "awl-hole") {
      EXPECT_GT(j.length, 5);
    }
  EXPECT_TRUE(has(planned(project("beetle", 80, Construction::ThroughPegs)), "through"));
  EXPECT_TRUE(has(planned(project("toy_bear", 160, Construction::ThreadJoints)), "thread"));
  const Plan bare = planned(project("toy_bear", 160, Construction::NoWire));
  EXPECT_TRUE(has(bare, "skewer"));
  EXPECT_TRUE(bare.pieces.empty());
  // Pegs are cut alike.
  const Plan pegs = planned(project("beetle", 80, Construction::ThroughPegs));
  for (const Piece& piece : pegs.pieces) EXPECT_EQ(piece.cut, pegs.pieces.front().cut);
  EXPECT_TRUE(has(planned(project("heron", 180)), "tail-foot"));
}

TEST(WirePlan, APatternOfOneBone) {
  Pattern one = *shelf().pattern("river_otter");
  std::erase_if(one.bones, [](const PatternBone& b) { return !b.parent.empty(); });
  for (PatternLimb& l : one.limbs)
    std::erase_if(l.bones, [&](const std::string& id) { return one.bone(id) == nullptr; });
  std::erase_if(one.limbs, [](const PatternLimb& l) { return l.bones.empty(); });
  one.flats.clear();
  one.poses.clear();
  Catalog catalog = shelf();
  for (Pattern& p : catalog.patterns)
    if (p.id == one.id) p = one;
  for (const Construction c : kConstructions) {
    Project p = project("river_otter", 100, c);
    p.size.by = SizeBy::OverallHeight;
    const auto made = plan(p, catalog);
    if (!made) continue; // a sentence does as well
    bool said = false;
    for (const Finding& f : made->findings)
      said = said || render(f.text).find("single bone") != std::string::npos;
    EXPECT_TRUE(said);
  }
}

TEST(WirePlan, EveryShippedRoutingIsProven) {
  for (const Pattern& pattern : animals())
    for (int c = 0; c < 8; ++c) {
      const Plan plan = planned(project(pattern.id, 140, static_cast<Construction>(c)));
      for (const RouteChoice& choice : plan.routes)
        EXPECT_TRUE(choice.proven) << pattern.id << ' ' << c << ' ' << choice.group;
    }
}

TEST(WirePlan, AsManyStrandsAsCanBeAreSaidToBeUnproven) {
  Project p = project("beetle", 120, Construction::TwistedLimbs);
  const Plan usual = planned(p);
  for (const FigureLimb& limb : usual.figure->limbs) p.limbs[limb.id].wires = 4;
  const Plan plan = planned(p);
  bool unproven = false;
  for (const RouteChoice& choice : plan.routes) unproven = unproven || !choice.proven;
  ASSERT_TRUE(unproven);
  EXPECT_TRUE(std::any_of(plan.findings.begin(), plan.findings.end(), [](const Finding& f) {
    return render(f.text).find("not every way through was tried") != std::string::npos;
  }));
  for (const Piece& piece : plan.pieces) EXPECT_GT(piece.cut, 0) << piece.tag;
}
