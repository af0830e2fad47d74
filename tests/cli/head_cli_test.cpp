// What the command line tells of heads.
#include "cli_run.h"

#include "file/columna_file.h"

using namespace columna;
using namespace columna::test;

TEST(Cli, AnAnimalCanBeAnotherOfItsKind) {
  const Scratch scratch;
  const std::string stag = scratch.path("stag.columna");
  const std::string hind = scratch.path("hind.columna");
  ASSERT_EQ(run(scratch, "new --pattern deer --height 200 -o " + stag).code, 0);
  ASSERT_EQ(run(scratch, "new --pattern deer --variant hind --height 150 -o " + hind).code, 0);
  const auto listed = nlohmann::json::parse(run(scratch, "heads --json").out);
  bool named = false;
  for (const auto& head : listed)
    for (const auto& variant : head["variants"])
      named = named || (head["id"] == "deer" && variant["id"] == "hind");
  EXPECT_TRUE(named);
  const auto antlers = [&](const std::string& file) {
    const auto plan = nlohmann::json::parse(run(scratch, "plan " + file + " --json").out);
    return plan["totals"]["hard_g"].get<double>();
  };
  EXPECT_GT(antlers(stag), 0.5);
  EXPECT_LT(antlers(hind), 0.2 * antlers(stag)) << "her eyes alone";
  const Ran bad = run(scratch, "new --pattern deer --variant calf --height 150 -o " + hind);
  EXPECT_EQ(bad.code, 2);
  EXPECT_NE(bad.err.find("calf"), std::string::npos);
}

TEST(Cli, TellsWhatAHeadAsksOfTheMaker) {
  const Scratch scratch;
  const std::string file = scratch.path("f.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --head '52 mm' -o " + file).code, 0);
  const Ran face = run(scratch, "face " + file + " --json");
  ASSERT_EQ(face.code, 0) << face.err;
  const auto json = nlohmann::json::parse(face.out);
  EXPECT_EQ(json["id"], "red_fox");
  EXPECT_NEAR(json["length_mm"].get<double>(), 52, 8) << "its fur and nose reach beyond the bones' length";
  double grams = json["body_g"];
  for (const auto& each : json["features"]) grams += each["g"].get<double>();
  EXPECT_NEAR(grams, 1.0075 * json["volume_mm3"].get<double>() * 0.22e-3, 0.05 * grams) << "felted firmly";
  EXPECT_EQ(json["eyes"][0]["take_mm"].get<double>(), std::round(json["eyes"][0]["true_mm"].get<double>()));
  EXPECT_EQ(json["pins"][0]["tape_mm"], 0);
  EXPECT_EQ(run(scratch, "face " + file).code, 0);
  for (const char* kind : {"ear.svg", "ear.dxf"}) {
    EXPECT_EQ(run(scratch, "flat " + file + " -o " + scratch.path(kind)).code, 0);
    EXPECT_NE(Scratch::read(scratch.path(kind)).find("finished"), std::string::npos);
  }
  EXPECT_EQ(run(scratch, "soles " + file + " -o " + scratch.path("soles.svg")).code, 0);
  EXPECT_NE(Scratch::read(scratch.path("soles.svg")).find("pads"), std::string::npos);
  for (const std::string& words : {"flat " + file + " --part horn -o " + scratch.path("x.svg"),
                                   "flat " + file + " -o " + scratch.path("x.png")})
    EXPECT_EQ(run(scratch, words).code, 2) << words;
  // A maker's own head takes the place of the shipped one; a wrong one is one sentence.
  const auto text = Scratch::read(std::filesystem::path(COLUMNA_DATA_DIR) / "heads/red_fox.json");
  auto own = nlohmann::json::parse(text);
  own["eyes"][0]["diameter"] = 0.15;
  std::filesystem::create_directories(scratch.path("none") + "/columna/heads");
  scratch.write("none/columna/heads/red_fox.json", own.dump());
  const Ran larger = run(scratch, "face " + file + " --json");
  EXPECT_GT(nlohmann::json::parse(larger.out)["eyes"][0]["take_mm"], json["eyes"][0]["take_mm"]);
  EXPECT_EQ(run(scratch, "check " + scratch.path("none/columna/heads/red_fox.json")).code, 0);
  own["eyes"] = nlohmann::json::array();
  scratch.write("none/columna/heads/red_fox.json", own.dump());
  // The shipped one is there all the same.
  const Ran told = run(scratch, "face " + file + " --json");
  EXPECT_EQ(told.code, 0);
  EXPECT_NE(told.err.find("red_fox.json"), std::string::npos);
  EXPECT_EQ(nlohmann::json::parse(told.out)["eyes"][0]["take_mm"], json["eyes"][0]["take_mm"]);
  for (const std::string& words :
       {"check " + scratch.path("none/columna/heads/red_fox.json"), std::string("schema shoe")}) {
    const Ran ran = run(scratch, words);
    EXPECT_EQ(ran.code, 2) << words;
    // What is wrong with the file, and, where a figure is asked about, that it has no head then.
    EXPECT_LE(std::count(ran.err.begin(), ran.err.end(), '\n'), 2) << ran.err;
    EXPECT_FALSE(ran.err.empty());
  }
  own = nlohmann::json::parse(text);
  own["eyes"][0]["sunk"] = 0.9;
  EXPECT_EQ(run(scratch, "check " + scratch.write("deep.json", own.dump())).code, 1);
  std::filesystem::remove(scratch.path("none/columna/heads/red_fox.json"));
  EXPECT_EQ(nlohmann::json::parse(run(scratch, "heads --json").out).size(), shelf().patterns.size());
}
