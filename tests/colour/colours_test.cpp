// Colours in and out, how far two are apart, reflectances guessed from them, and what they are called.
#include "wools.h"

#include "colour/colour_group.h"

#include <cmath>
#include <set>

namespace columna::test {
namespace {

TEST(Colours, AreAsFarApartAsThePublishedPairs) {
  struct Pair {
    Lab a, b;
    double de;
  };
  // Of the test data of Sharma, Wu and Dalal, the ones where a formula goes wrong.
  const std::array<Pair, 6> pairs{{{{50, 2.6772, -79.7751}, {50, 0, -82.7485}, 2.0425},
                                   {{50, 0, 0}, {50, -1, 2}, 2.3669},
                                   {{50, 2.5, 0}, {73, 25, -18}, 27.1492},
                                   {{22.7233, 20.0904, -46.694}, {23.0331, 14.973, -42.5619}, 2.0373},
                                   {{2.0776, 0.0795, -1.135}, {0.9033, -0.0636, -0.5514}, 0.9082},
                                   {{50, 2.49, -0.001}, {50, -2.49, 0.0009}, 7.1792}}};
  for (const Pair& p : pairs) {
    EXPECT_NEAR(differenceOf(p.a, p.b), p.de, 1e-4);
    EXPECT_NEAR(differenceOf(p.b, p.a), p.de, 1e-4) << "either way round";
  }
  EXPECT_NEAR(differenceOf(labOf(kOtter), labOf(kWools[DarkBrown])), 8.60045, 1e-4);
  EXPECT_NEAR(differenceOf(labOf(kFox), labOf(kWools[Ginger])), 7.16530, 1e-4);
  // The signs: lighter, more colourful.
  const Eigen::Vector3d way = difference(labOf(Srgb{200, 60, 60}), labOf(Srgb{120, 60, 60}));
  EXPECT_GT(way.x(), 5);
  EXPECT_GT(way.y(), 5);
}

TEST(Colours, GoThroughTheirOtherFormsAndComeBack) {
  for (double r = 0; r <= 255; r += 51)
    for (double g = 0; g <= 255; g += 51)
      for (double b = 0; b <= 255; b += 51) {
        const Srgb back = srgbOf(lightOf({r, g, b}));
        EXPECT_NEAR(std::abs(back.r - r) + std::abs(back.g - g) + std::abs(back.b - b), 0, 1e-9);
        EXPECT_EQ(srgbOf(hexOf({r, g, b})), (Srgb{r, g, b}));
      }
  EXPECT_EQ(hexOf(kOtter), "#5C4432");
  EXPECT_EQ(srgbOf("#5c4432"), kOtter);
  for (const char* bad : {"", "#", "5C4432", "#5C443", "#5C44322", "#5C443G", "# C4432"})
    EXPECT_FALSE(srgbOf(bad)) << bad;
  const Lab white = labOf(Srgb{255, 255, 255});
  EXPECT_NEAR(white.l, 100, 1e-9);
  EXPECT_NEAR(white.chroma(), 0, 1e-9);
  EXPECT_EQ(hexOf({-20, 300, 127.5}), "#00FF80") << "held to what there is";
}

TEST(Reflectance, IsTheKnownCurveOfChestnutAndWhite) {
  const std::array<double, 7> chestnut{0.02963, 0.03081, 0.04077, 0.06989, 0.14594, 0.19559, 0.19972};
  const std::array<double, 7> white{0.67343, 0.68433, 0.74491, 0.79808, 0.82016, 0.82457, 0.82483};
  for (size_t i = 0; i < 7; ++i) {
    const auto band = static_cast<Eigen::Index>(2 + 5 * i); // 400 nm and every 50
    EXPECT_NEAR(sentBy(Chestnut)[band], chestnut[i], 1e-5);
    EXPECT_NEAR(sentBy(White)[band], white[i], 1e-5);
  }
  EXPECT_NEAR(lightOfBands().row(0).sum(), 1, 1e-12) << "a perfect white";
}

TEST(Reflectance, OfEveryColourIsFoundWithinBoundsAndLooksTheSame) {
  int most = 0;
  for (int r = 0; r <= 255; r += 17)
    for (int g = 0; g <= 255; g += 17)
      for (int b = 0; b <= 255; b += 17) {
        const Srgb colour{static_cast<double>(r), static_cast<double>(g), static_cast<double>(b)};
        int steps = 0;
        const Spectrum sent = reflectance(colour, &steps);
        most = std::max(most, steps);
        ASSERT_GT(sent.minCoeff(), 0) << hexOf(colour);
        ASSERT_LT(sent.maxCoeff(), 1) << hexOf(colour);
        const Eigen::Vector3d held = lightOf(colour).cwiseMax(kBlackest).cwiseMin(kWhitest);
        ASSERT_LT((lightOfBands() * sent - held).cwiseAbs().maxCoeff(), 1e-9) << hexOf(colour);
      }
  EXPECT_LE(most, 20);
}

TEST(ColourGroup, IsWhatAMakerWouldSay) {
  using G = ColourGroup;
  const std::array<G, 12> called{G::White, G::Cream,  G::PaleGrey, G::Grey, G::Black, G::Brown,
                                 G::Brown, G::Ginger, G::Yellow,   G::Red,  G::Blue,  G::Green};
  for (size_t i = 0; i < called.size(); ++i)
    EXPECT_EQ(groupOf(labOf(kWools[i])), called[i]) << hexOf(kWools[i]);
  EXPECT_EQ(groupOf(labOf(kSkin)), G::Pink);
  EXPECT_EQ(groupOf(labOf(Srgb{176, 138, 98})), G::Brown);
  EXPECT_EQ(groupOf(labOf(Srgb{170, 140, 190})), G::Violet);
  // Every colour has one, and each is some colour's.
  std::set<G> seen;
  for (int i = 0; i < 16 * 16 * 16; ++i)
    seen.insert(groupOf(labOf(Srgb{17.0 * (i / 256), 17.0 * (i / 16 % 16), 17.0 * (i % 16)})));
  EXPECT_EQ(seen.size(), static_cast<size_t>(kColourGroups));
  EXPECT_EQ(nearnessOf(0.99, colourRules()), Nearness::Same);
  EXPECT_EQ(nearnessOf(1, colourRules()), Nearness::SideBySide);
  EXPECT_EQ(nearnessOf(3.9, colourRules()), Nearness::Near);
  EXPECT_EQ(nearnessOf(7.9, colourRules()), Nearness::Shade);
  EXPECT_EQ(nearnessOf(8, colourRules()), Nearness::Other);
}

TEST(ColourRulesFile, NamesWhatIsWrong) {
  const auto file = std::filesystem::path(COLUMNA_DATA_DIR) / "work" / "colour.json";
  const std::string text = *readFile(file, 1U << 20U);
  const auto with = [&](const std::string& from, const std::string& to) {
    std::string out = text;
    const auto at = out.find(from);
    EXPECT_NE(at, std::string::npos) << from;
    return out.replace(at, from.size(), to);
  };
  EXPECT_TRUE(readColourRules(text, "colour.json"));
  for (const auto& [from, to] : std::map<std::string, std::string>{
           {"columna-colour/1", "columna-colour/2"},
           {"\"mixing\": {\"value\": 0.15", "\"mixing\": {\"value\": 0.35"},
           {"\"pull_low\": {\"value\": 1.5", "\"pull_low\": {\"value\": 1"},
           {"\"fibre_sends\": {\"value\": 0.4", "\"fibre_sends\": {\"value\": 1"},
           {"\"seen_from\"", "\"seen\""},
           {"\"says_shade\": {\"value\": 8", "\"says_shade\": {\"value\": -8"}}) {
    const auto bad = readColourRules(with(from, to), "colour.json");
    ASSERT_FALSE(bad) << to;
    EXPECT_NE(bad.problem().sentence().find("colour.json"), std::string::npos) << to;
  }
}

} // namespace
} // namespace columna::test
