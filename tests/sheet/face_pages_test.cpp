// The face on the sheet.
#include "sheet/face_pages.h"

#include "sheet/true_size_sheet.h"
#include "sheet/words.h"
#include "support.h"

#include <gtest/gtest.h>

namespace columna::test {
namespace {

std::vector<Page> pagesOf(const Project& p, const Plan& plan) {
  Filler pages(Paper::A4, true, {p.units, nullptr});
  facePages(pages, p, plan, shelf());
  return pages.take();
}

TEST(FacePages, HaveEveryPinPadAndEar) {
  for (const char* id : {"red_fox", "owl", "cow"}) {
    const Project p = project(id, 160);
    const Plan plan = planned(p);
    const auto sums = faceSums(p, shelf(), plan);
    const std::string all = words(pagesOf(p, plan));
    for (const FacePin& pin : sums->report.pins) {
      EXPECT_NE(all.find(pinName(pin.id)), std::string::npos) << id << ' ' << pin.id;
      if (pin.tape && *pin.tape > 0) {
        EXPECT_NE(all.find(printLength(*pin.tape, UnitSystem::Metric, 1)), std::string::npos) << id << pin.id;
      }
    }
    for (const FacePad& pad : sums->report.pads)
      EXPECT_NE(all.find(pinName(pad.feature->id)), std::string::npos) << id << ' ' << pad.feature->id;
    for (const FaceStep& step : sums->steps) {
      EXPECT_NE(all.find(workName(step.work)), std::string::npos) << id;
      for (const std::string& each : step.drying)
        EXPECT_NE(all.find(shelf().drying.find(each)->name.substr(1)), std::string::npos)
            << id << ' ' << each;
    }
  }
}

TEST(FacePages, AreTrueToSizeAndOnThePaper) {
  const Project p = project("red_fox", 160);
  const Plan plan = planned(p);
  const auto sums = faceSums(p, shelf(), plan);
  // The finished ear on paper is as long as the ear.
  double longest = 0;
  double tall = 0;
  for (const Page& page : pagesOf(p, plan))
    for (const Mark& m : page.marks) {
      for (const Eigen::Vector2d& at : m.points) {
        EXPECT_GE(at.x(), -1e-6);
        EXPECT_LE(at.x(), page.width);
        EXPECT_LE(at.y(), page.height);
      }
      if (!m.closed || m.width != 0.35) continue; // the finished line
      double low = 1e9;
      double high = -1e9;
      for (const Eigen::Vector2d& at : m.points) {
        low = std::min(low, at.y());
        high = std::max(high, at.y());
      }
      longest = std::max(longest, high - low);
    }
  for (const FaceFlat& flat : sums->report.flats) tall = std::max(tall, flat.length);
  EXPECT_NEAR(longest, tall, 0.02);
}

TEST(FacePages, LargeHeadsSayWhyTheyAreNotThere) {
  const Project p = project("elephant", 1500);
  const Plan plan = planned(p);
  EXPECT_NE(words(pagesOf(p, plan)).find("larger than the paper"), std::string::npos);
}

TEST(FacePages, AnimalsWithoutAHeadHaveNone) {
  Catalog bare = shelf();
  bare.heads.clear();
  for (Pattern& pattern : bare.patterns) pattern.head.reset();
  const Project p = project("red_fox", 160);
  const auto made = plan(p, bare, {nullptr, false, 2.5});
  ASSERT_TRUE(made);
  Filler pages(Paper::A4, true, {p.units, nullptr});
  facePages(pages, p, *made, bare);
  EXPECT_TRUE(pages.take().empty());
}

} // namespace
} // namespace columna::test
