// A round head for an animal that has none of its own yet.
#pragma once

#include "head/head_pattern.h"

namespace columna {

/// An egg as long, wide and deep as the tubes of the pattern's head bones, with the pattern's own eyes and a
/// small nose. Nothing where the pattern has no head, or wears one.
[[nodiscard]] std::optional<HeadPattern> genericHead(const Pattern& pattern);

} // namespace columna
