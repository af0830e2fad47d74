// Feet for an animal whose head file is not there: as large as what its legs stand on, of the kind its family
// has.
#pragma once

#include "anatomy/figure.h"
#include "head/foot_pattern.h"

namespace columna {

/// `unit` is the pattern's figure in modules, `headLength` modules. Sizes are those of the legs' own tubes
/// where they touch the ground; kind and toes follow the family and the toes the pattern tells, as a rule of
/// thumb [E]. Legs that do not reach the ground get none. Toes and pads are laid out by kind.
[[nodiscard]] HeadFeet genericFeet(const Pattern& pattern, const Figure& unit, double headLength);

} // namespace columna
