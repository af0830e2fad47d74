// The schema of structs in JSON, from their tables (measure/field.h).
#pragma once

#include "measure/field.h"

#include <Eigen/Core>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <string>
#include <utility>

namespace columna::schema {

using Json = nlohmann::json;

template <Tabled T>
[[nodiscard]] Json group();

inline void bounded(Json& out, const Bounds& bounds) {
  if (bounds.least != Bounds().least) out[bounds.above ? "exclusiveMinimum" : "minimum"] = bounds.least;
  if (bounds.most != Bounds().most) out["maximum"] = bounds.most;
}

template <class Value>
struct JsonOf {
  template <class F>
  static Json of(const F& f) {
    if constexpr (Tabled<Value>) {
      return group<Value>();
    } else if constexpr (std::is_enum_v<Value>) {
      Json words = Json::array();
      for (const Value each : Choices<Value>::all) words.push_back(std::string(Choices<Value>::word(each)));
      return {{"enum", words}};
    } else if constexpr (std::is_same_v<Value, bool>) {
      return {{"type", "boolean"}};
    } else if constexpr (std::is_same_v<Value, std::string>) {
      return {{"type", "string"}};
    } else {
      Json out{{"type", std::is_same_v<Value, int> ? "integer" : "number"}};
      bounded(out, f.bounds);
      if (f.never) out["not"] = {{"const", *f.never}};
      return out;
    }
  }
};
template <int kSize>
struct JsonOf<Eigen::Matrix<double, kSize, 1>> {
  template <class F>
  static Json of(const F& f) {
    Json item{{"type", "number"}};
    bounded(item, f.bounds);
    return {{"type", "array"}, {"items", item}, {"minItems", kSize}, {"maxItems", kSize}};
  }
};
template <class Inner>
struct JsonOf<std::optional<Inner>> {
  template <class F>
  static Json of(const F& f) {
    return {{"anyOf", {JsonOf<Inner>::of(f), {{"type", "null"}}}}};
  }
};
template <class Inner>
struct JsonOf<std::vector<Inner>> {
  template <class F>
  static Json of(const F& f) {
    Json out{{"type", "array"}, {"items", JsonOf<Inner>::of(f)}, {"maxItems", f.entries}};
    if (f.fewest > 0) out["minItems"] = f.fewest;
    return out;
  }
};
template <>
struct JsonOf<std::set<std::string>> {
  template <class F>
  static Json of(const F& f) {
    return {{"type", "array"}, {"items", {{"type", "string"}}}, {"maxItems", f.entries}};
  }
};
template <class Inner>
struct JsonOf<std::map<std::string, Inner>> {
  template <class F>
  static Json of(const F& f) {
    return {{"type", "object"}, {"additionalProperties", JsonOf<Inner>::of(f)}};
  }
};

/// What a reader should know of a field: its note, its words, its unit.
inline std::string told(std::string_view note, std::string_view words, std::string_view sign) {
  std::string out(note.empty() ? words : note);
  if (!sign.empty()) out += out.empty() ? std::string(sign) : fmt::format("; {}", sign);
  return out;
}

template <Tabled T>
[[nodiscard]] Json group() {
  Json out{{"type", "object"}, {"properties", Json::object()}};
  Json needed = Json::array();
  eachField<T>([&]<class Owner, class Value>(const Field<Owner, Value>& f) {
    Json shape = JsonOf<Value>::of(f);
    if (const std::string text = told(f.note, f.words, f.unit.sign); !text.empty())
      shape["description"] = text;
    const std::string key(f.key);
    out["properties"][key] = std::move(shape);
    if (f.needed && f.holds == nullptr) needed.push_back(key);
  });
  if (!needed.empty()) out["required"] = std::move(needed);
  return out;
}

} // namespace columna::schema
