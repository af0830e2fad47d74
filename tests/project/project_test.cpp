// What was decided as plain values: equality, what a plan follows from, and the steps of the history.
#include "project/history.h"
#include "support.h"

#include <functional>

using namespace columna;
using namespace columna::test;

namespace {

using Change = std::function<void(Project&)>;

/// One change of every field that a plan follows from.
const std::vector<Change>& planned_() {
  static const std::vector<Change> all{
      [](Project& p) { p.pattern = "heron"; },
      [](Project& p) { p.size.mm = 99; },
      [](Project& p) { p.construction = Construction::FoldedPair; },
      [](Project& p) { p.material = "steel-florist"; },
      [](Project& p) { p.use = Use::Handled; },
      [](Project& p) { p.shape.character.head = 1.2; },
      [](Project& p) {
        p.made.push_back({"trunk", 40, {}, {}});
      },
      [](Project& p) { p.coat = 3; },
      [](Project& p) { p.finish = Finish::Fine; },
      [](Project& p) { p.limbs["tail"].firmness = Firmness::Firm; },
      [](Project& p) {
        p.limbs["tail"].digits = PieceRules::Digits{3, 8, false};
      },
      [](Project& p) { p.mostWires = 1; },
      [](Project& p) { p.drawerOnly = true; },
      [](Project& p) { p.handling = 300; },
      [](Project& p) {
        p.drawer.push_back({"coil", "aluminium-annealed", 1, 0, 0, 1, Estimate{60, 50, 70}});
      },
      [](Project& p) { p.allow.lap = 12; },
      [](Project& p) { p.pieceAllow["spine"].lap = 12; },
      [](Project& p) {
        p.routes["spine"] = {{"a", "b"}};
      },
      [](Project& p) { p.wool.grip = WireGrip::Wax; }};
  return all;
}

const std::vector<Change>& apart() {
  static const std::vector<Change> all{[](Project& p) { p.name = "Vixen"; },
                                       [](Project& p) { p.units = UnitSystem::Inch; },
                                       [](Project& p) { p.untied.insert("foreleg"); },
                                       [](Project& p) { p.photos.push_back({}); },
                                       [](Project& p) { p.stances.now.whole.flex = 0.1; },
                                       [](Project& p) { p.stances.glued.insert("left-elbow"); },
                                       [](Project& p) { p.stances.times = 4; }};
  return all;
}

} // namespace

TEST(ProjectValues, EveryChangeMakesItAnother) {
  for (const auto* changes : {&planned_(), &apart()})
    for (size_t k = 0; k < changes->size(); ++k) {
      Project p;
      (*changes)[k](p);
      EXPECT_FALSE(p == Project()) << k;
      EXPECT_EQ(samePlan(p, Project()), changes == &apart()) << k;
    }
}

TEST(ProjectValues, WhatAPlanDoesNotFollowFromChangesNoneOfIt) {
  const Project p = project("red_fox", 120);
  const Plan before = planned(p);
  for (size_t k = 0; k < apart().size(); ++k) {
    Project q = p;
    apart()[k](q);
    const Plan after = planned(q);
    EXPECT_EQ(after.totals.mass, before.totals.mass) << k;
    ASSERT_EQ(after.findings.size(), before.findings.size()) << k;
    for (size_t f = 0; f < after.findings.size(); ++f)
      EXPECT_EQ(after.findings[f].text, before.findings[f].text);
    ASSERT_EQ(after.pieces.size(), before.pieces.size()) << k;
    for (size_t i = 0; i < after.pieces.size(); ++i) EXPECT_EQ(after.pieces[i].cut, before.pieces[i].cut);
  }
}

TEST(ProjectValues, AChangeTakesTheTwinAlongWhileTheyAreTied) {
  Project p = project("red_fox", 120);
  const Plan plan = planned(p);
  const int left = *plan.figure->limb("left-foreleg");
  p.change(plan.figure, left, [](LimbChoice& c) { c.wires = 2; });
  EXPECT_EQ(p.limbs.at("right-foreleg").wires, 2);
  p.untied.insert("foreleg");
  p.change(plan.figure, left, [](LimbChoice& c) { c.wires.reset(); });
  EXPECT_FALSE(p.limbs.contains("left-foreleg")) << "an emptied choice is gone";
  EXPECT_EQ(p.limbs.at("right-foreleg").wires, 2);
}

TEST(HistorySteps, RunsAreOneStepAndEndAtTheirEnd) {
  History h{Project()};
  const auto to = [&](double mm, const char* run) {
    Project p = h.now();
    p.size.mm = mm;
    h.change("size", p, run);
  };
  const double first = h.now().size.mm;
  for (const double mm : {50.0, 60.0, 70.0}) to(mm, "drag");
  h.endRun();
  to(80, "drag");
  h.undo();
  EXPECT_EQ(h.now().size.mm, 70) << "another drag is another step";
  h.undo();
  EXPECT_EQ(h.now().size.mm, first);
  EXPECT_FALSE(h.canUndo());
  h.redo();
  h.redo();
  EXPECT_EQ(h.now().size.mm, 80);
  EXPECT_FALSE(h.canRedo());
}

TEST(HistorySteps, ANewStepEndsWhatWasUndone) {
  History h{Project()};
  for (const char* name : {"a", "b", "c"}) {
    Project p = h.now();
    p.name = name;
    h.change(name, p);
  }
  h.undo();
  h.undo();
  EXPECT_EQ(h.undoName(), "a");
  EXPECT_EQ(h.redoName(), "b");
  Project p = h.now();
  p.name = "d";
  h.change("d", p);
  EXPECT_FALSE(h.canRedo());
  h.undo();
  EXPECT_EQ(h.now().name, "a");
}

TEST(HistorySteps, ChangedIsAgainstWhatWasSavedAlongEveryWay) {
  History h{Project()};
  EXPECT_FALSE(h.changed());
  Project p;
  p.name = "a";
  h.change("a", p);
  h.markSaved();
  EXPECT_FALSE(h.changed());
  h.undo();
  EXPECT_TRUE(h.changed());
  h.redo();
  EXPECT_FALSE(h.changed());
  h.markUnsaved();
  EXPECT_TRUE(h.changed());
}

TEST(HistorySteps, TheOldestOfVeryManyAreForgotten) {
  History h{Project()};
  for (int k = 0; k < 700; ++k) {
    Project p = h.now();
    p.size.mm = 100 + k;
    h.change("size", p);
  }
  int back = 0;
  for (; h.canUndo(); ++back) h.undo();
  EXPECT_EQ(back, 500);
  EXPECT_EQ(h.now().size.mm, 100 + 199);
}
