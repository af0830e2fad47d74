// One good pairing of the strands that meet at a point, where there are too many to try them all.
#pragma once

#include "wire/route.h"

#include <vector>

namespace columna {

/// One end of a strand at a node.
struct StrandEnd {
  int edge = 0; ///< place among the node's edges
  int path = 0; ///< path it belongs to; -1 for one that goes out
};

/// A pairing that turns little: the straightest first, the same on both sides; what is left over folds back
/// or ends. `towards` is the way of each edge from the node; `image` of each edge the one it is mirrored to,
/// empty for no matter. Of each end the one it is paired with, itself when it ends. No path is closed to a
/// ring.
[[nodiscard]] std::vector<int> straightestPairing(PointKind kind, const std::vector<StrandEnd>& ends,
                                                  const std::vector<Vec3>& towards,
                                                  const std::vector<int>& image);

} // namespace columna
