// What the router knows at a node: which strands are joined, which go on, how long their paths are by now,
// and what it costs.
#pragma once

#include "wire/route.h"
#include "wire/straightest.h"

#include <optional>
#include <utility>
#include <vector>

namespace columna {

/// What leaves a node towards its parent: so many open strands. Strands that are joined further out come as
/// pairs, first in order; of every path the length so far.
struct RouteState {
  std::vector<double> pairs, singles;
  double cost = 0;
  std::vector<int> from;                   ///< entry taken of each child
  std::vector<std::pair<int, int>> joined; ///< ends paired at the node; an end alone has itself
  std::vector<int> out;                    ///< which outgoing end each place of the state is

  [[nodiscard]] size_t strands() const { return 2 * pairs.size() + singles.size(); }
};

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

/// What is known once the ends are joined so (`mates[i]` is the end that end i goes on as, itself where it
/// stops); nothing for a way that makes no piece, is not mirrored, or is longer than the limit. Lengths are
/// kept only under a limit.
[[nodiscard]] std::optional<RouteState> joined(const Meeting& meeting, const std::vector<int>& mates,
                                               std::optional<double> limit);

/// Keeps, of states with as many pairs, those no other beats in cost and in every length.
void prune(std::vector<RouteState>& states);

} // namespace columna
