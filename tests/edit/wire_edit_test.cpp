// Changes of the wire, the wool and the stance, without a window.
#include "edit/pose_edit.h"
#include "edit/wire_edit.h"
#include "edit/wool_edit.h"
#include "judge/pose_report.h"
#include "project/project_fields.h"
#include "support.h"
#include "told.h"

using namespace columna;
using namespace columna::test;

namespace {

int limbAt(const Plan& plan, const char* id) { return *plan.figure->limb(id); }
const LimbPlan& of(const Plan& plan, const char* id) {
  return plan.limbs[static_cast<size_t>(limbAt(plan, id))];
}

} // namespace

TEST(WireEdit, TheNewestChoiceCountsForAllThatShareAWire) {
  // In one piece trunk, neck and head run in one wire.
  for (const Construction built : kConstructions) {
    Project p = project("red_fox", 160, built);
    const Plan plan = planned(p);
    for (const char* each : {"trunk", "neck", "left-foreleg", "tail"}) {
      if (!of(plan, each).wired) continue;
      for (const double d : {1.5, 2.5}) {
        const auto made = edit::wireOf(p, planned(p), limbAt(plan, each), d);
        ASSERT_TRUE(made) << made.problem().sentence();
        p = *made;
        EXPECT_DOUBLE_EQ(of(planned(p), each).section.diameter, d) << each << " " << id(built);
        EXPECT_TRUE(of(planned(p), each).chosen);
      }
    }
  }
}

TEST(WireEdit, StepsGoToTheEndsOfWhatIsSoldAndSaySo) {
  Project p = project("red_fox", 160);
  const int leg = limbAt(planned(p), "left-foreleg");
  int steps = 0;
  for (;; ++steps) {
    const Plan now = planned(p);
    const auto next = edit::wireStepped(p, now, leg, 1);
    if (!next) break;
    EXPECT_GT(of(planned(*next), "left-foreleg").section.diameter, of(now, "left-foreleg").section.diameter);
    EXPECT_DOUBLE_EQ(of(planned(*next), "right-foreleg").section.diameter,
                     of(planned(*next), "left-foreleg").section.diameter);
    p = *next;
    ASSERT_LT(steps, 40);
  }
  EXPECT_GT(steps, 0);
  const Plan thickest = planned(p);
  EXPECT_DOUBLE_EQ(of(thickest, "left-foreleg").section.diameter,
                   of(thickest, "left-foreleg").section.material.diameters.back());
  p = *edit::wireAsReckoned(p, thickest, leg);
  EXPECT_TRUE(p.limbs.empty()) << "nothing is left of the choice";
}

TEST(WireEdit, WhatHasNoWireCannotBeGivenAGauge) {
  const Project p = project("red_fox", 160, Construction::NoWire);
  const Plan plan = planned(p);
  for (int l = 0; l < static_cast<int>(plan.limbs.size()); ++l) {
    if (plan.limbs[static_cast<size_t>(l)].wired) continue;
    EXPECT_FALSE(edit::wireOf(p, plan, l, 1));
    EXPECT_FALSE(edit::wireStepped(p, plan, l, 1));
    EXPECT_FALSE(edit::metalOf(p, plan, l, "steel-florist"));
    EXPECT_FALSE(edit::wireAsReckoned(p, plan, l));
    EXPECT_FALSE(edit::doubled(p, plan, l));
  }
  const Project wired = project("red_fox", 160);
  const Plan made = planned(wired);
  for (const double d : {0.0, -1.0, 1e9, std::nan("")})
    EXPECT_FALSE(edit::wireOf(wired, made, limbAt(made, "trunk"), d)) << d;
}

TEST(WireEdit, DoubledTwiceIsFourStrandsAndNoMore) {
  Project p = project("red_fox", 160);
  const int leg = limbAt(planned(p), "left-hindleg");
  p = edit::strandsOf(p, planned(p), leg, 1);
  for (const int strands : {2, 4}) {
    const Plan now = planned(p);
    const auto more = edit::doubled(p, now, leg);
    ASSERT_TRUE(more);
    p = *more;
    const Plan then = planned(p);
    EXPECT_EQ(of(then, "left-hindleg").section.wires, strands);
    EXPECT_EQ(of(then, "right-hindleg").section.wires, strands);
    EXPECT_DOUBLE_EQ(of(then, "left-hindleg").section.diameter, of(now, "left-hindleg").section.diameter);
  }
  EXPECT_FALSE(edit::doubled(p, planned(p), leg));
}

TEST(WireEdit, AMetalIsChosenForTheWholeWireInTheSizeTheSumsPropose) {
  Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  p = *edit::wireOf(p, plan, limbAt(plan, "trunk"), 3);
  const auto steel = edit::metalOf(p, planned(p), limbAt(plan, "trunk"), "steel-florist");
  ASSERT_TRUE(steel);
  const Plan then = planned(*steel);
  EXPECT_EQ(of(then, "trunk").section.material.id, "steel-florist");
  EXPECT_FALSE(of(then, "trunk").chosen);
}

TEST(WireEdit, OnlyWhatIsAWireGoesIntoTheDrawer) {
  const Project p = project("red_fox", 160);
  const OwnWire good{"coil", "aluminium-annealed", 1.5, 0, 0, 1, {}};
  ASSERT_TRUE(edit::wireAdded(p, good));
  const auto refused = [&](auto&& spoil) {
    OwnWire bad = good;
    spoil(bad);
    const auto made = edit::wireAdded(p, bad);
    EXPECT_FALSE(made.ok());
    return !made && !made.problem().remedy.empty();
  };
  EXPECT_TRUE(refused([](OwnWire& w) { w.diameter = 0.01; }));
  EXPECT_TRUE(refused([](OwnWire& w) { w.diameter = std::nan(""); }));
  EXPECT_TRUE(refused([](OwnWire& w) { w.cover = -0.1; }));
  EXPECT_TRUE(refused([](OwnWire& w) { w.length = 2e6; }));
  EXPECT_TRUE(refused([](OwnWire& w) { w.count = -1; }));
  Project two = *edit::wireAdded(*edit::wireAdded(p, good), good);
  two = edit::wireTested(two, 1, {70, 60, 80});
  EXPECT_FALSE(two.drawer[0].yield);
  EXPECT_EQ(two.drawer[1].yield->value, 70);
  EXPECT_EQ(edit::wireRemoved(two, 0).drawer.size(), 1U);
  EXPECT_EQ(edit::wireRemoved(two, 5), two);
}

TEST(WireEdit, AllowancesOfAPieceBeginAsTheFiguresAndGoBack) {
  Project p = project("red_fox", 160);
  const AllowanceField& loop = allowanceFields.front();
  p = *edit::allowanceSet(p, {}, loop, loop.bounds.most);
  p = *edit::allowanceSet(p, "spine", allowanceFields[1], allowanceFields[1].bounds.least);
  EXPECT_DOUBLE_EQ(p.pieceAllow.at("spine").*loop.member, loop.bounds.most);
  for (const AllowanceField& field : allowanceFields) {
    EXPECT_FALSE(edit::allowanceSet(p, {}, field, field.bounds.least - 0.001)) << field.key;
    EXPECT_FALSE(edit::allowanceSet(p, {}, field, field.bounds.most + 0.001)) << field.key;
    EXPECT_FALSE(edit::allowanceSet(p, {}, field, std::nan(""))) << field.key;
    EXPECT_TRUE(edit::allowanceSet(p, {}, field, field.bounds.least)) << field.key;
  }
  p = edit::allowancesUsual(edit::allowancesUsual(p, "spine"), {});
  EXPECT_EQ(p, project("red_fox", 160));
  EXPECT_FALSE(edit::handlingSet(p, 0));
  EXPECT_FALSE(edit::handlingSet(p, 1e9));
}

TEST(WireEdit, AMovedEndLeavesAllTheWiresStretchesWired) {
  const Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  int moved = 0;
  for (int i = 0; i < static_cast<int>(plan.pieces.size()); ++i) {
    const Piece& piece = plan.pieces[static_cast<size_t>(i)];
    if (piece.group < 0 || piece.route.size() < 3) continue;
    const auto made = edit::endMoved(p, plan, i, true, piece.route[piece.route.size() - 2]);
    if (!made) continue;
    ++moved;
    const Plan then = planned(*made);
    EXPECT_GE(then.pieces.size(), plan.pieces.size());
    for (size_t l = 0; l < plan.limbs.size(); ++l) EXPECT_EQ(then.limbs[l].wired, plan.limbs[l].wired);
  }
  EXPECT_GT(moved, 0);
}

TEST(WoolEdit, FirmnessStepsStopAtTheEndsAndTakeTheTwinAlong) {
  Project p = project("red_fox", 160);
  const int leg = limbAt(planned(p), "left-foreleg");
  p = edit::felted(p, planned(p), leg, Firmness::Soft);
  for (int k = 0; k < 4; ++k) p = edit::feltedStep(p, planned(p), leg, 1);
  EXPECT_EQ(planned(p).wool->limbs[static_cast<size_t>(leg)].firmness, Firmness::Firm);
  EXPECT_EQ(p.limbs.at("right-foreleg").firmness, Firmness::Firm);
  int softer = 0;
  for (auto next = edit::softened(p, planned(p), leg); next; next = edit::softened(p, planned(p), leg)) {
    p = *next;
    ASSERT_LT(++softer, 4);
  }
  EXPECT_EQ(softer, 2);
  EXPECT_EQ(planned(p).wool->limbs[static_cast<size_t>(leg)].firmness, Firmness::Soft);
}

TEST(WoolEdit, ANeckCarriesTheHeadAndALegItself) {
  const Plan plan = planned(project("red_fox", 160));
  EXPECT_EQ(edit::carriedBy(plan, limbAt(plan, "neck")), limbAt(plan, "head"));
  EXPECT_EQ(edit::carriedBy(plan, limbAt(plan, "trunk")), limbAt(plan, "head"));
  EXPECT_EQ(edit::carriedBy(plan, limbAt(plan, "left-foreleg")), limbAt(plan, "left-foreleg"));
}

TEST(WoolEdit, NumbersNoWoolHasAreRefused) {
  const Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  for (const double bad : {0.0, -0.1, edit::kDensest + 0.1, std::nan("")})
    EXPECT_FALSE(edit::densityOf(p, plan, 0, bad)) << bad;
  const auto own = edit::densityOf(p, plan, limbAt(plan, "trunk"), 0.12);
  ASSERT_TRUE(own);
  EXPECT_NEAR(planned(*own).wool->limbs[static_cast<size_t>(limbAt(plan, "trunk"))].density, 0.12e-3, 1e-9);
  EXPECT_EQ(*edit::densityOf(*own, plan, limbAt(plan, "trunk"), std::nullopt), p);
  for (const double bad : {-1.0, 101.0, std::nan("")}) EXPECT_FALSE(edit::coatLaid(p, bad)) << bad;
  EXPECT_EQ(*edit::coatLaid(*edit::coatLaid(p, 3), std::nullopt), p);
}

TEST(WoolEdit, RowsHaveALengthAndAFeltedCoatNone) {
  const Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  const Project fur = edit::coatFinished(p, plan, CoatFinish::Fur);
  ASSERT_TRUE(fur.wool.furShown);
  EXPECT_GE(*fur.wool.furShown, edit::kShortestRow);
  EXPECT_FALSE(edit::coatFinished(fur, plan, CoatFinish::Felted).wool.furShown);
  EXPECT_EQ(edit::rowsOf(p, 12)->wool.finish, CoatFinish::Fur);
  EXPECT_EQ(edit::rowsOf(*edit::rowsOf(p, 12), std::nullopt)->wool.finish, CoatFinish::Felted);
  EXPECT_EQ(edit::rowsOf(edit::coatFinished(p, plan, CoatFinish::Feathers), 12)->wool.finish,
            CoatFinish::Feathers);
  for (const double bad : {0.0, -2.0, 1e4}) EXPECT_FALSE(edit::rowsOf(p, bad)) << bad;
}

TEST(WoolEdit, ADrawnAreaIsKeptUnlessItIsASlipOfTheHand) {
  const std::vector<Vec2> square{{0, 0}, {1, 0}, {1, 1}, {0, 1}};
  EXPECT_TRUE(edit::drawnOutline(square, 10)) << "100 mm2";
  EXPECT_FALSE(edit::drawnOutline(square, 1)) << "1 mm2";
  EXPECT_FALSE(edit::drawnOutline({{0, 0}, {5, 5}}, 10));
  EXPECT_FALSE(edit::drawnOutline({}, 10));
  std::vector<Vec2> round;
  for (int k = 0; k < 9000; ++k) round.emplace_back(5 * std::cos(k * 7e-4), 5 * std::sin(k * 7e-4));
  const auto kept = edit::drawnOutline(round, 10);
  ASSERT_TRUE(kept);
  EXPECT_LE(kept->size(), fieldOf(&Marking::outline).entries);
  EXPECT_GE(kept->size(), fieldOf(&Marking::outline).entries / 2);
  Project p = project("red_fox", 160);
  for (size_t k = 0; k < fieldOf(&WoolWish::markings).entries; ++k)
    p = *edit::marked(p, {"m", Tone::Dark, View::Side, square, true, {}});
  EXPECT_FALSE(edit::marked(p, {"m", Tone::Dark, View::Side, square, true, {}}));
  EXPECT_EQ(edit::markingRemoved(p, 0).wool.markings.size(), fieldOf(&WoolWish::markings).entries - 1);
}

TEST(WoolEdit, APartHasOneReadyCoreAtMost) {
  Project p = project("red_fox", 160);
  p = *edit::readyCore(p, "trunk", ReadyCore{"trunk", ReadyKind::Ball, 20, 20, 20, 2, 0.5});
  p = *edit::readyCore(p, "trunk", ReadyCore{"trunk", ReadyKind::Ball, 30, 30, 30, 2, 0.5});
  ASSERT_EQ(p.wool.ready.size(), 1U);
  EXPECT_EQ(p.wool.ready[0].length, 30);
  EXPECT_EQ(*edit::readyCore(p, "trunk", std::nullopt), project("red_fox", 160));
}

TEST(PoseEdit, PosesAreWalkedRoundAndOwnOnesReplaceTheAnimals) {
  Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  const size_t count = edit::posesOf(p, plan).size();
  ASSERT_EQ(count, plan.pattern->poses.size() + 1);
  std::set<std::string> seen;
  for (size_t k = 0; k < count; ++k) {
    const std::string next = edit::poseAfter(p, plan, 1);
    seen.insert(next);
    p = *edit::poseTaken(p, plan, next);
    EXPECT_EQ(p.stances.now.name, next);
  }
  EXPECT_EQ(seen.size(), count);
  EXPECT_EQ(p.stances.now.name, "") << "round to the neutral stance";
  const std::string own = plan.pattern->poses.front().name;
  p = *edit::poseKept(p, own);
  EXPECT_EQ(edit::posesOf(p, plan).size(), count) << "under the animal's name it stands for it";
  EXPECT_TRUE(edit::poseTaken(p, plan, own)->stances.now.turns.empty()) << "the maker's comes first";
  EXPECT_FALSE(edit::poseTaken(p, plan, "asleep on the moon"));
  EXPECT_EQ(edit::poseRemoved(p, own).stances.saved.size(), 0U);
}

TEST(PoseEdit, NamesThatNoLabelHoldsAreRefusedAndLettersAreCountedNotBytes) {
  const Project p = project("red_fox", 160);
  EXPECT_FALSE(edit::poseKept(p, ""));
  EXPECT_FALSE(edit::poseKept(p, std::string(edit::kLongestPoseName + 1, 'x')));
  std::string long_; // two bytes a letter
  for (size_t k = 0; k < edit::kLongestPoseName; ++k) long_ += "ü";
  EXPECT_TRUE(edit::poseKept(p, long_));
}

TEST(PoseEdit, StancesAreHeldWithinTheJointsLimits) {
  const Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  PatternPose wild;
  for (const PatternBone& b : plan.pattern->bones) wild.turns[b.id] = {3, 3, 3};
  const Project held = edit::stanceTaken(p, plan, wild);
  EXPECT_EQ(edit::stanceTaken(held, plan, held.stances.now), held);
  EXPECT_FALSE(held.stances.now == wild);
}

TEST(PoseEdit, ADraggedPawGoesThereAndOneOutOfReachSaysSo) {
  const Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  int paw = -1;
  for (size_t k = 0; k < plan.skeleton->points.size(); ++k)
    if (plan.skeleton->points[k].id.starts_with("right-") &&
        plan.skeleton->limbs[static_cast<size_t>(limbAt(plan, "right-foreleg"))].front().points.back() ==
            static_cast<int>(k))
      paw = static_cast<int>(k);
  ASSERT_GE(paw, 0);
  const auto joint = edit::jointOfPoint(plan, paw);
  ASSERT_TRUE(joint);
  EXPECT_TRUE(joint->right);
  const Vec3 at = plan.skeleton->points[static_cast<size_t>(paw)].at;
  const auto near =
      edit::jointDragged(p, plan, posedFigure(plan, p.stances.now), *joint, at + Vec3(6, 0, 8), true);
  ASSERT_TRUE(near);
  EXPECT_FALSE(near->limited);
  EXPECT_FALSE(near->project.stances.now.turns.empty());
  EXPECT_TRUE(samePlan(near->project, p)) << "nothing of the plan follows from the stance";
  const auto far =
      edit::jointDragged(p, plan, posedFigure(plan, p.stances.now), *joint, at + Vec3(900, 0, 0), true);
  ASSERT_TRUE(far);
  EXPECT_TRUE(far->limited);
}

TEST(WireEdit, WhatIsRefusedIsToldInTheMakersUnits) {
  const Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  const Manner inches{UnitSystem::Inch, nullptr};
  OwnWire wire;
  wire.material = "aluminium-annealed";
  std::vector<Problem> refused;
  const auto no = [&](const Result<Project>& made) {
    ASSERT_FALSE(made);
    refused.push_back(made.problem());
  };
  for (const auto change : {+[](OwnWire& w) { w.diameter = 900; }, +[](OwnWire& w) { w.cover = 50; },
                            +[](OwnWire& w) { w.length = 1e9; }}) {
    OwnWire wrong = wire;
    change(wrong);
    no(edit::wireAdded(p, wrong));
  }
  no(edit::wireOf(p, plan, limbAt(plan, "left-foreleg"), 900));
  no(edit::handlingSet(p, 1e9));
  for (const AllowanceField& field : allowanceFields) no(edit::allowanceSet(p, "", field, 1e7));
  no(edit::densityOf(p, plan, limbAt(plan, "trunk"), 9000.0));
  no(edit::coatLaid(p, 9000.0));
  no(edit::rowsOf(p, 9000.0));
  EXPECT_EQ(refused.size(), 8 + allowanceFields.size());
  for (const Problem& each : refused) {
    EXPECT_FALSE(each.remedy.empty());
    EXPECT_FALSE(isMetric(each.sentence(inches))) << each.sentence(inches);
    EXPECT_FALSE(hasEnglish(each.sentence({UnitSystem::Metric, &pseudoLanguage()})))
        << each.sentence({UnitSystem::Metric, &pseudoLanguage()});
  }
}
