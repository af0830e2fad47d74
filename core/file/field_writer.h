// Structs to JSON by their tables (measure/field.h).
#pragma once

#include "measure/field.h"

#include <Eigen/Core>
#include <nlohmann/json.hpp>

#include <string>

namespace columna {

/// The JSON of a struct: what must be there, and what differs from the usual one.
template <Tabled T>
[[nodiscard]] nlohmann::json written(const T& of, const T& usual);

namespace write {

using Json = nlohmann::json;

template <class F, class Owner, class Value>
Json value([[maybe_unused]] const F& f, const Owner& /*owner*/, const Value& of,
           [[maybe_unused]] const Value& usual) {
  if constexpr (std::is_same_v<Value, double>)
    return f.unit.given(of);
  else if constexpr (std::is_enum_v<Value>)
    return std::string(Choices<Value>::word(of));
  else if constexpr (Tabled<Value>)
    return written(of, usual);
  else
    return of;
}
template <class F, class Owner, int kSize>
Json value(const F& /*f*/, const Owner& /*owner*/, const Eigen::Matrix<double, kSize, 1>& of,
           const Eigen::Matrix<double, kSize, 1>& /*usual*/) {
  return std::vector<double>(of.begin(), of.end());
}
template <class F, class Owner, class Inner>
Json value(const F& f, const Owner& owner, const std::vector<Inner>& of,
           const std::vector<Inner>& /*usual*/) {
  Json out = Json::array();
  for (const Inner& each : of) out.push_back(value(f, owner, each, Inner{}));
  return out;
}
template <class F, class Owner, class Inner>
Json value(const F& f, const Owner& owner, const std::map<std::string, Inner>& of,
           const std::map<std::string, Inner>& /*usual*/) {
  Json out = Json::object();
  for (const auto& entry : of) {
    const Inner& each = entry.second;
    if constexpr (requires { Table<Inner>::nothing(each); })
      if (Table<Inner>::nothing(each)) continue;
    Inner usual{};
    if constexpr (std::is_same_v<typename Kept<typename F::Value>::Type, Inner>)
      if (f.usual != nullptr) usual = owner.*f.usual;
    out[entry.first] = value(f, owner, each, usual);
  }
  return out;
}
template <class F, class Owner, class Inner>
Json value(const F& f, const Owner& owner, const std::optional<Inner>& of,
           const std::optional<Inner>& /*usual*/) {
  return of ? value(f, owner, *of, Inner{}) : Json(nullptr);
}

template <class F, class Owner>
bool worth(const F& f, const Owner& of, const Owner& usual) {
  if (f.holds != nullptr && !f.holds(of)) return false;
  if (f.writes != nullptr && !f.writes(of)) return false;
  if constexpr (requires { (of.*f.member).has_value(); })
    // Not settled where something is as a rule: that has to be said.
    return (of.*f.member).has_value() || (usual.*f.member).has_value();
  else
    return f.alwaysWritten || !(of.*f.member == usual.*f.member);
}

/// Not made anew for each of a hundred fields of the same kind.
template <class F, class Owner>
[[gnu::noinline]] void field(Json& out, const F& f, const Owner& of, const Owner& usual) {
  if (worth(f, of, usual)) out[std::string(f.key)] = value(f, of, of.*f.member, usual.*f.member);
}

} // namespace write

template <Tabled T>
nlohmann::json written(const T& of, const T& usual) {
  nlohmann::json out = nlohmann::json::object();
  eachField<T>([&](const auto& f) { write::field(out, f, of, usual); });
  return out;
}

} // namespace columna
