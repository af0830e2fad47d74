#include "wire/route_state.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <numeric>

namespace columna {
namespace {

constexpr size_t kTies = 6; ///< routings of equal cost kept at each node

/// Whether as many strands go from each edge to each as between their images, and as many end.
bool alike(const std::vector<int>& mates, const std::vector<StrandEnd>& ends, const std::vector<int>& image) {
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

} // namespace

std::optional<RouteState> joined(const Meeting& m, const std::vector<int>& mates,
                                 std::optional<double> limit) {
  if (!m.image.empty() && !alike(mates, m.ends, m.image)) return std::nullopt;
  RouteState state;
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
  if (limit)
    for (size_t p = 0; p < length.size(); ++p)
      if (find(static_cast<int>(p)) == static_cast<int>(p) && length[p] > *limit + 1e-9) return std::nullopt;
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
    state.pairs.push_back(limit ? so : 0);
    state.out.push_back(two.first - static_cast<int>(m.incoming));
    state.out.push_back(two.second - static_cast<int>(m.incoming));
  }
  for (const auto& [so, one] : outgoing) {
    state.singles.push_back(limit ? so : 0);
    state.out.push_back(one - static_cast<int>(m.incoming));
  }
  return state;
}

void prune(std::vector<RouteState>& states) {
  std::stable_sort(states.begin(), states.end(),
                   [](const RouteState& a, const RouteState& b) { return a.cost < b.cost - 1e-9; });
  std::vector<RouteState> kept;
  for (RouteState& state : states) {
    size_t equal = 0;
    bool beaten = false;
    for (const RouteState& k : kept) {
      if (k.pairs.size() != state.pairs.size()) continue;
      bool noLonger = true;
      for (size_t i = 0; i < k.pairs.size(); ++i) noLonger = noLonger && k.pairs[i] <= state.pairs[i] + 1e-9;
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

} // namespace columna
