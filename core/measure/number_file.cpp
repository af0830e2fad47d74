#include "measure/number_file.h"

#include "measure/json_text.h"

namespace columna {

Result<std::vector<double>> readNumbers(std::string_view json, std::string_view schema,
                                        std::span<const std::string_view> keys, const std::string& file) {
  const auto text = parseJson(json, file);
  if (!text) return text.problem();
  const nlohmann::json& root = *text;
  if (textOr(root, "schema") != schema)
    return Problem{say("it is not a file of these numbers"), file, say("write schema \"{}\"", AsIs(schema))};
  std::vector<double> out;
  out.reserve(keys.size());
  for (const std::string_view key : keys) {
    if (!root.contains(key) || !root[std::string(key)].is_object())
      return Problem{say("{} is missing", AsIs(key)), file, say("give its value, unit and source")};
    const auto& each = root[std::string(key)];
    if (!each.contains("value") || !each["value"].is_number() || !(each["value"].get<double>() >= 0))
      return Problem{say("{}.value is missing or below zero", AsIs(key)), file, say("give a number")};
    if (!each.contains("source") || !each["source"].is_string() ||
        each["source"].get_ref<const std::string&>().empty())
      return Problem{say("{}.source is missing", AsIs(key)), file, say("say where the number comes from")};
    out.push_back(each["value"].get<double>());
  }
  return out;
}

} // namespace columna
