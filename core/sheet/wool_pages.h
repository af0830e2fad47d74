// The wool's pages of the sheet: what to weigh in the order of the work, a paper tape for each limb with a
// notch at every girth, and the pads at true size.
#pragma once

#include "project/plan.h"
#include "sheet/page.h"

#include <vector>

namespace columna {

/// One heap a line with what it is made of and a box to tick; how to wind, needle and leave ends; cautions.
[[nodiscard]] std::vector<Page> weighPages(const Project& project, const Plan& plan, Paper paper);

/// A tape a limb (of twins one) to cut out and lay round: its end laid on a notch shows that the girth is
/// reached. Solid notches felted, open ones with the coat on. Tapes longer than the paper go on in a second
/// row to be glued on, overlapping by kTapeOverlap.
[[nodiscard]] std::vector<Page> tapePages(const Project& project, const Plan& plan, Paper paper);

/// Every pad from above at true size, with its thickness along its length.
[[nodiscard]] std::vector<Page> padPages(const Project& project, const Plan& plan, Paper paper);

/// The three together.
[[nodiscard]] std::vector<Page> woolPages(const Project& project, const Plan& plan, Paper paper);

inline constexpr double kTapeOverlap = 10; ///< mm

} // namespace columna
