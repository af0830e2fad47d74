// A project to and from the JSON of docs/schema/project.schema.json, by the tables of its fields.
#pragma once

#include "measure/result.h"
#include "project/project.h"

#include <nlohmann/json.hpp>

namespace columna {

/// The project as JSON, unknown keys of the file it came from kept.
[[nodiscard]] nlohmann::json toJson(const Project& project);

/// A project from its JSON, of this or an earlier version. Errors name the field: a missing or mistyped one,
/// a number out of its range, a size no figure can have, a word that is not known. Pattern and material ids
/// are checked when planning. `newer` is set when the schema is later than this program's; what is known is
/// read all the same.
[[nodiscard]] Result<Project> projectFromJson(const nlohmann::json& json, const std::string& file,
                                              bool& newer);

} // namespace columna
