#include "wire/route.h"

#include "wire/matching.h"

#include <array>
#include <map>
#include <numeric>

namespace columna {

Routing exhaustiveRouting(const RouteGraph& graph, double limit) {
  struct Place {
    int edge, strand, node;
  };
  std::vector<std::vector<Place>> at(graph.nodes.size());
  for (size_t e = 0; e < graph.edges.size(); ++e)
    for (int s = 0; s < graph.edges[e].strands; ++s)
      for (const int n : {graph.edges[e].a, graph.edges[e].b})
        at[static_cast<size_t>(n)].push_back({static_cast<int>(e), s, n});
  std::map<std::array<int, 3>, std::array<int, 2>> mate;
  Routing best;
  best.cost = 1e18;
  const auto judge = [&] {
    std::map<std::array<int, 3>, bool> used;
    std::vector<Walk> walks;
    size_t covered = 0;
    for (const auto& places : at)
      for (const Place& p : places) {
        if (mate.contains({p.node, p.edge, p.strand}) || used[{p.node, p.edge, p.strand}]) continue;
        Walk walk{p.node};
        used[{p.node, p.edge, p.strand}] = true;
        int n = p.node;
        std::array<int, 2> strand{p.edge, p.strand};
        for (;;) {
          const RouteEdge& edge = graph.edges[static_cast<size_t>(strand[0])];
          n = edge.a == n ? edge.b : edge.a;
          walk.push_back(n);
          ++covered;
          const auto next = mate.find({n, strand[0], strand[1]});
          if (next == mate.end()) break;
          strand = next->second;
        }
        used[{n, strand[0], strand[1]}] = true;
        walks.push_back(std::move(walk));
      }
    size_t strands = 0;
    for (const RouteEdge& e : graph.edges) strands += static_cast<size_t>(e.strands);
    if (covered != strands) return; // a ring
    for (const Walk& walk : walks)
      if (walkLength(graph, walk) > limit + 1e-9) return;
    const double cost = routingCost(graph, walks);
    if (cost < best.cost) best = {walks, cost};
  };
  const std::function<void(size_t)> each = [&](size_t n) {
    if (n == graph.nodes.size()) {
      judge();
      return;
    }
    std::vector<int> classes(at[n].size());
    std::iota(classes.begin(), classes.end(), 0);
    size_t steps = std::numeric_limits<size_t>::max();
    (void)Matching(
        classes,
        [&](const std::vector<int>& mates) {
          for (size_t i = 0; i < mates.size(); ++i)
            if (const auto j = static_cast<size_t>(mates[i]); j != i)
              mate[{static_cast<int>(n), at[n][i].edge, at[n][i].strand}] = {at[n][j].edge, at[n][j].strand};
          each(n + 1);
          for (const Place& p : at[n]) mate.erase({p.node, p.edge, p.strand});
        },
        steps)
        .run();
  };
  each(0);
  return best;
}

} // namespace columna
