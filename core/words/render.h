// Putting what is said into words, in the maker's units and language.
#pragma once

#include "words/print.h"
#include "words/said.h"

#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// A language other than English: what it has for a template or a name. An answer that is empty stands for
/// the English. Called from several threads at once.
class Language {
public:
  Language() = default;
  Language(const Language&) = delete;
  Language& operator=(const Language&) = delete;
  virtual ~Language() = default;

  /// A template, with the same {}; `one` and `count` where something is counted.
  [[nodiscard]] virtual std::string sentence(std::string_view english, std::string_view one,
                                             long count) const = 0;
  /// A name or word of the craft.
  [[nodiscard]] virtual std::string name(std::string_view english) const = 0;
  /// A text whose first letter is made large or small, where the language does that.
  [[nodiscard]] virtual std::string first(std::string text, Name::First first) const;
};

/// How a maker likes to be told things.
struct Manner {
  UnitSystem units = UnitSystem::Metric;
  const Language* language = nullptr; ///< English when null; it outlives the manner
};

/// In words. A translation that cannot be filled in is passed over for the English.
[[nodiscard]] std::string render(const Said& said, const Manner& manner = {});
[[nodiscard]] std::string render(const Quantity& quantity, const Manner& manner);

/// Two sentences after each other; one of them may be empty.
[[nodiscard]] Said together(const Said& first, const Said& second);

/// A language for testers: every text longer by a third and with accents, so that what is not translated, and
/// what a longer language would cut off, is seen at once.
[[nodiscard]] const Language& pseudoLanguage();
/// A text in it: what stands in {}, %1, %n, <tags> and &entities; is left alone.
[[nodiscard]] std::string pseudo(std::string_view english);

} // namespace columna
