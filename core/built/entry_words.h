// An entry of the record in words.
#pragma once

#include "anatomy/figure.h"
#include "make/journal.h"
#include "steps/step.h"

namespace columna {

/// "done: wind the trunk", "3.8 g weighed: skin over the neck", a note as it was written. `step` is what it
/// is of; null where the plan has no such step. Parts that were measured are called by the figure's names.
[[nodiscard]] Said entryWords(const Entry& entry, const Step* step, const Figure* figure = nullptr);

} // namespace columna
