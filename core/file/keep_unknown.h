// Keys of a project's JSON that this program does not know: of a later version, or of another program. They
// survive being read and written, at every level.
#pragma once

#include <nlohmann/json_fwd.hpp>

namespace columna {

/// Puts what of `before` (as it was read) is unknown into `now` (as it is written): in groups where they are,
/// in lists to the entry that is the same by what it is known by (a wire by its name, a photo by its entry).
/// An entry that is gone takes its unknown keys along.
void keepUnknown(const nlohmann::json& before, nlohmann::json& now);

} // namespace columna
