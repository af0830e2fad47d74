// What the sums say: an English template with typed arguments, put into words late, in the maker's units and
// language (render.h).
//
// The English stands where it arises, once a message, and is its own key in a catalogue: lupdate reads `say`,
// `many` and `named` as marks (see CONTRIBUTING.md). A sentence is never glued together from pieces:
// what differs between two cases is two templates, and what is counted has a template for one and for many.
#pragma once

#include <cassert>
#include <cmath>
#include <concepts>
#include <limits>
#include <memory>
#include <span>
#include <string>
#include <string_view>
#include <type_traits>
#include <utility>
#include <variant>
#include <vector>

namespace columna {

/// A measured value with what it is of, so that it can be printed in the maker's units. In the program's own
/// units: mm, g, N, N mm, N/mm2, mm3, g/mm3, g/mm2, g/mm, radians.
struct Quantity {
  enum class Kind {
    Number,   ///< a plain number
    Length,   ///< mm
    Mass,     ///< g
    Force,    ///< N; ounces of force with inches, as a kitchen scale shows what a finger presses
    Moment,   ///< N mm
    Stress,   ///< N/mm2
    Volume,   ///< mm3, shown in cm3
    Density,  ///< g/mm3, shown in g/cm3
    Surface,  ///< mm2, shown in cm2
    AreaMass, ///< g/mm2 laid on a surface, shown in g/m2
    Linear,   ///< g/mm of a strand, shown as the grams of 1 m
    Angle,    ///< radians, shown in degrees
    Times     ///< a factor in words: "2.4 times", "over 99 times"
  };
  /// How it is written.
  enum class Form {
    Full,   ///< with its unit
    Figure, ///< the figure alone, beside a unit that stands elsewhere
    Sum,    ///< the figure as a decimal, to reckon with
    Centi,  ///< a length's figure in cm, for sums whose result is in cm3; with inches in inches
    Metres  ///< a length in m; with inches in inches
  };
  static constexpr int kAuto = -1;  ///< as many decimals as printLength and printMass choose
  static constexpr int kShort = -2; ///< as short as it goes: 0.5, 2, 100

  Kind kind = Kind::Number;
  double value = 0;
  int decimals = kAuto; ///< in metric units; with inches as many as say the same
  Form form = Form::Full;
  double beside = std::numeric_limits<double>::quiet_NaN(); ///< a limit it must not read the same as

  /// The figure without its unit.
  [[nodiscard]] Quantity figure() const { return with(Form::Figure); }
  /// The figure as a decimal, to reckon with.
  [[nodiscard]] Quantity sum() const { return with(Form::Sum); }
  /// As many decimals more as it takes not to read the same as `limit`.
  [[nodiscard]] Quantity apart(double limit) const {
    Quantity q = *this;
    q.beside = limit;
    return q;
  }
  /// A length's figure in cm, for sums whose result is in cm3; with inches in inches.
  [[nodiscard]] Quantity centi() const { return with(Form::Centi); }
  /// A length in metres; with inches in inches.
  [[nodiscard]] Quantity metres() const { return with(Form::Metres); }
  [[nodiscard]] Quantity with(Form f) const {
    Quantity q = *this;
    q.form = f;
    return q;
  }
  [[nodiscard]] bool operator==(const Quantity& other) const {
    const auto same = [](double a, double b) { return a == b || (std::isnan(a) && std::isnan(b)); };
    return kind == other.kind && decimals == other.decimals && form == other.form &&
           same(value, other.value) && same(beside, other.beside);
  }
};

template <Quantity::Kind kKind>
struct QuantityOf : Quantity {
  explicit QuantityOf(double of, int places = kAuto) : Quantity{kKind, of, places} {}
};
using Number = QuantityOf<Quantity::Kind::Number>;
using Length = QuantityOf<Quantity::Kind::Length>;
using Mass = QuantityOf<Quantity::Kind::Mass>;
using Force = QuantityOf<Quantity::Kind::Force>;
using Moment = QuantityOf<Quantity::Kind::Moment>;
using Stress = QuantityOf<Quantity::Kind::Stress>;
using Volume = QuantityOf<Quantity::Kind::Volume>;
using Density = QuantityOf<Quantity::Kind::Density>;
using Surface = QuantityOf<Quantity::Kind::Surface>;
using AreaMass = QuantityOf<Quantity::Kind::AreaMass>;
using LinearMass = QuantityOf<Quantity::Kind::Linear>;
using Angle = QuantityOf<Quantity::Kind::Angle>;
using Times = QuantityOf<Quantity::Kind::Times>;

// What follows is made and dropped in some thousands of places: that it is done in said.cpp and not at each
// of them is a good part of the time it takes to build Columna.

/// A name or word of the craft, whole: of an animal, a limb, a joint, a piece, a material; looked up in the
/// maker's language. `named` marks those that stand in the code.
struct Name {
  enum class First { AsIs, Upper, Lower };
  explicit Name(std::string_view name, First letter = First::AsIs);
  Name(const Name&);
  Name(Name&&) noexcept;
  Name& operator=(const Name&);
  Name& operator=(Name&&) noexcept;
  ~Name();

  std::string text;
  First first; ///< its first letter, where the language has such a thing
  [[nodiscard]] bool operator==(const Name&) const = default;
};
/// The name with its first letter large, as at the beginning of a sentence.
[[nodiscard]] inline Name upperName(std::string_view name) { return Name(name, Name::First::Upper); }
/// The name with its first letter small, as within a sentence.
[[nodiscard]] inline Name lowerName(std::string_view name) { return Name(name, Name::First::Lower); }

/// What the maker or a file wrote: shown as it is in every language.
struct AsIs {
  explicit AsIs(std::string_view given);
  AsIs(const AsIs&);
  AsIs(AsIs&&) noexcept;
  AsIs& operator=(const AsIs&);
  AsIs& operator=(AsIs&&) noexcept;
  ~AsIs();

  std::string text;
  [[nodiscard]] bool operator==(const AsIs&) const = default;
};

struct SaidArg;

/// A text that is not yet put into words. A value: cheap to copy, equal when template and arguments are.
class Said {
public:
  Said();
  Said(const Quantity& quantity);
  Said(Name name);
  Said(AsIs text);
  /// Use say() and counted(). `args` are moved from.
  Said(std::string_view english, std::string_view one, long count, std::span<SaidArg> args);
  Said(const Said&);
  Said(Said&&) noexcept;
  Said& operator=(const Said&);
  Said& operator=(Said&&) noexcept;
  ~Said();

  /// Nothing is said.
  [[nodiscard]] bool empty() const { return english_.empty(); }
  [[nodiscard]] std::string_view english() const { return english_; } ///< the template, and its key
  [[nodiscard]] std::string_view one() const {
    return one_;
  } ///< the template for one, empty when not counted
  [[nodiscard]] long count() const { return count_; }
  [[nodiscard]] const std::vector<SaidArg>& args() const;
  [[nodiscard]] Name::First first() const { return first_; }
  /// The same with its first letter changed.
  [[nodiscard]] Said with(Name::First first) const {
    Said said = *this;
    said.first_ = first;
    return said;
  }
  [[nodiscard]] bool operator==(const Said& other) const;

private:
  std::string_view english_; ///< a literal: it lives as long as the program
  std::string_view one_;
  long count_ = 0;
  Name::First first_ = Name::First::AsIs;
  std::shared_ptr<const std::vector<SaidArg>> args_;
};

/// An argument of a template.
struct SaidArg {
  SaidArg(const Quantity& quantity);
  SaidArg(long whole);
  SaidArg(std::integral auto whole) : SaidArg(static_cast<long>(whole)) {}
  SaidArg(Name name);
  SaidArg(AsIs text);
  SaidArg(Said said);
  SaidArg(const SaidArg&);
  SaidArg(SaidArg&&) noexcept;
  SaidArg& operator=(const SaidArg&);
  SaidArg& operator=(SaidArg&&) noexcept;
  ~SaidArg();

  std::variant<Quantity, long, Name, AsIs, Said> value;
  [[nodiscard]] bool operator==(const SaidArg&) const;
};

/// How many arguments a template asks for: its {} one after the other, or its {0}, {1}; {{ and }} stand for
/// the brackets themselves. Anything else between brackets is a slip, told when it is compiled.
[[nodiscard]] consteval size_t argumentsOf(std::string_view english) {
  size_t next = 0;
  size_t most = 0;
  for (size_t i = 0; i < english.size(); ++i) {
    const bool twice = i + 1 < english.size() && english[i + 1] == english[i];
    if (english[i] == '}') {
      if (!twice) throw "a } without its {";
      ++i;
    }
    if (english[i] != '{') continue;
    if (twice) {
      ++i;
      continue;
    }
    size_t index = 0;
    size_t digits = 0;
    for (++i; i < english.size() && english[i] >= '0' && english[i] <= '9'; ++i, ++digits)
      index = 10 * index + static_cast<size_t>(english[i] - '0');
    if (i >= english.size() || english[i] != '}') throw "a { that is neither {} nor {0}";
    if (digits == 0) index = next++;
    most = most > index + 1 ? most : index + 1;
  }
  return most;
}

/// A literal that lives as long as the program, with so many arguments.
struct Literal {
  template <size_t kSize>
  consteval Literal(const char (&literal)[kSize])
      : text(literal, kSize - 1), arguments(argumentsOf(std::string_view(literal, kSize - 1))) {}
  std::string_view text;
  size_t arguments;
};

/// A literal for just these arguments.
template <class... Args>
struct Template {
  template <size_t kSize>
  consteval Template(const char (&literal)[kSize]) : text(literal, kSize - 1) {
    if (argumentsOf(text) != sizeof...(Args)) throw "the template asks for another number of arguments";
  }
  std::string_view text;
};

/// Marks a name of the craft that stands in the code, and gives it back.
[[nodiscard]] constexpr std::string_view named(Literal english) { return english.text; }

/// The template for many and the one for one, where something is counted: many("{} wires", "{} wire"). The
/// count is the first argument; the template for one may leave it out.
struct Many {
  Literal english, one;
};
[[nodiscard]] constexpr Many many(Literal english, Literal one) { return {english, one}; }

/// "{} holds {} its load" with its arguments, in the order of its {} or numbered {0}, {1}.
template <class... Args>
[[nodiscard]] Said say(std::type_identity_t<Template<Args...>> english, Args&&... args) {
  if constexpr (sizeof...(Args) == 0) {
    return {english.text, {}, 0, {}};
  } else {
    SaidArg list[]{SaidArg(std::forward<Args>(args))...};
    return {english.text, {}, 0, list};
  }
}
/// The same where something is counted: counted(many("{} wires of {}", "{} wire of {}"), n, length). Under a
/// name of its own, since lupdate reads no mark within another.
template <class... Args>
[[nodiscard]] Said counted(Many forms, std::integral auto count, Args&&... args) {
  assert(forms.english.arguments <= sizeof...(Args) + 1 && forms.one.arguments <= sizeof...(Args) + 1);
  SaidArg list[]{SaidArg(static_cast<long>(count)), SaidArg(std::forward<Args>(args))...};
  return {forms.english.text, forms.one.text, static_cast<long>(count), list};
}

} // namespace columna
