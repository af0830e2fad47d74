#include "sheet/pose_page.h"
#include "sheet/true_size_sheet.h"

#include "anatomy/outline.h"
#include "sheet/words.h"
#include "support.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

std::vector<Page> sheetOf(const Project& p, Paper paper) {
  return trueSizeSheet(p, planned(p), shelf(), paper);
}

} // namespace

TEST(Sheet, SaysEverythingNeededAtTheBench) {
  const Project p = project("river_otter", 108);
  const Plan made = planned(p);
  const std::string all = words(sheetOf(p, Paper::A4));
  for (const char* heading : {"To fetch", "Take care", "To cut", "To weigh out", "50 mm", "true size"})
    EXPECT_NE(all.find(heading), std::string::npos) << heading;
  for (const Piece& piece : made.pieces)
    EXPECT_NE(all.find(printLength(piece.cut, UnitSystem::Metric)), std::string::npos) << piece.tag;
  for (const FigureLimb& limb : made.figure.limbs) EXPECT_NE(all.find(limb.name), std::string::npos);
}

TEST(Sheet, TilesShowTheWholeFigureAtTrueSize) {
  for (const Paper paper : {Paper::A4, Paper::Letter})
    for (const double height : {60.0, 108.0, 300.0}) {
      const Project p = project("river_otter", height);
      const auto pages = sheetOf(p, paper);
      // Put the tiles back together and measure the outline.
      double left = 1e9;
      double right = -1e9;
      double shown = 0;
      for (const Page& page : pages) {
        if (page.window.width <= 0) continue;
        ++shown;
        EXPECT_LE(page.window.x + page.window.width, page.width);
        EXPECT_LE(page.window.y + page.window.height, page.height);
        if (page.name != "A1") continue;
        for (const Mark& m : page.inside)
          if (m.closed && m.filled)
            for (const auto& at : m.points) {
              left = std::min(left, at.x());
              right = std::max(right, at.x());
            }
      }
      EXPECT_GE(shown, 1);
      double modelLeft = 1e9;
      double modelRight = -1e9;
      const Plan made = planned(p);
      for (const Polygon& polygon : silhouette(made.figure, View::Side))
        for (const Vec2& at : polygon) {
          modelLeft = std::min(modelLeft, at.x());
          modelRight = std::max(modelRight, at.x());
        }
      EXPECT_NEAR(right - left, modelRight - modelLeft, 1e-6) << "1:1";
      // Every part of the drawing lies in some tile's window.
      for (const Page& first : pages) {
        if (first.name != "A1") continue;
        const double farthest = right;
        bool covered = false;
        for (const Page& page : pages) {
          if (page.window.width <= 0 || page.name[0] != 'A') continue;
          double here = -1e9;
          for (const Mark& m : page.inside)
            if (m.closed && m.filled)
              for (const auto& at : m.points) here = std::max(here, at.x());
          covered = covered || here <= page.window.x + page.window.width + 1e-6;
        }
        EXPECT_TRUE(covered) << farthest;
      }
    }
}

TEST(Sheet, StaysOnThePaperWithLongNames) {
  Project p = project("heron", 400);
  p.name = std::string(60, 'W');
  for (const Page& page : sheetOf(p, Paper::Letter))
    for (const Mark& m : page.marks)
      for (const auto& at : m.points) {
        EXPECT_GE(at.x(), 0);
        EXPECT_LE(at.x(), page.width);
        EXPECT_GE(at.y(), 0);
        EXPECT_LE(at.y(), page.height);
      }
}

TEST(Sheet, PosesHaveTheirPage) {
  Project p = project("river_otter", 108);
  p.stances.saved = {{"a bow with a very long name that has to be broken over the lines of its column",
                      {{"neck1", {0.4, 0, 0}}}},
                     {"on watch", {{"pelvis", {0.6, 0, 0}}}}};
  const Plan plan = planned(p);
  for (const Paper paper : {Paper::A4, Paper::Letter}) {
    const std::vector<Page> pages = posePages(p, plan, shelf(), paper);
    ASSERT_FALSE(pages.empty());
    std::string said;
    size_t pictures = 0;
    for (const Page& page : pages)
      for (const Mark& m : page.marks) {
        said += m.text + ' ';
        pictures += m.closed && m.filled ? 1 : 0;
        for (const auto& point : m.points) {
          EXPECT_GE(point.x(), 0);
          EXPECT_LE(point.x(), page.width);
          EXPECT_LE(point.y(), page.height);
        }
      }
    EXPECT_GE(pictures, 3U) << "the two saved ones and the one on the mat";
    for (const char* words : {"on watch", "Weakest joints", "Handling", "sharp end"})
      EXPECT_NE(said.find(words), std::string::npos) << words;
  }
  // And they are in the sheet.
  std::string all;
  for (const Page& page : trueSizeSheet(p, plan, shelf(), Paper::A4))
    for (const Mark& m : page.marks) all += m.text + ' ';
  EXPECT_NE(all.find("Weakest joints"), std::string::npos);
}
