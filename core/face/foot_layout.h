// A foot of which a file gives no more than its kind: how such feet are laid out as a rule. After track
// guides and farriers' books, within 15 % [E]; a file that has pads, toes or an outline of its own goes
// before it.
#pragma once

#include "head/foot_pattern.h"

namespace columna {

/// The foot with an outline, toes, webs, pads and claws where it has none of them; the very same where it has
/// any.
[[nodiscard]] FootPattern laidOut(FootPattern foot);

} // namespace columna
