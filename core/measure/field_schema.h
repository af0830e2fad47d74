// The schema of structs in JSON, from their tables (measure/field.h).
#pragma once

#include "measure/field.h"

#include <Eigen/Core>
#include <nlohmann/json.hpp>

#include <string>
#include <utility>

namespace columna::schema {

using Json = nlohmann::json;

template <Tabled T>
[[nodiscard]] Json group();

// What is of no one struct is in field_schema.cpp, once, and not made anew for each field of each table.
[[nodiscard]] Json plain(const char* type);
[[nodiscard]] Json number(bool whole, const Bounds& bounds, const std::optional<int>& never);
[[nodiscard]] Json words(const std::vector<std::string_view>& known);
[[nodiscard]] Json place(int size, const Bounds& bounds);
[[nodiscard]] Json orNothing(Json of);
[[nodiscard]] Json list(Json of, size_t fewest, size_t entries);
[[nodiscard]] Json byName(Json of);
/// What is told of a field that is one whatever its struct.
struct Told {
  std::string_view key, note, words, sign;
  bool needed = false;
};
/// A group without fields, and one field more in it.
[[nodiscard]] Json empty();
void add(Json& group, Json shape, const Told& field);

template <class Value>
struct JsonOf {
  template <class F>
  static Json of(const F& f) {
    if constexpr (Tabled<Value>) {
      return group<Value>();
    } else if constexpr (std::is_enum_v<Value>) {
      std::vector<std::string_view> known;
      for (const Value each : Choices<Value>::all) known.push_back(Choices<Value>::word(each));
      return words(known);
    } else if constexpr (std::is_same_v<Value, bool>) {
      return plain("boolean");
    } else if constexpr (std::is_same_v<Value, std::string>) {
      return plain("string");
    } else {
      return number(std::is_same_v<Value, int>, f.bounds, f.never);
    }
  }
};
template <int kSize>
struct JsonOf<Eigen::Matrix<double, kSize, 1>> {
  template <class F>
  static Json of(const F& f) {
    return place(kSize, f.bounds);
  }
};
template <class Inner>
struct JsonOf<std::optional<Inner>> {
  template <class F>
  static Json of(const F& f) {
    return orNothing(JsonOf<Inner>::of(f));
  }
};
template <class Inner>
struct JsonOf<std::vector<Inner>> {
  template <class F>
  static Json of(const F& f) {
    return list(JsonOf<Inner>::of(f), f.fewest, f.entries);
  }
};
template <>
struct JsonOf<std::set<std::string>> {
  template <class F>
  static Json of(const F& f) {
    return list(plain("string"), 0, f.entries);
  }
};
template <class Inner>
struct JsonOf<std::map<std::string, Inner>> {
  template <class F>
  static Json of(const F& f) {
    return byName(JsonOf<Inner>::of(f));
  }
};

/// Not made anew for each of a hundred fields of the same kind.
template <class Owner, class Value>
[[gnu::noinline]] void addField(Json& group, const Field<Owner, Value>& f) {
  add(group, JsonOf<Value>::of(f), {f.key, f.note, f.words, f.unit.sign, f.needed && f.holds == nullptr});
}

template <Tabled T>
[[nodiscard]] Json group() {
  Json out = empty();
  eachField<T>([&](const auto& f) { addField(out, f); });
  return out;
}

} // namespace columna::schema
