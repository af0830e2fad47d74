// A route changed by hand: one end of a piece moved to another joint.
#pragma once

#include "measure/result.h"
#include "wire/construction.h"

#include <string>
#include <vector>

namespace columna {

/// Pieces of a group as point ids, each in the order its wire passes them.
using Routes = std::vector<std::vector<std::string>>;

/// The routes with one end of a piece moved to `to` (a point of the group) along the skeleton. Where it draws
/// back, what it leaves becomes a piece of its own; where it goes on over another piece's end, that one draws
/// back. Errors: a point that is none of the group's, a stretch that has all its strands already.
[[nodiscard]] Result<Routes> withEndMoved(const WireSkeleton& skeleton, const WireGroup& group,
                                          const Routes& routes, size_t piece, bool atEnd, int to);

} // namespace columna
