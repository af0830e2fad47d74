// One head as other sexes, breeds and colours have it, hair over an area, and colours that keep to a box.
#include "heads.h"

#include "head/hair_strokes.h"
#include "head/head_paint.h"
#include "head/head_reader.h"
#include "head/head_rows.h"
#include "head/variant.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <fstream>
#include <numeric>
#include <set>
#include <sstream>

namespace columna::test {
namespace {

HeadHair area(int rows, int count) {
  HeadHair hair;
  hair.id = "fleece";
  hair.line = {Vec3(0.4, 0, 0.3), Vec3(0.4, 0.2, 0.25)};
  hair.toLine = {Vec3(0.1, 0, 0.3), Vec3(0.1, 0.2, 0.25)};
  hair.direction = {Vec3(0, 0, 1)};
  hair.rows = rows;
  hair.count = count;
  hair.length = 0.1;
  hair.width = 0.01;
  return hair;
}

} // namespace

TEST(Variants, LeaveOutReplaceAndAddAndKeepTheRest) {
  HeadPattern fox = shippedHead("red_fox");
  HeadVariant other;
  other.id = "other";
  other.without = {"brow", "whiskers"};
  other.palette = {{"base", "#111111"}, {"new", "#222222"}};
  HeadFeature cheek = fox.features[3];
  ASSERT_EQ(cheek.id, "cheek");
  cheek.radii[0] *= 2;
  HeadFeature wart = cheek;
  wart.id = "wart";
  other.features = {wart, cheek};
  const HeadPattern got = inVariant(fox, other);
  ASSERT_EQ(got.features.size(), fox.features.size()); // one less, one more
  EXPECT_EQ(got.features[2].id, "cheek") << "in its place in the order of work";
  EXPECT_EQ(got.features[2].radii[0], cheek.radii[0]);
  EXPECT_EQ(got.features.back().id, "wart");
  EXPECT_EQ(got.hair.size() + 1, fox.hair.size());
  EXPECT_EQ(got.palette.at("base"), "#111111");
  EXPECT_EQ(got.palette.at("pale"), fox.palette.at("pale"));
  EXPECT_EQ(got.id, fox.id);
  EXPECT_EQ(got.flats.size(), fox.flats.size());
  EXPECT_EQ(variantOf(fox, "no such one"), nullptr);
}

TEST(Variants, OfEveryAnimalAreAsGoodHeadsAsItsOwn) {
  size_t seen = 0;
  for (const HeadPattern& head : shippedHeads())
    for (const HeadVariant& variant : head.variants) {
      EXPECT_FALSE(head.usual.empty()) << head.id;
      EXPECT_EQ(variantOf(head, variant.id), &variant);
      const HeadPattern other = inVariant(head, variant);
      EXPECT_TRUE(other.palette != head.palette || other.hard.size() < head.hard.size()) << variant.id;
      const double before = HeadField(head, 52).volumes(1).total();
      const double after = HeadField(other, 52).volumes(1).total();
      EXPECT_NEAR(after, before, 0.2 * before) << head.id << ' ' << variant.id;
      ++seen;
    }
  size_t declared = 0;
  for (const Pattern& p : animals())
    for (const auto& [key, head] : shelf().headVariants) declared += key.first == p.id ? 1 : 0;
  EXPECT_EQ(seen, declared);
  EXPECT_GT(shelf().headVariants.size(), 15U);
}

TEST(Variants, AreReadWithTheRestAndRefusedByTheirOwnField) {
  std::ifstream in(std::filesystem::path(COLUMNA_DATA_DIR) / "heads" / "deer.json");
  const nlohmann::json deer = nlohmann::json::parse(in);
  const auto read = [&](const std::function<void(nlohmann::json&)>& how) {
    nlohmann::json mine = deer;
    how(mine["variants"][0]);
    return readHead(mine.dump(), "mine.json");
  };
  ASSERT_TRUE(read([](auto&) {}));
  struct Case {
    const char* field;
    std::function<void(nlohmann::json&)> how;
  };
  const std::vector<Case> cases{
      {"variants.hind.without", [](auto& v) { v["without"].push_back("trunk"); }},
      {"variants.hind.palette.base",
       [](auto& v) {
         v["palette"] = {{"base", "brown"}};
       }},
      {"variants.hind.eyes",
       [&](auto& v) {
         v["eyes"] = nlohmann::json::array({deer["eyes"][0], deer["eyes"][0]});
         v["eyes"][0]["id"] = v["eyes"][1]["id"] = "third";
       }},
      {"variants.hind.eyes.eye.diameter",
       [&](auto& v) {
         v["eyes"] = nlohmann::json::array({deer["eyes"][0]});
         v["eyes"][0]["diameter"] = 0.9;
       }},
      {"variants.hind.patches.eye-skin.colour",
       [&](auto& v) {
         v["patches"] = nlohmann::json::array({deer["patches"][4]});
         v["patches"][0]["colour"] = "tartan";
       }},
  };
  for (const Case& c : cases) {
    const auto bad = read(c.how);
    ASSERT_FALSE(bad) << c.field;
    EXPECT_EQ(bad.problem().sentence().find("mine.json: " + std::string(c.field)), 0U)
        << bad.problem().sentence() << " instead of " << c.field;
  }
  // Two of one id.
  nlohmann::json twice = deer;
  twice["variants"].push_back(twice["variants"][0]);
  EXPECT_FALSE(readHead(twice.dump(), "mine.json"));
}

TEST(HairAreas, AreLaidInRowsFromEdgeToEdgeWithAllTheirHair) {
  for (const auto& [rows, count] : {std::pair(4, 10), std::pair(7, 100), std::pair(2, 2)}) {
    const auto laid = laidRows(area(rows, count));
    ASSERT_EQ(laid.size(), static_cast<size_t>(rows));
    EXPECT_EQ(laid.front().line, area(1, 1).line);
    EXPECT_LT((laid.back().line[1] - area(1, 1).toLine[1]).norm(), 1e-12);
    EXPECT_EQ(std::accumulate(laid.begin(), laid.end(), 0,
                              [](int sum, const HeadHair& h) { return sum + h.count; }),
              count);
    const auto [least, most] = std::minmax_element(
        laid.begin(), laid.end(), [](const HeadHair& a, const HeadHair& b) { return a.count < b.count; });
    EXPECT_LE(most->count - least->count, 1);
  }
  HeadHair single = area(1, 5);
  EXPECT_EQ(laidRows(single).size(), 1U);
  single.toLine.clear();
  single.rows = 5;
  EXPECT_EQ(laidRows(single).size(), 1U) << "rows of no area";
}

TEST(HairAreas, AreWeighedRowByRow) {
  HeadPattern head = shippedHead("red_fox");
  const HeadField field(head, 52);
  head.hair = {area(1, 60)};
  head.hair.front().toLine.clear();
  const auto one = rowsOf(head, field);
  head.hair = {area(5, 300)};
  const auto five = rowsOf(head, field);
  ASSERT_EQ(one.size(), 1U);
  ASSERT_EQ(five.size(), 5U);
  double root = 0;
  for (const HeadRow& row : five) {
    EXPECT_EQ(row.count, one.front().count);
    root += row.root;
  }
  EXPECT_NEAR(root, 5 * one.front().root, 0.5 * one.front().root);
  EXPECT_EQ(hairStrokes(head, field, -Vec3::UnitZ()).size(), 300U);
}

TEST(HairAreas, WhatDoesNotFitIsRefused) {
  std::ifstream in(std::filesystem::path(COLUMNA_DATA_DIR) / "heads" / "sheep.json");
  nlohmann::json sheep = nlohmann::json::parse(in);
  ASSERT_TRUE(readHead(sheep.dump(), "mine.json"));
  sheep["hair"][0]["to_line"].push_back({0, 0, 0});
  const auto bad = readHead(sheep.dump(), "mine.json");
  ASSERT_FALSE(bad);
  EXPECT_NE(bad.problem().sentence().find("to_line"), std::string::npos);
}

TEST(HeadPaint, APatchKeepsToItsBox) {
  HeadPattern head = shippedHead("red_fox");
  head.features.clear();
  head.nostrils.clear();
  head.mouth.clear();
  HeadPatch patch;
  patch.id = "saddle";
  patch.colour = "dark";
  patch.view = View::Above;
  patch.outline = {Vec2(-1, -1), Vec2(2, -1), Vec2(2, 1), Vec2(-1, 1)};
  patch.between = {Vec3(0.6, 0.5, 0), Vec3(0.2, 0, 1)}; // corners in any order
  constexpr Colour coat = 0x123456;
  const auto at = [&](const Vec3& p, double fade) {
    patch.fade = fade;
    head.patches = {patch};
    return HeadPaint(head, {}, 50).skin(50 * p, Vec3::UnitZ(), coat);
  };
  const Colour dark = HeadPaint(head, {}, 50).named("dark");
  EXPECT_EQ(at({0.4, 0.1, 0.2}, 0), dark);
  EXPECT_EQ(at({0.4, -0.1, 0.2}, 0), dark) << "both sides";
  EXPECT_EQ(at({0.4, 0.1, -0.2}, 0), coat) << "under the box";
  EXPECT_EQ(at({0.7, 0.1, 0.2}, 0), coat) << "before it";
  EXPECT_EQ(at({0.4, 0.1, 0.2}, 0.1), dark);
  const Colour edge = at({0.6, 0.1, 0.2}, 0.1);
  EXPECT_NE(edge, dark);
  EXPECT_NE(edge, coat);
  EXPECT_EQ(at({0.8, 0.1, 0.2}, 0.1), coat);
}

} // namespace columna::test
