// Every field of a project, made wrong in every way: the reader names it or the plan copes; nothing crashes,
// no number is none.
#include "file/columna_file.h"
#include "file/project_json.h"
#include "file/rich.h"
#include "judge/planning.h"
#include "report/plan_json.h"
#include "support.h"

#include <nlohmann/json.hpp>

#include <functional>
#include <random>
#include <set>

using namespace columna;
using namespace columna::test;
using Json = nlohmann::json;

namespace {

/// The demo projects: between them they use every group of fields.
std::vector<Json> demos() {
  std::vector<Json> out;
  for (const auto& entry :
       std::filesystem::directory_iterator(std::filesystem::path(COLUMNA_DATA_DIR) / "demo"))
    if (entry.path().extension() == ".columna") {
      auto file = openProject(entry.path().string());
      EXPECT_TRUE(file.ok()) << entry.path();
      if (file) out.push_back(toJson(file->project));
    }
  return out;
}

/// Calls with every place in a JSON, groups and lists too.
void everyPlace(const Json& json, const Json::json_pointer& at,
                const std::function<void(const Json::json_pointer&)>& visit) {
  if (!at.empty()) visit(at);
  if (json.is_object())
    for (const auto& [key, value] : json.items()) everyPlace(value, at / key, visit);
  if (json.is_array())
    for (size_t i = 0; i < std::min<size_t>(json.size(), 3); ++i) everyPlace(json[i], at / i, visit);
}

/// A number that is none is written as null; these are empty on purpose.
bool hasNull(const Json& json) {
  static const std::set<std::string> may{"twin", "hold_factor", "nudge_factor", "life_bends",
                                         "swg",  "point",       "wire"};
  if (json.is_object()) {
    for (const auto& [key, value] : json.items())
      if (value.is_null() ? !may.contains(key) : hasNull(value)) return true;
  } else if (json.is_array()) {
    for (const Json& each : json)
      if (each.is_null() || hasNull(each)) return true;
  }
  return false;
}

const std::vector<Json>& oddValues() {
  static const std::vector<Json> values{nullptr,
                                        true,
                                        -1,
                                        0,
                                        1e9,
                                        1e308,
                                        0.5,
                                        "",
                                        "odd",
                                        "\xF0\x9F\xA6\xA6",
                                        Json::array(),
                                        Json::object(),
                                        Json{{"a", {1}}}};
  return values;
}

} // namespace

TEST(OddFields, EachOneIsNamedOrDoesNoHarm) {
  int refused = 0;
  int taken = 0;
  int planned_ = 0;
  std::mt19937 chance(7);
  for (const Json& good : demos())
    everyPlace(good, Json::json_pointer(), [&](const Json::json_pointer& at) {
      for (const Json& odd : oddValues()) {
        Json json = good;
        json[at] = odd;
        bool newer = false;
        const auto read = projectFromJson(json, "bench.columna", newer);
        if (!read.ok()) {
          ++refused;
          const std::string said = read.problem().sentence();
          EXPECT_NE(said.find("bench.columna"), std::string::npos) << at << ": " << said;
          EXPECT_FALSE(read.problem().remedy.empty()) << at;
          EXPECT_EQ(said.find('\n'), std::string::npos) << "one sentence";
          continue;
        }
        ++taken;
        // What was read is written, and read again the same.
        const Json written = toJson(*read);
        const auto again = projectFromJson(written, "bench.columna", newer);
        ASSERT_TRUE(again.ok()) << at << " = " << odd << ": " << again.problem().sentence();
        EXPECT_EQ(toJson(*again), written) << at << " = " << odd;
        // A plan takes some milliseconds: one in thirty.
        if (chance() % 30 != 0) continue;
        const Project& p = *read;
        static std::map<std::string, std::shared_ptr<const KnownSolid>> known;
        auto& mine = known[p.pattern];
        const auto made = plan(p, shelf(), {mine, true});
        if (!made.ok()) {
          EXPECT_FALSE(made.problem().sentence().empty());
          continue;
        }
        if (!mine) mine = made->solid;
        ++planned_;
        EXPECT_FALSE(hasNull(toJson(*made))) << at << " = " << odd << ": a number that is none";
      }
    });
  EXPECT_GT(refused, 500);
  EXPECT_GT(taken, 200);
  EXPECT_GT(planned_, 10);
}

TEST(OddFields, AFieldLeftOutIsItsUsualValueOrNamed) {
  for (const Json& good : demos())
    everyPlace(good, Json::json_pointer(), [&](const Json::json_pointer& at) {
      Json json = good;
      Json& parent = json[at.parent_pointer()];
      if (parent.is_object())
        parent.erase(at.back());
      else
        parent.erase(std::stoul(at.back()));
      bool newer = false;
      const auto read = projectFromJson(json, "bench.columna", newer);
      if (read.ok()) {
        const Json written = toJson(*read);
        const auto again = projectFromJson(written, "bench.columna", newer);
        ASSERT_TRUE(again.ok()) << at;
        EXPECT_EQ(toJson(*again), written) << at;
      } else {
        EXPECT_NE(read.problem().sentence().find("bench.columna"), std::string::npos) << at;
      }
    });
}

TEST(OddFields, FieldsOfALaterVersionSurviveAtEveryLevel) {
  // Maps whose keys are the maker's own: what is put there is no unknown key.
  const std::set<std::string> own{
      "limbs",      "lengths",   "moved",    "girths",       "routes", "turns_deg", "piece_allowances",
      "swings_deg", "landmarks", "features", "thickness_mm", "body"};
  std::vector<Json> all = demos();
  all.push_back(rich());
  size_t tried = 0;
  for (const Json& good : all) {
    std::vector<Json::json_pointer> groups;
    everyPlace(good, Json::json_pointer(), [&](const Json::json_pointer& at) {
      if (good[at].is_object() && (at.empty() || !own.contains(at.back()))) groups.push_back(at);
    });
    for (const auto& at : groups) {
      Json json = good;
      json[at / "of_tomorrow"] = {{"price", 7}};
      bool newer = false;
      const auto read = projectFromJson(json, "bench.columna", newer);
      ASSERT_TRUE(read.ok()) << at << ": " << read.problem().sentence();
      const Json written = toJson(*read);
      EXPECT_TRUE(written.contains(at / "of_tomorrow")) << at;
      EXPECT_EQ(written[at / "of_tomorrow"], json[at / "of_tomorrow"]) << at;
      ++tried;
    }
  }
  EXPECT_GT(tried, 60U);
}

TEST(OddFields, UnknownKeysGoWithTheirEntry) {
  Json json = rich();
  json["drawer"][0]["price"] = 4;
  json["drawer"][1]["price"] = 9;
  json["wool"]["markings"][1]["dye"] = "madder";
  json["allowances"]["later"] = 1;
  bool newer = false;
  auto read = projectFromJson(json, "bench.columna", newer);
  ASSERT_TRUE(read);
  Project p = std::move(read).value();
  std::swap(p.drawer[0], p.drawer[1]); // another order
  p.drawer[0].count = 3;               // and changed
  p.wool.markings.erase(p.wool.markings.begin());
  p.allow = Allowances(); // the usual ones again: nothing else would be written
  const Json written = toJson(p);
  EXPECT_EQ(written["drawer"][0]["price"], 9);
  EXPECT_EQ(written["drawer"][1]["price"], 4);
  EXPECT_EQ(written["wool"]["markings"][0]["dye"], "madder");
  EXPECT_EQ(written["allowances"]["later"], 1);
  p.drawer.erase(p.drawer.begin());
  EXPECT_EQ(toJson(p)["drawer"][0]["price"], 4) << "what is gone takes its keys along";
  EXPECT_TRUE(projectFromJson(toJson(p), "bench.columna", newer));
}
