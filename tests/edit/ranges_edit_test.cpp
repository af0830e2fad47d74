// What the window decides through core/edit is within what a file holds: at the ends of each range it is
// taken and read back, beyond them it is refused with a sentence.
#include "edit/figure_edit.h"
#include "edit/pose_edit.h"
#include "edit/wire_edit.h"
#include "edit/wool_edit.h"
#include "file/readable.h"
#include "project/project_fields.h"
#include "support.h"
#include "told.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

/// One number that is decided: its range, and the change that sets it.
struct Decided {
  const char* what;
  Bounds bounds;
  std::function<Result<Project>(const Project&, double)> change;
  bool whole = false;
  double least = -1; ///< of the change, where it is stricter than the file
};

std::vector<Decided> decisions() {
  using edit::WoolOf;
  const auto ready = [](double ReadyCore::*member) {
    return [member](const Project& p, double value) {
      ReadyCore core{"trunk", ReadyKind::Foam, 30, 30, 30, 2, 0.5};
      core.*member = value;
      return edit::readyCore(p, "trunk", core);
    };
  };
  const auto base = [](double Support::*member) {
    return [member](const Project& p, double value) {
      Support support;
      support.feet = Feet::Base;
      support.*member = value;
      return edit::supportedBy(p, support, {});
    };
  };
  const auto wire = [](double OwnWire::*member) {
    return [member](const Project& p, double value) {
      OwnWire own{"1", "copper-soft", 0.8, 0, 100, 2, {}};
      own.*member = value;
      return edit::wireAdded(p, own);
    };
  };
  return {
      {"coat", boundsOf(&Project::coat), [](const Project& p, double v) { return edit::coatLaid(p, v); }},
      {"rows", boundsOf(&WoolWish::furShown), [](const Project& p, double v) { return edit::rowsOf(p, v); }},
      {"handling", boundsOf(&Project::handling),
       [](const Project& p, double v) { return edit::handlingSet(p, v); }},
      {"bought", boundsOf(&Project::mostWires),
       [](const Project& p, double v) { return edit::boughtAtMost(p, static_cast<int>(v)); }, true},
      {"staple", boundsOf(&WoolStock::staple),
       [](const Project& p, double v) { return edit::stapleOf(p, WoolOf::Coat, v); }},
      {"metre", boundsOf(&WoolStock::linear),
       [](const Project& p, double v) { return edit::woolWeighed(p, WoolOf::Core, v); }, false, 1e-9},
      {"ball's width", boundsOf(&TestBall::diameter),
       [](const Project& p, double v) {
         return edit::ballFelted(p, TestBall{v, 3, Firmness::Firm, {v, v, v}});
       }},
      {"ball's weight", boundsOf(&TestBall::grams),
       [](const Project& p, double v) {
         return edit::ballFelted(p, TestBall{30, v, Firmness::Firm, {}});
       }},
      {"ready length", boundsOf(&ReadyCore::length), ready(&ReadyCore::length)},
      {"ready width", boundsOf(&ReadyCore::across), ready(&ReadyCore::across)},
      {"ready depth", boundsOf(&ReadyCore::deep), ready(&ReadyCore::deep)},
      {"ready weight", boundsOf(&ReadyCore::grams), ready(&ReadyCore::grams)},
      {"ready place", boundsOf(&ReadyCore::at), ready(&ReadyCore::at)},
      {"base length", boundsOf(&Support::baseLength), base(&Support::baseLength)},
      {"base width", boundsOf(&Support::baseWidth), base(&Support::baseWidth)},
      {"base weight", boundsOf(&Support::baseMass), base(&Support::baseMass)},
      {"leg error", boundsOf(&Stances::legError),
       [](const Project& p, double v) { return edit::supportedBy(p, {}, v); }},
      {"times", boundsOf(&Stances::times),
       [](const Project& p, double v) { return edit::goneThrough(p, static_cast<int>(v)); }, true},
      {"wire", boundsOf(&OwnWire::diameter), wire(&OwnWire::diameter)},
      {"cover", boundsOf(&OwnWire::cover), wire(&OwnWire::cover)},
      {"straight length", boundsOf(&OwnWire::length), wire(&OwnWire::length)},
  };
}

} // namespace

TEST(Ranges, WhatIsDecidedIsWhatAFileHolds) {
  const Project before = project("red_fox", 160);
  const Manner inches{UnitSystem::Inch, nullptr};
  for (const Decided& d : decisions()) {
    for (const double good : {std::max(d.bounds.least, d.least), d.bounds.most}) {
      const auto made = d.change(before, good);
      ASSERT_TRUE(made) << d.what << " = " << good << ": " << made.problem().sentence();
      EXPECT_FALSE(unreadable(*made)) << d.what << " = " << good;
      EXPECT_FALSE(*made == before) << d.what;
    }
    const double step = d.whole ? 1 : 1e-9;
    for (const double bad :
         {std::min(d.bounds.least, std::max(d.bounds.least, d.least)) - step,
          d.bounds.most * (d.whole ? 1 : 1 + 1e-12) + step, d.whole ? 1e6 : std::nan("")}) {
      const auto made = d.change(before, bad);
      ASSERT_FALSE(made) << d.what << " = " << bad;
      EXPECT_FALSE(made.problem().remedy.empty()) << d.what;
      EXPECT_FALSE(isMetric(made.problem().sentence(inches))) << made.problem().sentence(inches);
      if (std::isnan(bad)) continue; // "nan" is no word
      EXPECT_FALSE(hasEnglish(made.problem().sentence({UnitSystem::Metric, &pseudoLanguage()}))) << d.what;
    }
  }
}

TEST(FigureEdit, OneThingIsDecidedAndNothingElse) {
  const Project before = project("red_fox", 160);
  const auto only = [&](const Project& after, auto put) {
    Project expected = before;
    put(expected);
    EXPECT_EQ(after, expected);
    EXPECT_FALSE(after == before);
  };
  only(edit::constructedAs(before, Construction::FoldedPair),
       [](Project& p) { p.construction = Construction::FoldedPair; });
  only(edit::usedFor(before, Use::Handled), [](Project& p) { p.use = Use::Handled; });
  only(edit::finishedAs(before, Finish::Fine), [](Project& p) { p.finish = Finish::Fine; });
  only(edit::shownIn(before, UnitSystem::Inch), [](Project& p) { p.units = UnitSystem::Inch; });
  only(*edit::ofMetal(before, shelf(), "copper-soft"), [](Project& p) { p.material = "copper-soft"; });
  only(*edit::called(before, "Reynard"), [](Project& p) { p.name = "Reynard"; });
  only(edit::fromDrawer(before, true), [](Project& p) { p.drawerOnly = true; });
  only(edit::bentBy(before, Hands::Child), [](Project& p) { p.stances.hands = Hands::Child; });
  only(edit::goingThrough(before, {"", "bow"}), [](Project& p) { p.stances.goThrough = {"", "bow"}; });
  only(edit::grippedBy(before, WireGrip::Wax), [](Project& p) { p.wool.grip = WireGrip::Wax; });
  only(edit::woolOfTone(before, edit::WoolOf::Coat, Tone::Dark),
       [](Project& p) { p.wool.coat.tone = Tone::Dark; });
  EXPECT_FALSE(edit::ofMetal(before, shelf(), "moonbeam"));
  EXPECT_FALSE(edit::called(before, ""));
}

TEST(FigureEdit, AViewHasOnePicture) {
  Photo side;
  side.entry = "photos/side.jpg";
  side.width = side.height = 100;
  Photo front = side;
  front.view = View::Front;
  front.entry = "photos/front.jpg";
  const auto both = edit::withPhotos(project("red_fox", 160), {side, front});
  ASSERT_TRUE(both);
  EXPECT_FALSE(unreadable(*both));
  EXPECT_FALSE(edit::withPhotos(*both, {side, front, side}));
}

TEST(WoolEdit, AnotherFormHasToBeWeighedAnew) {
  Project p = *edit::woolWeighed(project("red_fox", 160), edit::WoolOf::Core, 22);
  EXPECT_DOUBLE_EQ(*p.wool.core.linear, 0.022);
  EXPECT_EQ(p.wool.coat.linear, std::nullopt);
  p = edit::woolComesAs(p, edit::WoolOf::Core, WoolForm::Batt);
  EXPECT_EQ(p.wool.core.form, WoolForm::Batt);
  EXPECT_EQ(p.wool.core.linear, std::nullopt) << "a metre of a batt is not a metre of a sliver";
}

TEST(WoolEdit, AMarkingIsChangedByItsPlace) {
  const std::vector<Vec2> square{{0, 0}, {1, 0}, {1, 1}, {0, 1}};
  Project p = *edit::marked(project("red_fox", 160), {"bib", Tone::Pale, View::Front, square, true, {}});
  p = edit::markingCalled(p, 0, "star");
  p = edit::markingOfTone(p, 0, Tone::Dark);
  p = edit::markingOnBoth(p, 0, false);
  EXPECT_EQ(p.wool.markings[0], (Marking{"star", Tone::Dark, View::Front, square, false, {}}));
  const Project same =
      edit::markingOnBoth(edit::markingOfTone(edit::markingCalled(p, 7, "x"), 7, Tone::Mid), 7, true);
  EXPECT_EQ(same, p) << "there is no eighth";
}

TEST(WoolEdit, AUsualReadyCoreFitsItsPart) {
  for (const char* animal : {"red_fox", "elephant", "heron", "house_mouse"})
    for (const double height : {60.0, 160.0, 400.0}) {
      const Plan plan = planned(project(animal, height));
      for (size_t l = 0; l < plan.limbs.size(); ++l) {
        const ReadyCore core = edit::usualReadyCore(plan, static_cast<int>(l));
        EXPECT_EQ(core.limb, plan.figure->limbs[l].id);
        EXPECT_TRUE(edit::readyCore(project(animal, height), core.limb, core)) << animal << ' ' << core.limb;
        for (const Girth& g : plan.wool->limbs[l].girths)
          if (core.deep > boundsOf(&ReadyCore::deep).least) {
            EXPECT_LE(core.deep + 2 * plan.woolRules.readyCover, g.deep + 1e-9) << animal << ' ' << core.limb;
          }
      }
    }
}

TEST(WireEdit, RoutesAreGoneThroughRoundAndRound) {
  int walked = 0;
  for (const Construction built : {Construction::FoldedPair, Construction::TwistedLimbs})
    for (const char* animal : {"red_fox", "river_otter"}) {
      Project p = project(animal, 160, built);
      const Plan plan = planned(p);
      for (const RouteChoice& choice : plan.routes) {
        if (choice.ways.size() < 2) continue;
        const auto piece = std::find_if(plan.pieces.begin(), plan.pieces.end(), [&](const Piece& each) {
          return each.group >= 0 && plan.groups[static_cast<size_t>(each.group)].name == choice.group;
        });
        ASSERT_NE(piece, plan.pieces.end());
        const int at = static_cast<int>(piece - plan.pieces.begin());
        for (size_t k = 1; k < choice.ways.size(); ++k) {
          p = *edit::routeNext(p, plan, at);
          EXPECT_EQ(p.routes.at(choice.group), choice.ways[k]);
          EXPECT_FALSE(unreadable(p));
        }
        p = *edit::routeNext(p, plan, at);
        EXPECT_FALSE(p.routes.contains(choice.group)) << "the first is the one the sums prefer";
        ++walked;
      }
      for (size_t i = 0; i < plan.pieces.size(); ++i)
        if (plan.pieces[i].group < 0) {
          EXPECT_FALSE(edit::routeNext(p, plan, static_cast<int>(i)));
        }
    }
  EXPECT_GT(walked, 0);
}

TEST(PoseEdit, GlueIsPutOnAndTakenOffByThePoint) {
  const Project before = project("red_fox", 160);
  const Plan plan = planned(before);
  const Project on = edit::gluedAt(before, plan, 3, true);
  EXPECT_EQ(on.stances.glued, (std::set<std::string>{plan.skeleton->points[3].id}));
  EXPECT_EQ(edit::gluedAt(on, plan, 3, true), on);
  EXPECT_EQ(edit::gluedAt(on, plan, 3, false), before);
}
