// Wools carded together: the known blends, the constant of one's own, and the search for the nearest.
#include "wools.h"

#include "colour/least_norm.h"

#include <cmath>
#include <numeric>
#include <random>

namespace columna::test {
namespace {

using Parts = std::vector<std::pair<int, double>>;

Spectrum mixed(const Parts& parts, double m) {
  std::vector<Spectrum> sent;
  std::vector<double> shares;
  for (const auto& [wool, share] : parts) {
    sent.push_back(drawerWools()[static_cast<size_t>(wool)].sent);
    shares.push_back(share);
  }
  return blend(sent, shares, m);
}

BlendRule usual() { return usualBlendRule(colourRules()); }

Recipe nearest(std::span<const BlendWool> wools, const Srgb& to, int most) {
  BlendWish wish{to, most, false, 400};
  const std::vector<Recipe> found = recipesFor(wools, wish, usual(), colourRules());
  return *std::ranges::min_element(found, {}, &Recipe::de);
}

TEST(Blend, ComesToTheTenKnownColours) {
  struct Known {
    Parts parts;
    std::array<double, 3> lab;
    double low, high; ///< dE00 at M 0.09 and 0.25
  };
  const std::array<Known, 10> all{{
      {{{White, 0.5}, {Black, 0.5}}, {32.7499, 0.8984, 0.4052}, 4.73, 3.85},
      {{{White, 0.9}, {Black, 0.1}}, {65.6125, 0.3824, 2.9138}, 4.92, 5.92},
      {{{White, 2}, {DarkBrown, 1}}, {47.2913, 5.7637, 7.0959}, 5.49, 4.58},
      {{{Chestnut, 0.5}, {DarkGrey, 0.5}}, {34.8929, 8.3694, 12.8200}, 0.64, 0.67},
      {{{Ginger, 0.6}, {White, 0.4}}, {62.8633, 21.7281, 39.0228}, 1.34, 0.99},
      {{{Ochre, 0.5}, {Blue, 0.5}}, {42.3994, -7.0520, 1.6822}, 3.60, 2.70},
      {{{Red, 1}, {White, 3}}, {60.9457, 32.6918, 16.2723}, 4.13, 3.53},
      {{{Chestnut, 0.4}, {Cream, 0.4}, {DarkGrey, 0.2}}, {45.7382, 10.1253, 16.1571}, 1.96, 1.55},
      {{{Moss, 0.5}, {Ochre, 0.3}, {DarkBrown, 0.2}}, {41.4806, -3.4333, 24.3072}, 1.93, 2.14},
      {{{White, 0.4}, {Ginger, 0.3}, {Blue, 0.2}, {Black, 0.1}}, {45.6005, 1.8080, 5.9246}, 4.44, 4.04},
  }};
  for (const Known& k : all) {
    const Lab lab = labOf(mixed(k.parts, 0.15));
    EXPECT_NEAR(lab.l, k.lab[0], 1e-3);
    EXPECT_NEAR(lab.a, k.lab[1], 1e-3);
    EXPECT_NEAR(lab.b, k.lab[2], 1e-3);
    EXPECT_NEAR(differenceOf(labOf(mixed(k.parts, 0.09)), lab), k.low, 0.006);
    EXPECT_NEAR(differenceOf(labOf(mixed(k.parts, 0.25)), lab), k.high, 0.006);
  }
}

TEST(Blend, AddsUpByWeightAndIsNoMean) {
  const Spectrum added = addable(sentBy(Cream), 0.15);
  EXPECT_NEAR(added[7], 8.3166, 1e-4);
  EXPECT_NEAR(added[17], 3.6377, 1e-4);
  EXPECT_NEAR(added[27], 2.6760, 1e-4);
  EXPECT_LT((sentBack(added, 0.15) - sentBy(Cream)).cwiseAbs().maxCoeff(), 1e-12);
  // A blend of blends is the blend of all; shares may be grams; a wool by itself stays.
  const Spectrum first = mixed({{White, 3}, {Red, 1}}, 0.15);
  const std::array<Spectrum, 2> both{first, sentBy(Moss)};
  const std::array<double, 2> shares{4, 4};
  EXPECT_LT((blend(both, shares, 0.15) - mixed({{White, 0.375}, {Red, 0.125}, {Moss, 0.5}}, 0.15)).norm(),
            1e-12);
  EXPECT_LT((mixed({{Blue, 7}}, 0.15) - sentBy(Blue)).norm(), 1e-12);
  // A little black goes a long way.
  EXPECT_LT(labOf(mixed({{White, 0.5}, {Black, 0.5}}, 0.15)).l,
            (labOf(kWools[White]).l + labOf(kWools[Black]).l) / 2 - 15);
}

TEST(Blend, TheConstantComesFromOneBlendOfOnesOwn) {
  const auto own = ownMixing({kWools[White], kWools[Black], {90, 88, 87}}, colourRules());
  ASSERT_TRUE(own);
  EXPECT_NEAR(own->m, 0.0968, 1e-4);
  EXPECT_NEAR(own->left, 0.1522, 1e-3);
  // What any constant of the range gives is found again.
  for (const double m : {0.05, 0.1, 0.2, 0.4}) {
    const Srgb came = srgbOf(mixed({{Cream, 0.7}, {DarkBrown, 0.3}}, m));
    const auto back = ownMixing({kWools[Cream], kWools[DarkBrown], came, 0.7}, colourRules());
    ASSERT_TRUE(back) << m;
    EXPECT_NEAR(back->m, m, 1e-4);
  }
  EXPECT_FALSE(ownMixing({kWools[White], kWools[Black], kWools[Red]}, colourRules())) << "no such blend";
  EXPECT_FALSE(ownMixing({kWools[White], kWools[Cream], kWools[White]}, colourRules())) << "too alike";
  const BlendRule rule = ownBlendRule(own->m, colourRules());
  EXPECT_TRUE(rule.own);
  EXPECT_NEAR(rule.high - rule.low, 2 * colourRules().mixingOwn, 1e-12);
}

TEST(LeastNorm, IsWhereBruteForceFindsIt) {
  std::mt19937 draw(11);
  std::uniform_real_distribution<double> at(-1, 1);
  for (int round = 0; round < 60; ++round) {
    const int k = 1 + round % 4;
    Eigen::Matrix3Xd points(3, k);
    for (Eigen::Index i = 0; i < points.size(); ++i) points.data()[i] = at(draw);
    std::vector<double> most(static_cast<size_t>(k), 1);
    if (round % 3 == 0) most[0] = 0.3;
    double norm = 0;
    const Eigen::VectorXd x = leastNorm(points, most, &norm);
    if (k == 1 && most[0] < 1) {
      EXPECT_EQ(x.size(), 0) << "there is not enough of it";
      continue;
    }
    ASSERT_EQ(x.size(), k);
    EXPECT_NEAR(x.sum(), 1, 1e-9);
    EXPECT_LE(x[0], most[0] + 1e-9);
    EXPECT_GE(x.minCoeff(), 0);
    EXPECT_NEAR((points * x).norm(), norm, 1e-9);
    constexpr int steps = 24;
    for (int a = 0; a <= steps; ++a)
      for (int b = 0; b + a <= steps; ++b)
        for (int c = 0; c + b + a <= steps; ++c) {
          Eigen::VectorXd other = Eigen::VectorXd::Zero(4);
          other << a, b, c, steps - a - b - c;
          other /= steps;
          if ((k < 4 && other[3] > 0) || (k < 3 && other[2] > 0) || (k < 2 && other[1] > 0)) continue;
          if (other[0] > most[0]) continue;
          EXPECT_GE((points * other.head(k)).norm(), norm - 1e-9);
        }
  }
}

TEST(BlendSearch, FindsTheKnownBestOfTwelveWools) {
  struct Known {
    Srgb to;
    int wools;
    double de;
    Parts parts;
  };
  const std::array<Known, 6> all{{{kOtter, 1, 8.6005, {{DarkBrown, 1}}},
                                  {kOtter, 2, 1.9118, {{DarkBrown, 0.6754}, {Ochre, 0.3246}}},
                                  {kOtter, 3, 0.2287, {{Black, 0.2020}, {Red, 0.3047}, {Moss, 0.4932}}},
                                  {kFox, 1, 7.1653, {{Ginger, 1}}},
                                  {kFox, 2, 1.2983, {{Ginger, 0.8321}, {Red, 0.1679}}},
                                  {kFox, 3, 0.6352, {{Chestnut, 0.0603}, {Ginger, 0.7987}, {Red, 0.1410}}}}};
  for (const Known& k : all) {
    const Recipe best = nearest(drawerWools(), k.to, k.wools);
    EXPECT_NEAR(best.de, k.de, 1e-3) << k.wools;
    ASSERT_EQ(best.parts.size(), k.parts.size()) << k.wools;
    for (size_t i = 0; i < k.parts.size(); ++i) {
      EXPECT_EQ(best.parts[i].first, k.parts[i].first);
      EXPECT_NEAR(best.parts[i].second, k.parts[i].second, 2e-3);
    }
  }
  EXPECT_NEAR(nearest(drawerWools(), kOtter, 4).de, 0, 1e-3);
  EXPECT_NEAR(nearest(drawerWools(), kFox, 4).de, 0.6352, 1e-3) << "a fourth is of no use";
  EXPECT_NEAR(nearest(drawerWools(), {120, 160, 210}, 4).de, 5.8549, 1e-3);
  const Recipe green = nearest(drawerWools(), {60, 190, 70}, 4);
  EXPECT_NEAR(green.de, 18.9387, 1e-3) << "no blend of these is so green";
  EXPECT_NEAR(green.off.y(), -15.95, 0.01) << "duller";
}

TEST(BlendSearch, ShowsFirstWhatAMakerWouldCard) {
  BlendWish wish{kOtter, 3, false, 6};
  auto found = recipesFor(drawerWools(), wish, usual(), colourRules());
  ASSERT_GE(found.size(), 2U);
  const Recipe& first = found.front();
  ASSERT_EQ(first.parts.size(), 3U);
  EXPECT_EQ(first.parts[0].first, DarkGrey);
  EXPECT_NEAR(first.parts[0].second, 0.1756, 1e-3);
  EXPECT_EQ(first.parts[2].first, Ginger);
  EXPECT_NEAR(first.de, 0.5526, 1e-3);
  EXPECT_NEAR(first.risk, 1.5724, 1e-3);
  EXPECT_NEAR(first.score, 2.5407, 1e-3);
  EXPECT_EQ(found[1].parts[0].first, Black) << "nearer, but of three wools that are far from it";
  EXPECT_NEAR(found[1].score, 2.7611, 1e-3);
  for (size_t i = 1; i < found.size(); ++i) EXPECT_LE(found[i - 1].score, found[i].score);
  wish = {kMouse, 3, true, 6};
  found = recipesFor(drawerWools(), wish, usual(), colourRules());
  EXPECT_NEAR(found.front().score, 1.7289, 1e-3);
  EXPECT_EQ(found.front().parts.front().first, LightGrey);
}

/// The best of all pairs or triples, each followed from several beginnings by small steps of its own.
double bruteForce(const std::vector<BlendWool>& wools, const Srgb& to, int k) {
  const Lab wanted = labOf(reflectance(to));
  const BlendRule rule = usual();
  double best = 1e9;
  const auto follow = [&](const std::vector<int>& set) {
    std::vector<Spectrum> sent;
    for (const int i : set) sent.push_back(wools[static_cast<size_t>(i)].sent);
    std::vector<double> x(set.size(), 1.0 / static_cast<double>(set.size()));
    const auto off = [&](const std::vector<double>& shares) {
      return differenceOf(labOf(blend(sent, shares, rule.m)), wanted);
    };
    double now = off(x);
    for (double step = 0.25; step > 5e-5; step /= 2)
      for (bool moved = true; moved;) {
        moved = false;
        for (size_t a = 0; a < x.size(); ++a)
          for (size_t b = 0; b < x.size(); ++b) {
            if (a == b || x[b] < step) continue;
            std::vector<double> next = x;
            next[a] += step;
            next[b] -= step;
            if (const double de = off(next); de < now - 1e-9) {
              now = de;
              x = next;
              moved = true;
            }
          }
      }
    best = std::min(best, now);
  };
  const int n = static_cast<int>(wools.size());
  for (int i = 0; i < n; ++i)
    for (int j = i + 1; j < n; ++j) {
      if (k == 2) follow({i, j});
      for (int m = j + 1; k == 3 && m < n; ++m) follow({i, j, m});
    }
  return best;
}

TEST(BlendSearch, FindsTheBruteForceBestInEightyOfEighty) {
  for (const int k : {2, 3})
    for (unsigned round = 0; round < 40; ++round) {
      const auto wools = drawnWools(k == 2 ? 20 : 9, 100 + round);
      const Srgb to = srgbOf(drawnWools(1, 900 + round).front().sent);
      EXPECT_LE(nearest(wools, to, k).de, bruteForce(wools, to, k) + 0.01) << k << " " << round;
    }
}

TEST(BlendSearch, TakesNoMoreThanThereIs) {
  std::vector<BlendWool> few;
  for (const Wool each : {Black, Chestnut, Blue, Moss}) few.push_back(drawerWools()[each]);
  const Recipe free = nearest(few, kOtter, 4);
  EXPECT_NEAR(free.parts[1].second, 0.6393, 1e-3);
  few[1].most = 4.2 / 14;
  const Recipe capped = nearest(few, kOtter, 4);
  EXPECT_NEAR(capped.de, 7.736, 1e-2);
  double sum = 0;
  for (const auto& [wool, share] : capped.parts) {
    sum += share;
    if (wool == 1) {
      EXPECT_NEAR(share, 0.3, 1e-6);
    }
  }
  EXPECT_NEAR(sum, 1, 1e-9);
  for (BlendWool& each : few) each.most = 0.2;
  EXPECT_TRUE(recipesFor(few, {kOtter, 4}, usual(), colourRules()).empty()) << "they do not fill the heap";
  few[2].most = 0;
  few[0].most = few[1].most = few[3].most = 1;
  for (const Recipe& r : recipesFor(few, {kOtter, 4}, usual(), colourRules()))
    for (const auto& [wool, share] : r.parts) EXPECT_NE(wool, 2) << "there is none of it";
  const std::atomic<bool> stop = true;
  EXPECT_TRUE(recipesFor(drawerWools(), {kOtter, 3}, usual(), colourRules(), &stop).empty());
}

TEST(BlendSearch, RoundsToPinchesAndTenths) {
  const auto rounded = [](const Srgb& to, const std::vector<int>& wools, int units) {
    std::vector<BlendWool> set;
    for (const int each : wools) set.push_back(drawerWools()[static_cast<size_t>(each)]);
    BlendWish wish{to, static_cast<int>(wools.size()), false, 400};
    Recipe all;
    for (const Recipe& r : recipesFor(set, wish, usual(), colourRules()))
      if (r.parts.size() == wools.size()) all = r;
    const std::vector<int> out = wholeUnits(all, set, to, units, usual().m);
    EXPECT_EQ(std::accumulate(out.begin(), out.end(), 0), units);
    Parts parts;
    for (size_t i = 0; i < out.size(); ++i) parts.emplace_back(static_cast<int>(i), out[i]);
    return std::pair(out, blendOff(set, parts, to, usual().m));
  };
  const auto twenty = rounded(kOtter, {DarkBrown, Ochre}, 20);
  EXPECT_EQ(twenty.first, (std::vector<int>{14, 6}));
  EXPECT_NEAR(twenty.second, 2.0357, 1e-3);
  const auto eight = rounded(kOtter, {DarkBrown, Ochre}, 8);
  EXPECT_EQ(eight.first, (std::vector<int>{5, 3}));
  EXPECT_NEAR(eight.second, 2.4226, 1e-3);
  const auto pinches = rounded(kSkin, {White, Ochre, Red}, 20);
  EXPECT_EQ(pinches.first, (std::vector<int>{18, 1, 1}));
  EXPECT_NEAR(pinches.second, 3.5442, 1e-3) << "a pinch is too much of red: it has to be weighed";
  const auto tenths = rounded(kSkin, {White, Ochre, Red}, 140);
  EXPECT_EQ(tenths.first, (std::vector<int>{123, 7, 10}));
  EXPECT_NEAR(tenths.second, 0.4888, 1e-3);
}

} // namespace
} // namespace columna::test
