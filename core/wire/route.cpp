#include "wire/route.h"

#include "wire/matching.h"
#include "wire/route_state.h"
#include "wire/straightest.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <numeric>
#include <optional>

namespace columna {
namespace {

/// Pairings looked at in one node, some tens of milliseconds of them. Every shipped animal needs fewer in
/// every construction; many four-stranded limbs that meet in one place need more than there is time for.
constexpr size_t kSteps = 60000;

class Router {
public:
  Router(const RouteGraph& graph, double limit, bool limited)
      : graph_(graph), limit_(limit), limited_(limited), edges_(graph.nodes.size()) {
    for (size_t e = 0; e < graph.edges.size(); ++e) {
      edges_[static_cast<size_t>(graph.edges[e].a)].push_back(static_cast<int>(e));
      edges_[static_cast<size_t>(graph.edges[e].b)].push_back(static_cast<int>(e));
    }
  }

  std::vector<Routing> run(size_t most) {
    // Every part of the forest on its own; their routings are put together.
    std::vector<Routing> all{{}};
    std::vector<bool> seen(graph_.nodes.size(), false);
    for (size_t n = 0; n < graph_.nodes.size(); ++n) {
      if (seen[n] || edges_[n].empty()) continue;
      mark(static_cast<int>(n), seen);
      tables_.assign(graph_.nodes.size(), {});
      const std::vector<RouteState>& top = solve(static_cast<int>(n), -1);
      std::vector<Routing> next;
      for (const Routing& begun : all)
        for (const RouteState& state : top) {
          if (next.size() >= most) break;
          Routing whole = begun;
          whole.cost += state.cost;
          for (Walk& walk : walksOf(static_cast<int>(n), state)) whole.pieces.push_back(std::move(walk));
          next.push_back(std::move(whole));
        }
      all = std::move(next);
    }
    for (Routing& each : all) each.proven = every_;
    return all;
  }

private:
  [[nodiscard]] int other(int e, int n) const {
    const RouteEdge& edge = graph_.edges[static_cast<size_t>(e)];
    return edge.a == n ? edge.b : edge.a;
  }

  void mark(int n, std::vector<bool>& seen) const {
    seen[static_cast<size_t>(n)] = true;
    for (const int e : edges_[static_cast<size_t>(n)])
      if (const int next = other(e, n); !seen[static_cast<size_t>(next)]) mark(next, seen);
  }

  [[nodiscard]] std::vector<int> children(int n, int parent) const {
    std::vector<int> out;
    for (const int e : edges_[static_cast<size_t>(n)])
      if (e != parent) out.push_back(e);
    return out;
  }

  /// All states worth keeping at a node, cheapest first.
  const std::vector<RouteState>& solve(int n, int parent) {
    const std::vector<int> kids = children(n, parent);
    std::vector<const std::vector<RouteState>*> tables;
    tables.reserve(kids.size());
    for (const int e : kids) tables.push_back(&solve(other(e, n), e));
    // A limit that not even an end leaves room for has no routing at all.
    if (std::any_of(tables.begin(), tables.end(), [](const auto* table) { return table->empty(); }))
      return tables_[static_cast<size_t>(n)];
    std::vector<RouteState> found;
    std::vector<int> pick(kids.size(), 0);
    steps_ = kSteps;
    for (;;) {
      combine(n, parent, kids, tables, pick, found, false);
      if (steps_ == 0) { // too many ways: the straightest one, and whatever was found by then
        every_ = false;
        std::fill(pick.begin(), pick.end(), 0);
        combine(n, parent, kids, tables, pick, found, true);
        break;
      }
      size_t k = 0;
      while (k < kids.size() && ++pick[k] == static_cast<int>(tables[k]->size())) pick[k++] = 0;
      if (k == kids.size()) break;
    }
    prune(found);
    tables_[static_cast<size_t>(n)] = std::move(found);
    return tables_[static_cast<size_t>(n)];
  }

  [[nodiscard]] Meeting meet(int n, int parent, const std::vector<int>& kids,
                             const std::vector<const std::vector<RouteState>*>& tables,
                             const std::vector<int>& pick) const {
    Meeting m;
    m.node = &graph_.nodes[static_cast<size_t>(n)];
    int fresh = 0;
    for (size_t k = 0; k < kids.size(); ++k) {
      const RouteState& state = (*tables[k])[static_cast<size_t>(pick[k])];
      m.base += state.cost;
      const double step = graph_.edges[static_cast<size_t>(kids[k])].length;
      for (const double pair : state.pairs) {
        const int path = static_cast<int>(m.lengths.size());
        m.lengths.push_back(pair + 2 * step);
        for (int side = 0; side < 2; ++side) {
          m.ends.push_back({static_cast<int>(k), path});
          m.classes.push_back(fresh++);
        }
      }
      double last = -1;
      for (const double single : state.singles) {
        m.lengths.push_back(single + step);
        m.ends.push_back({static_cast<int>(k), static_cast<int>(m.lengths.size()) - 1});
        // Strands of one stretch that come as long are alike.
        const bool alike = last >= 0 && std::abs(single - last) < 1e-9;
        m.classes.push_back(alike ? fresh - 1 : fresh++);
        last = single;
      }
    }
    m.incoming = m.ends.size();
    if (parent >= 0) {
      for (int s = 0; s < graph_.edges[static_cast<size_t>(parent)].strands; ++s) {
        m.ends.push_back({static_cast<int>(kids.size()), -1});
        m.classes.push_back(fresh);
      }
    }
    m.places = kids.size() + (parent >= 0 ? 1 : 0);
    for (size_t k = 0; k < m.places; ++k) {
      const int e = k < kids.size() ? kids[k] : parent;
      m.towards.push_back(graph_.nodes[static_cast<size_t>(other(e, n))].at - m.node->at);
    }
    m.image = images(n, kids, parent);
    return m;
  }

  void combine(int n, int parent, const std::vector<int>& kids,
               const std::vector<const std::vector<RouteState>*>& tables, const std::vector<int>& pick,
               std::vector<RouteState>& found, bool straightest) {
    const Meeting m = meet(n, parent, kids, tables, pick);
    const auto take = [&](const std::vector<int>& mates) {
      std::optional<RouteState> state = joined(m, mates, limited_ ? std::optional(limit_) : std::nullopt);
      if (!state) return;
      state->from = pick;
      found.push_back(*std::move(state));
    };
    if (straightest) {
      std::vector<int> alone(m.ends.size());
      std::iota(alone.begin(), alone.end(), 0);
      take(alone);
      take(straightestPairing(m.node->kind, m.ends, m.towards, m.image));
      return;
    }
    (void)Matching(m.classes, take, steps_).run();
    if (found.size() > 4096) prune(found);
  }

  /// Of each of a midline node's edges (the parent's last) the one it is mirrored to; empty elsewhere.
  [[nodiscard]] std::vector<int> images(int n, const std::vector<int>& kids, int parent) const {
    if (graph_.mirror.empty() || graph_.mirror[static_cast<size_t>(n)] != n) return {};
    std::vector<int> all = kids;
    if (parent >= 0) all.push_back(parent);
    std::vector<int> out(all.size(), -1);
    for (size_t i = 0; i < all.size(); ++i)
      for (size_t j = 0; j < all.size(); ++j)
        if (graph_.mirror[static_cast<size_t>(other(all[i], n))] == other(all[j], n))
          out[i] = static_cast<int>(j);
    if (std::find(out.begin(), out.end(), -1) != out.end()) return {};
    return out;
  }

  /// The strands of every stretch linked up, then followed from end to end.
  std::vector<Walk> walksOf(int root, const RouteState& top) {
    using Strand = std::pair<int, int>;            // edge, which of its strands
    std::map<std::pair<int, Strand>, Strand> mate; // at a node: the strand it goes on as
    std::vector<std::pair<int, Strand>> loose;     // node and strand that ends there
    const std::function<void(int, int, const RouteState&)> lay = [&](int n, int parent,
                                                                     const RouteState& state) {
      const std::vector<int> kids = children(n, parent);
      std::vector<Strand> strand;
      for (size_t k = 0; k < kids.size(); ++k) {
        const int from = other(kids[k], n);
        const RouteState& below = tables_[static_cast<size_t>(from)][static_cast<size_t>(state.from[k])];
        lay(from, kids[k], below);
        for (size_t s = 0; s < below.strands(); ++s) strand.emplace_back(kids[k], static_cast<int>(s));
      }
      if (parent >= 0) {
        const size_t incoming = strand.size();
        strand.resize(incoming + state.out.size());
        for (size_t place = 0; place < state.out.size(); ++place)
          strand[incoming + static_cast<size_t>(state.out[place])] = {parent, static_cast<int>(place)};
      }
      for (const auto& [i, j] : state.joined) {
        const Strand& a = strand[static_cast<size_t>(i)];
        const Strand& b = strand[static_cast<size_t>(j)];
        if (i == j) {
          loose.emplace_back(n, a);
        } else {
          mate[{n, a}] = b;
          mate[{n, b}] = a;
        }
      }
    };
    lay(root, -1, top);
    std::vector<Walk> walks;
    std::map<std::pair<int, Strand>, bool> used;
    for (const auto& [start, first] : loose) {
      if (used[{start, first}]) continue;
      Walk walk{start};
      int at = start;
      Strand strand = first;
      used[{start, first}] = true;
      for (;;) {
        at = other(strand.first, at);
        walk.push_back(at);
        const auto next = mate.find({at, strand});
        if (next == mate.end()) break;
        strand = next->second;
      }
      used[{at, strand}] = true;
      walks.push_back(std::move(walk));
    }
    return walks;
  }

  const RouteGraph& graph_;
  double limit_;
  bool limited_;
  bool every_ = true; ///< no node had more ways than could be looked at
  size_t steps_ = 0;  ///< left at the node
  std::vector<std::vector<int>> edges_;
  std::vector<std::vector<RouteState>> tables_;
};

} // namespace

std::vector<Routing> bestRoutings(const RouteGraph& whole, double limit, size_t most) {
  if (whole.edges.empty()) return {};
  // A stretch that is too long by itself is to be spliced; it fills a piece, and nothing is added to it.
  RouteGraph graph = whole;
  for (RouteEdge& e : graph.edges)
    e.length = std::min(e.length, std::max(0.0, limit - graph.nodes[static_cast<size_t>(e.a)].endTakes -
                                                    graph.nodes[static_cast<size_t>(e.b)].endTakes));
  // Without the limit it is quick, and if every piece keeps within it nothing cheaper exists with it.
  std::vector<Routing> free = Router(graph, limit, false).run(most);
  std::erase_if(free, [&](const Routing& r) {
    return std::any_of(r.pieces.begin(), r.pieces.end(),
                       [&](const Walk& w) { return walkLength(graph, w) > limit; });
  });
  if (!free.empty()) return free;
  std::vector<Routing> limited = Router(graph, limit, true).run(most);
  if (!limited.empty()) return limited;
  // Nothing fits: every stretch is a piece by itself, and what is too long is spliced.
  Routing apart;
  for (const RouteEdge& edge : graph.edges)
    for (int s = 0; s < edge.strands; ++s) apart.pieces.push_back({edge.a, edge.b});
  apart.cost = routingCost(graph, apart.pieces);
  return {apart};
}

} // namespace columna
