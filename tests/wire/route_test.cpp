// Routing against exhaustive enumeration, and by hand.
#include "wire/route.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

using namespace columna;

namespace {

RouteGraph randomTree(std::mt19937& random, int bones) {
  RouteGraph graph;
  std::uniform_real_distribution<double> place(-50, 50);
  for (int n = 0; n <= bones; ++n)
    graph.nodes.push_back({{place(random), place(random), place(random)}, PointKind::Joint, 5, 3});
  std::vector<int> degree(graph.nodes.size(), 0);
  int strands = 0;
  for (int n = 1; n <= bones; ++n) {
    int parent = 0;
    do parent = std::uniform_int_distribution<int>(0, n - 1)(random);
    while (degree[static_cast<size_t>(parent)] >= 3);
    // Exhaustive enumeration bounds how many strands may meet.
    const int wires =
        strands < (bones > 6 ? bones + 1 : bones + 3) ? std::uniform_int_distribution<int>(1, 2)(random) : 1;
    strands += wires;
    graph.edges.push_back(
        {parent, n, wires,
         (graph.nodes[static_cast<size_t>(n)].at - graph.nodes[static_cast<size_t>(parent)].at).norm()});
    ++degree[static_cast<size_t>(parent)];
    ++degree[static_cast<size_t>(n)];
  }
  constexpr std::array<PointKind, 4> tips{PointKind::Foot, PointKind::Head, PointKind::Tip, PointKind::Root};
  for (size_t n = 0; n < graph.nodes.size(); ++n)
    if (degree[n] == 1) graph.nodes[n].kind = tips[std::uniform_int_distribution<size_t>(0, 3)(random)];
  return graph;
}

} // namespace

TEST(Route, CostsWhatExhaustiveEnumerationFinds) {
  std::mt19937 random(20260101);
  for (int trial = 0; trial < 220; ++trial) {
    const int bones = 2 + trial % 7; // up to 8
    const RouteGraph graph = randomTree(random, bones);
    const Routing best = exhaustiveRouting(graph, 1e9);
    const std::vector<Routing> found = bestRoutings(graph, 1e9);
    ASSERT_FALSE(found.empty());
    for (const Routing& routing : found) {
      EXPECT_FALSE(routingProblem(graph, routing.pieces).has_value()) << trial;
      EXPECT_NEAR(routingCost(graph, routing.pieces), routing.cost, 1e-6)
          << "told and reckoned anew, " << trial;
    }
    EXPECT_NEAR(found.front().cost, best.cost, 1e-6) << "tree " << trial << " of " << bones;
  }
}

TEST(Route, KeepsTheLimitAtTheLeastCost) {
  std::mt19937 random(7);
  int binding = 0;
  for (int trial = 0; trial < 120; ++trial) {
    const RouteGraph graph = randomTree(random, 2 + trial % 4);
    double longest = 0;
    for (const RouteEdge& e : graph.edges) longest = std::max(longest, e.length);
    const double limit = longest + 15 + trial % 5 * 20;
    const Routing best = exhaustiveRouting(graph, limit);
    ASSERT_LT(best.cost, 1e17);
    const std::vector<Routing> found = bestRoutings(graph, limit);
    ASSERT_FALSE(found.empty());
    for (const Walk& walk : found.front().pieces) EXPECT_LE(walkLength(graph, walk), limit + 1e-6);
    EXPECT_NEAR(routingCost(graph, found.front().pieces), best.cost, 1e-6) << trial;
    if (best.cost > exhaustiveRouting(graph, 1e9).cost + 1) ++binding;
  }
  EXPECT_GT(binding, 30) << "the limit mattered";
}

TEST(Route, ADoubledLimbFoldsAtItsFoot) {
  RouteGraph graph;
  graph.nodes = {{{0, 0, 0}, PointKind::Root, 10, 5},
                 {{0, 0, -40}, PointKind::Joint, 10, 5},
                 {{10, 0, -80}, PointKind::Foot, 10, 5}};
  graph.edges = {{0, 1, 2, 40}, {1, 2, 2, 41}};
  const auto found = bestRoutings(graph, 1e9);
  ASSERT_EQ(found.front().pieces.size(), 1U);
  EXPECT_EQ(found.front().pieces.front(), (Walk{0, 1, 2, 1, 0}));
  // Too long to be folded, it becomes two single wires.
  EXPECT_EQ(bestRoutings(graph, 120).front().pieces.size(), 2U);
}

TEST(Route, MoreStrandsThanCanBeTriedAreStillRouted) {
  // Eight limbs of four strands meet in one point: more pairings than there are seconds in a year.
  RouteGraph graph;
  graph.nodes.push_back({{0, 0, 0}, PointKind::Root, 10, 5});
  for (int k = 0; k < 8; ++k) {
    const double angle = k < 4 ? 0.4 + 0.6 * k : -(0.4 + 0.6 * (k - 4));
    graph.nodes.push_back({{50 * std::cos(angle), 50 * std::sin(angle), 0}, PointKind::Foot, 10, 5});
    graph.edges.push_back({0, k + 1, 4, 50});
  }
  for (const bool mirrored : {false, true}) {
    if (mirrored) graph.mirror = {0, 5, 6, 7, 8, 1, 2, 3, 4};
    for (const double limit : {1e9, 130.0}) {
      const auto found = bestRoutings(graph, limit);
      ASSERT_FALSE(found.empty());
      for (const Routing& routing : found) {
        EXPECT_FALSE(routing.proven);
        EXPECT_FALSE(routingProblem(graph, routing.pieces).has_value());
        EXPECT_NEAR(routingCost(graph, routing.pieces), routing.cost, 1e-6);
        for (const Walk& walk : routing.pieces) EXPECT_LE(walkLength(graph, walk), limit);
      }
      if (limit > 1e6) {
        EXPECT_LE(found.front().pieces.size(), 16U) << "two strands a piece at the worst";
      }
    }
  }
  // Few strands: nothing is left untried.
  graph.mirror.clear();
  for (RouteEdge& edge : graph.edges) edge.strands = 1;
  EXPECT_TRUE(bestRoutings(graph, 1e9).front().proven);
}

TEST(Route, ALoopIsNoPiece) {
  // Doubled all through, every pairing without an end would close on itself.
  RouteGraph graph;
  graph.nodes = {{{0, 0, 0}, PointKind::Tip, 1, 1},
                 {{50, 0, 0}, PointKind::Joint, 1, 1},
                 {{90, 0, 0}, PointKind::Head, 1, 1}};
  graph.edges = {{0, 1, 2, 50}, {1, 2, 2, 40}};
  const auto found = bestRoutings(graph, 1e9);
  ASSERT_EQ(found.front().pieces.size(), 1U);
  EXPECT_EQ(found.front().pieces.front().front(), 0) << "the ends lie at the tail, not in the face";
}

TEST(Route, SaysWhereStrandsAreMissing) {
  RouteGraph graph;
  graph.nodes = {{{0, 0, 0}}, {{50, 0, 0}}, {{90, 0, 0}}};
  graph.edges = {{0, 1, 2, 50}, {1, 2, 1, 40}};
  EXPECT_TRUE(routingProblem(graph, {{0, 1, 2}}).has_value());
  EXPECT_TRUE(routingProblem(graph, {{0, 2}}).has_value());
  EXPECT_FALSE(routingProblem(graph, {{0, 1, 2}, {0, 1}}).has_value());
}
