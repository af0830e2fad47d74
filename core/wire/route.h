// From strands to pieces: the ways lengths of wire take through the skeleton so that every stretch carries
// exactly its strands.
//
// A routing is, at every point, a pairing of the strands that meet there: two that are paired are one wire
// passing through (or folded back, if both are of the same stretch), one that is not paired is an end. What a
// pairing costs is a sum over the points, so the least is found exactly by a dynamic programme from the tips
// inwards; the lengths of pieces are carried along only where a limit binds. Tests compare it with exhaustive
// enumeration.
#pragma once

#include "wire/construction.h"

#include <vector>

namespace columna {

/// What a point is to the wire that ends or folds there.
enum class PointKind {
  Foot, ///< the tip of a leg or arm: wire folds or ends well here
  Head, ///< the nose: folds well; an end there is close to the face
  Tip,  ///< any other tip: tail, wing, rump
  Root, ///< where the wire meets other wire or the body
  Joint ///< within: an end or a fold here weakens a loaded joint
};

struct RouteEdge {
  int a = 0, b = 0;  ///< nodes
  int strands = 1;   ///< up to 4
  double length = 0; ///< mm of wire a strand takes along it, twist included
};

struct RouteNode {
  Vec3 at{0, 0, 0};
  PointKind kind = PointKind::Joint;
  double endTakes = 0;  ///< mm of wire an end takes here
  double foldTakes = 0; ///< mm of wire a fold takes here
};

/// A forest: between two nodes there is at most one way.
struct RouteGraph {
  std::vector<RouteNode> nodes;
  std::vector<RouteEdge> edges;
  /// Of each node its mirror image, itself on the midline: pairings are then alike on both sides. Empty: no
  /// matter.
  std::vector<int> mirror;
};

/// One piece: the nodes it passes. A node twice over a neighbour means that it folds there.
using Walk = std::vector<int>;

struct Routing {
  std::vector<Walk> pieces;
  double cost = 0;
  bool proven = true; ///< none is cheaper; false where more strands met than there was time to try
};

/// Costs: half a piece for each end, and a lashing wherever stretches meet with no wire through; the rest
/// only decides between routings of as many pieces and lashings.
inline constexpr double kPieceCost = 200;
inline constexpr double kLashingCost = 200;
[[nodiscard]] double endCost(PointKind kind);
[[nodiscard]] double foldCost(PointKind kind);

/// The cost of given pieces, whatever they were found by: ends, folds, lashings, and a unit for each radian a
/// strand turns where it passes.
[[nodiscard]] double routingCost(const RouteGraph& graph, const std::vector<Walk>& pieces);

/// The wire a walk takes, mm, as far as the graph knows it.
[[nodiscard]] double walkLength(const RouteGraph& graph, const Walk& walk);

/// Whether pieces cover every edge by exactly its strands; the sentence says where they do not.
[[nodiscard]] std::optional<Said> routingProblem(const RouteGraph& graph, const std::vector<Walk>& pieces);

/// The routings of least cost with no piece over `limit` mm, up to `most` of them, in a fixed order. A
/// stretch longer than the limit is a piece of its own all the same (it is to be spliced). Where some twenty
/// strands meet in one point not every way is tried, and `proven` is false. Empty only for a graph without
/// edges.
[[nodiscard]] std::vector<Routing> bestRoutings(const RouteGraph& graph, double limit, size_t most = 6);

/// The same by trying every pairing at every node: for tests on small graphs.
[[nodiscard]] Routing exhaustiveRouting(const RouteGraph& graph, double limit);

} // namespace columna
