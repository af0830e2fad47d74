#include "file/project_json.h"

#include "file/field_writer.h"
#include "file/keep_unknown.h"
#include "file/migrations.h"
#include "measure/field_reader.h"
#include "project/project_fields.h"

#include <charconv>

namespace columna {
namespace {

using Json = nlohmann::json;

constexpr std::string_view kSchema = "columna-project/";

/// The version in a file's "schema"; 0 when that is none of a project.
int versionOf(const Json& json) {
  const auto schema = json.find("schema");
  if (schema == json.end() || !schema->is_string()) return 0;
  const auto& text = schema->get_ref<const std::string&>();
  int version = 0;
  if (text.starts_with(kSchema))
    std::from_chars(text.data() + kSchema.size(), text.data() + text.size(), version);
  return version;
}

} // namespace

Json toJson(const Project& project) {
  Json out = written(project, Project());
  out["schema"] = std::string(kSchema) + std::to_string(kProjectVersion);
  if (project.unknown) keepUnknown(*project.unknown, out);
  return out;
}

Result<Project> projectFromJson(const Json& json, const std::string& file, bool& newer) {
  const auto another = [] { return say("open another copy of the file"); };
  if (!json.is_object()) return Problem{say("project.json is not a project"), file, another()};
  const int version = versionOf(json);
  if (version < 1) return Problem{say("schema is not a project's"), file, another()};
  newer = version > kProjectVersion;
  auto current = std::make_shared<Json>(json);
  migrate(*current, version);
  try {
    Project project;
    FieldReader(file).read(*current, {}, project);
    project.unknown = std::move(current);
    return project;
  } catch (const FieldReader::Bad& bad) {
    return bad.problem;
  } catch (const Json::exception&) {
    return Problem{say("project.json is not as it should be"), file, another()};
  }
}

} // namespace columna
