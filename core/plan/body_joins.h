// How parts are held to the body where no wire of theirs does it.
#pragma once

#include "plan/plan.h"

namespace columna {

/// Joins that go with the construction, or with how a limb is held, rather than with a piece: thread,
/// skewers, a spine pin to the head, a glue stay at the hips, the tail as third foot. Sizes by the plan's
/// bench rules.
void bodyJoins(const Project& project, Plan& plan);

} // namespace columna
