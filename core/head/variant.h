// The same animal as another sex, breed or colour has it.
#pragma once

#include "head/head_pattern.h"

#include <string_view>

namespace columna {

/// The variant of that id; null where the head has none such.
[[nodiscard]] const HeadVariant* variantOf(const HeadPattern& head, std::string_view id);

/// The head as that variant of it: parts left out, replaced in their place or put at the end of theirs,
/// colours changed. It is still told by the head's own id and keeps its list of variants.
[[nodiscard]] HeadPattern inVariant(HeadPattern head, const HeadVariant& variant);

/// The hair as single rows: an area as those it is laid in, between its two edges and both of them, its count
/// shared out among them (one a row at least); what is no area as it is.
[[nodiscard]] std::vector<HeadHair> laidRows(const HeadHair& hair);

} // namespace columna
