// What a figure stands on, and what its weight asks of each leg.
#include "hold/loads.h"
#include "hold/standing.h"
#include "support.h"

#include <numeric>

using namespace columna;
using namespace columna::test;

namespace {

Figure figureOf(const Pattern& pattern, double height) {
  return makeFigure(pattern, {SizeBy::OverallHeight, height, {}}).value();
}

/// So much in every bone, at its middle.
std::vector<BoneMass> evenly(const Figure& figure, double grams) {
  std::vector<BoneMass> out;
  for (const FigureBone& b : figure.bones) out.push_back({grams, (b.begin + b.end) / 2, 0.5});
  return out;
}

} // namespace

TEST(Footing, OfEveryAnimalIsItsStandingLegsAndNothingElse) {
  for (const Pattern& pattern : animals()) {
    const Figure f = figureOf(pattern, 160);
    const Footing footing = footingOf(f);
    ASSERT_EQ(footing.stands.size(), f.limbs.size());
    for (size_t l = 0; l < f.limbs.size(); ++l)
      EXPECT_EQ(footing.stands[l], stands(f, static_cast<int>(l))) << pattern.id << " " << f.limbs[l].id;
    for (const Contact& c : footing.soles) {
      EXPECT_TRUE(footing.stands[static_cast<size_t>(c.limb)]) << pattern.id;
      EXPECT_LE(c.at.z(), (kTouchShare + kSoleGive) * f.overallHeight) << pattern.id;
    }
    for (size_t l = 0; l < f.limbs.size(); ++l)
      if (const int twin = f.limbs[l].twin; twin >= 0) {
        EXPECT_EQ(footing.stands[l], footing.stands[static_cast<size_t>(twin)]) << pattern.id;
      }
  }
}

TEST(Footing, GrowsWithTheFigure) {
  for (const char* animal : {"red_fox", "heron", "beetle", "elephant"}) {
    const Footing small = footingOf(figureOf(*shelf().pattern(animal), 60));
    const Footing large = footingOf(figureOf(*shelf().pattern(animal), 600));
    ASSERT_EQ(small.soles.size(), large.soles.size()) << animal;
    for (size_t k = 0; k < small.soles.size(); ++k)
      EXPECT_NEAR((10 * small.soles[k].at - large.soles[k].at).norm(), 0, 1e-6) << animal;
    EXPECT_EQ(small.stands, large.stands) << animal;
  }
}

TEST(Footing, OfAFigureInTheAirIsNone) {
  Figure f = figureOf(*shelf().pattern("red_fox"), 160);
  for (Tube& tube : f.tubes)
    for (Ring& r : tube.rings) r.centre.z() += 80;
  const Footing footing = footingOf(f);
  EXPECT_TRUE(footing.soles.empty());
  EXPECT_EQ(std::count(footing.stands.begin(), footing.stands.end(), true), 0);
  EXPECT_FALSE(standing(footing, Vec3(0, 0, 100)).stands);
}

TEST(Footing, LegsBearAllOfTheWeightTwinsAlikeAndTheHeavyEndMore) {
  for (const Pattern& pattern : animals()) {
    const Figure f = figureOf(pattern, 160);
    const Footing footing = footingOf(f);
    if (footing.soles.empty()) continue;
    const Loads even = figureLoads(f, makeSkeleton(f), footing, evenly(f, 1), Use::Shelf);
    EXPECT_NEAR(std::accumulate(even.shares.begin(), even.shares.end(), 0.0), 1, 1e-9) << pattern.id;
    for (size_t l = 0; l < f.limbs.size(); ++l) {
      EXPECT_GE(even.shares[l], 0) << pattern.id;
      if (const int twin = f.limbs[l].twin; twin >= 0 && f.symmetric) {
        EXPECT_NEAR(even.shares[l], even.shares[static_cast<size_t>(twin)], 1e-9) << pattern.id;
      }
    }
  }
  const Figure fox = figureOf(*shelf().pattern("red_fox"), 160);
  const auto shareOf = [&](double headGrams, const char* leg) {
    std::vector<BoneMass> masses = evenly(fox, 1);
    for (const int b : fox.limbs[static_cast<size_t>(*fox.limb("head"))].bones)
      masses[static_cast<size_t>(b)].grams = headGrams;
    return figureLoads(fox, makeSkeleton(fox), footingOf(fox), masses, Use::Shelf)
        .shares[static_cast<size_t>(*fox.limb(leg))];
  };
  EXPECT_GT(shareOf(20, "left-foreleg"), shareOf(1, "left-foreleg"));
  EXPECT_LT(shareOf(20, "left-hindleg"), shareOf(1, "left-hindleg"));
}

TEST(Footing, WeightAndItsPlaceAreTheSumsOfTheParts) {
  const Figure f = figureOf(*shelf().pattern("red_fox"), 160);
  const WireSkeleton skeleton = makeSkeleton(f);
  const Footing footing = footingOf(f);
  const Loads once = figureLoads(f, skeleton, footing, evenly(f, 2), Use::Shelf);
  EXPECT_NEAR(once.weight, 2e-3 * static_cast<double>(f.bones.size()) * kGravity, 1e-9);
  Vec3 middle(0, 0, 0);
  for (const FigureBone& b : f.bones) middle += (b.begin + b.end) / 2 / static_cast<double>(f.bones.size());
  EXPECT_NEAR(once.centre.x(), middle.x(), 1e-9);
  EXPECT_NEAR(once.centre.z(), middle.z(), 1e-9);
  // Twice the weight everywhere asks twice of every limb, a knock on top apart.
  const Loads twice = figureLoads(f, skeleton, footing, evenly(f, 4), Use::Shelf);
  for (size_t l = 0; l < f.limbs.size(); ++l) {
    ASSERT_EQ(once.limbs[l].size(), twice.limbs[l].size());
    for (size_t d = 0; d < once.limbs[l].size(); ++d)
      EXPECT_NEAR(twice.limbs[l][d].gravity, 2 * once.limbs[l][d].gravity,
                  1e-9 * (1 + once.limbs[l][d].gravity))
          << f.limbs[l].id;
  }
}

TEST(Footing, AMiddleOverTheSolesStandsAndOneBeyondFalls) {
  for (const char* animal : {"red_fox", "heron", "elephant", "toy_bear"}) {
    const Figure f = figureOf(*shelf().pattern(animal), 160);
    const Footing footing = footingOf(f);
    Vec3 middle(0, 0, 0);
    double front = -1e9;
    for (const Contact& c : footing.soles) {
      middle += c.at / static_cast<double>(footing.soles.size());
      front = std::max(front, c.at.x());
    }
    middle.z() = 60;
    const Standing over = standing(footing, middle);
    EXPECT_TRUE(over.stands) << animal;
    EXPECT_NEAR(std::tan(over.tip), over.margin / 60, 1e-9) << animal;
    const Standing beyond = standing(footing, Vec3(front + 7, 0, 60));
    EXPECT_FALSE(beyond.stands) << animal;
    EXPECT_NEAR(beyond.margin, -7, 1e-6) << animal;
    EXPECT_EQ(standing(f, middle).margin, over.margin) << "soles found or known";
  }
}
