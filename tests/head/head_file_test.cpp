// Head files: what is read, and what is refused in one sentence that names field and remedy.
#include "head/head_check.h"
#include "heads.h"
#include "validate.h"

#include <nlohmann/json.hpp>

using namespace columna;
using namespace columna::test;

using Json = nlohmann::json;

namespace {

Json fox() {
  std::ifstream in(headFile("red_fox"));
  return Json::parse(in);
}

Result<HeadPattern> changed(const std::function<void(Json&)>& how) {
  Json head = fox();
  how(head);
  return readHead(head.dump(), "mine.json");
}

} // namespace

TEST(HeadFiles, EveryAnimalHasOneThatFitsItsPattern) {
  for (const Pattern& worn : animals()) {
    const Pattern p = barePattern(worn.id);
    const auto read = readHeadFile(headFile(p.id));
    EXPECT_TRUE(read) << read.problem().sentence();
    if (!read) continue;
    const HeadPattern& head = *read;
    EXPECT_EQ(head.id, p.id);
    EXPECT_TRUE(p.bone(head.seat.bone)) << p.id;
    EXPECT_TRUE(p.joints.contains(head.seat.tip) && p.joints.contains(head.seat.back)) << p.id;
    for (const std::string& part : head.replaces) {
      const bool flat =
          std::any_of(p.flats.begin(), p.flats.end(), [&](const PatternFlat& f) { return f.id == part; });
      EXPECT_TRUE(p.bone(part) || flat) << p.id << " replaces " << part;
    }
    const bool feet = head.feet.fore || head.feet.hind;
    EXPECT_TRUE(feet) << p.id;
  }
}

TEST(HeadFiles, AreWhatTheSchemaSays) {
  std::ifstream in(std::filesystem::path(COLUMNA_TESTS_DIR).parent_path() / "docs/schema/head.schema.json");
  EXPECT_EQ(Json::parse(in), headSchema()) << "columna-cli schema head > docs/schema/head.schema.json";
  Scratch scratch;
  std::vector<std::string> files;
  for (const Pattern& p : animals()) files.push_back(headFile(p.id).string());
  Json wrong = fox();
  wrong["eyes"][0]["diameter"] = "large";
  files.push_back(scratch.write("wrong.json", wrong.dump()));
  EXPECT_EQ(invalid(scratch, "head", files), std::set<std::string>{files.back()});
}

TEST(HeadFiles, WhatNoHeadHasIsRefusedWithItsField) {
  struct Case {
    const char* field;
    std::function<void(Json&)> how;
  };
  const std::vector<Case> cases{
      {"schema", [](Json& h) { h["schema"] = "columna-head/2"; }},
      {"schema", [](Json& h) { h.erase("schema"); }},
      {"body", [](Json& h) { h.erase("body"); }},
      {"body.stations", [](Json& h) { h["body"]["stations"] = Json::array(); }},
      {"body.stations[3].x", [](Json& h) { h["body"]["stations"][3]["x"] = 0.1; }},
      {"body.stations[2]", [](Json& h) { h["body"]["stations"][2]["mid"] = 0.9; }},
      {"body.stations[2].side", [](Json& h) { h["body"]["stations"][2]["side"] = 0; }},
      {"body.stations[2].square",
       [](Json& h) {
         h["body"]["stations"][2]["square"] = {0.2, 2};
       }},
      {"eyes", [](Json& h) { h["eyes"] = Json::array(); }},
      {"eyes", [](Json& h) { h["eyes"] = Json::array_t(20, h["eyes"][0]); }},
      {"eyes.eye", [](Json& h) { h["eyes"].push_back(h["eyes"][0]); }},
      {"eyes.eye.diameter", [](Json& h) { h["eyes"][0]["diameter"] = 0.7; }},
      {"eyes.eye.at",
       [](Json& h) {
         h["eyes"][0]["at"] = {0.6, 2, 0};
       }},
      {"eyes.eye.iris", [](Json& h) { h["eyes"][0]["iris"] = "turquoise"; }},
      {"palette.amber", [](Json& h) { h["palette"]["amber"] = "orange"; }},
      {"features.brow.radii",
       [](Json& h) {
         h["features"][2]["radii"] = {0.1, 0.1};
       }},
      {"features.brow.blend", [](Json& h) { h["features"][2]["blend"] = 0.06; }},
      {"features.brow.axis",
       [](Json& h) {
         h["features"][2]["axis"] = {0, 0, 0};
       }},
      {"features.cheek",
       [](Json& h) {
         h["features"][3]["at"] = {0.3, 3, 0};
       }},
      {"features.socket",
       [](Json& h) {
         h["features"][6]["at"] = {0.36, 0, 0};
       }},
      {"features.brow", [](Json& h) { h["features"][3]["id"] = "brow"; }},
      {"features[0].kind", [](Json& h) { h["features"][0]["kind"] = "dimple"; }},
      {"flats.ear.outline",
       [](Json& h) {
         h["flats"][0]["outline"] = {{0, 0}, {0.1, 0}, {0.2, 0}};
       }},
      {"flats.ear.outline",
       [](Json& h) {
         h["flats"][0]["outline"] = {{0, 0}, {0.3, 0.3}, {0, 0.3}, {0.4, 0.1}};
       }},
      {"flats.ear.base",
       [](Json& h) {
         h["flats"][0]["base"] = {{0.4, 0.1, 0.2}, {0.4, 0.1, 0.2}};
       }},
      {"hair.whiskers", [](Json& h) { h["hair"][0]["line"] = Json::array(); }},
      {"hair[0].count", [](Json& h) { h["hair"][0]["count"] = 0; }},
      {"patches.eye-rim", [](Json& h) { h["patches"][2].erase("radii"); }},
      {"feet.fore.colour", [](Json& h) { h["feet"]["fore"]["colour"] = "plaid"; }},
      {"feet.fore.pads[1].radii",
       [](Json& h) {
         h["feet"]["fore"]["pads"][1]["radii"] = {0, 0.1};
       }},
      {"seat.length", [](Json& h) { h["seat"]["length"] = -1; }},
      {"module.life_mm", [](Json& h) { h["module"]["life_mm"] = 1e300; }},
  };
  for (const Case& c : cases) {
    const auto read = changed(c.how);
    ASSERT_FALSE(read) << c.field;
    const std::string said = read.problem().sentence();
    EXPECT_EQ(said.find("mine.json: " + std::string(c.field)), 0U) << said << " instead of " << c.field;
    EXPECT_GT(render(read.problem().remedy).size(), 3U) << said;
  }
}

TEST(HeadFiles, ATwistedStationIsRefusedButASteepOneIsNot) {
  EXPECT_TRUE(changed([](Json& h) { h["body"]["stations"][2]["side"] = 0.02; }));
  EXPECT_TRUE(changed([](Json& h) { h["features"] = Json::array(); }));
  EXPECT_TRUE(changed([](Json& h) { h.erase("flats"); }));
}

TEST(HeadFiles, CutOrChangedAnywhereOneIsReadOrRefusedNeverMore) {
  const std::string whole = fox().dump();
  std::mt19937 draw(3);
  for (int i = 0; i < 150; ++i) {
    std::string text = whole;
    const size_t at = draw() % text.size();
    if (i % 3 == 0)
      text.resize(at);
    else
      text[at] = static_cast<char>("0-9.,]}{[\"e"[draw() % 11]);
    const auto read = readHead(text, "mine.json");
    if (!read) {
      EXPECT_FALSE(read.problem().sentence().empty());
    }
  }
  Scratch scratch;
  const auto large = readHeadFile(scratch.write("large.json", std::string(5'000'000, ' ')));
  EXPECT_FALSE(large);
  EXPECT_FALSE(readHeadFile(scratch.path("none.json")));
}

TEST(HeadCheck, ShippedOnesHaveNothingToMend) {
  for (const Pattern& p : animals()) {
    const HeadPattern head = shippedHead(p.id);
    for (const Problem& problem : checkHead(head)) ADD_FAILURE() << p.id << ": " << problem.sentence();
    for (const Problem& problem : checkSeat(head, p)) ADD_FAILURE() << p.id << ": " << problem.sentence();
  }
}

TEST(HeadCheck, FindsWhatAnEyeWould) {
  struct Case {
    const char* where;
    std::function<void(HeadPattern&)> how;
  };
  const std::vector<Case> cases{
      {"features.brow", [](HeadPattern& h) { h.features[2].blend = 0.04; }},
      {"features.brow", [](HeadPattern& h) { h.features[2].at = Vec3(0.4, 0, 0); }},
      {"body", [](HeadPattern& h) { h.body.stations.erase(h.body.stations.begin()); }},
      {"body", [](HeadPattern& h) { h.body.stations.back().x = 1.3; }},
      {"eyes.eye", [](HeadPattern& h) { h.eyes[0].sunk = 0.1; }},
      {"eyes.eye", [](HeadPattern& h) { h.eyes[0].sunk = 0.9; }},
      {"eyes.eye", [](HeadPattern& h) { h.eyes[0].at.y() = 0.02; }},
      {"flats.ear", [](HeadPattern& h) { h.flats[0].base[1] = Vec3(0.3, 0.6, 0.3); }},
      {"module", [](HeadPattern& h) { h.module.lifeMm = 300; }},
      {"feet.fore", [](HeadPattern& h) { h.feet.fore->digits = 2; }},
  };
  for (const Case& c : cases) {
    HeadPattern head = shippedHead("red_fox");
    c.how(head);
    const auto found = checkHead(head);
    EXPECT_TRUE(std::any_of(found.begin(), found.end(), [&](const Problem& p) {
      return render(p.where.said) == c.where;
    })) << c.where;
  }
  // Of a variant what is wrong with it and not with the rest, told once.
  HeadPattern varied = shippedHead("red_fox");
  ASSERT_FALSE(varied.variants.empty());
  HeadFlat loose = varied.flats[0];
  loose.base[1] = Vec3(0.3, 0.6, 0.3);
  varied.variants[0].flats.push_back(loose);
  const auto of = checkHead(varied);
  ASSERT_EQ(of.size(), 1U);
  EXPECT_EQ(render(of[0].where.said), "variants." + varied.variants[0].id + " flats.ear");
  HeadPattern head = shippedHead("red_fox");
  head.seat.origin.x() += 0.3;
  EXPECT_EQ(checkSeat(head, *shelf().pattern("red_fox")).size(), 1U);
  EXPECT_FALSE(checkSeat(shippedHead("owl"), *shelf().pattern("red_fox")).empty());
}
