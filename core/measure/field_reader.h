// Structs from JSON by their tables (measure/field.h), each wrong field named. What the reader throws is
// caught where reading began and never leaves this room.
#pragma once

#include "measure/field.h"

#include <Eigen/Core>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>
#include <string>
#include <utility>

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
    if (!in.is_object())
      fail(at, say("is not a group of fields"), say("write it in {{ }}, or open another copy of the file"));
    if constexpr (requires { Table<T>::choose(out, [](std::string_view) { return true; }); })
      Table<T>::choose(out, [&](std::string_view key) { return in.contains(key); });
    eachField<T>([&](const auto& f) {
      if (f.holds != nullptr && !f.holds(out)) return;
      const std::string place = at.empty() ? std::string(f.key) : fmt::format("{}.{}", at, f.key);
      const auto found = in.find(f.key);
      if (found != in.end())
        value(*found, place, f, out, out.*f.member);
      else if (f.needed)
        fail(place, say("is missing"), missing_);
    });
    if constexpr (requires { Table<T>::settle(out); })
      if (const std::optional<FieldProblem> problem = Table<T>::settle(out))
        fail(at.empty() ? std::string(problem->key) : fmt::format("{}.{}", at, problem->key), problem->what,
             problem->remedy);
  }

  [[noreturn]] void fail(const std::string& at, const Said& what, const Said& remedy) const {
    throw Bad{Problem{say("{} {}", AsIs(at), what), file_, remedy}};
  }

private:
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& /*f*/, const Owner& /*owner*/, bool& to) const {
    if (!in.is_boolean()) fail(at, say("is neither true nor false"), say("write one of the two"));
    to = in.get<bool>();
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& /*f*/, const Owner& /*owner*/,
             std::string& to) const {
    if (!in.is_string())
      fail(at, say("is not text"), say("write it in quotation marks, or open another copy of the file"));
    to = in.get<std::string>();
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& /*owner*/, double& to) const {
    to = f.unit.inside(number(in, at, f.bounds));
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& /*owner*/, int& to) const {
    if (!in.is_number() || in.get<double>() != std::floor(in.get<double>()))
      fail(at, say("is not a whole number"), say("open another copy of the file"));
    Bounds bounds = f.bounds;
    bounds.least = std::max<double>(bounds.least, std::numeric_limits<int>::min());
    bounds.most = std::min<double>(bounds.most, std::numeric_limits<int>::max());
    to = static_cast<int>(number(in, at, bounds));
    if (f.never && to == *f.never)
      fail(at, say("is {}", to),
           say("give {} to {}, but not {}", Number(bounds.least, 0), Number(bounds.most, 0), to));
  }
  template <class F, class Owner, class Choice>
  requires std::is_enum_v<Choice>
  void value(const Json& in, const std::string& at, const F& f, const Owner& owner, Choice& to) const {
    std::string word;
    value(in, at, f, owner, word);
    std::string known;
    for (const Choice each : Choices<Choice>::all) {
      if (Choices<Choice>::word(each) == word) {
        to = each;
        return;
      }
      known += known.empty() ? "" : ", ";
      known += Choices<Choice>::word(each);
    }
    fail(at, say("is \"{}\", which is not known", AsIs(word)), say("use one of {}", AsIs(known)));
  }
  template <class F, class Owner, int kSize>
  void value(const Json& in, const std::string& at, const F& f, const Owner& /*owner*/,
             Eigen::Matrix<double, kSize, 1>& to) const {
    if (!in.is_array() || in.size() != static_cast<size_t>(kSize))
      fail(at, say("is not a place"),
           say("write [{}], as many numbers", AsIs(kSize == 2 ? "x, y" : "x, y, z")));
    for (int i = 0; i < kSize; ++i) to[i] = number(in[static_cast<size_t>(i)], at, f.bounds);
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
      const std::string place = fmt::format("{}[{}]", at, to.size());
      value(each, place, f, owner, to.emplace_back());
    }
  }
  template <class F, class Owner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& owner,
             std::set<std::string>& to) const {
    list(in, at, f.fewest, f.entries);
    to.clear();
    for (const Json& each : in) {
      std::string one;
      value(each, at, f, owner, one);
      to.insert(std::move(one));
    }
  }
  template <class F, class Owner, class Inner>
  void value(const Json& in, const std::string& at, const F& f, const Owner& owner,
             std::map<std::string, Inner>& to) const {
    if (!in.is_object())
      fail(at, say("is not a group of fields"), say("write it in {{ }}, or open another copy of the file"));
    to.clear();
    for (const auto& [key, each] : in.items()) {
      Inner one{};
      if constexpr (std::is_same_v<typename Kept<typename F::Value>::Type, Inner>)
        if (f.usual != nullptr) one = owner.*f.usual;
      value(each, fmt::format("{}.{}", at, key), f, owner, one);
      if constexpr (requires { Table<Inner>::nothing(one); })
        if (Table<Inner>::nothing(one)) continue;
      to[key] = std::move(one);
    }
  }
  template <class F, class Owner, Tabled Inner>
  void value(const Json& in, const std::string& at, const F& /*f*/, const Owner& /*owner*/, Inner& to) const {
    read(in, at, to);
  }

  void list(const Json& in, const std::string& at, size_t least, size_t most) const {
    if (!in.is_array()) fail(at, say("is not a list"), say("write it in [ ]"));
    if (in.size() > most) fail(at, say("has {} entries", in.size()), say("keep {} at most", most));
    if (in.size() < least) fail(at, say("has {} entries", in.size()), say("give {} or more", least));
  }
  [[nodiscard]] double number(const Json& in, const std::string& at, const Bounds& bounds) const {
    if (!in.is_number())
      fail(at, say("is not a number"), say("write a plain number, or open another copy of the file"));
    const double given = in.get<double>();
    if (bounds.hold(given)) return given;
    const Said is = say("is {}", Number(given, Quantity::kShort));
    const Number least(bounds.least, Quantity::kShort);
    const Number most(bounds.most, Quantity::kShort);
    if (bounds.most == Bounds().most) fail(at, is, say("give {} or more", least));
    fail(at, is,
         bounds.above ? say("give above {} and up to {}", least, most) : say("give {} to {}", least, most));
  }

  std::string file_;
  Said missing_;
};

} // namespace columna
