// Projects of earlier versions, brought to today's form before they are read. A version's number goes up when
// a field changes its name or meaning; a new field that may be missing needs none. Each kept file in
// tests/files opens forever.
#pragma once

#include <nlohmann/json_fwd.hpp>

namespace columna {

/// The version this program writes.
inline constexpr int kProjectVersion = 2;

/// Takes a project's JSON of version `from` (1 or later) to kProjectVersion, step by step. What is not as it
/// should be is left for the reader to name.
void migrate(nlohmann::json& project, int from);

} // namespace columna
