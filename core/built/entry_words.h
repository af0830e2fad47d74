// An entry of the record in words.
#pragma once

#include "make/journal.h"
#include "steps/step.h"

namespace columna {

/// "done: wind the trunk", "3.8 g weighed: skin over the neck", a note as it was written. `step` is what it
/// is of; null where the plan has no such step.
[[nodiscard]] Said entryWords(const Entry& entry, const Step* step);

} // namespace columna
