// What is larger than the paper, at true size over as many sheets as it takes.
#pragma once

#include "sheet/marks.h"

namespace columna {

/// Tiles overlap by so much, so that they can be glued over each other's edge.
inline constexpr double kTileOverlap = 10;

/// A drawing from its top left corner, y down, mm.
struct Drawn {
  std::vector<Mark> marks;
  double wide = 0, high = 0;
};

/// Sheets A1, A2, B1 and so on, upright or on their side, whichever needs fewer, each with ticks where the
/// next one's edge lies and a bar to check. `title` heads each, `tells` is said under it.
[[nodiscard]] std::vector<Page> tiled(const Drawn& drawn, const Said& title, const Said& tells, Paper paper,
                                      const Manner& manner);

/// How many sheets that takes.
[[nodiscard]] int tilesOf(const Drawn& drawn, Paper paper);

} // namespace columna
