// A group's stretches as the router sees them: nodes with their kinds, edges with strands and lengths.
#pragma once

#include "wire/piece.h"

#include <map>

namespace columna {

struct GroupGraph {
  RouteGraph graph;
  std::vector<int> point;                               ///< skeleton point of each node
  std::vector<int> limbAt;                              ///< limb whose tip a node is, -1
  std::map<std::pair<int, int>, StrandSegment> segment; ///< by the nodes at its ends, the lesser first
};

[[nodiscard]] GroupGraph groupGraph(const Figure& figure, const WireSkeleton& skeleton,
                                    const WireGroup& group, const WireSection& wire, const Allowances& allow);

/// Whether a limb of the group leaves the body at a point.
[[nodiscard]] bool isRootOf(const WireSkeleton& skeleton, const WireGroup& group, int point);

/// Each point's mirror image, itself on the midline.
[[nodiscard]] std::vector<int> mirroredPoints(const WireSkeleton& skeleton);

} // namespace columna
