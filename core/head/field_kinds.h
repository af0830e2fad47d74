// Kinds of fields and words that the tables of heads and feet share.
#pragma once

#include "measure/field.h"

namespace columna {

/// The words of an enumeration whose values stand in the order of `kWords`.
template <class Choice, const auto& kWords>
struct InOrder {
  static constexpr std::array all = [] {
    std::array<Choice, kWords.size()> out{};
    for (size_t i = 0; i < out.size(); ++i) out[i] = static_cast<Choice>(i);
    return out;
  }();
  static constexpr std::string_view word(Choice choice) { return kWords[static_cast<size_t>(choice)]; }
};

namespace heads {

using Words = std::string_view;

inline constexpr double kFar = 5; ///< modules: nothing of a head lies farther from its origin

template <class Owner>
constexpr Field<Owner, Vec3> place(std::string_view key, Vec3 Owner::*member) {
  return field(key, member).must().within(-kFar, kFar).in(unit::kModule);
}
template <class Owner>
constexpr Field<Owner, double> length(std::string_view key, double Owner::*member) {
  return field(key, member).must().above(0, kFar).in(unit::kModule);
}
template <class Owner>
constexpr Field<Owner, double> share(std::string_view key, double Owner::*member) {
  return field(key, member).within(0, 1);
}
template <class Owner>
constexpr Field<Owner, double> angle(std::string_view key, double Owner::*member, double least, double most) {
  return field(key, member).within(least, most).in(unit::kDegree);
}
/// A coordinate that may lie on either side of the origin.
template <class Owner>
constexpr Field<Owner, double> along(std::string_view key, double Owner::*member) {
  return field(key, member).must().within(-kFar, kFar).in(unit::kModule);
}

} // namespace heads

} // namespace columna
