// Reading fields of a project's JSON with each wrong one named. For the readers of this room; what they throw
// is caught where reading began and never leaves it.
#pragma once

#include "measure/result.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <optional>
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

  explicit FieldReader(std::string file) : file_(std::move(file)) {}

  /// Runs a reading; the problem of the first wrong field, or nothing.
  template <class Reading>
  [[nodiscard]] static std::optional<Problem> problemOf(Reading&& reading) {
    try {
      reading();
    } catch (const Bad& bad) {
      return bad.problem;
    }
    return std::nullopt;
  }

protected:
  [[noreturn]] void fail(const std::string& at, const Said& what, const Said& remedy) const {
    throw Bad{Problem{say("{} {}", AsIs(at), what), file_, remedy}};
  }
  /// A problem found by another reader ends this one too.
  static void pass(const std::optional<Problem>& problem) {
    if (problem) throw Bad{*problem};
  }
  const Json& group(const Json& in, const std::string& at) const {
    if (!in.is_object())
      fail(at, say("is not a group of fields"), say("write it in {{ }}, or open another copy of the file"));
    return in;
  }
  const Json& list(const Json& in, const std::string& at, size_t most = 100000) const {
    if (!in.is_array()) fail(at, say("is not a list"), say("write it in [ ]"));
    if (in.size() > most) fail(at, say("has {} entries", in.size()), say("keep {} at most", most));
    return in;
  }
  const Json& field(const Json& in, const std::string& key, const std::string& at) const {
    if (!in.contains(key)) fail(at + key, say("is missing"), say("open another copy of the file"));
    return in[key];
  }
  [[nodiscard]] double number(const Json& in, const std::string& at) const {
    if (!in.is_number())
      fail(at, say("is not a number"), say("write a plain number, or open another copy of the file"));
    return in.get<double>();
  }
  [[nodiscard]] double number(const Json& in, const std::string& at, double low, double high) const {
    const double value = number(in, at);
    if (!(value >= low && value <= high))
      fail(at, say("is {}", Number(value, Quantity::kShort)),
           say("give {} to {}", Number(low, Quantity::kShort), Number(high, Quantity::kShort)));
    return value;
  }
  [[nodiscard]] int whole(const Json& in, const std::string& at, int low, int high) const {
    if (!in.is_number_integer()) fail(at, say("is not a whole number"), say("open another copy of the file"));
    return static_cast<int>(number(in, at, low, high));
  }
  [[nodiscard]] bool flag(const Json& in, const std::string& at) const {
    if (!in.is_boolean()) fail(at, say("is neither true nor false"), say("write one of the two"));
    return in.get<bool>();
  }
  [[nodiscard]] std::string text(const Json& in, const std::string& at) const {
    if (!in.is_string())
      fail(at, say("is not text"), say("write it in quotation marks, or open another copy of the file"));
    return in.get<std::string>();
  }
  [[nodiscard]] const std::string& file() const { return file_; }

private:
  std::string file_;
};

} // namespace columna
