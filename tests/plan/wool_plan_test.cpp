// Wool in a whole plan: bad input is a finding each, guesses and offers, the JSON.
#include "support.h"

#include "file/project_json.h"
#include "judge/planning.h"
#include "report/plan_json.h"
#include "report/wool_plan_json.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

bool found(const Plan& plan, Level level, const std::string& words) {
  return std::any_of(plan.findings.begin(), plan.findings.end(), [&](const Finding& f) {
    return f.level == level && render(f.text).find(words) != std::string::npos;
  });
}

} // namespace

TEST(WoolPlan, EachBadInputIsAFinding) {
  const Project good = project("river_otter", 108);
  EXPECT_FALSE(found(planned(good), Level::Wrong, "felt of"));
  Project p = good;
  p.coat = 30; // thicker than the legs
  EXPECT_TRUE(found(plannedExactly(p), Level::Doubtful, "thinner than its coat"));
  p = good;
  p.limbs["tail"].diameter = 3.25;
  p.limbs["tail"].wires = 4;
  p.size.mm = 20; // wire as thick as the tail
  EXPECT_TRUE(found(plannedExactly(p), Level::Wrong, "thicker than the part"));
  for (const double density : {0.0, 5.0}) {
    p = good;
    p.limbs["trunk"].density = density / 1000;
    const Plan plan = planned(p);
    EXPECT_TRUE(found(plan, Level::Wrong, "felt of")) << density;
    EXPECT_TRUE(std::isfinite(plan.totals.core));
  }
  p = good;
  p.wool.core.linear = 0;
  const Plan none = planned(p);
  EXPECT_TRUE(found(none, Level::Wrong, "weighs nothing"));
  EXPECT_EQ(none.wool->limbs[static_cast<size_t>(*none.figure->limb("trunk"))].winding.strips, 0);
  p = good;
  p.wool.ball = {20, 1.0, Firmness::Medium};
  EXPECT_TRUE(found(planned(p), Level::Doubtful, "test ball weighs"));
  p = good;
  p.wool.markings = {{"lost", Tone::Dark, View::Side, {{90, 90}, {91, 90}, {91, 91}}, true, ""}};
  EXPECT_TRUE(found(planned(p), Level::Doubtful, "lies beside the figure"));
  p = good;
  p.coat = 0.5;
  p.wool.coat.tone = Tone::Dark;
  EXPECT_TRUE(found(planned(p), Level::Doubtful, "over a pale core wants"));
}

TEST(WoolPlan, AnyNumbersGiveNumbers) {
  for (const Pattern& pattern : animals())
    for (const double coat : {0.0, 0.3, 40.0}) {
      Project p = project(pattern.id, 90);
      p.coat = coat;
      p.wool.furShown = 15;
      p.wool.grip = WireGrip::Sleeve;
      const Plan plan = planned(p);
      for (const LimbWool& w : plan.wool->limbs) {
        for (const double v :
             {w.core, w.coat, w.wound, w.padded, w.skin, w.flats, w.fur, w.wireVolume, w.area})
          EXPECT_TRUE(std::isfinite(v) && v >= -1e-9) << pattern.id << ' ' << coat << ' ' << v;
        for (const Girth& g : w.girths)
          for (const double v : {g.wire, g.wound, g.felted, g.finished, g.coreAcross, g.coreDeep})
            EXPECT_TRUE(std::isfinite(v) && v >= 0) << pattern.id << ' ' << coat;
        for (const Pad& pad : w.pads)
          for (const double v : {pad.grams, pad.length, pad.width, pad.thickness, pad.loose})
            EXPECT_TRUE(std::isfinite(v) && v > 0) << pattern.id << ' ' << pad.place;
        EXPECT_TRUE(std::isfinite(w.winding.turns) && std::isfinite(w.winding.layers)) << pattern.id;
      }
      EXPECT_GT(plan.wool->core + plan.wool->coat, 0) << pattern.id;
    }
}

TEST(WoolPlan, AKnownSolidIsUsedAndAGuessSaysSo) {
  const Project p = project("red_fox", 120);
  const Plan exact = plannedExactly(p);
  EXPECT_FALSE(exact.wool->guessed);
  const Plan again = plan(p, shelf(), {exact.solid, true}).value();
  EXPECT_EQ(again.solid, exact.solid) << "the very same one";
  EXPECT_EQ(toJson(again).dump(), toJson(exact).dump());
  Project larger = p;
  larger.size.mm = 150;
  const Plan guess = plan(larger, shelf(), {exact.solid, true}).value();
  EXPECT_TRUE(guess.wool->guessed);
  EXPECT_NEAR(guess.wool->volume / exact.wool->volume, std::pow(1.25, 3), 1e-9);
  const Plan rough = plan(project("heron", 120), shelf(), {exact.solid, true}).value();
  EXPECT_TRUE(rough.wool->guessed) << "another animal is made roughly at first";
  EXPECT_NEAR(rough.wool->volume / plannedExactly(project("heron", 120), 1).wool->volume, 1,
              rough.wool->volumeError + 0.01);
}

TEST(WoolPlan, JsonHasWhatTheSchemaAsks) {
  Project p = project("river_otter", 108);
  p.wool.markings = {{"bib", Tone::Pale, View::Front, {{-1, 0}, {1, 0}, {1, 0.4}}, true, ""}};
  const Plan plan = planned(p);
  const auto json = woolJson(plan);
  EXPECT_EQ(json["volume_mm3"], plan.wool->volume);
  ASSERT_EQ(json["limbs"].size(), plan.figure->limbs.size());
  double core = 0;
  for (const auto& limb : json["limbs"]) {
    for (const char* key : {"id", "wound_g", "pads", "coat_g", "strips", "girths", "minutes"})
      EXPECT_TRUE(limb.contains(key)) << key;
    core += limb["wound_g"].get<double>() + limb["skin_g"].get<double>();
    double strips = 0;
    for (const auto& pad : limb["pads"]) core += pad["g"].get<double>() * pad["count"].get<double>();
    for (const auto& strip : limb["strips"]) strips += strip["g"].get<double>();
    if (!limb["strips"].empty()) {
      EXPECT_NEAR(strips,
                  limb["all_coat"] == true ? limb["coat_g"].get<double>() : limb["wound_g"].get<double>(),
                  1e-9);
    }
    for (const auto& g : limb["girths"]) {
      EXPECT_GE(g["t"], 0);
      EXPECT_LE(g["t"], 1.0001);
    }
    EXPECT_GT(limb["minutes"], 0);
  }
  EXPECT_NEAR(core, json["core_g"].get<double>(), 1e-6 * core);
  EXPECT_EQ(json["markings"].size(), 1U);
}

TEST(WoolFile, BadFieldsAreNamed) {
  const auto good = toJson(project("red_fox", 120));
  const auto bad = [&](const char* text, const char* field) {
    auto json = good;
    json["wool"] = nlohmann::json::parse(text);
    bool newer = false;
    const auto read = projectFromJson(json, "f.columna", newer);
    ASSERT_FALSE(read.ok()) << text;
    EXPECT_NE(read.problem().sentence().find(field), std::string::npos) << read.problem().sentence();
  };
  bad("7", "wool");
  bad(R"({"test_ball":{"diameter_mm":0,"g":3}})", "test_ball.diameter_mm");
  bad(R"({"test_ball":{"diameter_mm":30}})", "test_ball.g");
  bad(R"({"test_ball":{"diameter_mm":30,"g":3,"firmness":"hard"}})", "firmness");
  bad(R"({"core":{"form":"string"}})", "core.form");
  bad(R"({"coat":{"tone":"pink"}})", "coat.tone");
  bad(R"({"core":{"g_per_m":-1}})", "g_per_m");
  bad(R"({"grip":"tar"})", "grip");
  bad(R"({"fur_shown_mm":"long"})", "fur_shown_mm");
  bad(R"({"markings":{}})", "markings");
  bad(R"({"markings":[{"outline":[[0,0],[1,1]]}]})", "outline");
  bad(R"({"markings":[{"outline":[[0,0],[1,1],[1,"x"]]}]})", "outline");
  bad(R"({"markings":[{"view":"below","outline":[[0,0],[1,1],[1,0]]}]})", "view");
  bad(R"({"records":[{"girth_mm":30}]})", "limb");
  bad(R"({"records":[{"limb":"tail","girth_mm":-3}]})", "girth_mm");
  auto json = good;
  json["limbs"]["tail"]["density_g_cm3"] = "dense";
  bool newer = false;
  EXPECT_FALSE(projectFromJson(json, "f", newer).ok());
  json["limbs"]["tail"] = {{"coat", "half"}};
  EXPECT_FALSE(projectFromJson(json, "f", newer).ok());
}
