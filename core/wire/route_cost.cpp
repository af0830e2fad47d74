#include "wire/route.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>
#include <set>

namespace columna {
namespace {

int edgeBetween(const RouteGraph& graph, int a, int b) {
  for (size_t e = 0; e < graph.edges.size(); ++e) {
    const RouteEdge& edge = graph.edges[e];
    if ((edge.a == a && edge.b == b) || (edge.a == b && edge.b == a)) return static_cast<int>(e);
  }
  return -1;
}

const RouteNode& node(const RouteGraph& graph, int n) { return graph.nodes[static_cast<size_t>(n)]; }

} // namespace

double endCost(PointKind kind) {
  switch (kind) {
  case PointKind::Foot:
  case PointKind::Tip:
    return 1;
  case PointKind::Head:
  case PointKind::Root:
    return 2;
  case PointKind::Joint:
    break;
  }
  return 20;
}

double foldCost(PointKind kind) {
  switch (kind) {
  case PointKind::Foot:
  case PointKind::Head:
    return 0;
  case PointKind::Tip:
    return 0.5;
  case PointKind::Root:
    return 8;
  case PointKind::Joint:
    break;
  }
  return 40;
}

double routingCost(const RouteGraph& graph, const std::vector<Walk>& pieces) {
  double cost = 0;
  std::map<int, std::map<int, std::set<int>>> through; // at a node: edges that wire joins
  for (const Walk& walk : pieces) {
    for (const int end : {walk.front(), walk.back()}) cost += kPieceCost / 2 + endCost(node(graph, end).kind);
    for (size_t i = 1; i + 1 < walk.size(); ++i) {
      if (walk[i - 1] == walk[i + 1]) {
        cost += foldCost(node(graph, walk[i]).kind);
        continue;
      }
      const Vec3 in = node(graph, walk[i]).at - node(graph, walk[i - 1]).at;
      const Vec3 out = node(graph, walk[i + 1]).at - node(graph, walk[i]).at;
      cost += bendAngle(in, out);
      const int a = edgeBetween(graph, walk[i - 1], walk[i]);
      const int b = edgeBetween(graph, walk[i], walk[i + 1]);
      through[walk[i]][a].insert(b);
      through[walk[i]][b].insert(a);
    }
  }
  // Lashings: stretches that meet without wire through are tied together.
  for (size_t n = 0; n < graph.nodes.size(); ++n) {
    std::vector<int> meet;
    for (size_t e = 0; e < graph.edges.size(); ++e)
      if (graph.edges[e].a == static_cast<int>(n) || graph.edges[e].b == static_cast<int>(n))
        meet.push_back(static_cast<int>(e));
    std::set<int> seen;
    int parts = 0;
    for (const int first : meet) {
      if (seen.contains(first)) continue;
      ++parts;
      std::vector<int> open{first};
      while (!open.empty()) {
        const int e = open.back();
        open.pop_back();
        if (!seen.insert(e).second) continue;
        for (const int next : through[static_cast<int>(n)][e]) open.push_back(next);
      }
    }
    if (parts > 1) cost += kLashingCost * (parts - 1);
  }
  return cost;
}

double walkLength(const RouteGraph& graph, const Walk& walk) {
  double length = 0;
  for (size_t i = 0; i + 1 < walk.size(); ++i)
    length += graph.edges[static_cast<size_t>(edgeBetween(graph, walk[i], walk[i + 1]))].length;
  for (const int end : {walk.front(), walk.back()}) length += node(graph, end).endTakes;
  for (size_t i = 1; i + 1 < walk.size(); ++i)
    if (walk[i - 1] == walk[i + 1]) length += node(graph, walk[i]).foldTakes;
  return length;
}

std::optional<Said> routingProblem(const RouteGraph& graph, const std::vector<Walk>& pieces) {
  std::vector<int> covered(graph.edges.size(), 0);
  for (const Walk& walk : pieces) {
    if (walk.size() < 2) return say("a piece runs nowhere");
    for (size_t i = 0; i + 1 < walk.size(); ++i) {
      const int e = edgeBetween(graph, walk[i], walk[i + 1]);
      if (e < 0) return say("a piece jumps from point {} to point {}", walk[i], walk[i + 1]);
      ++covered[static_cast<size_t>(e)];
    }
  }
  for (size_t e = 0; e < covered.size(); ++e)
    if (covered[e] != graph.edges[e].strands)
      return say("the stretch from point {} to point {} carries {} of its {} strands", graph.edges[e].a,
                 graph.edges[e].b, covered[e], graph.edges[e].strands);
  return std::nullopt;
}

} // namespace columna
