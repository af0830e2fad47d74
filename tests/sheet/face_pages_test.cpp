// The face on the sheet.
#include "sheet/face_pages.h"

#include "sheet/true_size_sheet.h"
#include "sheet/words.h"
#include "support.h"

#include <gtest/gtest.h>

#include <map>
#include <set>

namespace columna::test {
namespace {

std::vector<Page> pagesOf(const Project& p, const Plan& plan, std::vector<Page>* large = nullptr) {
  Filler pages(Paper::A4, true, {p.units, nullptr});
  std::vector<Page> tiles = facePages(pages, p, plan, shelf(), Paper::A4);
  if (large) *large = std::move(tiles);
  return pages.take();
}

bool within(const Box& window, const Eigen::Vector2d& p) {
  return p.x() >= window.x - 1e-6 && p.x() <= window.x + window.width + 1e-6 && p.y() >= window.y - 1e-6 &&
         p.y() <= window.y + window.height + 1e-6;
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

TEST(FacePages, WhatIsLargerThanThePaperComesOnSheetsOfItsOwn) {
  const Project p = project("elephant", 700);
  const Plan plan = planned(p);
  const auto sums = faceSums(p, shelf(), plan);
  std::vector<Page> large;
  const std::vector<Page> small = pagesOf(p, plan, &large);
  ASSERT_FALSE(large.empty());
  std::map<std::string, std::vector<const Page*>> drawings; // by what they are called
  for (const Page& page : large) drawings[page.marks.front().text].push_back(&page);
  size_t ears = 0;
  for (const auto& [called, sheets] : drawings) {
    EXPECT_NE(words(small).find(called.substr(0, called.find(" at true size"))), std::string::npos)
        << called << " is announced";
    // Every point of it is on a sheet, and each sheet has one of its own.
    std::set<const Page*> needed;
    double low = 1e9;
    double high = -1e9;
    for (size_t m = 0; m < sheets.front()->inside.size(); ++m)
      for (size_t k = 0; k < sheets.front()->inside[m].points.size(); ++k) {
        bool seen = false;
        for (const Page* sheet : sheets) {
          const bool here = within(sheet->window, sheet->inside[m].points[k]);
          if (here) needed.insert(sheet);
          seen = seen || here;
        }
        EXPECT_TRUE(seen) << called;
        if (sheets.front()->inside[m].width == 0.35) { // the finished line
          low = std::min(low, sheets.front()->inside[m].points[k].y());
          high = std::max(high, sheets.front()->inside[m].points[k].y());
        }
      }
    EXPECT_GE(needed.size() * 2, sheets.size()) << called;
    for (const FaceFlat& flat : sums->report.flats)
      if (high > low && std::abs(high - low - flat.length) < 0.02) ++ears;
  }
  EXPECT_EQ(ears, 2U) << "left and right, at true size";
}

TEST(FacePages, SheetsAreCountedAsTheyOverlap) {
  // A4 with 12 mm of margin: 186 by 251 upright, 273 by 164 on its side; each further sheet adds 10 mm less.
  EXPECT_EQ(tilesOf({{}, 186, 251}, Paper::A4), 1);
  EXPECT_EQ(tilesOf({{}, 187, 251}, Paper::A4), 2);
  EXPECT_EQ(tilesOf({{}, 186, 492}, Paper::A4), 2);
  EXPECT_EQ(tilesOf({{}, 186, 493}, Paper::A4), 3);
  EXPECT_EQ(tilesOf({{}, 2000, 2000}, Paper::A4), 8 * 13);
}

TEST(FacePages, AnimalsWithoutAHeadHaveNone) {
  Catalog bare = shelf();
  bare.heads.clear();
  for (Pattern& pattern : bare.patterns) pattern.head.reset();
  const Project p = project("red_fox", 160);
  const auto made = plan(p, bare, {nullptr, false, 2.5});
  ASSERT_TRUE(made);
  Filler pages(Paper::A4, true, {p.units, nullptr});
  EXPECT_TRUE(facePages(pages, p, *made, bare, Paper::A4).empty());
  EXPECT_TRUE(pages.take().empty());
}

} // namespace
} // namespace columna::test
