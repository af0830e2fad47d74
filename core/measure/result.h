// A value or the reason there is none. Mistakes a maker can make come back as a Problem; programming
// mistakes assert.
#pragma once

#include "words/render.h"

#include <cassert>
#include <string>
#include <utility>
#include <variant>

namespace columna {

/// What a problem is about: a file or field by its own name, or a part by the craft's name.
struct Where {
  Where() = default;
  Where(const std::string& given) : said(AsIs(given)) {}
  Where(const char* given) : said(AsIs(given)) {}
  Where(Name name) : said(std::move(name)) {}
  Where(Said text) : said(std::move(text)) {}

  Said said;
  [[nodiscard]] bool empty() const { return said.empty(); }
};

/// One clear sentence for the maker: what is wrong, where it is, and what to do about it.
struct Problem {
  Said what;   ///< what is wrong, lower case, no full stop
  Where where; ///< may be empty
  Said remedy; ///< what to do; may be empty

  /// "where: what; remedy".
  [[nodiscard]] Said said() const {
    const Said at = where.empty() ? what : say("{}: {}", where.said, what);
    return remedy.empty() ? at : say("{}; {}", at, remedy);
  }
  /// The same in words, on one line.
  [[nodiscard]] std::string sentence(const Manner& manner = {}) const {
    std::string text = render(said(), manner);
    for (char& c : text)
      if (c == '\n' || c == '\r') c = ' ';
    return text;
  }
};

/// Either a T or a Problem. Check with ok() before taking the value.
template <class T>
class [[nodiscard]] Result {
public:
  Result(T value) : state_(std::move(value)) {}
  Result(Problem problem) : state_(std::move(problem)) {}

  [[nodiscard]] bool ok() const { return state_.index() == 0; }
  explicit operator bool() const { return ok(); }

  [[nodiscard]] const T& value() const& {
    assert(ok());
    return std::get<0>(state_);
  }
  [[nodiscard]] T&& value() && {
    assert(ok());
    return std::get<0>(std::move(state_));
  }
  const T& operator*() const& { return value(); }
  T&& operator*() && { return std::move(*this).value(); }
  const T* operator->() const { return &value(); }

  [[nodiscard]] const Problem& problem() const {
    assert(!ok());
    return std::get<1>(state_);
  }

private:
  std::variant<T, Problem> state_;
};

} // namespace columna
