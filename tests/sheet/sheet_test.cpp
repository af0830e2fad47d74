#include "sheet/pose_page.h"
#include "sheet/true_size_sheet.h"

#include "anatomy/outline.h"
#include "photo/photo_mat.h"
#include "sheet/filler.h"
#include "sheet/words.h"
#include "support.h"
#include "told.h"

#include <cmath>
#include <random>
#include <tuple>
#include <utility>

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
  for (const FigureLimb& limb : made.figure->limbs) EXPECT_NE(all.find(limb.name), std::string::npos);
}

TEST(Sheet, SaysAllOfItInInchesAndInAnotherLanguage) {
  for (const auto& [id, built, fur] :
       {std::tuple{"river_otter", Construction::TwistedLimbs, CoatFinish::Felted},
        {"red_fox", Construction::FoldedPair, CoatFinish::Fur},
        {"heron", Construction::SpineAndCrosspieces, CoatFinish::Feathers},
        {"toy_bear", Construction::ThreadJoints, CoatFinish::Yarn},
        {"brown_bear", Construction::NoWire, CoatFinish::Brushed}}) {
    Project p = project(id, 260, built);
    p.name = "";
    p.wool.finish = fur;
    p.wool.furShown = 12;
    p.units = UnitSystem::Inch;
    const Plan plan = planned(p);
    size_t lines = 0;
    for (const Page& page : trueSizeSheet(p, plan, shelf(), Paper::A4))
      for (const Mark& m : page.marks) {
        ++lines;
        EXPECT_FALSE(isMetric(m.text)) << id << ": " << m.text;
      }
    EXPECT_GT(lines, 100U);
    // A sentence is broken over lines, so that a word is looked at, not a sentence.
    for (const Page& page : trueSizeSheet(p, plan, shelf(), Paper::A4, {}, &pseudoLanguage()))
      for (const Mark& m : page.marks) EXPECT_FALSE(hasEnglish(m.text)) << id << ": " << m.text;
  }
}

namespace {

/// How wide the side view is drawn, from its first sheet or among the small views; 0 when it is not there.
double sideWidth(const std::vector<Page>& pages, bool& tiled) {
  double left = 1e9;
  double right = -1e9;
  for (const Page& page : pages) {
    tiled = page.window.width > 0;
    bool side = false;
    for (const Mark& m : page.marks)
      if (tiled && m.text.starts_with("Side view")) side = true;
    for (const Mark& m : tiled ? page.inside : page.marks) {
      if (!tiled && !m.text.empty() && m.text.find("at true size") != std::string::npos)
        side = m.text.starts_with("Side view");
      if (!side || !m.closed || !m.filled || m.points.size() < 8) continue;
      for (const auto& at : m.points) {
        left = std::min(left, at.x());
        right = std::max(right, at.x());
      }
    }
    if (right > left) return right - left;
  }
  return 0;
}

} // namespace

TEST(Sheet, ViewsAreAtTrueSizeInTilesOrTogether) {
  for (const Paper paper : {Paper::A4, Paper::Letter})
    for (const double height : {60.0, 108.0, 300.0}) {
      const Project p = project("river_otter", height);
      const Plan made = planned(p);
      const auto pages = trueSizeSheet(p, made, shelf(), paper);
      double modelLeft = 1e9;
      double modelRight = -1e9;
      for (const Polygon& polygon : silhouette(made.figure, View::Side))
        for (const Vec2& at : polygon) {
          modelLeft = std::min(modelLeft, at.x());
          modelRight = std::max(modelRight, at.x());
        }
      bool tiled = false;
      EXPECT_NEAR(sideWidth(pages, tiled), modelRight - modelLeft, 0.05) << "1:1";
      const double drawn = modelRight - modelLeft + 10; // with the ground beyond it
      EXPECT_EQ(tiled, drawn > Filler(paper, false, {}).clear()) << "a small figure's views need no gluing";
      // Every part of a tiled drawing lies in some tile's window.
      double reaches = -1e9;
      double farthest = -1e9;
      bool covered = !tiled;
      for (const Page& page : pages) {
        if (page.window.width <= 0 || page.name[0] != 'A') continue;
        EXPECT_LE(page.window.x + page.window.width, page.width);
        EXPECT_LE(page.window.y + page.window.height, page.height);
        double here = -1e9;
        for (const Mark& m : page.inside)
          if (m.closed && m.filled)
            for (const auto& at : m.points) here = std::max(here, at.x());
        if (page.name == "A1") farthest = here;
        reaches = std::max(reaches, page.window.x + page.window.width);
        covered = covered || here <= page.window.x + page.window.width + 1e-6;
      }
      EXPECT_TRUE(covered) << farthest << " past " << reaches;
    }
}

TEST(Sheet, WhatIsNotWantedIsNotPrinted) {
  const Project p = project("red_fox", 90);
  const Plan plan = planned(p);
  const size_t whole = trueSizeSheet(p, plan, shelf(), Paper::A4).size();
  size_t alone = 0;
  for (const SheetPart& part : sheetParts()) {
    SheetParts only;
    for (const SheetPart& each : sheetParts()) only.*each.wanted = false;
    EXPECT_TRUE(only.none());
    only.*part.wanted = true;
    const size_t pages = trueSizeSheet(p, plan, shelf(), Paper::A4, only).size();
    EXPECT_GE(pages, 1U) << part.key;
    EXPECT_LT(pages, whole) << part.key;
    alone += pages;
    SheetParts without;
    without.*part.wanted = false;
    EXPECT_LE(trueSizeSheet(p, plan, shelf(), Paper::A4, without).size(), whole) << part.key;
  }
  EXPECT_GT(alone, whole) << "together they share pages";
  EXPECT_LE(whole, 11U) << "a fox of a hand's height, with the photo mat";
  const Project larger = project("red_fox", 140); // 252 mm long; it took sixteen
  EXPECT_LE(trueSizeSheet(larger, planned(larger), shelf(), Paper::A4).size(), 16U);
}

TEST(Sheet, ThePhotoMatHasItsDiscsWhereAPhotoLooksForThem) {
  for (const char* animal : {"river_otter", "elephant", "house_mouse", "merfigure"})
    for (const Paper paper : {Paper::A4, Paper::Letter}) {
      const Project p = project(animal, std::string(animal) == "elephant" ? 400 : 90);
      SheetParts only;
      for (const SheetPart& each : sheetParts()) only.*each.wanted = false;
      only.mat = true;
      const auto pages = trueSizeSheet(p, planned(p), shelf(), paper, only);
      ASSERT_EQ(pages.size(), 1U);
      const Page& page = pages.front();
      std::vector<Point> discs;
      Point hole(-1, -1);
      for (const Mark& m : page.marks) {
        for (const Point& at : m.points) { // all of it is on the paper
          EXPECT_TRUE(at.x() > 4 && at.y() > 4 && at.x() < page.width - 4 && at.y() < page.height - 4)
              << animal;
        }
        if (m.kind != Mark::Kind::Disc) continue;
        if (m.size == kMatDisc)
          discs.push_back(m.points.front());
        else
          hole = m.points.front();
      }
      ASSERT_EQ(discs.size(), 4U);
      EXPECT_EQ(hole, discs.front());
      for (size_t i = 0; i < 4; ++i) { // as far from each other as they are looked for, seen from above
        const Vec2 wanted = matDiscs()[(i + 1) % 4] - matDiscs()[i];
        const Point drawn = discs[(i + 1) % 4] - discs[i];
        EXPECT_NEAR(drawn.x(), -wanted.y(), 1e-9);
        EXPECT_NEAR(drawn.y(), -wanted.x(), 1e-9);
      }
    }
}

TEST(Sheet, WordsFlowInColumnsWithoutLosingARow) {
  // Rows of drawn heights, some kept with the next: each is laid once, in order, inside the paper, and no
  // head stands alone at a column's foot.
  std::mt19937 draw(7);
  for (int round = 0; round < 60; ++round) {
    const int columns = 1 + round % 3;
    const size_t count = 1 + draw() % 220;
    std::vector<FlowRow> rows(count);
    std::vector<std::tuple<size_t, double, double>> laid; // page's marks before, x, y
    std::vector<size_t> order;
    for (size_t i = 0; i < count; ++i) {
      rows[i].high = static_cast<double>(3 + draw() % 6);
      rows[i].keeps = i + 1 < count && draw() % 6 == 0;
      rows[i].draw = [&, i](std::vector<Mark>& out, const Point& at) {
        order.push_back(i);
        laid.emplace_back(out.size(), at.x(), at.y());
        out.push_back(text(at, std::to_string(i)));
      };
    }
    Filler pages(Paper::A4, true, {});
    pages.section(say("Rows"));
    if (round % 2) pages.room(static_cast<double>(30 + draw() % 180)), pages.y() += 150;
    pages.flow(columns, rows);
    const double end = pages.y();
    const std::vector<Page> made = pages.take();
    ASSERT_EQ(order.size(), count);
    EXPECT_TRUE(std::is_sorted(order.begin(), order.end()));
    for (size_t i = 0; i < count; ++i) {
      const auto& [before, x, y] = laid[i];
      EXPECT_LE(y + rows[i].high, made.front().height - kMargin) << i;
      EXPECT_GE(x, kMargin);
      EXPECT_LT(x, made.front().width - kMargin);
      if (!rows[i].keeps) continue;
      EXPECT_NEAR(std::get<2>(laid[i + 1]), y + rows[i].high, 1e-9) << "a head goes with its row";
      EXPECT_EQ(std::get<1>(laid[i + 1]), x);
    }
    EXPECT_LE(end, made.back().height - kMargin);
  }
}

TEST(Sheet, WhatFollowsATallNarrowBlockGoesBesideIt) {
  Filler pages(Paper::A4, false, {});
  pages.section(say("Tall"));
  const Point tall = pages.place(60, 150);
  pages.section(say("Beside"));
  const Point first = pages.place(80, 40);
  EXPECT_GT(first.x(), tall.x() + 60);
  EXPECT_LT(first.y(), tall.y() + 40);
  const Point second = pages.place(80, 40);
  EXPECT_EQ(second.y(), first.y());
  const Point wide = pages.place(pages.clear(), 20); // no room for it there
  EXPECT_EQ(wide.x(), kMargin);
  const std::vector<Page> made = pages.take();
  EXPECT_EQ(made.size(), 2U) << "under the tall one there is no room";
}

namespace {

/// How far a mark reaches, mm: a text by its usual width of half its height a letter.
struct Reach {
  double left = 1e9, right = -1e9, top = 1e9, bottom = -1e9;
};

Reach reachOf(const Mark& m) {
  Reach r;
  for (const auto& at : m.points) {
    double before = m.kind == Mark::Kind::Disc ? m.size : 0;
    double behind = before;
    double above = before;
    if (m.kind == Mark::Kind::Text) {
      const double wide = 0.5 * m.size * static_cast<double>(m.text.size());
      before = m.align == TextAlign::Left ? 0 : m.align == TextAlign::Centre ? wide / 2 : wide;
      behind = wide - before;
      above = 0.7 * m.size;
    }
    r.left = std::min(r.left, at.x() - before);
    r.right = std::max(r.right, at.x() + behind);
    r.top = std::min(r.top, at.y() - above);
    r.bottom = std::max(r.bottom, at.y());
  }
  return r;
}

void staysOn(const std::vector<Page>& pages, const std::string& what) {
  for (const Page& page : pages)
    for (const Mark& m : page.marks) {
      const Reach r = reachOf(m);
      EXPECT_GE(r.left, 0) << what << ", page " << page.name << ": " << m.text;
      EXPECT_LE(r.right, page.width) << what << ", page " << page.name << ": " << m.text;
      EXPECT_GE(r.top, 0) << what << ", page " << page.name << ": " << m.text;
      EXPECT_LE(r.bottom, page.height) << what << ", page " << page.name << ": " << m.text;
    }
}

} // namespace

TEST(Sheet, StaysOnThePaperWithLongNames) {
  Project p = project("heron", 400);
  p.name = std::string(60, 'W');
  staysOn(sheetOf(p, Paper::Letter), "long name");
}

TEST(Sheet, EveryAnimalStaysOnThePaper) {
  bool faced = false;
  for (const Pattern& pattern : animals())
    for (const double height : {50.0, 320.0}) {
      Project p = project(pattern.id, height);
      p.units = height < 100 ? UnitSystem::Inch : UnitSystem::Metric;
      const Paper paper = height < 100 ? Paper::Letter : Paper::A4;
      const Plan plan = planned(p);
      SheetParts parts;
      parts.face = height > 100 && std::exchange(faced, !faced); // it takes a while: every second one's
      const std::vector<Page> pages = trueSizeSheet(p, plan, shelf(), paper, parts);
      ASSERT_FALSE(pages.empty());
      staysOn(pages, pattern.id);
    }
}

TEST(Sheet, PosesHaveTheirPage) {
  Project p = project("river_otter", 108);
  p.stances.saved = {{"a bow with a very long name that has to be broken over the lines of its column",
                      {{"neck1", {0.4, 0, 0}}}},
                     {"on watch", {{"pelvis", {0.6, 0, 0}}}}};
  const Plan plan = planned(p);
  for (const Paper paper : {Paper::A4, Paper::Letter}) {
    Filler filler(paper, true, {});
    poses(filler, p, plan, shelf());
    const std::vector<Page> pages = filler.take();
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
