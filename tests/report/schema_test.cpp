// Files written against docs/schema, by a validator from outside.
#include "file/project_json.h"
#include "judge/pose_report.h"
#include "plan/plan.h"
#include "report/pose_json.h"
#include "report/whole_json.h"
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
  for (const Pattern& pattern : shelf().patterns) {
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

TEST(Schema, ShippedPatternsAreValid) {
  const Scratch scratch;
  std::vector<std::string> files;
  for (const Pattern& pattern : shelf().patterns)
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
