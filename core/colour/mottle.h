// How often a stack of wools is pulled apart and laid together until no streak is seen.
#pragma once

#include "colour/colour_rules.h"

namespace columna {

struct Pulls {
  double finest = 0;       ///< mm: streaks finer than this are not seen
  int even = 0;            ///< pulls until it looks even
  int least = 0, most = 0; ///< for a hand that doubles the layers, and one that hardly does
};

enum class Streaks { Striped, Streaky, Mottled, Even };
[[nodiscard]] Streaks streaksAfter(int pulls, const Pulls& of);

/// Of the brightness of two wools, 0 to 1 each: 0 where they are alike.
[[nodiscard]] double contrastOf(double brightness, double other);

/// A stack `high` mm as it would be felted, of so many layers (2 or more), wools of that contrast side by
/// side. The eye's finest detail by its contrast sensitivity, falling exponentially with frequency.
[[nodiscard]] Pulls pullsFor(double high, int layers, double contrast, const ColourRules& rules);

} // namespace columna
