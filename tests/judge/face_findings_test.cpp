// What is doubtful or wrong about a face, by ids.
#include "../head/heads.h"
#include "judge/face_findings.h"
#include "measure/disk.h"

#include <optional>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

const FaceRules& rules() {
  static const FaceRules read =
      readFaceRules(*readFile(std::filesystem::path(COLUMNA_DATA_DIR) / "work/face.json"), "face.json")
          .value();
  return read;
}

std::map<std::string, Level> found(const HeadPattern& head, double length, double density = 0.22e-3) {
  std::map<std::string, Level> out;
  const FaceReport report = faceReport(head, length, density, rules());
  for (const Finding& f : faceFindings(report, rules())) {
    EXPECT_FALSE(render(f.text).empty());
    EXPECT_TRUE(out.emplace(f.id() + "@" + f.where, f.level).second) << f.id() << " twice";
  }
  return out;
}

} // namespace

TEST(FaceFindings, AFoxOfAHandsLengthHasNothingWrong) {
  for (const auto& [id, level] : found(shippedHead("red_fox"), 90)) EXPECT_NE(level, Level::Wrong) << id;
}

TEST(FaceFindings, EachIsFoundWhereItIs) {
  struct Case {
    const char* id;
    Level level;
    std::function<void(HeadPattern&)> how;
    double length = 90;
  };
  const std::vector<Case> cases{
      {"no-eye-of-that-size@eye", Level::Wrong, [](HeadPattern& h) { h.eyes[0].diameter = 0.38; }, 110},
      {"no-eye-of-that-size@eye", Level::Wrong, [](HeadPattern&) {}, 6},
      {"eyes-meet@eye", Level::Wrong,
       [](HeadPattern& h) {
         h.eyes[0].at.y() = 0;
         h.eyes[0].azimuth = 0;
       }},
      {"little-between-the-eyes@eye", Level::Doubtful, [](HeadPattern& h) { h.eyes[0].diameter = 0.16; }},
      {"felt-too-thin@ear", Level::Wrong, [](HeadPattern& h) { h.flats[0].thickness = 0.005; }},
      {"felt-too-thin@ear", Level::Doubtful, [](HeadPattern& h) { h.flats[0].thickness = 0.009; }},
      {"may-droop@ear", Level::Wrong,
       [](HeadPattern& h) {
         for (Vec2& p : h.flats[0].outline) p.y() *= 4;
         h.flats[0].cup = 0;
         h.flats[0].thickness = 0.02;
       }},
      {"pads-too-small-to-make@forehead", Level::Doubtful,
       [](HeadPattern& h) {
         for (HeadFeature& f : h.features) f.blend = 0;
       },
       12},
      {"pads-are-wisps@forehead", Level::Doubtful, [](HeadPattern&) {}, 60},
  };
  for (const Case& c : cases) {
    HeadPattern head = shippedHead("red_fox");
    c.how(head);
    const auto all = found(head, c.length);
    const auto mine = all.find(c.id);
    std::string others;
    for (const auto& [id, level] : all) others += id + " ";
    ASSERT_NE(mine, all.end()) << c.id << ", but " << others;
    EXPECT_EQ(mine->second, c.level) << c.id;
  }
  // An ear with wire in it does not droop.
  HeadPattern wired = shippedHead("red_fox");
  for (Vec2& p : wired.flats[0].outline) p.y() *= 4;
  wired.flats[0].stands = FlatStands::Wire;
  EXPECT_FALSE(found(wired, 90).contains("may-droop@ear"));
}

TEST(FaceFindings, StemsThatWouldMeetAreTurnedOrCutShorter) {
  HeadPattern owl = shippedHead("red_fox");
  owl.eyes[0].azimuth = 1.3;
  const auto all = found(owl, 90);
  EXPECT_TRUE(all.contains("eyes-stems-nearly-meet@eye") || all.contains("eyes-holes-meet@eye"));
  FaceReport report = faceReport(owl, 90, 0.2e-3, rules());
  report.eyes[0].stem.clear = -0.5;
  EXPECT_EQ(faceFindings(report, rules()).front().id(), "eyes-holes-meet");
}

TEST(FaceFindings, WorstComeFirst) {
  for (const char* id : {"red_fox", "owl", "elephant", "bat", "doll_human"}) {
    const HeadPattern head = shippedHead(id);
    const FaceReport report = faceReport(head, 8, 0.1e-3, rules());
    Level last = Level::Wrong;
    for (const Finding& f : faceFindings(report, rules())) {
      EXPECT_LE(f.level, last) << head.id;
      last = f.level;
    }
  }
}

TEST(FaceFindings, HornsAreWeighedAgainstTheHeadsWool) {
  EXPECT_TRUE(hardFindings(3.4, 10, rules()).empty());
  ASSERT_EQ(hardFindings(3.6, 10, rules()).size(), 1U);
  EXPECT_EQ(hardFindings(3.6, 10, rules()).front().level, Level::Doubtful);
  EXPECT_EQ(hardFindings(3.6, 10, rules()).front().id(), "heavy-horns");
  EXPECT_TRUE(hardFindings(0.3, 0.2, rules()).empty()) << "next to nothing";
  EXPECT_TRUE(hardFindings(0, 0, rules()).empty());
}

TEST(FaceFindings, WhatIsInTheEyesWayIsSaid) {
  const HeadPattern fox = shippedHead("red_fox");
  FaceReport report = faceReport(fox, 90, 0.2e-3, rules());
  const auto level = [&](const char* id) -> std::optional<Level> {
    for (const Finding& f : faceFindings(report, rules()))
      if (f.id() == id) return f.level;
    return std::nullopt;
  };
  FaceEye& eye = report.eyes[0];
  const FaceEye was = eye;
  for (const char* id : {"eye-behind-an-ear", "little-wool-under-the-eye", "wire-behind-the-eye"})
    EXPECT_FALSE(level(id)) << id;
  eye.hidden = 0.2;
  EXPECT_EQ(level("eye-behind-an-ear"), Level::Doubtful);
  eye.hidden = 0.4;
  EXPECT_EQ(level("eye-behind-an-ear"), Level::Wrong);
  eye = was;
  eye.under = 1;
  EXPECT_EQ(level("little-wool-under-the-eye"), Level::Doubtful);
  eye.under = 0.2;
  EXPECT_EQ(level("little-wool-under-the-eye"), Level::Wrong);
  eye = was;
  eye.cutForWire = true;
  EXPECT_FALSE(level("wire-behind-the-eye")) << "a shorter stem holds as well";
  eye.stem.length = 2;
  EXPECT_EQ(level("wire-behind-the-eye"), Level::Doubtful);
}

TEST(FaceFindings, AnEyeOfAnotherSizeIsNotCalledUnsoldWhereItIsSold) {
  // 52 mm of fox want 5.3 mm: 5 are sold.
  const auto told = [](double taken) {
    const HeadPattern head = shippedHead("red_fox");
    const FaceReport report = faceReport(head, 52, 0.22e-3, rules(), taken);
    std::vector<Finding> out = faceFindings(report, rules());
    std::erase_if(out, [](const Finding& f) { return f.where != "eye" || f.text.args().size() != 3; });
    return out;
  };
  ASSERT_EQ(told(4).size(), 1U);
  EXPECT_EQ(told(4)[0].text.args().size(), 3U);
  EXPECT_NE(render(told(4)[0].text).find("5 mm"), std::string::npos) << render(told(4)[0].text);
  EXPECT_EQ(told(4)[0].level, Level::Doubtful);
  ASSERT_EQ(told(8).size(), 1U);
  EXPECT_EQ(told(8)[0].level, Level::Wrong);
  EXPECT_NE(render(told(8)[0].text).find("5 mm"), std::string::npos);
  EXPECT_TRUE(told(5).empty());
}
