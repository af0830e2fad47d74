// What is made is fact: how far each part is, what came out otherwise, and three answers to it.
#include "support.h"

#include "built/as_built.h"
#include "file/project_json.h"
#include "judge/face_sums.h"
#include "steps/steps_of.h"
#include "steps/written_record.h"
#include "wool/when_to_stop.h"

#include <algorithm>
#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

/// A figure whose making is written down step by step.
struct Making {
  Project of;
  Plan plan;
  std::shared_ptr<const FaceSums> face;
  StepPlan steps;
  WrittenRecord record;
  double minute = 0;

  explicit Making(const Project& p) : of(p), plan(planned(p)), face(faceSums(p, shelf(), plan)) {
    steps = stepsOf(of, shelf(), plan, face.get());
  }
  [[nodiscard]] int step(std::string_view id) const {
    const auto found = steps.find(id);
    EXPECT_TRUE(found) << id;
    return found.value_or(0);
  }
  [[nodiscard]] const Step& at(std::string_view id) const {
    return steps.steps[static_cast<size_t>(step(id))];
  }
  [[nodiscard]] const Goal& goal(std::string_view id, Goal::What what) const {
    for (const Goal& g : at(id).goals)
      if (g.what == what) return g;
    ADD_FAILURE() << id;
    return at(id).goals.front();
  }
  void done(const std::string& id) {
    record.add(EntryKind::Begin, id, minute);
    record.add(EntryKind::Done, id, ++minute);
  }
  /// All steps before this one in the plan's order.
  void doneBefore(std::string_view id) {
    for (const Step& s : steps.steps) {
      if (s.id == id) return;
      done(s.id);
    }
  }
  Entry& read(const std::string& id, Goal::What what, double value) {
    const Goal& g = goal(id, what);
    Entry& e = record.add(readingOf(what), id, ++minute);
    e.value = value;
    if (g.along > 0) e.along = g.along;
    return e;
  }
  Entry& decide(const std::string& id, BuiltWay way) {
    const std::string of_ = record.entries.back().id;
    Entry& e = record.add(EntryKind::MadeChoice, id, ++minute);
    e.of = of_;
    e.text = std::string(word(way));
    return e;
  }
  [[nodiscard]] std::int64_t now() const { return test::at(minute + 5000); }
  [[nodiscard]] std::vector<BuiltLevel> levels() const {
    return builtLevels(plan, steps, progressOf(steps, record.entries, now()));
  }
  [[nodiscard]] size_t limb(const char* id) const { return static_cast<size_t>(*plan.figure->limb(id)); }
  [[nodiscard]] std::vector<BuiltAnswer> answers() const {
    const auto off = deviations(steps, record.entries);
    EXPECT_FALSE(off.empty());
    if (off.empty()) return {};
    return builtAnswers({of, shelf(), plan, steps, record.entries, now()}, off.front());
  }
};

const BuiltAnswer* of(const std::vector<BuiltAnswer>& answers, BuiltWay way) {
  for (const BuiltAnswer& a : answers)
    if (a.way == way) return &a;
  return nullptr;
}

double feltedAt(const Plan& plan, size_t limb, double along) {
  const Girth* g = girthNear(plan.wool->limbs[limb], along);
  return g ? g->felted : 0;
}

/// How much a limb's lengths changed, mm, at most.
double stretched(const Plan& before, const Plan& after, size_t limb) {
  double most = std::abs(before.figure->limbs[limb].length - after.figure->limbs[limb].length);
  for (const int b : before.figure->limbs[limb].bones) {
    const auto at = static_cast<size_t>(b);
    most = std::max(most, std::abs(before.figure->bones[at].length - after.figure->bones[at].length));
  }
  return most;
}

Project otterProject() { return project("river_otter", 108); }

} // namespace

TEST(AsBuilt, LevelsFollowFromTheRecordAlone) {
  Making bench(otterProject());
  for (const BuiltLevel level : bench.levels()) EXPECT_EQ(level, BuiltLevel::Bare);
  bench.done("shape/left-foreleg");
  EXPECT_EQ(bench.levels()[bench.limb("left-foreleg")], BuiltLevel::Wire);
  EXPECT_EQ(bench.levels()[bench.limb("right-foreleg")], BuiltLevel::Bare);
  bench.doneBefore("wind/left-foreleg");
  bench.done("wind/left-foreleg");
  EXPECT_EQ(bench.levels()[bench.limb("left-foreleg")], BuiltLevel::Wire) << "wound is not firm";
  bench.done("firm/left-foreleg");
  const size_t firm = bench.record.entries.size() - 1;
  EXPECT_EQ(bench.levels()[bench.limb("left-foreleg")], BuiltLevel::Core);
  bench.record.withdraw(firm, ++bench.minute);
  EXPECT_EQ(bench.levels()[bench.limb("left-foreleg")], BuiltLevel::Wire) << "what is withdrawn is not made";
  bench.doneBefore("record/all");
  for (size_t l = 0; l < bench.levels().size(); ++l)
    EXPECT_GE(bench.levels()[l], BuiltLevel::Core) << bench.plan.figure->limbs[l].id;
}

TEST(AsBuilt, AReadingIsAskedAboutOnceAndOnlyWhereItMatters) {
  Making bench(otterProject());
  const double planned = bench.goal("firm/trunk", Goal::What::Round).value;
  bench.read("wind/trunk", Goal::What::Round, bench.goal("wind/trunk", Goal::What::Round).value * 1.2);
  const auto found = [&] { return deviations(bench.steps, bench.record.entries).size(); };
  bench.read("firm/trunk", Goal::What::Round, planned * 1.005);
  EXPECT_EQ(found(), 0U) << "near enough";
  bench.read("firm/trunk", Goal::What::Round, planned * 4);
  EXPECT_EQ(found(), 0U) << "a slip of the hand";
  bench.read("firm/trunk", Goal::What::Round, planned * 1.06).by = EntryBy::StandIn;
  EXPECT_EQ(found(), 0U) << "no measurement";
  bench.read("firm/trunk", Goal::What::Round, planned * 1.06);
  EXPECT_EQ(found(), 1U);
  bench.decide("firm/trunk", BuiltWay::Keep);
  const size_t decided = bench.record.entries.size() - 1;
  EXPECT_EQ(found(), 0U);
  bench.record.withdraw(decided, ++bench.minute);
  EXPECT_EQ(found(), 1U);
  bench.read("firm/trunk", Goal::What::Round, planned * 1.03);
  EXPECT_EQ(found(), 1U) << "the newer reading takes the place of the one before";
  bench.read("firm/left-foreleg", Goal::What::Round,
             bench.goal("firm/left-foreleg", Goal::What::Round).value * 1.2);
  const auto both = deviations(bench.steps, bench.record.entries);
  ASSERT_EQ(both.size(), 2U);
  EXPECT_EQ(both.front().step, bench.step("firm/left-foreleg")) << "the newest first";
  EXPECT_NEAR(both.back().ratio(), 1.03, 1e-12);
}

TEST(AsBuilt, TheRestFollowsAndWhatIsMadeStays) {
  for (const double ratio : {0.9, 1.08}) {
    Making bench(otterProject());
    bench.doneBefore("firm/trunk");
    bench.done("firm/trunk");
    const Goal goal = bench.goal("firm/trunk", Goal::What::Round);
    bench.read("firm/trunk", Goal::What::Round, goal.value * ratio);
    const auto answers = bench.answers();
    ASSERT_GE(answers.size(), 2U);
    EXPECT_EQ(answers.front().way, BuiltWay::Rest) << "beyond a twentieth";
    EXPECT_FALSE(of(answers, BuiltWay::Twin)) << "there is one trunk";
    const BuiltAnswer& rest = answers.front();
    ASSERT_TRUE(rest.project);
    EXPECT_FALSE(rest.result.empty());
    const Plan after = plannedExactly(*rest.project);
    const Plan before = plannedExactly(bench.of);
    const auto levels = bench.levels();
    for (size_t l = 0; l < levels.size(); ++l) {
      const FigureLimb& limb = before.figure->limbs[l];
      if (before.limbs[l].wired) {
        EXPECT_LT(stretched(before, after, l), 1e-6) << limb.id << ": its wire is bent";
        EXPECT_EQ(after.limbs[l].section.diameter, bench.plan.limbs[l].section.diameter) << limb.id;
        EXPECT_EQ(after.limbs[l].section.material.id, bench.plan.limbs[l].section.material.id) << limb.id;
      }
      for (const Girth& g : before.wool->limbs[l].girths) {
        if (g.loose || g.felted <= 0) continue;
        const double grown = girthNear(after.wool->limbs[l], g.along)->finished / g.finished;
        const bool firm =
            levels[l] >= BuiltLevel::Core && static_cast<int>(l) != static_cast<int>(bench.limb("trunk"));
        EXPECT_NEAR(grown, firm ? 1 : ratio, 0.03) << limb.id << " at " << g.along;
      }
    }
    EXPECT_NEAR(feltedAt(after, bench.limb("trunk"), goal.along), goal.value * ratio, 0.015 * goal.value);
    // Pieces are cut already: what they are now is what was cut, but for the bends' own radii.
    ASSERT_EQ(after.pieces->size(), before.pieces->size());
    for (size_t i = 0; i < after.pieces->size(); ++i)
      EXPECT_NEAR((*after.pieces)[i].cut, (*before.pieces)[i].cut, 0.02 * (*before.pieces)[i].cut)
          << (*before.pieces)[i].name;
    bool newer = false;
    const auto again = projectFromJson(toJson(*rest.project), "kept", newer);
    ASSERT_TRUE(again) << again.problem().sentence();
    EXPECT_TRUE(*again == *rest.project) << "what is taken can be saved";
  }
}

TEST(AsBuilt, ASmallDifferenceIsLeftToThePlan) {
  Making bench(otterProject());
  bench.doneBefore("firm/trunk");
  bench.read("firm/trunk", Goal::What::Round, bench.goal("firm/trunk", Goal::What::Round).value * 0.97);
  const auto answers = bench.answers();
  ASSERT_EQ(answers.size(), 2U);
  EXPECT_EQ(answers[0].way, BuiltWay::Keep);
  EXPECT_FALSE(answers[0].project);
  EXPECT_FALSE(answers[0].result.empty()) << "how it is mended, in grams";
  EXPECT_EQ(answers[1].way, BuiltWay::Rest);
}

TEST(AsBuilt, ATwinIsMadeLikeTheOneThatIsThere) {
  Making bench(otterProject());
  bench.doneBefore("firm/left-foreleg");
  const Goal goal = bench.goal("firm/left-foreleg", Goal::What::Round);
  bench.read("firm/left-foreleg", Goal::What::Round, goal.value * 1.2);
  const auto answers = bench.answers();
  ASSERT_TRUE(of(answers, BuiltWay::Twin));
  EXPECT_EQ(answers.front().way, BuiltWay::Twin) << "the usual one where the twin is not firm";
  EXPECT_FALSE(answers.front().project) << "the plan stays";
  StepPlan steps = bench.steps;
  takeTwinGoals(steps, bench.record.entries);
  const auto right = [&] {
    for (const Goal& g : steps.steps[static_cast<size_t>(bench.step("firm/right-foreleg"))].goals)
      if (g.what == Goal::What::Round) return g.value;
    return 0.0;
  };
  EXPECT_NEAR(right(), goal.value, 1e-9) << "nothing is decided yet";
  bench.decide("firm/left-foreleg", BuiltWay::Twin);
  const size_t decided = bench.record.entries.size() - 1;
  takeTwinGoals(steps, bench.record.entries);
  EXPECT_NEAR(right(), goal.value * 1.2, 1e-9);
  bench.record.withdraw(decided, ++bench.minute);
  steps = bench.steps;
  takeTwinGoals(steps, bench.record.entries);
  EXPECT_NEAR(right(), goal.value, 1e-9) << "a decision can be withdrawn";
  // Firm as it is the twin is no way any more.
  bench.done("firm/right-foreleg");
  EXPECT_FALSE(of(bench.answers(), BuiltWay::Twin));
}

TEST(AsBuilt, AFirmTwinStaysAsItIsWhenItsOtherIsNot) {
  Making bench(otterProject());
  bench.doneBefore("firm/left-foreleg");
  bench.done("firm/right-foreleg");
  bench.done("firm/left-foreleg");
  bench.read("firm/left-foreleg", Goal::What::Round,
             bench.goal("firm/left-foreleg", Goal::What::Round).value * 1.15);
  const auto answers = bench.answers();
  const BuiltAnswer* rest = of(answers, BuiltWay::Rest);
  ASSERT_TRUE(rest && rest->project);
  const Plan after = plannedExactly(*rest->project);
  const auto widest = [](const Plan& plan, size_t l) {
    return widestAcross(plan.figure, plan.figure->limbs[l]);
  };
  const size_t left = bench.limb("left-foreleg");
  const size_t right = bench.limb("right-foreleg");
  EXPECT_NEAR(widest(after, right), widest(bench.plan, right), 1e-6);
  EXPECT_GT(widest(after, left), 1.08 * widest(bench.plan, left));
}

TEST(AsBuilt, WithItsCoatOnAGirthIsTheWholeOne) {
  Making bench(otterProject());
  bench.doneBefore("coat/trunk");
  const Goal goal = bench.goal("coat/trunk", Goal::What::Round);
  bench.read("coat/trunk", Goal::What::Round, goal.value * 1.1);
  const auto answers = bench.answers();
  const BuiltAnswer* rest = of(answers, BuiltWay::Rest);
  ASSERT_TRUE(rest && rest->project);
  const Plan after = plannedExactly(*rest->project);
  const size_t trunk = bench.limb("trunk");
  EXPECT_NEAR(girthNear(after.wool->limbs[trunk], goal.along)->finished, 1.1 * goal.value, 0.01 * goal.value);
}

TEST(AsBuilt, ThePadOfATwinIsWeighedLikeItButSaysNothingOfTheFelt) {
  Making bench(otterProject());
  std::string pad;
  for (const Step& s : bench.steps.steps)
    if (pad.empty() && s.id.starts_with("pad/left-")) pad = s.id;
  ASSERT_FALSE(pad.empty());
  bench.doneBefore("firm/left-foreleg");
  bench.read(pad, Goal::What::Weight, bench.goal(pad, Goal::What::Weight).value * 2);
  const auto answers = bench.answers();
  EXPECT_FALSE(of(answers, BuiltWay::Rest));
  EXPECT_TRUE(of(answers, BuiltWay::Keep));
  EXPECT_TRUE(of(answers, BuiltWay::Twin));
}

TEST(AsBuilt, DenserFeltIsWeighedForInTheRest) {
  Making bench(otterProject());
  bench.doneBefore("wind/trunk");
  bench.done("wind/trunk");
  bench.read("wind/trunk", Goal::What::Weight, bench.goal("wind/trunk", Goal::What::Weight).value * 1.2);
  EXPECT_FALSE(of(bench.answers(), BuiltWay::Rest)) << "without a girth there may only be more wool on";
  const double girth = bench.goal("wind/trunk", Goal::What::Round).value;
  bench.read("wind/trunk", Goal::What::Round, girth).by = EntryBy::StandIn;
  EXPECT_FALSE(of(bench.answers(), BuiltWay::Rest)) << "a stand-in's is none";
  bench.read("wind/trunk", Goal::What::Round, girth * std::sqrt(1.2));
  EXPECT_FALSE(of(bench.answers(), BuiltWay::Rest) &&
               *of(bench.answers(), BuiltWay::Rest)->project->limbs.at("tail").density >
                   1.001 * bench.plan.wool->limbs[bench.limb("tail")].density)
      << "as much thicker it is no denser";
  bench.read("wind/trunk", Goal::What::Round, girth);
  const auto answers = bench.answers();
  const BuiltAnswer* rest = of(answers, BuiltWay::Rest);
  ASSERT_TRUE(rest && rest->project);
  const auto levels = bench.levels();
  for (size_t l = 0; l < levels.size(); ++l) {
    const auto choice = rest->project->limbs.find(bench.plan.figure->limbs[l].id);
    const bool set = choice != rest->project->limbs.end() && choice->second.density.has_value();
    EXPECT_EQ(set, levels[l] < BuiltLevel::Core && bench.plan.wool->limbs[l].density > 0)
        << bench.plan.figure->limbs[l].id;
    if (set) {
      EXPECT_NEAR(*choice->second.density, 1.2 * bench.plan.wool->limbs[l].density, 1e-12);
    }
  }
  EXPECT_GT(plannedExactly(*rest->project).wool->core, 1.1 * bench.plan.wool->core);
}

TEST(AsBuilt, PartsThatWereTypedIntoStudyStayAsTheyAre) {
  Project p = otterProject();
  p.made.push_back({"trunk", 120, std::nullopt, "2026-11-25"});
  Making bench(p);
  const Project rest = restBy(p, shelf(), bench.plan,
                              std::vector<BuiltLevel>(bench.plan.figure->limbs.size(), BuiltLevel::Wire),
                              static_cast<int>(bench.limb("trunk")), 1.06);
  const Plan after = planned(rest);
  for (size_t l = 0; l < bench.plan.figure->limbs.size(); ++l) {
    if (bench.plan.limbs[l].wired) {
      EXPECT_LT(stretched(bench.plan, after, l), 1e-6) << bench.plan.figure->limbs[l].id;
    }
  }
}

TEST(AsBuilt, OfEveryAnimalWhatIsBentKeepsItsLengths) {
  for (const Pattern& pattern : animals()) {
    const Project p = project(pattern.id, 150);
    const Plan before = planned(p);
    const std::vector<BuiltLevel> wire(before.figure->limbs.size(), BuiltLevel::Wire);
    for (const double ratio : {0.85, 1.2}) {
      const Project rest = restBy(p, shelf(), before, wire, 0, ratio);
      const auto after = planFigure(rest, shelf());
      ASSERT_TRUE(after) << pattern.id << ": " << after.problem().sentence();
      for (size_t l = 0; l < wire.size(); ++l) {
        if (before.limbs[l].wired) {
          EXPECT_LT(stretched(before, *after, l), 1e-6) << pattern.id << ' ' << before.figure->limbs[l].id;
        }
      }
    }
  }
}
