// Structs from JSON by their tables (measure/field.h), each wrong field named. What the reader throws is
// caught where reading began and never leaves this room.
#pragma once

#include "measure/field.h"

#include <Eigen/Core>
#include <nlohmann/json.hpp>

#include <optional>
#include <set>
#include <span>
#include <string>
#include <utility>
#include <vector>

namespace columna {

class FieldReader {
public:
  using Json = nlohmann::json;

  /// What a field that is wrong ends the reading with.
  struct Bad {
    Problem problem;
  };

  /// `missing` is what to do about a field that is not there.
  explicit FieldReader(std::string file, Said missing = say("open another copy of the file"))
      : file_(std::move(file)), missing_(std::move(missing)) {}

  /// Reads all fields of a struct; `at` is where it lies in the file, empty for the file itself. Throws Bad.
  template <Tabled T>
  void read(const Json& in, const std::string& at, T& out) const {
    group(in, at);
    if constexpr (requires { Table<T>::choose(out, [](std::string_view) { return true; }); })
      Table<T>::choose(out, [&](std::string_view key) { return in.contains(key); });
    eachField<T>([&](const auto& f) { field(in, at, f, out); });
    if constexpr (requires { Table<T>::settle(out); })
      if (const std::optional<FieldProblem> problem = Table<T>::settle(out))
        fail(inside(at, problem->key), problem->what, problem->remedy);
  }

  [[noreturn]] void fail(const std::string& at, const Said& what, const Said& remedy) const;

private:
  // What is of no one struct is in field_reader.cpp, once, and not made anew for each field of each table.
  [[nodiscard]] bool flag(const Json& in, const std::string& at) const;
  [[nodiscard]] const std::string& text(const Json& in, const std::string& at) const;
  [[nodiscard]] double number(const Json& in, const std::string& at, const Bounds& bounds) const;
  [[nodiscard]] int whole(const Json& in, const std::string& at, Bounds bounds,
                          const std::optional<int>& never) const;
  void numbers(const Json& in, const std::string& at, const Bounds& bounds, double* to, size_t count) const;
  /// Which of them it is.
  [[nodiscard]] size_t word(const Json& in, const std::string& at,
                            std::span<const std::string_view> known) const;
  void group(const Json& in, const std::string& at) const;
  void list(const Json& in, const std::string& at, size_t least, size_t most) const;
  [[nodiscard]] static std::string inside(const std::string& at, std::string_view key);
  [[nodiscard]] static std::string entry(const std::string& at, size_t index);

  /// The value of a field; null when there is none, which one that is needed may not be. `place`: where it
  /// is.
  [[nodiscard]] const Json* found(const Json& in, std::string_view key, bool needed,
                                  const std::string& place) const;
  /// Not made anew for each of a hundred fields of the same kind.
  template <class F, class T>
  [[gnu::noinline]] void field(const Json& in, const std::string& at, const F& f, T& out) const {
    if (f.holds != nullptr && !f.holds(out)) return;
    const std::string place = inside(at, f.key);
    if (const Json* given = found(in, f.key, f.needed, place)) value(*given, place, f, out, out.*f.member);
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& /*f*/, const Owner& /*owner*/, bool& to) const {
    to = flag(in, at);
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& /*f*/, const Owner& /*owner*/,
             std::string& to) const {
    to = text(in, at);
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& /*owner*/, double& to) const {
    to = f.unit.inside(number(in, at, f.bounds));
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& /*owner*/, int& to) const {
    to = whole(in, at, f.bounds, f.never);
  }
  template <class F, class Owner, class Choice>
  requires std::is_enum_v<Choice>
  void value(const Json& in, const std::string& at, const F& /*f*/, const Owner& /*owner*/,
             Choice& to) const {
    std::vector<std::string_view> words;
    for (const Choice each : Choices<Choice>::all) words.push_back(Choices<Choice>::word(each));
    to = Choices<Choice>::all[word(in, at, words)];
  }
  template <class F, class Owner, int kSize>
  void value(const Json& in, const std::string& at, const F& f, const Owner& /*owner*/,
             Eigen::Matrix<double, kSize, 1>& to) const {
    numbers(in, at, f.bounds, to.data(), static_cast<size_t>(kSize));
  }
  template <class F, class Owner, class Inner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& owner,
             std::optional<Inner>& to) const {
    to.reset();
    if (in.is_null()) return;
    Inner one{};
    value(in, at, f, owner, one);
    to = std::move(one);
  }
  template <class F, class Owner, class Inner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& owner,
             std::vector<Inner>& to) const {
    list(in, at, f.fewest, f.entries);
    to.clear();
    to.reserve(in.size());
    for (const Json& each : in) {
      const std::string place = entry(at, to.size());
      value(each, place, f, owner, to.emplace_back());
    }
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& /*owner*/,
             std::set<std::string>& to) const {
    list(in, at, f.fewest, f.entries);
    to.clear();
    for (const Json& each : in) to.insert(text(each, at));
  }
  template <class F, class Owner, class Inner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& owner,
             std::map<std::string, Inner>& to) const {
    group(in, at);
    to.clear();
    for (const auto& [key, each] : in.items()) {
      Inner one{};
      if constexpr (std::is_same_v<typename Kept<typename F::Value>::Type, Inner>)
        if (f.usual != nullptr) one = owner.*f.usual;
      value(each, inside(at, key), f, owner, one);
      if constexpr (requires { Table<Inner>::nothing(one); })
        if (Table<Inner>::nothing(one)) continue;
      to[key] = std::move(one);
    }
  }
  template <class F, class Owner, Tabled Inner>
  void value(const Json& in, const std::string& at, const F& /*f*/, const Owner& /*owner*/, Inner& to) const {
    read(in, at, to);
  }

  std::string file_;
  Said missing_;
};

} // namespace columna
