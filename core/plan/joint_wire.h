// What wire takes at the joints, as weight.
#pragma once

#include "plan/plan.h"

namespace columna {

/// Adds a weight (g) at a place to what a bone carries.
void addWeight(BoneMass& mass, double grams, const Vec3& at);

/// Of each bone: what folds, loops, laps, lashings and digits take of the plan's pieces weighs where it is
/// made, and is carried with the bone there.
[[nodiscard]] std::vector<BoneMass> wireAtJoints(const Plan& plan);

} // namespace columna
