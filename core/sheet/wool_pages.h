// The wool's pages of the sheet: what to weigh in the order of the work, a paper tape for each limb with a
// notch at every girth, and the pads at true size.
#pragma once

#include "plan/plan.h"
#include "sheet/filler.h"
#include "wool/build_up.h"

#include <vector>

namespace columna {

/// One portion a line with what it is made of and a box to tick; how to wind, needle and leave ends;
/// cautions.
void portions(Filler& pages, const Plan& plan);

/// What a portion is made of: its strips, a pad's size as rolled, tufts. May be empty.
[[nodiscard]] Said portionWords(const Plan& plan, const BuildStep& step);
/// What is to be known on winding a limb: how long it begins, its loose end, how deep to needle, where wire
/// is near. May be empty.
[[nodiscard]] Said windingWords(const Plan& plan, size_t limb);

/// A tape a limb (of twins one) to cut out and lay round: its end laid on a notch shows that the girth is
/// reached. Solid notches felted, open ones with the coat on. Tapes longer than the paper go on in a second
/// row to be glued on, overlapping by kTapeOverlap.
void tapes(Filler& pages, const Plan& plan);

/// Every pad from above at true size, with its thickness along its length.
void padOutlines(Filler& pages, const Plan& plan);

inline constexpr double kTapeOverlap = 10; ///< mm

} // namespace columna
