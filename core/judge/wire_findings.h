// What is to be looked at in the wire as a whole: pieces, stock, numbers of wires, construction.
#pragma once

#include "plan/plan.h"

namespace columna {

void lookAtWire(std::vector<Finding>& out, const Project& project, const Plan& plan);

/// A construction that is not for this body or this use.
void lookAtConstruction(std::vector<Finding>& out, const Project& project, const Plan& plan);

} // namespace columna
