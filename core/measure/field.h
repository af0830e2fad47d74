// A field of what a maker decides, described once: its key in a file, its member, its range, unit and words.
// The window, the file's reader and writer, its schema and the tests all go by the same table of them, so
// that what the window takes the file takes too.
//
// Each struct that is kept has a `Table` beside it:
//
//   template <> struct Table<OwnWire> {
//     static constexpr std::tuple fields{field("name", &OwnWire::name).must(),
//                                        field("cover_mm", &OwnWire::cover).within(0, 2).in(unit::kMm)};
//   };
//
// A table may also have `choose(T&, has)`, called before its fields are read with what keys there are;
// `settle(T&)`, called after, which puts right what is read or says what is wrong with it; and
// `nothing(const T&)`: such an entry of a list or map is left out.
#pragma once

#include "measure/quantity.h"
#include "measure/result.h"

#include <array>
#include <limits>
#include <map>
#include <optional>
#include <set>
#include <string>
#include <string_view>
#include <tuple>
#include <type_traits>
#include <utility>
#include <vector>

namespace columna {

/// The unit a number has in a file, and how much one of it is in the program's own: size / per.
struct FieldUnit {
  std::string_view sign; ///< "mm"; empty for a plain number
  double size = 1, per = 1;

  [[nodiscard]] constexpr double inside(double given) const { return given * size / per; }
  [[nodiscard]] constexpr double given(double inside) const { return inside * per / size; }
};

namespace unit {
inline constexpr FieldUnit kMm{"mm"};
inline constexpr FieldUnit kGram{"g"};
inline constexpr FieldUnit kPercent{"%"};
inline constexpr FieldUnit kDegree{"°", columna::kDegree};
inline constexpr FieldUnit kGramPerCm3{"g/cm³", 1, 1000};
inline constexpr FieldUnit kGramPerMetre{"g/m", 1, 1000};
inline constexpr FieldUnit kMegapascal{"N/mm²"};
inline constexpr FieldUnit kModule{"modules"};
inline constexpr FieldUnit kRadian{"rad"};
inline constexpr FieldUnit kPixel{"px"};
} // namespace unit

/// What numbers a field holds, in its file's unit.
struct Bounds {
  double least = -std::numeric_limits<double>::max();
  double most = std::numeric_limits<double>::max();
  bool above = false; ///< the least itself is too little

  /// Not a number is outside.
  [[nodiscard]] constexpr bool hold(double value) const {
    return value >= least && value <= most && !(above && value == least);
  }
};

/// What is kept in an optional, list or map; else the thing itself.
template <class Value>
struct Kept {
  using Type = Value;
};
template <class Value>
struct Kept<std::optional<Value>> {
  using Type = Value;
};
template <class Value>
struct Kept<std::vector<Value>> {
  using Type = Value;
};
template <class Value>
struct Kept<std::map<std::string, Value>> {
  using Type = Value;
};

/// One field. Without further word it may be missing in a file, is written when it differs from the usual (an
/// optional one when it is set), and holds any number.
template <class Owner_, class Value_>
struct Field {
  using Owner = Owner_;
  using Value = Value_;

  std::string_view key;
  Value Owner::*member = nullptr;
  std::string_view words{}; ///< its name to a maker, where it has one of its own
  std::string_view note{};  ///< what whoever reads the file should know of it
  FieldUnit unit{};
  Bounds bounds{};
  std::optional<int> never{}; ///< a whole number within the bounds that is none all the same
  size_t fewest = 0;          ///< entries of a list
  size_t entries = 100000;    ///< and at most
  bool needed = false;        ///< a file without it is not read
  bool alwaysWritten = false;
  bool outlives = false; ///< of a map: unknown keys of an entry stay when the entry goes
  /// Keys by which an entry of a list is the same as one before.
  std::array<std::string_view, 6> same{};
  bool (*holds)(const Owner&) = nullptr; ///< whether there is such a field at all, by what was read before it
  bool (*writes)(const Owner&) = nullptr;             ///< whether it is worth writing
  typename Kept<Value>::Type Owner::*usual = nullptr; ///< what entries of a map differ from

  [[nodiscard]] constexpr Field must() const {
    Field f = always();
    f.needed = true;
    return f;
  }
  [[nodiscard]] constexpr Field always() const {
    Field f = *this;
    f.alwaysWritten = true;
    return f;
  }
  [[nodiscard]] constexpr Field called(std::string_view name) const {
    Field f = *this;
    f.words = name;
    return f;
  }
  [[nodiscard]] constexpr Field about(std::string_view text) const {
    Field f = *this;
    f.note = text;
    return f;
  }
  [[nodiscard]] constexpr Field in(FieldUnit of) const {
    Field f = *this;
    f.unit = of;
    return f;
  }
  [[nodiscard]] constexpr Field within(double least, double most) const {
    Field f = *this;
    f.bounds = {least, most};
    return f;
  }
  [[nodiscard]] constexpr Field above(double least, double most) const {
    Field f = *this;
    f.bounds = {least, most, true};
    return f;
  }
  [[nodiscard]] constexpr Field but(int number) const {
    Field f = *this;
    f.never = number;
    return f;
  }
  [[nodiscard]] constexpr Field upTo(size_t count, size_t least = 0) const {
    Field f = *this;
    f.entries = count;
    f.fewest = least;
    return f;
  }
  template <class... Keys>
  [[nodiscard]] constexpr Field knownBy(Keys... keys) const {
    Field f = *this;
    f.same = {std::string_view(keys)...};
    return f;
  }
  [[nodiscard]] constexpr Field outliving() const {
    Field f = *this;
    f.outlives = true;
    return f;
  }
  [[nodiscard]] constexpr Field heldBy(bool (*when)(const Owner&)) const {
    Field f = *this;
    f.holds = when;
    return f;
  }
  [[nodiscard]] constexpr Field writtenFor(bool (*when)(const Owner&)) const {
    Field f = *this;
    f.writes = when;
    return f;
  }
  [[nodiscard]] constexpr Field from(typename Kept<Value>::Type Owner::*start) const {
    Field f = *this;
    f.usual = start;
    return f;
  }
};

template <class Owner, class Value>
[[nodiscard]] constexpr Field<Owner, Value> field(std::string_view key, Value Owner::*member) {
  return {key, member};
}

/// The fields of a struct that is kept; see above.
template <class Owner>
struct Table;

template <class Owner>
concept Tabled = requires {
  Table<Owner>::fields;
};

/// The words of an enumeration in files: `all`, its values in the order they are told, and `word(value)`.
template <class Choice>
struct Choices;

/// Calls with every field of a struct. (By index: std::apply takes the compiler several times as long.)
template <class Owner, class Visit>
constexpr void eachField(const Visit& visit) {
  constexpr size_t count = std::tuple_size_v<std::remove_cvref_t<decltype(Table<Owner>::fields)>>;
  [&]<size_t... kIndex>(std::index_sequence<kIndex...>) {
    (visit(std::get<kIndex>(Table<Owner>::fields)), ...);
  }
  (std::make_index_sequence<count>());
}

/// The field of a member; one that is not in the table does not compile.
template <class Owner, class Value>
[[nodiscard]] consteval Field<Owner, Value> fieldOf(Value Owner::*member) {
  Field<Owner, Value> found;
  eachField<Owner>([&](const auto& each) {
    if constexpr (std::is_same_v<std::decay_t<decltype(each)>, Field<Owner, Value>>)
      if (each.member == member && found.member == nullptr) found = each;
  });
  if (found.member == nullptr) throw "no field of this struct";
  return found;
}

/// The bounds of a member, or of a key where a member has two.
template <class Owner, class Value>
[[nodiscard]] consteval Bounds boundsOf(Value Owner::*member) {
  return fieldOf(member).bounds;
}
template <class Owner>
[[nodiscard]] consteval Bounds boundsOf(std::string_view key) {
  Bounds found;
  bool any = false;
  eachField<Owner>([&](const auto& each) {
    if (each.key != key) return;
    found = each.bounds;
    any = true;
  });
  if (!any) throw "no such key";
  return found;
}

/// What `settle` of a table finds wrong.
struct FieldProblem {
  std::string_view key;
  Said what;
  Said remedy;
};

} // namespace columna
