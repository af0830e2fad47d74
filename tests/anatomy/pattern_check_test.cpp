#include "anatomy/pattern_check.h"
#include "support.h"

using namespace columna;
using namespace columna::test;

namespace {

std::string found(const Pattern& p) {
  std::string all;
  for (const Problem& problem : checkPattern(p)) all += problem.sentence() + "\n";
  return all;
}

} // namespace

TEST(PatternCheck, EveryShippedPatternPasses) {
  EXPECT_EQ(shelf().patterns.size(), 30U);
  for (const Pattern& p : animals()) EXPECT_EQ(found(p), "") << p.id;
}

TEST(PatternCheck, FindsWhatAnEyeWould) {
  // As its file has it: it wears no head.
  const Pattern otter =
      *readPattern(Scratch::read(std::string(COLUMNA_DATA_DIR) + "/patterns/river_otter.json"), "otter");
  Pattern p = otter;
  p.joints["scapula_top"].z() += 0.9;
  EXPECT_NE(found(p).find("bones.scapula"), std::string::npos) << found(p);
  p = otter;
  p.joints["elbow"].y() = -0.05;
  EXPECT_NE(found(p).find("crosses its twin"), std::string::npos);
  p = otter;
  for (PatternBone& b : p.bones)
    if (b.id == "loin")
      for (Station& s : b.stations) s.across *= 1.6;
  EXPECT_NE(found(p).find("bones.loin"), std::string::npos);
  p = otter;
  for (const char* joint : {"mcp", "fore_toe", "wrist_j", "elbow"}) p.joints[joint].z() += 0.12;
  EXPECT_NE(found(p).find("limbs.foreleg"), std::string::npos) << found(p);
  p = otter;
  for (Vec3& at : p.flats[0].outline) at.z() += 0.6;
  EXPECT_NE(found(p).find("flats.ear"), std::string::npos);
  p = otter;
  p.coatThickness = 0.4;
  EXPECT_NE(found(p).find("coat"), std::string::npos);
  p = otter;
  const Vec3 poll = p.joints["poll"];
  for (const char* joint : {"brow", "nose"}) p.joints[joint] = poll + 6 * (p.joints[joint] - poll);
  EXPECT_NE(found(p).find("limbs.head"), std::string::npos) << "an unlikely head";
}

TEST(PatternCheck, TheReaderRefusesLimitsWithoutTheNeutralStance) {
  auto json = nlohmann::json::parse(Scratch::read(std::string(COLUMNA_DATA_DIR) + "/patterns/red_fox.json"));
  json["bones"][0]["limits_deg"]["flex"] = {10, 40};
  const auto read = readPattern(json.dump(), "mine.json");
  ASSERT_FALSE(read.ok());
  EXPECT_NE(read.problem().sentence().find("neutral"), std::string::npos);
  json["bones"][0]["limits_deg"]["flex"] = {40, -10};
  EXPECT_FALSE(readPattern(json.dump(), "mine.json").ok());
}
