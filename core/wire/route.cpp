#include "wire/route.h"

#include "wire/matching.h"
#include "wire/straightest.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <numeric>
#include <optional>

namespace columna {
namespace {

constexpr size_t kTies = 6; ///< routings of equal cost kept at each node
/// Pairings looked at in one node, some tens of milliseconds of them. Every shipped animal needs fewer in
/// every construction; many four-stranded limbs that meet in one place need more than there is time for.
constexpr size_t kSteps = 60000;

/// What leaves a node towards its parent: so many open strands. Strands that are joined further out come as
/// pairs, first in order; of every path the length so far.
struct State {
  std::vector<double> pairs, singles;
  double cost = 0;
  std::vector<int> from;                   ///< entry taken of each child
  std::vector<std::pair<int, int>> joined; ///< ends paired at the node; an end alone has itself
  std::vector<int> out;                    ///< which outgoing end each place of the state is

  [[nodiscard]] size_t strands() const { return 2 * pairs.size() + singles.size(); }
};

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
      const std::vector<State>& top = solve(static_cast<int>(n), -1);
      std::vector<Routing> next;
      for (const Routing& begun : all)
        for (const State& state : top) {
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
  const std::vector<State>& solve(int n, int parent) {
    const std::vector<int> kids = children(n, parent);
    std::vector<const std::vector<State>*> tables;
    tables.reserve(kids.size());
    for (const int e : kids) tables.push_back(&solve(other(e, n), e));
    // A limit that not even an end leaves room for has no routing at all.
    if (std::any_of(tables.begin(), tables.end(), [](const auto* table) { return table->empty(); }))
      return tables_[static_cast<size_t>(n)];
    std::vector<State> found;
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

  /// Strands that meet in a node: those that come in with the chosen states of its branches, and those that
  /// go out towards the rest.
  struct Meeting {
    const RouteNode* node = nullptr;
    std::vector<StrandEnd> ends;
    std::vector<double> lengths; ///< of the paths that come in
    std::vector<int> classes;    ///< ends that are alike have the same
    double base = 0;             ///< what the branches cost
    size_t incoming = 0;         ///< ends of these, the first
    size_t places = 0;           ///< stretches that meet
    std::vector<Vec3> towards;   ///< one a stretch
    std::vector<int> image;      ///< the stretch each is mirrored to; empty off the middle
  };

  [[nodiscard]] Meeting meet(int n, int parent, const std::vector<int>& kids,
                             const std::vector<const std::vector<State>*>& tables,
                             const std::vector<int>& pick) const {
    Meeting m;
    m.node = &graph_.nodes[static_cast<size_t>(n)];
    int fresh = 0;
    for (size_t k = 0; k < kids.size(); ++k) {
      const State& state = (*tables[k])[static_cast<size_t>(pick[k])];
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

  /// What is known once the ends are joined so; nothing for a way that makes no piece, is not mirrored, or is
  /// too long.
  [[nodiscard]] std::optional<State> joined(const Meeting& m, const std::vector<int>& mates) const {
    if (!m.image.empty() && !alike(mates, m.ends, m.image)) return std::nullopt;
    State state;
    state.cost = m.base;
    std::vector<double> length = m.lengths;
    std::vector<int> group(m.lengths.size());
    std::iota(group.begin(), group.end(), 0);
    const std::function<int(int)> find = [&](int p) {
      return group[static_cast<size_t>(p)] == p ? p : find(group[static_cast<size_t>(p)]);
    };
    std::vector<int> link(m.places);
    std::iota(link.begin(), link.end(), 0);
    const std::function<int(int)> linked = [&](int p) {
      return link[static_cast<size_t>(p)] == p ? p : linked(link[static_cast<size_t>(p)]);
    };
    std::vector<std::pair<double, std::pair<int, int>>> pairs;
    std::vector<std::pair<double, int>> outgoing; // single strands that begin here
    std::vector<std::pair<int, int>> continues;   // path, outgoing end
    for (size_t i = 0; i < mates.size(); ++i) {
      const auto j = static_cast<size_t>(mates[i]);
      if (j < i) continue;
      state.joined.emplace_back(static_cast<int>(i), static_cast<int>(j));
      const bool in = i < m.incoming;
      if (i == j) {
        state.cost += kPieceCost / 2 + endCost(m.node->kind);
        if (in)
          length[static_cast<size_t>(find(m.ends[i].path))] += m.node->endTakes;
        else
          outgoing.emplace_back(m.node->endTakes, static_cast<int>(i));
        continue;
      }
      const bool fold = m.ends[i].edge == m.ends[j].edge;
      state.cost += fold ? foldCost(m.node->kind)
                         : bendAngle(-m.towards[static_cast<size_t>(m.ends[i].edge)],
                                     m.towards[static_cast<size_t>(m.ends[j].edge)]);
      const double takes = fold ? m.node->foldTakes : 0;
      if (!fold) link[static_cast<size_t>(linked(m.ends[i].edge))] = linked(m.ends[j].edge);
      if (!in) { // both go out: joined at this end
        pairs.push_back({takes, {static_cast<int>(i), static_cast<int>(j)}});
      } else if (j < m.incoming) {
        const int a = find(m.ends[i].path);
        const int b = find(m.ends[j].path);
        if (a == b) return std::nullopt; // a ring is no piece
        group[static_cast<size_t>(b)] = a;
        length[static_cast<size_t>(a)] += length[static_cast<size_t>(b)] + takes;
      } else {
        continues.emplace_back(m.ends[i].path, static_cast<int>(j));
      }
    }
    int parts = 0;
    for (size_t k = 0; k < m.places; ++k) parts += linked(static_cast<int>(k)) == static_cast<int>(k) ? 1 : 0;
    if (parts > 1) state.cost += kLashingCost * (parts - 1);
    // Paths that go on: with one end out a single, with both a pair.
    std::map<int, std::vector<int>> on;
    for (const auto& [path, end] : continues) on[find(path)].push_back(end);
    if (limited_)
      for (size_t p = 0; p < length.size(); ++p)
        if (find(static_cast<int>(p)) == static_cast<int>(p) && length[p] > limit_ + 1e-9)
          return std::nullopt;
    for (const auto& [path, out] : on) {
      const double so = length[static_cast<size_t>(path)];
      if (out.size() == 2)
        pairs.push_back({so, {out[0], out[1]}});
      else
        outgoing.emplace_back(so, out[0]);
    }
    std::sort(pairs.begin(), pairs.end());
    std::sort(outgoing.begin(), outgoing.end());
    for (const auto& [so, two] : pairs) {
      state.pairs.push_back(limited_ ? so : 0);
      state.out.push_back(two.first - static_cast<int>(m.incoming));
      state.out.push_back(two.second - static_cast<int>(m.incoming));
    }
    for (const auto& [so, one] : outgoing) {
      state.singles.push_back(limited_ ? so : 0);
      state.out.push_back(one - static_cast<int>(m.incoming));
    }
    return state;
  }

  void combine(int n, int parent, const std::vector<int>& kids,
               const std::vector<const std::vector<State>*>& tables, const std::vector<int>& pick,
               std::vector<State>& found, bool straightest) {
    const Meeting m = meet(n, parent, kids, tables, pick);
    const auto take = [&](const std::vector<int>& mates) {
      std::optional<State> state = joined(m, mates);
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

  /// Whether as many strands go from each edge to each as between their images, and as many end.
  [[nodiscard]] static bool alike(const std::vector<int>& mates, const std::vector<StrandEnd>& ends,
                                  const std::vector<int>& image) {
    const size_t edges = image.size();
    std::vector<int> count(edges * edges, 0);
    std::vector<int> loose(edges, 0);
    for (size_t i = 0; i < mates.size(); ++i) {
      const auto a = static_cast<size_t>(ends[i].edge);
      const auto j = static_cast<size_t>(mates[i]);
      if (i == j)
        ++loose[a];
      else
        ++count[a * edges + static_cast<size_t>(ends[j].edge)];
    }
    for (size_t a = 0; a < edges; ++a) {
      const auto ma = static_cast<size_t>(image[a]);
      if (loose[a] != loose[ma]) return false;
      for (size_t b = 0; b < edges; ++b)
        if (count[a * edges + b] != count[ma * edges + static_cast<size_t>(image[b])]) return false;
    }
    return true;
  }

  /// Keeps, of states with as many pairs, those no other beats in cost and in every length.
  void prune(std::vector<State>& states) const {
    std::stable_sort(states.begin(), states.end(),
                     [](const State& a, const State& b) { return a.cost < b.cost - 1e-9; });
    std::vector<State> kept;
    for (State& state : states) {
      size_t equal = 0;
      bool beaten = false;
      for (const State& k : kept) {
        if (k.pairs.size() != state.pairs.size()) continue;
        bool noLonger = true;
        for (size_t i = 0; i < k.pairs.size(); ++i)
          noLonger = noLonger && k.pairs[i] <= state.pairs[i] + 1e-9;
        for (size_t i = 0; i < k.singles.size(); ++i)
          noLonger = noLonger && k.singles[i] <= state.singles[i] + 1e-9;
        if (!noLonger) continue;
        if (k.cost < state.cost - 1e-9)
          beaten = true;
        else
          ++equal;
      }
      if (!beaten && equal < kTies) kept.push_back(std::move(state));
    }
    states = std::move(kept);
  }

  /// The strands of every stretch linked up, then followed from end to end.
  std::vector<Walk> walksOf(int root, const State& top) {
    using Strand = std::pair<int, int>;            // edge, which of its strands
    std::map<std::pair<int, Strand>, Strand> mate; // at a node: the strand it goes on as
    std::vector<std::pair<int, Strand>> loose;     // node and strand that ends there
    const std::function<void(int, int, const State&)> lay = [&](int n, int parent, const State& state) {
      const std::vector<int> kids = children(n, parent);
      std::vector<Strand> strand;
      for (size_t k = 0; k < kids.size(); ++k) {
        const int from = other(kids[k], n);
        const State& below = tables_[static_cast<size_t>(from)][static_cast<size_t>(state.from[k])];
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
  std::vector<std::vector<State>> tables_;
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
