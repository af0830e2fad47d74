#include "edit/size_study.h"
#include "file/project_json.h"
#include "report/plan_json.h"
#include "support.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

TEST(SizeStudy, TheHeightForSomeWoolAgreesWithPlanningThere) {
  for (const char* id : {"river_otter", "heron", "toy_bear", "horse", "beetle"})
    for (const double grams : {8.0, 40.0, 150.0}) {
      Project p = project(id, 160);
      const auto height = heightForCore(p, shelf(), grams);
      ASSERT_TRUE(height.ok()) << id << height.problem().sentence();
      p.size.mm = *height;
      // Just below where a part becomes thick enough for a core, less of it is used up.
      const double core = plannedExactly(p, 1).totals.core;
      EXPECT_LE(core, 1.01 * grams + 0.1) << id;
      EXPECT_GT(core, 0.85 * grams) << id;
      p.size.mm = *height * 1.01;
      EXPECT_GT(plannedExactly(p, 1).totals.core, 0.98 * grams) << id;
    }
}

TEST(SizeStudy, TheHeightForOneWireUsesItAndNoMore) {
  Project p = project("red_fox", 160);
  const auto height = heightForWire(p, shelf(), 900);
  ASSERT_TRUE(height.ok());
  p.size.mm = *height;
  EXPECT_LE(planned(p).totals.wireLength, 900);
  p.size.mm = *height * 1.01;
  EXPECT_GT(planned(p).totals.wireLength, 900);
}

TEST(SizeStudy, ImpossibleAmountsAreOneSentence) {
  const Project p = project("red_fox", 160);
  for (const double bad : {0.0, -4.0, std::nan(""), 1e9}) {
    EXPECT_FALSE(heightForCore(p, shelf(), bad).ok()) << bad;
    EXPECT_FALSE(heightForWire(p, shelf(), bad).ok()) << bad;
  }
  Project made = p;
  made.made = {{"trunk", 90.0, {}, "2026-11-25"}};
  EXPECT_NE(heightForCore(made, shelf(), 40).problem().sentence().find("made parts"), std::string::npos);
}

TEST(SizeStudy, SmallPartsSayWhenTheyStopBeingSo) {
  Project p = project("heron", 70);
  const auto small = smallParts(p, shelf(), planned(p));
  ASSERT_FALSE(small.empty());
  for (const SmallPart& part : small) {
    if (part.stopsAt <= 0) continue;
    EXPECT_GT(part.stopsAt, 70);
    Project larger = p;
    larger.size.mm = part.stopsAt * 1.002;
    for (const SmallPart& still : smallParts(larger, shelf(), planned(larger)))
      EXPECT_FALSE(still.limb == part.limb && still.tooShort == part.tooShort) << part.limb;
  }
}

TEST(SizeStudy, TheChartRisesAndMarksThePresentHeight) {
  const Project p = project("river_otter", 120);
  const Plan now = plannedExactly(p, 1);
  const auto rows = scaleChart(p, shelf(), now);
  ASSERT_EQ(rows.size(), 17U);
  EXPECT_NEAR(rows[8].height, 120, 1e-9);
  EXPECT_NEAR(rows[8].core, now.totals.core, 1e-9);
  EXPECT_NEAR(rows[0].height, 60, 1e-9);
  EXPECT_NEAR(rows[16].height, 240, 1e-9);
  for (size_t i = 0; i + 1 < rows.size(); ++i) {
    EXPECT_GT(rows[i + 1].core, rows[i].core);
    EXPECT_GT(rows[i + 1].weight, rows[i].weight);
    EXPECT_GT(rows[i + 1].hours, rows[i].hours);
    EXPECT_GE(rows[i + 1].thickest, rows[i].thickest);
  }
  // A coat does not grow with the figure, so the core grows by more.
  EXPECT_GT(rows[16].core / rows[8].core, 8);
  EXPECT_LT(rows[16].core / rows[8].core, 12);
}

TEST(StudyJson, EverythingOfStudyComesBack) {
  Project p = project("river_otter", 108);
  p.size = {SizeBy::Limb, 60, "hindleg"};
  p.shape.character = characterAt(1.3);
  p.shape.lengths["forearm"] = 1.1;
  p.shape.moved["left-elbow"] = Vec3(0.01, -0.02, 0.03);
  p.shape.girths["loin@0.5"] = {1.2, 1.1, 0.02};
  p.made = {{"trunk", 118.0, 61.0, "2026-11-25"}, {"head", {}, 30.5, "2026-11-24"}};
  Photo photo;
  photo.entry = "photos/side.jpg";
  photo.view = View::Above;
  photo.width = 1600;
  photo.height = 900;
  photo.straighten = 0.05;
  photo.mmPerPixel = 0.21;
  photo.landmarks["right-elbow"] = Vec2(311.5, 402.25);
  p.photos = {photo};
  bool newer = false;
  const auto back = projectFromJson(toJson(p), "x", newer);
  ASSERT_TRUE(back.ok()) << back.problem().sentence();
  EXPECT_EQ(back->size, p.size);
  EXPECT_EQ(back->shape, p.shape);
  EXPECT_EQ(back->made, p.made);
  EXPECT_EQ(back->photos, p.photos);
  // Undone again, nothing of it is left in the file.
  Project bare = *back;
  bare.shape = {};
  bare.made.clear();
  bare.photos.clear();
  for (const char* key : {"shape", "made", "photos"}) EXPECT_FALSE(toJson(bare).contains(key)) << key;
}

TEST(StudyJson, DamageIsNamed) {
  Project p = project("river_otter", 108);
  p.shape.lengths["forearm"] = 1.1;
  p.made = {{"trunk", 118.0, {}, "2026-11-25"}};
  p.photos = {Photo{"photos/a.jpg", View::Side, 10, 10, {}, 0, 0}};
  const nlohmann::json whole = toJson(p);
  struct Case {
    std::function<void(nlohmann::json&)> spoil;
    const char* named;
  };
  for (const Case& c :
       std::vector<Case>{{[](auto& j) { j["shape"] = 3; }, "shape"},
                         {[](auto& j) { j["shape"]["lengths"]["forearm"] = "long"; }, "forearm"},
                         {[](auto& j) {
                            j["shape"]["moved"]["elbow"] = {1, 2};
                          },
                          "elbow"},
                         {[](auto& j) { j["made"][0].erase("limb"); }, "limb"},
                         {[](auto& j) { j["photos"][0]["view"] = "below"; }, "view"},
                         {[](auto& j) { j["photos"][0]["width"] = -4; }, "photos"}}) {
    nlohmann::json j = whole;
    c.spoil(j);
    bool newer = false;
    const auto read = projectFromJson(j, "mine.columna", newer);
    ASSERT_FALSE(read.ok()) << c.named;
    EXPECT_NE(read.problem().sentence().find(c.named), std::string::npos) << read.problem().sentence();
  }
}
