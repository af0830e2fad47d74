// The working of a number: the sum as one would do it on paper, and where its constants come from.
#pragma once

#include "words/said.h"

#include <vector>

namespace columna {

/// One line of a working, e.g. "leaning 15 %, per foot", "0.15 x 1.12 x 58 / 4", "2.44 N mm".
struct WorkingLine {
  Said words;  ///< what the line computes, in the maker's terms
  Said sum;    ///< the sum with its figures put in; may be empty
  Said result; ///< the result with its unit
};

/// How a number came about. The last line is the number itself.
struct Working {
  Said title;                     ///< what is explained: "why 339"
  std::vector<WorkingLine> lines; ///< in order; the last one is ruled off
  Said source;                    ///< where the constants come from, and how sure they are
};

} // namespace columna
