// The face on the sheet: the head map at true size, the pins with room for what is measured, ears, soles, and
// pads in the order of work.
#pragma once

#include "judge/face_sums.h"
#include "sheet/filler.h"

namespace columna {

/// Nothing where the animal has no head of its own. What is larger than the paper is returned over sheets of
/// its own.
[[nodiscard]] std::vector<Page> facePages(Filler& pages, const Project& project, const Plan& plan,
                                          const Catalog& catalog, Paper paper);

} // namespace columna
