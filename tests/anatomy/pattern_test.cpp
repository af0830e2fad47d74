#include "support.h"

using namespace columna;
using namespace columna::test;

namespace {

nlohmann::json otter() {
  return nlohmann::json::parse(Scratch::read(std::string(COLUMNA_DATA_DIR) + "/patterns/river_otter.json"));
}

std::string complaint(const nlohmann::json& json) {
  const auto read = readPattern(json.dump(), "mine.json");
  return read.ok() ? std::string() : read.problem().sentence();
}

} // namespace

TEST(Pattern, EveryShippedOneReads) {
  ASSERT_GE(shelf().patterns.size(), 3U);
  for (const char* id : {"river_otter", "red_fox", "heron"}) EXPECT_NE(shelf().pattern(id), nullptr) << id;
}

TEST(Pattern, ErrorsNameFileFieldAndRemedy) {
  struct Case {
    const char* what;
    std::function<void(nlohmann::json&)> spoil;
    const char* named;
  };
  const std::vector<Case> cases{
      {"a joint is missing", [](auto& p) { p["joints"].erase("elbow"); }, "elbow"},
      {"a bone of no length", [](auto& p) { p["joints"]["elbow"] = p["joints"]["shoulder"]; }, "no length"},
      {"two stations at one place", [](auto& p) { p["bones"][0]["stations"][1]["at"] = 0.0; }, "two girths"},
      {"a station behind the one before", [](auto& p) { p["bones"][0]["stations"][2]["at"] = 0.1; },
       "goes back"},
      {"bones in a ring", [](auto& p) { p["bones"][0]["parent"] = "chest"; }, "ring"},
      {"no girth", [](auto& p) { p["bones"][0]["stations"][0]["across"] = 0; }, "across"},
      {"a field missing", [](auto& p) { p.erase("coat"); }, "coat"},
      {"a number as text", [](auto& p) { p["life"]["mm"] = "long"; }, "life.mm"},
      {"a newer schema", [](auto& p) { p["schema"] = "columna-pattern/9"; }, "newer"},
      {"something else", [](auto& p) { p = nlohmann::json::array(); }, "not a pattern"},
      {"a limb with a bone that is not there", [](auto& p) { p["limbs"][0]["bones"][0] = "antler"; },
       "antler"},
      {"a bone in no limb", [](auto& p) { p["limbs"][0]["bones"].erase(0); }, "no limb"},
      {"a bone in two limbs", [](auto& p) { p["limbs"][0]["bones"].push_back("neck1"); }, "neck1"},
      {"a limb that is no chain",
       [](auto& p) { std::swap(p["limbs"][7 - 2]["bones"][0], p["limbs"][7 - 2]["bones"][2]); }, "no chain"},
      {"a kind nobody knows", [](auto& p) { p["limbs"][0]["kind"] = "fin"; }, "kind"},
      {"no bones", [](auto& p) { p["bones"] = nlohmann::json::array(); }, "empty"},
      {"a joint that is not a place",
       [](auto& p) {
         p["joints"]["elbow"] = {1, 2};
       },
       "joints.elbow"},
      {"an absurd joint",
       [](auto& p) {
         p["joints"]["elbow"] = {1e300, 0, 0};
       },
       "joints.elbow"},
      {"a frame along the bone",
       [](auto& p) {
         p["bones"][0]["up"] = {1, 0, 0.0612612};
       },
       "up"},
  };
  EXPECT_EQ(complaint(otter()), "");
  for (const Case& c : cases) {
    nlohmann::json p = otter();
    c.spoil(p);
    const std::string said = complaint(p);
    ASSERT_FALSE(said.empty()) << c.what;
    EXPECT_NE(said.find("mine.json"), std::string::npos) << said;
    EXPECT_NE(said.find(c.named), std::string::npos) << c.what << ": " << said;
    EXPECT_NE(said.find(';'), std::string::npos) << "a remedy follows: " << said;
  }
  EXPECT_FALSE(readPattern("{ not json", "mine.json").ok());
  EXPECT_FALSE(readPattern("", "mine.json").ok());
}

TEST(Pattern, CutAnywhereItIsRefusedNotCrashed) {
  const std::string whole = otter().dump();
  for (size_t n = 0; n < whole.size(); n += 97)
    EXPECT_FALSE(readPattern(whole.substr(0, n), "cut.json").ok());
}
