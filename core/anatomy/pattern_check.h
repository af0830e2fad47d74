// Checks a pattern for what a reader cannot know to be wrong but an eye would: parts that hang free, chains
// that cross, girths that jump, feet off the ground, unlikely ratios.
#pragma once

#include "anatomy/pattern.h"

namespace columna {

/// One sentence each (where: the bone, limb or flat part), worst first; empty when there is nothing to mend.
/// Bounds: a bone or flat part further from what carries it than both are thick; a left chain across the
/// midline, or two wired chains whose middles meet where no joint is; girths at a shared joint that differ by
/// more than a third; a foot more than 3 % of the height off the ground (patterns that stand); head, neck,
/// leg and tail to trunk beyond what any creature here has, doubled; a coat thicker than the trunk's radius;
/// limits without the neutral stance are refused by the reader already.
[[nodiscard]] std::vector<Problem> checkPattern(const Pattern& pattern);

} // namespace columna
