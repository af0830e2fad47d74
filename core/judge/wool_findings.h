// What is to be looked at in the wool.
#pragma once

#include "plan/plan.h"

#include <vector>

namespace columna {

void lookAtWool(std::vector<Finding>& out, const Project& project, const Plan& plan);

} // namespace columna
