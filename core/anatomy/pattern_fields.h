// Reading the fields of a pattern file: each gives the value or gives up with a sentence that names the field
// and the remedy. Used by the pattern readers only.
#pragma once

#include "anatomy/pattern.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <cmath>

namespace columna {

class PatternFields {
public:
  using Json = nlohmann::json;

  /// Thrown inside the readers only, so that a deep field can give up with its own sentence.
  struct Bad {
    Problem problem;
  };

  explicit PatternFields(std::string file) : file_(std::move(file)) {}

  [[noreturn]] void fail(const std::string& where, const Said& what, const Said& remedy) const {
    throw Bad{Problem{say("{} {}", AsIs(where), what), file_, remedy}};
  }

  const Json& field(const Json& in, const std::string& key, const std::string& prefix) const {
    if (!in.contains(key)) fail(prefix + key, say("is missing"), say("add it"));
    return in[key];
  }
  std::string text(const Json& in, const std::string& key, const std::string& prefix) const {
    const Json& value = field(in, key, prefix);
    if (!value.is_string() || value.get_ref<const std::string&>().empty())
      fail(prefix + key, say("is not text"), say("write it in quotation marks"));
    return value.get<std::string>();
  }
  double number(const Json& in, const std::string& key, const std::string& prefix) const {
    const Json& value = field(in, key, prefix);
    if (!value.is_number()) fail(prefix + key, say("is not a number"), say("write a plain number"));
    const double number = value.get<double>();
    if (!std::isfinite(number) || std::abs(number) > 1e6)
      fail(prefix + key, say("is out of all proportion"), say("check it"));
    return number;
  }
  double positive(const Json& in, const std::string& key, const std::string& prefix) const {
    const double value = number(in, key, prefix);
    if (!(value > 0))
      fail(prefix + key, say("is {}", Number(value, Quantity::kShort)), say("give a number above 0"));
    return value;
  }
  bool flag(const Json& in, const std::string& key, const std::string& prefix, bool otherwise) const {
    if (!in.contains(key)) return otherwise;
    if (!in[key].is_boolean())
      fail(prefix + key, say("is neither true nor false"), say("write true or false"));
    return in[key].get<bool>();
  }
  const Json& object(const Json& in, const std::string& key, const std::string& prefix) const {
    const Json& value = field(in, key, prefix);
    if (!value.is_object()) fail(prefix + key, say("is not a group of fields"), say("write it in {{ }}"));
    return value;
  }
  const Json& list(const Json& in, const std::string& key, const std::string& prefix) const {
    const Json& value = field(in, key, prefix);
    if (!value.is_array()) fail(prefix + key, say("is not a list"), say("write it in [ ]"));
    return value;
  }
  Vec3 point(const Json& value, const std::string& where) const {
    if (!value.is_array() || value.size() != 3)
      fail(where, say("is not a place"), say("give [x, y, z] in modules"));
    Vec3 out;
    for (size_t i = 0; i < 3; ++i) {
      if (!value[i].is_number()) fail(where, say("is not a place"), say("give [x, y, z] in modules"));
      out[static_cast<Eigen::Index>(i)] = value[i].get<double>();
    }
    if (!out.allFinite() || out.cwiseAbs().maxCoeff() > 1000)
      fail(where, say("is out of all proportion"), say("check it"));
    return out;
  }

private:
  std::string file_;
};

} // namespace columna
