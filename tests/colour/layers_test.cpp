// Layers over a ground, streaks, and colours out of a photo.
#include "wools.h"

#include "colour/layered.h"
#include "colour/mottle.h"
#include "colour/swatch.h"

#include <cmath>

namespace columna::test {
namespace {

TEST(Layered, HidesWithTheKnownGrams) {
  const ColourRules& r = colourRules();
  EXPECT_NEAR(fibresOver(1, r), 0.04226, 1e-5);
  struct Known {
    Wool top, ground;
    double covers, hides; ///< g/m2; 0 where not told
  };
  for (const Known& k : {Known{White, DarkBrown, 265.7, 368.9}, Known{Cream, Chestnut, 166.7, 227.3},
                         Known{LightGrey, DarkBrown, 95.0, 111.9}, Known{Ginger, White, 94.1, 141.2},
                         Known{Black, White, 92.57, 138.9}, Known{White, Cream, 0, 199.1},
                         Known{Red, Moss, 0, 117.0}, Known{DarkBrown, Chestnut, 0, 116.0}}) {
    if (k.covers > 0) {
      EXPECT_NEAR(gramsToCover(sentBy(k.top), sentBy(k.ground), r), k.covers, 0.1);
    }
    EXPECT_NEAR(gramsToHide(sentBy(k.top), sentBy(k.ground), r), k.hides, 0.1);
  }
  EXPECT_NEAR(gramsToCome(sentBy(White), sentBy(DarkBrown), 5, r), 100.9, 0.1) << "the core glimmers";
  EXPECT_EQ(gramsToCome(sentBy(White), sentBy(White), 1, r), 0);
  EXPECT_EQ(gramsToHide(sentBy(White), sentBy(White), r), r.hidesLeast) << "a coat all the same";
  // Coarser wool of the same grams covers less.
  EXPECT_NEAR(gramsToCover(sentBy(White), sentBy(DarkBrown), r, 18), 207.9, 0.1);
  EXPECT_NEAR(gramsToCover(sentBy(White), sentBy(DarkBrown), r, 30), 346.5, 0.1);
}

TEST(Layered, GoesFromTheGroundToTheWool) {
  const ColourRules& r = colourRules();
  EXPECT_LT((layerOver(sentBy(Ginger), sentBy(White), 0, r) - sentBy(White)).norm(), 1e-12);
  EXPECT_LT((layerOver(sentBy(Ginger), sentBy(White), 1e6, r) - sentBy(Ginger)).norm(), 1e-12);
  const Lab thin = labOf(layerOver(sentBy(Ginger), sentBy(White), 60, r));
  EXPECT_NEAR(thin.l, 58.7885, 1e-3);
  EXPECT_NEAR(thin.a, 22.4372, 1e-3);
  EXPECT_NEAR(thin.b, 34.1255, 1e-3);
  const Lab glaze = labOf(layerOver(sentBy(Ginger), sentBy(DarkBrown), 20, r));
  EXPECT_NEAR(glaze.l, 43.885, 1e-3);
  // More wool is never farther from the wool's own colour.
  for (const Wool top : {White, Ginger, Black, Blue})
    for (const Wool ground : {Cream, DarkBrown, Moss}) {
      double last = 1e9;
      for (double grams = 0; grams < 500; grams += 25) {
        const double off =
            std::abs(brightness(layerOver(sentBy(top), sentBy(ground), grams, r)) - brightness(sentBy(top)));
        EXPECT_LE(off, last + 1e-12);
        last = off;
      }
    }
}

TEST(Mottle, TakesTheKnownPulls) {
  const ColourRules& r = colourRules();
  const auto of = [&](double high, int layers, Wool a, Wool b) {
    return pullsFor(high, layers, contrastOf(brightness(sentBy(a)), brightness(sentBy(b))), r);
  };
  const Pulls brown = of(6, 3, DarkBrown, White);
  EXPECT_NEAR(brown.finest, 0.0529, 1e-4);
  EXPECT_EQ(brown.even, 7);
  EXPECT_EQ(brown.least, 6);
  EXPECT_EQ(brown.most, 9);
  const Pulls grey = of(6, 3, Chestnut, DarkGrey);
  EXPECT_NEAR(grey.finest, 0.1298, 1e-4);
  EXPECT_EQ(grey.even, 6);
  EXPECT_EQ(grey.least, 4);
  EXPECT_EQ(of(6, 2, Ginger, Red).even, 8);
  // Two that are alike have no streaks at all; a thicker stack takes more.
  EXPECT_EQ(pullsFor(6, 2, 0, r).even, 0);
  EXPECT_GT(of(60, 3, DarkBrown, White).even, brown.even);
  EXPECT_EQ(streaksAfter(0, brown), Streaks::Striped);
  EXPECT_EQ(streaksAfter(3, brown), Streaks::Streaky);
  EXPECT_EQ(streaksAfter(4, brown), Streaks::Mottled);
  EXPECT_EQ(streaksAfter(7, brown), Streaks::Even);
}

struct Photo {
  std::vector<std::uint8_t> bytes = std::vector<std::uint8_t>(3 * 60 * 40, 120);
  [[nodiscard]] Pixels pixels() const { return {bytes, 60, 40}; }
  void paint(int from, int to, std::array<int, 3> colour) {
    for (int row = 0; row < 40; ++row)
      for (int column = from; column < to; ++column)
        for (int c = 0; c < 3; ++c)
          bytes[static_cast<size_t>(3 * (60 * row + column) + c)] =
              static_cast<std::uint8_t>(colour[static_cast<size_t>(c)]);
  }
};

TEST(Swatch, IsTheMeanOfACircleThatIsFitToBeRead) {
  Photo photo;
  photo.paint(0, 30, {120, 84, 52});
  const auto read = readCircle(photo.pixels(), 15, 20, 12);
  ASSERT_TRUE(read);
  EXPECT_EQ(*read, (Srgb{120, 84, 52}));
  EXPECT_FALSE(readCircle(photo.pixels(), 15, 20, 3)) << "too small";
  EXPECT_FALSE(readCircle(photo.pixels(), 8, 20, 12)) << "out of the photo";
  EXPECT_FALSE(readCircle(photo.pixels(), 30, 20, 12)) << "half of it another colour";
  EXPECT_FALSE(readCircle(photo.pixels(), std::nan(""), 20, 12));
  photo.paint(30, 60, {255, 254, 250});
  EXPECT_FALSE(readCircle(photo.pixels(), 45, 20, 12)) << "burnt out";
  photo.paint(30, 60, {3, 4, 4});
  EXPECT_FALSE(readCircle(photo.pixels(), 45, 20, 12)) << "black";
}

TEST(Swatch, AWhiteCardTakesTheLampOut) {
  const std::array<KnownPatch, 1> white{{{{214, 205, 176}, {243, 243, 242}}}};
  const auto lamp = Balance::by(white);
  ASSERT_TRUE(lamp);
  EXPECT_NEAR(lamp->matrix()(0, 0), 1.3329, 1e-4);
  EXPECT_NEAR(lamp->matrix()(1, 1), 1.4681, 1e-4);
  EXPECT_NEAR(lamp->matrix()(2, 2), 2.0452, 1e-4);
  const Srgb brown = lamp->corrected({120, 84, 52});
  EXPECT_NEAR(brown.r, 137.05, 0.01);
  EXPECT_NEAR(brown.g, 101.01, 0.01);
  EXPECT_NEAR(brown.b, 74.93, 0.01);
  EXPECT_FALSE(Balance::by({}));
  const std::array<KnownPatch, 1> dark{{{{30, 30, 30}, {243, 243, 242}}}};
  EXPECT_FALSE(Balance::by(dark));
}

TEST(Swatch, PatchesTakeOutWhatACameraMixes) {
  // A camera whose channels see into each other, under a warm lamp.
  Eigen::Matrix3d mixes;
  mixes << 0.80, 0.12, 0.02, 0.08, 0.70, 0.10, 0.01, 0.09, 0.45;
  const auto seen = [&](const Srgb& colour) { return srgbOf(Eigen::Vector3d(mixes * lightOf(colour))); };
  std::vector<KnownPatch> patches;
  for (const Srgb& each : {Srgb{243, 243, 242}, Srgb{120, 120, 120}, Srgb{180, 60, 60}, Srgb{60, 150, 70},
                           Srgb{50, 70, 160}, Srgb{200, 180, 60}})
    patches.push_back({seen(each), each});
  const auto all = Balance::by(patches);
  const auto alone = Balance::by(std::span(patches).first(1));
  ASSERT_TRUE(all && alone);
  for (const Srgb& wool : kWools) {
    const double off = differenceOf(labOf(all->corrected(seen(wool))), labOf(wool));
    EXPECT_LT(off, 1e-6) << hexOf(wool);
    EXPECT_LE(off, differenceOf(labOf(alone->corrected(seen(wool))), labOf(wool)) + 1e-9);
  }
  for (KnownPatch& each : patches) each = {{200, 200, 200}, {210, 210, 210}};
  EXPECT_FALSE(Balance::by(patches)) << "six whites say no more than one";
  EXPECT_NEAR(doubtOf(1.5, ColourFrom::Photo, colourRules()), std::sqrt(1.5 * 1.5 + 4 + 16), 1e-12);
  EXPECT_LT(doubtOf(ColourFrom::Meter, colourRules()), doubtOf(ColourFrom::Guess, colourRules()));
}

} // namespace
} // namespace columna::test
