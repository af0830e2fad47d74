#include "measure/field_schema.h"

#include <fmt/format.h>

namespace columna::schema {
namespace {

void bounded(Json& out, const Bounds& bounds) {
  if (bounds.least != Bounds().least) out[bounds.above ? "exclusiveMinimum" : "minimum"] = bounds.least;
  if (bounds.most != Bounds().most) out["maximum"] = bounds.most;
}

/// What a reader should know of a field: its note, its words, its unit.
std::string description(const Told& field) {
  std::string out(field.note.empty() ? field.words : field.note);
  if (!field.sign.empty()) out += out.empty() ? std::string(field.sign) : fmt::format("; {}", field.sign);
  return out;
}

} // namespace

Json plain(const char* type) { return {{"type", type}}; }

Json number(bool whole, const Bounds& bounds, const std::optional<int>& never) {
  Json out = plain(whole ? "integer" : "number");
  bounded(out, bounds);
  if (never) out["not"] = {{"const", *never}};
  return out;
}

Json words(const std::vector<std::string_view>& known) {
  Json list = Json::array();
  for (const std::string_view each : known) list.push_back(std::string(each));
  return {{"enum", list}};
}

Json place(int size, const Bounds& bounds) {
  Json item = plain("number");
  bounded(item, bounds);
  return {{"type", "array"}, {"items", item}, {"minItems", size}, {"maxItems", size}};
}

Json orNothing(Json of) { return {{"anyOf", {std::move(of), {{"type", "null"}}}}}; }

Json list(Json of, size_t fewest, size_t entries) {
  Json out{{"type", "array"}, {"items", std::move(of)}, {"maxItems", entries}};
  if (fewest > 0) out["minItems"] = fewest;
  return out;
}

Json byName(Json of) { return {{"type", "object"}, {"additionalProperties", std::move(of)}}; }

Json empty() { return {{"type", "object"}, {"properties", Json::object()}}; }

void add(Json& group, Json shape, const Told& field) {
  if (const std::string text = description(field); !text.empty()) shape["description"] = text;
  const std::string key(field.key);
  group["properties"][key] = std::move(shape);
  if (field.needed) group["required"].push_back(key);
}

} // namespace columna::schema
