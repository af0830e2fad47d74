// What a maker calls a figure's joints.
#pragma once

#include "anatomy/figure.h"

namespace columna {

/// Names every joint of the figure: as its pattern does, with the side; and where that has no name for it by
/// its place in its limb, "2nd joint of the left foreleg".
void nameJoints(Figure& figure, const Pattern& pattern);

/// The pattern's name of a joint that may have its side before it: "elbow" of "left-elbow".
[[nodiscard]] std::string withoutSide(const Pattern& pattern, const std::string& joint);

} // namespace columna
