// Files written against docs/schema, by a validator from outside.
#include "file/project_json.h"
#include "judge/pose_report.h"
#include "plan/plan.h"
#include "report/plan_json.h"
#include "report/pose_json.h"
#include "support.h"

#include <nlohmann/json.hpp>

#include <cstdlib>
#include <fmt/format.h>

using namespace columna;
using namespace columna::test;

namespace {

/// Runs the validator on `files` against one schema; its exit code: 0 valid, 77 not installed.
int validate(const Scratch& scratch, const std::string& schema, const std::vector<std::string>& files) {
  const std::string script =
      scratch.write("validate.py", "import sys, json\n"
                                   "try:\n import jsonschema\nexcept ImportError:\n sys.exit(77)\n"
                                   "schema = json.load(open(sys.argv[1]))\n"
                                   "check = jsonschema.Draft202012Validator(schema)\n"
                                   "bad = 0\n"
                                   "for f in sys.argv[2:]:\n"
                                   " for e in check.iter_errors(json.load(open(f))):\n"
                                   "  bad = 1\n"
                                   "  print(f, list(e.path), e.message[:200])\n"
                                   "sys.exit(bad)\n");
  std::string command =
      "/usr/bin/python3 " + script + " " + COLUMNA_TESTS_DIR + "/../docs/schema/" + schema + ".schema.json";
  for (const std::string& f : files) command += " " + f;
  const int code = std::system(command.c_str());
  return WEXITSTATUS(code);
}

/// The plan of a project as the command line writes it.
nlohmann::json planJson(const Project& p, const Plan& plan) {
  nlohmann::json out = toJson(plan);
  out["poses"] = posesJson(p, plan, shelf());
  return out;
}

} // namespace

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
    plans.push_back(scratch.write(pattern.id + ".plan.json", planJson(p, planned(p)).dump()));
    projects.push_back(scratch.write(pattern.id + ".project.json", toJson(p).dump()));
  }
  const int code = validate(scratch, "plan", plans);
  ASSERT_NE(code, 77) << "python3-jsonschema is not installed; ./columna test installs it";
  EXPECT_EQ(code, 0);
  EXPECT_EQ(validate(scratch, "project", projects), 0);
}

TEST(Schema, ShippedPatternsAreValid) {
  const Scratch scratch;
  std::vector<std::string> files;
  for (const Pattern& pattern : shelf().patterns)
    files.push_back(fmt::format("{}/patterns/{}.json", COLUMNA_DATA_DIR, pattern.id));
  const int code = validate(scratch, "pattern", files);
  ASSERT_NE(code, 77) << "python3-jsonschema is not installed; ./columna test installs it";
  EXPECT_EQ(code, 0);
}

TEST(Schema, FindsWhatLiesInTheWrongPlace) {
  const Scratch scratch;
  Project p = project("heron", 160);
  nlohmann::json plan = planJson(p, planned(p));
  const int code = validate(scratch, "plan", {scratch.write("good.json", plan.dump())});
  ASSERT_NE(code, 77) << "python3-jsonschema is not installed; ./columna test installs it";
  EXPECT_EQ(code, 0);
  nlohmann::json odd = plan;
  odd["wool"]["limbs"][0].erase("strips");
  EXPECT_EQ(validate(scratch, "plan", {scratch.write("odd.json", odd.dump())}), 1);
  odd = plan;
  odd["unheard_of"] = 1;
  EXPECT_EQ(validate(scratch, "plan", {scratch.write("more.json", odd.dump())}), 1);
}
