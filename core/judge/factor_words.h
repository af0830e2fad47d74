// Factors and counts in the maker's words.
#pragma once

#include "words/said.h"

namespace columna {

/// "2.4", "31", "over 99": a factor's figure, whole from ten on.
[[nodiscard]] Said factorSaid(double factor);

/// How often something is bent: "0.4", "31", "over 1000".
[[nodiscard]] Said bendsSaid(double bends);

} // namespace columna
