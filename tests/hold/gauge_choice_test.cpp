// The choice of few wires against trying every set of them.
#include "hold/gauge_choice.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>
#include <set>

using namespace columna;

namespace {

/// Least excess over every set of at most `limit` bought sizes; infinite if none does.
double tryAll(const std::vector<GaugeWish>& wishes, const std::vector<GaugeOffer>& offers, int limit) {
  double best = INFINITY;
  for (unsigned set = 0; set < (1U << offers.size()); ++set) {
    int bought = 0;
    for (size_t i = 0; i < offers.size(); ++i)
      if ((set >> i & 1U) != 0 && !offers[i].have) ++bought;
    if (bought > limit) continue;
    double excess = 0;
    for (const GaugeWish& w : wishes) {
      double take = INFINITY;
      for (size_t i = 0; i < offers.size(); ++i)
        if ((set >> i & 1U) != 0 && offers[i].material == w.material && offers[i].diameter >= w.need - 1e-9)
          take = std::min(take, offers[i].diameter);
      excess += std::isinf(take) ? INFINITY : w.weight * gaugeExcess(w.need, take);
    }
    best = std::min(best, excess);
  }
  return best;
}

} // namespace

TEST(GaugeChoice, LeastExcessOfAllSets) {
  std::mt19937 random(11);
  std::uniform_real_distribution<double> size(0.5, 3);
  for (int trial = 0; trial < 150; ++trial) {
    std::vector<GaugeOffer> offers;
    for (const char* m : {"a", "b"})
      for (int i = 0; i < 5; ++i)
        offers.push_back({m, 0.5 + 0.6 * i + (m[0] == 'b' ? 0.1 : 0), random() % 4 == 0});
    std::vector<GaugeWish> wishes;
    for (int i = 0; i < 2 + trial % 5; ++i)
      wishes.push_back({random() % 3 == 0 ? "b" : "a",
                        std::min(2.8, size(random)),
                        1.0 + static_cast<double>(random() % 3),
                        {}});
    const int limit = static_cast<int>(random() % 5);
    const double best = tryAll(wishes, offers, limit);
    const GaugeChoice choice = chooseGauges(wishes, offers, limit);
    if (std::isinf(best)) {
      EXPECT_GT(choice.bought, limit) << "it cannot be kept, and that is said";
      EXPECT_EQ(choice.bought, choice.least);
      continue;
    }
    EXPECT_NEAR(choice.excess, best, 1e-9) << trial;
    EXPECT_LE(choice.bought, limit);
    std::set<std::pair<std::string, double>> kinds;
    double told = 0;
    for (size_t i = 0; i < wishes.size(); ++i) {
      EXPECT_TRUE(choice.fits[i]);
      EXPECT_GE(choice.diameters[i], wishes[i].need - 1e-9);
      told += wishes[i].weight * gaugeExcess(wishes[i].need, choice.diameters[i]);
    }
    EXPECT_NEAR(told, choice.excess, 1e-9);
  }
}

TEST(GaugeChoice, TheMakersOwnCountsAndIsShared) {
  const std::vector<GaugeOffer> offers{{"a", 1, false}, {"a", 2, false}};
  const GaugeChoice choice = chooseGauges({{"a", 0.7, 1, 1.5}, {"a", 1.2, 1, {}}}, offers, 1);
  EXPECT_EQ(choice.diameters[0], 1.5);
  EXPECT_EQ(choice.diameters[1], 1.5) << "the wire chosen for the other does, so nothing more is bought";
  EXPECT_EQ(choice.bought, 1);
}

TEST(GaugeChoice, NothingThickEnough) {
  const GaugeChoice choice =
      chooseGauges({{"a", 5, 1, {}}, {"b", 1, 1, {}}}, {{"a", 1, false}, {"a", 2, false}}, 3);
  EXPECT_EQ(choice.diameters[0], 2);
  EXPECT_FALSE(choice.fits[0]);
  EXPECT_FALSE(choice.fits[1]) << "no wire of that metal at all";
}
