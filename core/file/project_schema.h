// The schema of a project's JSON, made from the same tables that read and write it.
#pragma once

#include <nlohmann/json_fwd.hpp>

namespace columna {

/// What docs/schema/project.schema.json holds (JSON Schema 2020-12): every field with its type, range, words
/// and whether it must be there. Keys that are not listed are kept.
[[nodiscard]] nlohmann::json projectSchema();

} // namespace columna
