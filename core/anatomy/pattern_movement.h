// The part of a pattern file that says how the animal moves and what is known of it: hinges, limits, poses,
// facts, and the constructions that suit. Used by the pattern reader only.
#pragma once

#include "anatomy/pattern_fields.h"

namespace columna {

/// Reads into `p`, whose bones and limbs are there already. Throws PatternFields::Bad.
void readMovement(const PatternFields& fields, const nlohmann::json& root, Pattern& p);

} // namespace columna
