// What is baked, dipped in wax and glued down: when it comes, how long it waits, and that the oven is gone
// back to in time.
#include "written_record.h"

#include "make/session_search.h"
#include "steps/at_bench.h"
#include "steps/steps_of.h"

#include <nlohmann/json.hpp>

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

struct Heated {
  Project of;
  Plan plan;
  std::shared_ptr<const FaceSums> face;
  StepPlan steps;

  explicit Heated(const Project& p)
      : of(p), plan(planned(p)), face(faceSums(p, shelf(), plan)),
        steps(stepsOf(of, shelf(), plan, face.get())) {}
  [[nodiscard]] int at(std::string_view id) const { return steps.find(id).value_or(-1); }
  [[nodiscard]] const Step& step(std::string_view id) const {
    return steps.steps[static_cast<size_t>(std::max(0, at(id)))];
  }
  [[nodiscard]] bool follows(std::string_view then, std::string_view first) const {
    return std::any_of(steps.edges.begin(), steps.edges.end(),
                       [&](const StepEdge& e) { return e.before == at(first) && e.after == at(then); });
  }
};

Heated heron(double height = 240) { return Heated(project("heron", height)); }

StepJobs jobsFrom(const StepPlan& steps, const std::vector<Entry>& record, double minute) {
  return jobsOf(steps, progressOf(steps, record, at(minute)), shelf().steps, static_cast<int>(minute),
                [](std::int64_t s) { return static_cast<int>((s - kStart) / 60); });
}

int jobOf(const StepJobs& jobs, int step) {
  const auto found = std::find(jobs.step.begin(), jobs.step.end(), step);
  return found == jobs.step.end() ? -1 : static_cast<int>(found - jobs.step.begin());
}

} // namespace

TEST(Baked, ClayIsFormedPutInTakenOutAndCoolBeforeItIsSet) {
  const Heated m = heron();
  ASSERT_GE(m.at("face/clay"), 0);
  EXPECT_TRUE(m.follows("face/bake", "face/clay"));
  EXPECT_TRUE(m.follows("face/oven", "face/bake"));
  EXPECT_TRUE(m.follows("face/hard", "face/oven"));
  EXPECT_EQ(m.at("face/ahead"), -1) << "nothing else is made ahead";
  EXPECT_EQ(render(m.step("face/clay").words), render(say("form of clay: {}", Name("bill"))));
  const Step& bake = m.step("face/bake");
  EXPECT_EQ(bake.calls, "face/oven");
  EXPECT_GE(bake.wait, shelf().steps.bakeThin);
  EXPECT_LE(bake.wait, shelf().steps.bakeThick);
  EXPECT_FALSE(bake.pausable);
  EXPECT_EQ(m.step("face/oven").wait, 30);
  for (const char* id : {"face/clay", "face/bake", "face/oven"})
    EXPECT_EQ(std::count(m.step(id).cautions.begin(), m.step(id).cautions.end(), Caution::Clay), 1) << id;
}

TEST(Baked, ByItsThickestPart) {
  // Every second bill is thicker than the last: never less long, from the least to the most.
  double before = 0;
  for (const double height : {60.0, 120.0, 240.0, 480.0, 900.0}) {
    const double wait = heron(height).step("face/bake").wait;
    EXPECT_GE(wait, before) << height;
    before = wait;
  }
  EXPECT_EQ(heron(60).step("face/bake").wait, shelf().steps.bakeThin);
  EXPECT_EQ(before, shelf().steps.bakeThick);
}

TEST(Baked, BesidePaintedEyesEachDriesByItself) {
  Project p = project("heron", 240);
  p.face.eyeKind = EyeKind::Painted;
  const Heated m(p);
  ASSERT_GE(m.at("face/ahead"), 0);
  ASSERT_GE(m.at("face/clay"), 0);
  EXPECT_GE(m.step("face/ahead").wait, 8 * 60);
  EXPECT_FALSE(m.follows("face/bake", "face/ahead")) << "an oven does not wait for paint";
  EXPECT_TRUE(m.follows("face/eyes", "face/ahead"));
}

TEST(Baked, OfOneWithoutClayNothingIs) {
  const Heated fox(project("red_fox", 180));
  for (const char* id : {"face/clay", "face/bake", "face/oven"}) EXPECT_EQ(fox.at(id), -1) << id;
}

TEST(Baked, TheOvenIsGoneBackToInTheSameSession) {
  const Heated m = heron();
  const StepJobs jobs = jobsFrom(m.steps, {}, 0);
  const OpenTime time({readWeek("tue 20:00-21:30, thu 20:00-21:30, sat 10-12").value(), {}},
                      *dateOf("2026-12-01"));
  const auto in = static_cast<size_t>(jobOf(jobs, m.at("face/bake")));
  const auto out = static_cast<size_t>(jobOf(jobs, m.at("face/oven")));
  ASSERT_EQ(jobs.list.jobs[in].call, static_cast<int>(out));
  EXPECT_TRUE(jobs.list.jobs[out].called);
  const SearchedPlan found = searchedPlan(jobs.list, time, {1, 200, {}, nullptr});
  ASSERT_LT(found.plan.finish, OpenTime::kNever);
  EXPECT_GE(found.plan.finish, found.bound.finish);
  const auto late = found.plan.begin[out] - found.plan.end[in] - std::lround(m.step("face/bake").wait);
  EXPECT_GE(late, 0);
  EXPECT_LE(late, shelf().steps.bakeWithin);
}

TEST(Baked, WithSessionsTooShortForTheOvenThePlanStillEnds) {
  const Heated m = heron();
  StepJobs jobs = jobsFrom(m.steps, {}, 0);
  const Worklist all = jobs.list;
  const auto in = static_cast<size_t>(jobOf(jobs, m.at("face/bake")));
  const auto out = static_cast<size_t>(jobOf(jobs, m.at("face/oven")));
  const OpenTime time({readWeek("mon 20:00-20:30, tue 20:00-20:30, wed 20:00-20:30, thu 20:00-20:30, "
                                "fri 20:00-20:30, sat 20:00-20:30")
                           .value(),
                       {}},
                      *dateOf("2026-12-01"));
  EXPECT_EQ(searchedPlan(all, time, {1, 50, {}, nullptr}).plan.finish, OpenTime::kNever);
  letGoOfCalls(jobs.list, time);
  const SearchedPlan found = searchedPlan(jobs.list, time, {1, 50, {}, nullptr});
  ASSERT_LT(found.plan.finish, OpenTime::kNever);
  const auto wait = std::lround(m.step("face/bake").wait);
  EXPECT_GE(found.plan.begin[out], found.plan.end[in] + wait);
  // Only as far as it must: a session that holds it keeps the call.
  for (const auto& [week, held] : std::vector<std::pair<const char*, bool>>{
           {"mon 20:00-20:30, tue 20:00-20:30", false}, {"mon 20:00-20:30, tue 20:00-21:30", true}}) {
    Worklist list = all;
    letGoOfCalls(list, OpenTime({readWeek(week).value(), {}}, *dateOf("2026-12-01")));
    EXPECT_EQ(list.jobs[in].call >= 0, held) << week;
    EXPECT_EQ(list.jobs[out].called, held) << week;
  }
}

TEST(Baked, LeftOutThereIsNothingToTakeOut) {
  const Heated m = heron();
  WrittenRecord w;
  w.add(EntryKind::Done, "face/clay", 10);
  w.add(EntryKind::LeaveOut, "face/bake", 12);
  w.add(EntryKind::Begin, "weigh/heaps", 13);
  EXPECT_EQ(nextStep(m.steps, progressOf(m.steps, w.entries, at(20)), {}, {}), m.at("weigh/heaps"));
  const StepJobs jobs = jobsFrom(m.steps, w.entries, 20);
  const int out = jobOf(jobs, m.at("face/oven"));
  ASSERT_GE(out, 0);
  EXPECT_EQ(jobs.list.jobs[static_cast<size_t>(out)].press, 0);
}

TEST(Baked, WhatIsInTheOvenGoesBeforeWhatIsUnderWay) {
  const Heated m = heron();
  WrittenRecord w;
  w.add(EntryKind::Done, "print/sheet", 0);
  w.add(EntryKind::Done, "face/clay", 10);
  w.add(EntryKind::Done, "face/bake", 12);
  w.add(EntryKind::Begin, "weigh/heaps", 13);
  const int wait = static_cast<int>(std::lround(m.step("face/bake").wait));
  const auto next = [&](double minute) {
    return nextStep(m.steps, progressOf(m.steps, w.entries, at(minute)), {}, {});
  };
  EXPECT_EQ(next(20), m.at("weigh/heaps"));
  EXPECT_EQ(next(12 + wait), m.at("face/oven"));
  // Its job waits for the oven alone, and then for nobody.
  const StepJobs jobs = jobsFrom(m.steps, w.entries, 20);
  const int out = jobOf(jobs, m.at("face/oven"));
  ASSERT_GE(out, 0);
  EXPECT_FALSE(jobs.list.jobs[static_cast<size_t>(out)].called);
  EXPECT_EQ(jobs.list.jobs[static_cast<size_t>(out)].release, 12 + wait);
  EXPECT_GT(jobs.list.jobs[static_cast<size_t>(out)].press, 0);
  w.add(EntryKind::Pause, "weigh/heaps", 12 + wait);
  w.add(EntryKind::Begin, "face/oven", 12 + wait);
  EXPECT_EQ(next(12 + wait + 1), m.at("face/oven")) << "gone on with before what is paused";
  w.add(EntryKind::Done, "face/oven", 12 + wait + 2);
  EXPECT_EQ(next(12 + wait + 3), m.at("weigh/heaps"));
}

TEST(Wax, TipsAreFixedBetweenTheirWrapAndTheWoolOfTheLimb) {
  const Heated fox(project("red_fox", 180));
  const Step& tips = fox.step("tips/left-foreleg");
  ASSERT_EQ(tips.id, "tips/left-foreleg");
  EXPECT_TRUE(fox.follows(tips.id, "digits/left-foreleg"));
  EXPECT_TRUE(fox.follows("wind/left-foreleg", tips.id));
  EXPECT_EQ(tips.bench, Bench::Wax);
  EXPECT_GT(tips.wait, 0);
  EXPECT_EQ(tips.cautions, std::vector<Caution>{Caution::Wax});
  EXPECT_EQ(tips.batch, fox.step("tips/right-foreleg").batch);
  // Of every limb that has its toes wrapped, and of no other.
  for (const FigureLimb& limb : fox.plan.figure->limbs)
    EXPECT_EQ(fox.at("tips/" + limb.id) >= 0, fox.at("digits/" + limb.id) >= 0) << limb.id;
}

TEST(Perch, IsGluedLastWhenItHasBeenWeighed) {
  for (const Feet feet : {Feet::Loose, Feet::Flat, Feet::Glued, Feet::Base, Feet::Hung}) {
    Project p = project("heron", 240);
    p.stances.support.feet = feet;
    const Heated m(p);
    const bool fixed = feet == Feet::Glued || feet == Feet::Base;
    ASSERT_EQ(m.at("perch/feet") >= 0, fixed) << id(feet);
    if (!fixed) continue;
    EXPECT_TRUE(m.follows("perch/feet", kWeighedWhole));
    EXPECT_EQ(m.at("perch/feet"), static_cast<int>(m.steps.steps.size()) - 1);
    EXPECT_GT(m.step("perch/feet").wait, 60) << "its glue";
  }
}

TEST(Skeleton, IsReadLeftAsRight) {
  const Heated fox(project("red_fox", 180));
  std::map<std::string, double> goals;
  for (const Goal& g : fox.step("lay/skeleton").goals) {
    EXPECT_EQ(g.what, Goal::What::Long);
    EXPECT_EQ(g.within, shelf().steps.withinLength);
    EXPECT_TRUE(goals.emplace(goalMark(fox.step("lay/skeleton"), g), g.value).second) << "told apart";
  }
  EXPECT_EQ(goals.size() % 2, 0U);
  EXPECT_GE(goals.size(), 4U);
  for (const FigureLimb& limb : fox.plan.figure->limbs) {
    const auto found = goals.find(limb.name);
    if (found == goals.end()) continue;
    EXPECT_EQ(found->second, limb.length) << limb.id;
    const FigureLimb& twin = fox.plan.figure->limbs[static_cast<size_t>(limb.twin)];
    EXPECT_TRUE(goals.contains(twin.name)) << limb.id;
  }
}

TEST(StepBook, RefusesClayThatIsThickBeforeItIsThin) {
  const std::string good = workFile("steps.json");
  ASSERT_TRUE(readStepBook(good, "steps.json"));
  for (const auto& [key, value] :
       std::vector<std::pair<const char*, double>>{{"thick_clay", 3}, {"bake_thick", 19}, {"wax_tip", -1}}) {
    auto json = nlohmann::json::parse(good);
    json[key]["value"] = value;
    EXPECT_FALSE(readStepBook(json.dump(), "steps.json")) << key;
  }
}

TEST(StepBook, AsksOfNoPairWhatNoScaleReads) {
  for (const char* animal : {"red_fox", "heron", "beetle"})
    for (const double height : {40.0, 240.0})
      for (const Step& s : Heated(project(animal, height)).steps.steps)
        for (const Goal& g : s.goals)
          if (g.what == Goal::What::Weight && g.pair > 0) {
            EXPECT_GE(g.pair, shelf().steps.pairLeast) << animal << s.id;
          }
}
