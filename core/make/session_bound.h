// How early the work could be done at all: what no order of it can undercut.
//
// A finish is refuted where some job would have to begin before it can, where the open minutes before it do
// not hold all work and the laying out that nothing avoids, or where one pair of hands that may break off
// anything at will, always at what has to be ready first, is late all the same (that rule is best of all for
// one worker: Horn, 1974). The least finish that is not refuted is the bound.
#pragma once

#include "make/open_time.h"
#include "make/worklist.h"

namespace columna {

struct FinishBound {
  int finish = OpenTime::kNever; ///< no order ends before; kNever where the time does not hold the work
  std::vector<int> latest;       ///< the moment each job has to begin at the latest to end by then
};

/// A worklist without a ring.
[[nodiscard]] FinishBound finishBound(const Worklist& list, const Links& links, const OpenTime& time);

} // namespace columna
