// A value or the reason there is none. Mistakes a maker can make come back as a Problem; programming
// mistakes assert.
#pragma once

#include <cassert>
#include <string>
#include <utility>
#include <variant>

namespace columna {

/// One clear sentence for the maker: what is wrong, where it is, and what to do about it.
struct Problem {
  std::string what;   ///< what is wrong, lower case, no full stop
  std::string where;  ///< the file, field or part concerned; may be empty
  std::string remedy; ///< what to do; may be empty

  /// "where: what; remedy" on one line.
  [[nodiscard]] std::string sentence() const {
    std::string text = where.empty() ? what : where + ": " + what;
    if (!remedy.empty()) text += "; " + remedy;
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
