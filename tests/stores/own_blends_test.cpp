// A colour of one's own wools: what to weigh, as far as they go, and what is said where none comes near.
#include "stores/own_blends.h"
#include "support.h"

#include "measure/disk.h"

#include <algorithm>
#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

const ColourRules& rules() {
  static const ColourRules out = *colourRules(COLUMNA_DATA_DIR);
  return out;
}

std::vector<StoreRow> bench() {
  const auto file = std::filesystem::path(COLUMNA_DATA_DIR) / "demo" / "bench-wools.csv";
  auto list = readStoreList(*readFile(file, kMostCsvBytes), "bench-wools.csv");
  EXPECT_TRUE(list);
  EXPECT_TRUE(list->problems.empty());
  return std::move(list->rows);
}

OwnBlendWish wish(const char* to, std::optional<double> grams = {}, int wools = 3) {
  OwnBlendWish out;
  out.blend = {*srgbOf(std::string_view(to)), wools, false, 6};
  out.grams = grams;
  return out;
}

} // namespace

TEST(OwnBlends, AreWeighedInTenthsThatAddUp) {
  const std::vector<StoreRow> list = bench();
  const auto blends = ownBlends(list, wish("#5C4432", 14), rules());
  ASSERT_TRUE(blends) << blends.problem().sentence();
  ASSERT_FALSE(blends->offers.empty());
  for (const BlendOffer& offer : blends->offers) {
    double sum = 0;
    double share = 0;
    for (const BlendHeap& heap : offer.heaps) {
      sum += heap.grams;
      share += heap.share;
      EXPECT_NEAR(heap.grams * 10, std::round(heap.grams * 10), 1e-9);
      EXPECT_LE(heap.grams * 1000, static_cast<double>(list[heap.row].amount) + 1e-6);
      EXPECT_TRUE(list[heap.row].colour);
    }
    EXPECT_NEAR(sum, 14, 1e-9);
    EXPECT_NEAR(share, 1, 2e-3);
    EXPECT_NEAR(offer.nearness == Nearness::Same, offer.de < rules().saysSame, 0);
    EXPECT_GT(offer.doubt, 4) << "colours that were picked by eye";
  }
  // The first: dark brown, ginger and dark grey, hardly off by its tenths.
  const BlendOffer& first = blends->offers.front();
  ASSERT_EQ(first.heaps.size(), 3U);
  EXPECT_EQ(list[first.heaps[0].row].name, "dark brown");
  EXPECT_EQ(list[first.heaps[1].row].name, "ginger");
  EXPECT_LT(first.de, 0.7);
  EXPECT_GT(first.pulls.even, 2);
  EXPECT_TRUE(missedBy(first, rules()).empty());
}

TEST(OwnBlends, TakeNoMoreThanThereIs) {
  std::vector<StoreRow> list = bench();
  for (StoreRow& row : list)
    if (row.name == "dark brown") row.amount = 2000;
  const auto blends = ownBlends(list, wish("#422D24", 14), rules());
  ASSERT_TRUE(blends);
  for (const BlendOffer& offer : blends->offers)
    for (const BlendHeap& heap : offer.heaps)
      if (list[heap.row].name == "dark brown") {
        EXPECT_LE(heap.grams, 2 + 1e-9);
      }
  const auto free = ownBlends(list, wish("#422D24"), rules());
  ASSERT_TRUE(free);
  EXPECT_EQ(free->offers.front().heaps.size(), 1U) << "of shares alone a wool is never short";
  EXPECT_EQ(free->offers.front().heaps.front().grams, 0);
  EXPECT_EQ(free->offers.front().pulls.even, 0) << "one wool has no streaks";
}

TEST(OwnBlends, SayWhenNoneComesNear) {
  const auto green = ownBlends(bench(), wish("#3CBE46", {}, 4), rules());
  ASSERT_TRUE(green);
  const BlendOffer& best = *std::ranges::min_element(green->offers, {}, &BlendOffer::de);
  EXPECT_EQ(best.nearness, Nearness::Other);
  EXPECT_LT(best.off.y(), -10);
  EXPECT_EQ(missedBy(best, rules()), say("duller than is wanted"));
}

TEST(OwnBlends, GoByATestBlendOfOnesOwn) {
  OwnBlendWish own = wish("#5C4432");
  own.tried = OwnBlend{{236, 230, 215}, {34, 31, 32}, {90, 88, 87}, 0.5};
  const auto blends = ownBlends(bench(), own, rules());
  ASSERT_TRUE(blends);
  ASSERT_TRUE(blends->mixing);
  EXPECT_NEAR(blends->rule.m, 0.0968, 1e-4);
  EXPECT_LT(blends->rule.high - blends->rule.low, rules().mixingHigh - rules().mixingLow);
  own.tried->came = {200, 20, 20};
  EXPECT_FALSE(ownBlends(bench(), own, rules())) << "of white and black comes no red";
}

TEST(OwnBlends, SayWhatIsWrongWithTheListOrTheWish) {
  std::vector<StoreRow> list = bench();
  EXPECT_FALSE(ownBlends(list, wish("#5C4432", 0.0), rules()));
  EXPECT_FALSE(ownBlends(list, wish("#5C4432", -3), rules()));
  EXPECT_FALSE(ownBlends(list, wish("#5C4432", std::nan("")), rules()));
  EXPECT_FALSE(ownBlends(list, wish("#5C4432", 1e6), rules()));
  EXPECT_FALSE(ownBlends(list, wish("#5C4432", 500), rules())) << "not so much is there";
  for (StoreRow& row : list) row.amount = 0;
  EXPECT_FALSE(ownBlends(list, wish("#5C4432"), rules())) << "all of it is used up";
  list = bench();
  for (StoreRow& row : list) row.colour.reset();
  EXPECT_FALSE(ownBlends(list, wish("#5C4432"), rules()));
  list = bench();
  const StoreRow one = list.front();
  list.assign(401, one);
  EXPECT_FALSE(ownBlends(list, wish("#5C4432"), rules()));
  EXPECT_FALSE(ownBlends({}, wish("#5C4432"), rules()));
}
