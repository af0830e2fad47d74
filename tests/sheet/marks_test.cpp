// The marks a sheet is drawn with, and the drawings that go on it, to size.
#include "sheet/marks.h"
#include "sheet/outline_svg.h"
#include "sheet/true_size_sheet.h"
#include "sheet/view_drawing.h"
#include "support.h"

#include <regex>

using namespace columna;
using namespace columna::test;

namespace {

/// The box of all points of a drawing.
std::pair<Point, Point> boxOf(const std::vector<Mark>& marks) {
  Point low(1e9, 1e9);
  Point high(-1e9, -1e9);
  for (const Mark& m : marks)
    for (const Point& p : m.points) {
      low = low.cwiseMin(p);
      high = high.cwiseMax(p);
    }
  return {low, high};
}

} // namespace

TEST(SheetMarks, TheScaleBarIsTwoInchesForARulerOfInches) {
  std::vector<Mark> marks;
  scaleBar(marks, {20, 30}, {UnitSystem::Inch, nullptr});
  double longest = 0;
  for (const Mark& m : marks)
    if (m.kind == Mark::Kind::Line && m.points.size() == 2)
      longest = std::max(longest, (m.points[1] - m.points[0]).norm());
  EXPECT_NEAR(longest, 2 * kMmPerInch, 1e-9);
  EXPECT_NE(marks.back().text.find("2 in"), std::string::npos) << marks.back().text;
}

TEST(SheetMarks, LettersAreCountedNotBytes) {
  EXPECT_EQ(letters(""), 0U);
  EXPECT_EQ(letters("wire"), 4U);
  EXPECT_EQ(letters("ľéğš"), 4U);
  for (const std::string& line : wrap("ľéğš ľéğš ľéğš", 9)) EXPECT_LE(letters(line), 9U);
  EXPECT_EQ(wrap("ľéğš ľéğš ľéğš", 9).size(), 2U);
}

TEST(SheetMarks, TheScaleBarIsFiftyMillimetres) {
  std::vector<Mark> marks;
  scaleBar(marks, {20, 30}, {});
  double longest = 0;
  bool said = false;
  for (const Mark& m : marks) {
    if (m.kind == Mark::Kind::Line && m.points.size() == 2)
      longest = std::max(longest, (m.points[1] - m.points[0]).norm());
    said = said || m.text.find("50") != std::string::npos;
  }
  EXPECT_NEAR(longest, 50, 1e-9);
  EXPECT_TRUE(said) << "and says so";
}

TEST(SheetMarks, WrappedTextLosesNoWordAndNoLineIsMuchTooLong) {
  const std::string words =
      "Put the tape round where the ring is drawn and read it without pulling; what it reads "
      "felted is in the table, and a part that is over is not needled down further.";
  for (const size_t letters : {20U, 40U, 90U, 500U}) {
    std::string joined;
    for (const std::string& line : wrap(words, letters)) {
      EXPECT_LE(line.size(), letters + 12) << line;
      joined += (joined.empty() ? "" : " ") + line;
    }
    EXPECT_EQ(joined, words) << letters;
  }
  EXPECT_LE(wrap("", 20).size(), 1U);
  EXPECT_FALSE(wrap("Donaudampfschifffahrtsgesellschaft", 5).empty()) << "one word is never lost";
}

TEST(SheetMarks, ViewsAreDrawnToTheFiguresOwnSize) {
  for (const char* animal : {"red_fox", "heron", "beetle"}) {
    const Plan plan = planned(project(animal, 120));
    for (const View view : {View::Side, View::Front, View::Above}) {
      const ViewDrawing drawing = drawView(plan, view);
      ASSERT_FALSE(drawing.marks.empty());
      const auto [low, high] = boxOf(drawing.marks);
      EXPECT_GE(low.x(), -1e-6) << animal;
      EXPECT_LE(high.x(), drawing.width + 1e-6) << animal;
      EXPECT_LE(high.y(), drawing.height + 1e-6) << animal;
      if (view != View::Above) {
        EXPECT_GE(drawing.height, plan.figure->overallHeight) << animal;
        EXPECT_LE(drawing.height, plan.figure->overallHeight + 60) << animal;
      }
      EXPECT_FALSE(viewWords(view).empty());
    }
  }
}

TEST(SheetMarks, TheOutlineOnItsOwnIsMillimetresInThreeGroups) {
  const Figure f = makeFigure(*shelf().pattern("red_fox"), {SizeBy::OverallHeight, 130, {}}).value();
  const std::string svg = outlineSvg(f);
  for (const char* group : {"side", "front", "above"})
    EXPECT_NE(svg.find("\"" + std::string(group) + "\""), std::string::npos) << group;
  std::smatch size;
  ASSERT_TRUE(std::regex_search(svg, size, std::regex("width=\"([0-9.]+)mm\" height=\"([0-9.]+)mm\"")));
  EXPECT_GT(std::stod(size[1]), f.totalLength);
  EXPECT_GT(std::stod(size[2]), 130);
  EXPECT_EQ(svg.find("nan"), std::string::npos);
}

TEST(SheetMarks, EveryMarkOfEveryPageLiesOnItsPaper) {
  for (const char* animal : {"red_fox", "giraffe", "beetle", "dragon"})
    for (const Paper paper : {Paper::A4, Paper::Letter}) {
      const Project p = project(animal, 200);
      const Plan plan = planned(p);
      for (const Page& page : trueSizeSheet(p, plan, shelf(), paper)) {
        EXPECT_TRUE(Eigen::Vector2d(page.width, page.height).isApprox(paperSize(paper), 1e-9) ||
                    Eigen::Vector2d(page.height, page.width).isApprox(paperSize(paper), 1e-9))
            << animal << " " << page.name;
        for (const Mark& m : page.marks)
          for (const Point& at : m.points) {
            EXPECT_TRUE(std::isfinite(at.x()) && std::isfinite(at.y())) << animal << " " << page.name;
            EXPECT_GE(at.x(), -1e-6) << animal << " " << page.name << " " << m.text;
            EXPECT_LE(at.x(), page.width + 1e-6) << animal << " " << page.name << " " << m.text;
            EXPECT_GE(at.y(), -1e-6) << animal << " " << page.name << " " << m.text;
            EXPECT_LE(at.y(), page.height + 1e-6) << animal << " " << page.name << " " << m.text;
          }
        if (page.window.width > 0) {
          EXPECT_LE(page.window.x + page.window.width, page.width + 1e-6) << animal;
          EXPECT_LE(page.window.y + page.window.height, page.height + 1e-6) << animal;
        }
      }
    }
}
