// Hair and feathers of a head as the rows they are laid in: where their roots run, and how long they are.
#pragma once

#include "anatomy/worn_head.h"
#include "head/head_field.h"

namespace columna {

/// All of them, head modules, in the order they are laid: from behind forwards, so that each row covers the
/// roots of the one before, and of rings the outer one first. Roots that are on the surface are measured
/// along it. `field`: of the same head, of any length.
[[nodiscard]] std::vector<HeadRow> rowsOf(const HeadPattern& head, const HeadField& field);

} // namespace columna
