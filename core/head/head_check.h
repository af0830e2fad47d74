// Checks a head for what a reader cannot know to be wrong but an eye would.
#pragma once

#include "head/head_pattern.h"

namespace columna {

/// One sentence each (where: the part); empty when there is nothing to mend. Looked for: a feature blended
/// one and a half times as wide as it is thick, or that changes nothing where it lies; a head that does not
/// reach from 0 to 1; an eye sunk so that it falls out or hardly shows, or that meets its twin; a flat part
/// whose base hangs free of the head; a length in life outside its own range; more toes than digits. Of
/// variants what is wrong with them alone.
[[nodiscard]] std::vector<Problem> checkHead(const HeadPattern& head);

/// The same of where it sits on its pattern: a bone or joint that is not there; the tip of the skull's axis
/// farther than a fifth of the head from the joint it runs to.
[[nodiscard]] std::vector<Problem> checkSeat(const HeadPattern& head, const Pattern& pattern);

} // namespace columna
