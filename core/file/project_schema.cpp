#include "file/project_schema.h"

#include "file/migrations.h"
#include "measure/field_schema.h"
#include "project/project_fields.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace columna {
nlohmann::json projectSchema() {
  nlohmann::json out = schema::group<Project>();
  out["$schema"] = "https://json-schema.org/draft/2020-12/schema";
  out["title"] = fmt::format("project.json of a .columna file, version {}", kProjectVersion);
  out["description"] =
      "Made by `columna-cli schema` from the fields themselves. Keys not listed here are kept "
      "when the file is saved.";
  out["properties"]["schema"] = {{"type", "string"}, {"pattern", "^columna-project/[0-9]+$"}};
  out["required"].push_back("schema");
  return out;
}

} // namespace columna
