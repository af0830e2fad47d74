// Files written against docs/schema, by a validator from outside.
#include "file/project_json.h"
#include "judge/pose_report.h"
#include "plan/plan.h"
#include "report/blend_json.h"
#include "report/pose_json.h"
#include "report/steps_json.h"
#include "report/whole_json.h"
#include "steps/steps_of.h"
#include "support.h"
#include "validate.h"

#include <nlohmann/json.hpp>

#include <fmt/format.h>

using namespace columna;
using namespace columna::test;

TEST(Schema, EveryShippedAnimalsPlanAndProjectIsValid) {
  const Scratch scratch;
  std::vector<std::string> plans;
  std::vector<std::string> projects;
  for (const Pattern& pattern : animals()) {
    Project p = project(pattern.id, 160);
    p.wool.finish = CoatFinish::Fur;
    p.wool.furShown = 9;
    p.finish = Finish::Fine;
    p.wool.ready = {{"trunk", ReadyKind::Ball, 20, 20, 20, 2, 0.5}};
    plans.push_back(scratch.write(pattern.id + ".plan.json", wholeJson(p, planned(p), shelf()).dump()));
    projects.push_back(scratch.write(pattern.id + ".project.json", toJson(p).dump()));
  }
  EXPECT_EQ(invalid(scratch, "plan", plans), std::set<std::string>());
  EXPECT_EQ(invalid(scratch, "project", projects), std::set<std::string>());
}

TEST(Schema, StepsAndSessionsAreValid) {
  const Scratch scratch;
  std::vector<std::string> steps;
  std::vector<std::string> sessions;
  const Date first = *dateOf("2026-12-01");
  WorkWeek week;
  week.week = *readWeek("tue 20:00-21:30, sat 10-12");
  const OpenTime time(week, first);
  for (const Pattern& pattern : animals()) {
    const Project p = project(pattern.id, 160);
    const Plan of = planned(p);
    const StepPlan plan = stepsOf(p, shelf(), of, faceSums(p, shelf(), of).get());
    const Progress none = progressOf(plan, {}, 0);
    steps.push_back(scratch.write(pattern.id + ".steps.json", stepsJson(plan, of.figure, none).dump()));
    const StepJobs jobs = jobsOf(plan, none, shelf().steps, 0, [](std::int64_t) { return 0; });
    SearchWish wish;
    wish.placings = 0;
    const SearchedPlan found = searchedPlan(jobs.list, time, wish);
    sessions.push_back(
        scratch.write(pattern.id + ".sessions.json", sessionsJson(plan, jobs, found, time, first).dump()));
  }
  EXPECT_EQ(invalid(scratch, "steps", steps), std::set<std::string>());
  EXPECT_EQ(invalid(scratch, "sessions", sessions), std::set<std::string>());
}

TEST(Schema, ShippedPatternsAreValid) {
  const Scratch scratch;
  std::vector<std::string> files;
  for (const Pattern& pattern : animals())
    files.push_back(fmt::format("{}/patterns/{}.json", COLUMNA_DATA_DIR, pattern.id));
  EXPECT_EQ(invalid(scratch, "pattern", files), std::set<std::string>());
}

TEST(Schema, FindsWhatLiesInTheWrongPlace) {
  const Scratch scratch;
  Project p = project("heron", 160);
  nlohmann::json plan = wholeJson(p, planned(p), shelf());
  nlohmann::json odd = plan;
  odd["wool"]["limbs"][0].erase("strips");
  nlohmann::json more = plan;
  more["unheard_of"] = 1;
  const std::string good = scratch.write("good.json", plan.dump());
  const std::string less = scratch.write("odd.json", odd.dump());
  const std::string strange = scratch.write("more.json", more.dump());
  EXPECT_EQ(invalid(scratch, "plan", {good, less, strange}), (std::set{less, strange}));
}

TEST(Schema, BlendsAreValid) {
  const Scratch scratch;
  std::vector<StoreRow> list(3);
  for (size_t i = 0; i < list.size(); ++i) {
    list[i].kind = StoreKind::Top;
    list[i].name = "wool " + std::to_string(i);
    list[i].amount = 20'000;
    list[i].colour = Srgb{60.0 + 70 * static_cast<double>(i), 80, 90};
    if (i > 0) list[i].code = "EV9R";
  }
  OwnBlendWish wish;
  wish.blend.to = {110, 82, 88};
  std::vector<std::string> files;
  for (const bool weighed : {false, true}) {
    if (weighed) wish.grams = 12;
    const auto blends = ownBlends(list, wish, *colourRules(COLUMNA_DATA_DIR));
    ASSERT_TRUE(blends);
    files.push_back(scratch.write(weighed ? "weighed.json" : "shares.json",
                                  blendJson(wish.blend.to, *blends, list).dump()));
  }
  EXPECT_EQ(invalid(scratch, "blend", files), std::set<std::string>());
}
