// Cutting from stock: least waste, against enumeration and the bound.
#include "wire/cut_list.h"

#include <gtest/gtest.h>

#include <cmath>
#include <functional>
#include <numeric>
#include <random>

using namespace columna;

namespace {

/// The least that is lost, trying every piece in every bar.
double leastLost(const std::vector<double>& lengths, const std::vector<double>& bars, double useful) {
  std::vector<double> left = bars;
  double best = 1e18;
  const std::function<void(size_t)> put = [&](size_t i) {
    if (i == lengths.size()) {
      double lost = 0;
      for (size_t b = 0; b < bars.size(); ++b)
        if (left[b] < bars[b] - 1e-9) lost += left[b] >= useful ? 0.2 * left[b] : left[b];
      best = std::min(best, lost);
      return;
    }
    for (double& room : left) {
      if (room < lengths[i] - 1e-9) continue;
      room -= lengths[i];
      put(i + 1);
      room += lengths[i];
    }
  };
  put(0);
  return best;
}

void whole(const CutList& list, const std::vector<double>& lengths) {
  std::vector<int> seen(lengths.size(), 0);
  for (const int u : list.uncut) ++seen[static_cast<size_t>(u)];
  for (const CutBar& bar : list.bars) {
    double used = 0;
    for (const Cut& cut : bar.cuts) {
      ++seen[static_cast<size_t>(cut.piece)];
      EXPECT_NEAR(cut.at, used, 1e-6);
      used += lengths[static_cast<size_t>(cut.piece)];
    }
    EXPECT_NEAR(used + bar.left, bar.length, 1e-6);
  }
  for (const int times : seen) EXPECT_EQ(times, 1) << "every piece once";
}

} // namespace

TEST(CutList, LosesNoMoreThanEnumerationFinds) {
  std::mt19937 random(4);
  for (int trial = 0; trial < 60; ++trial) {
    std::vector<double> lengths;
    for (int i = 0; i < 3 + trial % 4; ++i)
      lengths.push_back(std::round(std::uniform_real_distribution<double>(40, 280)(random)));
    const std::vector<double> bars(4, 400.0);
    std::vector<StockBar> stock{{"lengths", 400, 4, true}};
    const CutList list = cutList(lengths, stock, 100);
    whole(list, lengths);
    if (!list.uncut.empty()) continue;
    EXPECT_TRUE(list.proven);
    const double best = leastLost(lengths, bars, 100);
    EXPECT_NEAR(list.waste + 0.2 * list.kept, best, 0.011) << trial; // strokes count a thousandth
    // Never better than the bound: what is used is no less than what is cut.
    const double asked = std::accumulate(lengths.begin(), lengths.end(), 0.0);
    EXPECT_GE(static_cast<double>(list.bars.size()), std::ceil(asked / 400 - 1e-9));
  }
}

TEST(CutList, TwinsFromStems) {
  // Two of 140 fill one stem of 305 but for 25; two of 200 take one each.
  const CutList list = cutList({140, 140, 200, 200}, {{"stem", 305, -1, false}});
  whole(list, {140, 140, 200, 200});
  EXPECT_EQ(list.bars.size(), 3U);
  EXPECT_NEAR(list.waste, 25, 1e-9);
  EXPECT_NEAR(list.kept, 210, 1e-9);
  EXPECT_EQ(list.cuts, 4);
}

TEST(CutList, AnExactFillSavesAStroke) {
  const CutList list = cutList({150, 150}, {{"length", 300, 1, true}});
  EXPECT_EQ(list.cuts, 1);
  EXPECT_EQ(list.waste, 0);
}

TEST(CutList, OffcutsBeforeTheCoil) {
  const CutList list = cutList({95, 180}, {{"offcut", 100, 1, true}, {"coil", 0, -1, false}});
  whole(list, {95, 180});
  ASSERT_EQ(list.bars.size(), 2U);
  EXPECT_TRUE(list.bars[0].drawer);
  EXPECT_TRUE(list.bars[1].coil);
  EXPECT_EQ(list.bars[1].length, 180);
}

TEST(CutList, WhatIsTooLongIsSaid) {
  const CutList list = cutList({50, 400}, {{"tiny", 10, 5, true}});
  EXPECT_EQ(list.uncut.size(), 2U);
  EXPECT_TRUE(list.bars.empty());
  EXPECT_TRUE(cutList({}, {{"coil", 0, -1, false}}).bars.empty());
  EXPECT_EQ(cutList({50}, {}).uncut.size(), 1U);
}

TEST(CutList, NotEnoughAtHandLeavesTheRestUncut) {
  const CutList list = cutList({200, 200, 200}, {{"lengths", 250, 2, true}});
  whole(list, {200, 200, 200});
  EXPECT_EQ(list.uncut.size(), 1U);
}

TEST(CutList, KeepsWholeBarsWhole) {
  // Two pieces out of one bar with a short end lost, rather than two bars begun for the sake of their ends.
  for (const auto& [piece, bar] : {std::pair{251.2, 577.8}, {91.6, 210.6}}) {
    const CutList list = cutList({piece, piece}, {{"lengths", bar, 2, true}});
    EXPECT_EQ(list.bars.size(), 1U) << bar;
    EXPECT_NEAR(list.waste, bar - 2 * piece, 1e-9);
  }
  EXPECT_EQ(cutList({78.2, 73.1}, {{"lengths", 179.9, 2, true}}).bars.size(), 1U);
}

TEST(CutList, WhereBarsDoNotReachTheExactBestIsFoundAllTheSame) {
  // The two longest fill the bars exactly; first come, first served would cut the 150 first and leave both.
  const CutList list = cutList({150, 300, 300}, {{"lengths", 300, 2, true}});
  whole(list, {150, 300, 300});
  EXPECT_EQ(list.uncut.size(), 1U);
  EXPECT_TRUE(list.proven);
  // Of alike numbers left uncut the longer ones are cut.
  EXPECT_EQ(list.uncut.front(), 0);
}

TEST(CutList, IsTheSameOnABusyMachine) {
  std::vector<double> lengths;
  for (int i = 0; i < 14; ++i) lengths.push_back(40 + 17.3 * i);
  const std::vector<StockBar> stock{{"a", 400, 6, true}, {"b", 305, -1, false}};
  const CutList first = cutList(lengths, stock);
  for (int again = 0; again < 3; ++again) {
    const CutList list = cutList(lengths, stock);
    ASSERT_EQ(list.bars.size(), first.bars.size());
    for (size_t b = 0; b < list.bars.size(); ++b) EXPECT_EQ(list.bars[b].left, first.bars[b].left);
    EXPECT_EQ(list.proven, first.proven);
  }
}

TEST(CutList, ManyKindsEndInTime) {
  std::vector<double> lengths;
  for (int i = 0; i < 60; ++i) lengths.push_back(30 + 7.3 * i);
  const CutList list = cutList(lengths, {{"length", 1000, -1, false}});
  whole(list, lengths);
  EXPECT_TRUE(list.uncut.empty());
}
