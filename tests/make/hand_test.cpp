// The maker's hand: what a few records say of pace, felt, wire and lost wool, to the digits of a reckoning
// made elsewhere.
#include "support.h"

#include "make/pace_hand.h"

#include <array>
#include <cmath>
#include <nlohmann/json.hpp>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

const HandPrior& prior() {
  static const HandPrior it = readHandPrior(workFile("hand.json"), "hand.json").value();
  return it;
}

std::vector<FactorReading> logs(const std::vector<double>& ratios, int ago = 0) {
  std::vector<FactorReading> out;
  for (const double r : ratios) out.push_back({std::log(r), ago});
  return out;
}

void expectLikely(const Likely& l, double middle, double low, double high, double by) {
  EXPECT_NEAR(l.middle, middle, by);
  EXPECT_NEAR(l.low, low, by);
  EXPECT_NEAR(l.high, high, by);
}

// wire, bends, core firm, core medium, core soft, start a limb, coat, digits, face, joins
constexpr int kKinds = 10;
constexpr int kFirm = 2, kMedium = 3, kCoat = 6, kFace = 8;
constexpr std::array<double, kKinds> kShares{.02, .03, .22, .20, .05, .05, .28, .05, .05, .05};
constexpr std::array<double, kKinds> kSteps{7, 30, 6, 3, 1, 8, 8, 10, 4, 6};

std::vector<PlannedWork> hours(double h) {
  std::vector<PlannedWork> out;
  for (size_t k = 0; k < kKinds; ++k) out.push_back({60 * h * kShares[k], kSteps[k]});
  return out;
}

/// Eight steps each of three kinds, all of that ratio, on two figures.
std::vector<PaceRecord> twoFigures(double ratio) {
  std::vector<PaceRecord> out;
  for (int j = 0; j < 2; ++j)
    for (const int k : {kFirm, kMedium, kCoat})
      for (int i = 0; i < 8; ++i) out.push_back({j, k, std::log(ratio)});
  return out;
}

} // namespace

TEST(Hand, NothingRecordedKeepsTheEstimateAndItsRange) {
  const PaceHand none({}, kKinds, 0, prior());
  const Likely l = none.sum(hours(26), false);
  expectLikely({l.low / 60, l.middle / 60, l.high / 60}, 25.7, 15.3, 43.3, 0.05);
  EXPECT_NEAR(studentNine(10), 1.372, 1e-3);
  const double sigma = std::log(l.high / l.middle) / studentNine(10);
  EXPECT_NEAR(sigma, 0.3797, 5e-5);
  // Kinds and steps are right on the mean, the hand and the figure in the middle.
  const double skew = (prior().hand * prior().hand + prior().figure * prior().figure) / 2;
  EXPECT_NEAR(l.middle * std::exp(sigma * sigma / 2), 26 * 60 * std::exp(skew), 0.5);
}

TEST(Hand, TwoFiguresAtThreeQuartersOfTheTimeNarrowIt) {
  const PaceHand hand(twoFigures(0.73), kKinds, 2, prior());
  const Likely l = hand.sum(hours(26), false);
  expectLikely({l.low / 60, l.middle / 60, l.high / 60}, 20.3, 15.3, 26.9, 0.05);
  EXPECT_NEAR(hand.stepVariance(), 0.03822, 5e-6);
  EXPECT_NEAR(std::sqrt(hand.figureVariance()), 0.1439, 5e-5);
  EXPECT_NEAR(hand.kind(kFirm), -0.0978, 5e-5);
  EXPECT_NEAR(hand.kind(kFace), -0.0450, 5e-5);
  EXPECT_NEAR(hand.next(), -0.1808, 5e-5);
  // The order of the records does not matter, to the last figure but rounding.
  std::vector<PaceRecord> turned = twoFigures(0.73);
  std::reverse(turned.begin(), turned.end());
  EXPECT_NEAR(PaceHand(turned, kKinds, 2, prior()).next(), hand.next(), 1e-12);
  // On a figure under way how easy it is is partly known: a narrower range.
  const Likely own = hand.sum(hours(26), true);
  EXPECT_LT(own.high / own.low, l.high / l.low);
}

TEST(Hand, AClockLeftRunningHardlyCounts) {
  const PaceHand one({{0, kFirm, std::log(0.8)}}, kKinds, 1, prior());
  EXPECT_NEAR(one.kind(kFirm), -0.07779, 5e-6);
  EXPECT_NEAR(one.next(), -0.03638, 5e-6);
  EXPECT_NEAR(one.weights()[0], 1.0823, 5e-5);
  EXPECT_NEAR(one.stepVariance(), 0.12052, 5e-6);
  EXPECT_EQ(one.rounds(), 9);
  std::vector<PaceRecord> nine(9, {0, kFirm, std::log(0.8)});
  const PaceHand without(nine, kKinds, 1, prior());
  EXPECT_NEAR(without.next(), -0.06100, 5e-6);
  EXPECT_NEAR(without.kind(kFirm), -0.09998, 5e-6);
  nine.push_back({0, kFirm, std::log(20)});
  const PaceHand with(nine, kKinds, 1, prior());
  EXPECT_NEAR(with.next(), -0.05129, 5e-6);
  EXPECT_NEAR(with.kind(kFirm), -0.09123, 5e-6);
  EXPECT_NEAR(with.weights()[9], 0.0475, 5e-5);
  const double before = without.sum(hours(26), false).middle;
  EXPECT_LT(std::abs(with.sum(hours(26), false).middle / before - 1), 0.03);
}

TEST(Hand, TheSumOfStepsIsWhatDrawingThemGives) {
  // Two kinds, three steps each, nothing recorded: drawn two hundred thousand times.
  const PaceHand none({}, 2, 0, prior());
  const std::vector<PlannedWork> work{{90, 3}, {30, 3}};
  const Likely l = none.sum(work, false);
  std::mt19937 draw(11);
  std::normal_distribution<double> normal;
  const double v = prior().step * prior().step;
  std::vector<double> sums;
  for (int i = 0; i < 200'000; ++i) {
    const double u = prior().hand * normal(draw) + prior().figure * normal(draw);
    double sum = 0;
    for (const PlannedWork& w : work) {
      const double d = prior().kind * normal(draw) - prior().kind * prior().kind / 2;
      for (int s = 0; s < 3; ++s)
        sum += w.minutes / 3 * std::exp(u + d + std::sqrt(v) * normal(draw) - v / 2);
    }
    sums.push_back(sum);
  }
  std::nth_element(sums.begin(), sums.begin() + 100'000, sums.end());
  EXPECT_NEAR(l.middle / sums[100'000], 1, 0.01);
}

/// Makers drawn as the estimate has them, with clocks left running: about eight in ten figures lie in the
/// range that was told before they were made.
TEST(Hand, TheRangeHoldsEightFiguresInTen) {
  std::mt19937 draw(1);
  std::normal_distribution<double> normal;
  std::uniform_real_distribution<double> share;
  int inside = 0;
  int all = 0;
  for (int maker = 0; maker < 25; ++maker) {
    const double h = prior().hand * normal(draw);
    std::array<double, kKinds> d{};
    for (double& each : d) each = prior().kind * (normal(draw) - prior().kind / 2);
    const double e = 0.2 + 0.3 * share(draw);
    std::vector<PaceRecord> records;
    for (int j = 0; j < 8; ++j) {
      const std::vector<PlannedWork> work = hours(8 + 32 * share(draw));
      const Likely told = PaceHand(records, kKinds, j, prior()).sum(work, false);
      const double ease = (0.08 + 0.17 * share(draw)) * normal(draw);
      double sum = 0;
      for (int k = 0; k < kKinds; ++k)
        for (int i = 0; i < static_cast<int>(kSteps[static_cast<size_t>(k)]); ++i) {
          const double ratio = h - 0.03 * j + d[static_cast<size_t>(k)] + ease + e * normal(draw) - e * e / 2;
          sum += work[static_cast<size_t>(k)].minutes / kSteps[static_cast<size_t>(k)] * std::exp(ratio);
          const bool slip = share(draw) < 0.05;
          if (share(draw) < 0.7)
            records.push_back({j, k, ratio + (slip ? std::log(5 + 35 * share(draw)) : 0)});
        }
      if (j < 3) continue;
      ++all;
      if (sum >= told.low && sum <= told.high) ++inside;
    }
  }
  EXPECT_GT(inside, 0.70 * all);
  EXPECT_LT(inside, 0.95 * all);
}

TEST(Hand, FactorsMoveWithReadingsAndForget) {
  const auto felt = [&](const std::vector<FactorReading>& r) {
    return learntFactor(r, prior().feltDensity, prior());
  };
  expectLikely(felt({}).nextRatio(), 1.0, 0.7640, 1.3089, 5e-5);
  const Factor ball = felt(logs({1.08}));
  EXPECT_NEAR(ball.mean, 0.05814, 5e-6);
  EXPECT_NEAR(ball.kappa, 1.6377, 5e-5);
  expectLikely(ball.nextRatio(), 1.0599, 0.8983, 1.2504, 5e-5);
  expectLikely(felt(logs({0.90, 0.93, 0.91})).nextRatio(), 0.9214, 0.8139, 1.0432, 5e-5);
  expectLikely(felt(logs({0.90, 0.93, 0.91}, 3)).nextRatio(), 0.9258, 0.8027, 1.0678, 5e-5);
  const Factor slip = felt(logs({0.90, 0.93, 0.91, 2.5}));
  EXPECT_NEAR(slip.mean, -0.06653, 5e-6);
  EXPECT_NEAR(slip.weights[3], 0.063, 5e-4);
  expectLikely(learntFactor({{3, 0}, {2, 0}, {4, 0}, {3, 0}}, prior().wireCut, prior()).next(), 2.4432,
               -0.1743, 5.0606, 5e-5);
  expectLikely(learntFactor(logs({0.08, 0.06}), prior().woolLost, prior()).nextRatio(), 0.0653, 0.0324,
               0.1315, 5e-5);
  expectLikely(learntFactor(logs({0.97, 0.98, 0.96}), prior().limbLength, prior()).nextRatio(), 0.9767,
               0.9392, 1.0156, 5e-5);
  expectLikely(learntFactor(logs({0.62 / 0.65}), prior().woundShare, prior()).nextRatio(), 0.9623, 0.8706,
               1.0638, 5e-5);
}

TEST(Hand, WhatIsNoNumberOrOfAnotherFigureIsLeftOut) {
  std::vector<PaceRecord> records = twoFigures(0.73);
  const double next = PaceHand(records, kKinds, 2, prior()).next();
  records.push_back({0, kKinds, 0});
  records.push_back({0, -1, 0});
  records.push_back({7, 0, 0});
  records.push_back({0, 0, std::numeric_limits<double>::infinity()});
  EXPECT_EQ(PaceHand(records, kKinds, 2, prior()).next(), next);
  // Fifty figures are no more to reckon with than forty.
  std::vector<PaceRecord> many;
  for (int j = 0; j < 50; ++j) many.push_back({j, kFirm, std::log(j < 10 ? 3 : 0.8)});
  std::vector<PaceRecord> late;
  for (int j = 0; j < 40; ++j) late.push_back({j, kFirm, std::log(0.8)});
  EXPECT_EQ(PaceHand(many, kKinds, 50, prior()).next(), PaceHand(late, kKinds, 40, prior()).next());
}

TEST(Hand, ItsPriorIsReadOrRefused) {
  const std::string good = workFile("hand.json");
  ASSERT_TRUE(readHandPrior(good, "hand.json"));
  auto json = nlohmann::json::parse(good);
  json["tails"]["value"] = 0;
  EXPECT_FALSE(readHandPrior(json.dump(), "hand.json"));
  json = nlohmann::json::parse(good);
  json["forgetting"]["value"] = 1.2;
  EXPECT_FALSE(readHandPrior(json.dump(), "hand.json"));
  json = nlohmann::json::parse(good);
  json.erase("drift");
  EXPECT_FALSE(readHandPrior(json.dump(), "hand.json"));
}
