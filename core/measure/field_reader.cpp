#include "measure/field_reader.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {

void FieldReader::fail(const std::string& at, const Said& what, const Said& remedy) const {
  throw Bad{Problem{say("{} {}", AsIs(at), what), file_, remedy}};
}

std::string FieldReader::inside(const std::string& at, std::string_view key) {
  return at.empty() ? std::string(key) : fmt::format("{}.{}", at, key);
}

std::string FieldReader::entry(const std::string& at, size_t index) {
  return fmt::format("{}[{}]", at, index);
}

const FieldReader::Json* FieldReader::found(const Json& in, std::string_view key, bool needed,
                                            const std::string& place) const {
  const auto it = in.find(key);
  if (it != in.end()) return &*it;
  if (needed) fail(place, say("is missing"), missing_);
  return nullptr;
}

bool FieldReader::flag(const Json& in, const std::string& at) const {
  if (!in.is_boolean()) fail(at, say("is neither true nor false"), say("write one of the two"));
  return in.get<bool>();
}

const std::string& FieldReader::text(const Json& in, const std::string& at) const {
  if (!in.is_string())
    fail(at, say("is not text"), say("write it in quotation marks, or open another copy of the file"));
  return in.get_ref<const std::string&>();
}

double FieldReader::number(const Json& in, const std::string& at, const Bounds& bounds) const {
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

int FieldReader::whole(const Json& in, const std::string& at, Bounds bounds,
                       const std::optional<int>& never) const {
  if (!in.is_number() || in.get<double>() != std::floor(in.get<double>()))
    fail(at, say("is not a whole number"), say("open another copy of the file"));
  bounds.least = std::max<double>(bounds.least, std::numeric_limits<int>::min());
  bounds.most = std::min<double>(bounds.most, std::numeric_limits<int>::max());
  const int given = static_cast<int>(number(in, at, bounds));
  if (never && given == *never)
    fail(at, say("is {}", given),
         say("give {} to {}, but not {}", Number(bounds.least, 0), Number(bounds.most, 0), given));
  return given;
}

void FieldReader::numbers(const Json& in, const std::string& at, const Bounds& bounds, double* to,
                          size_t count) const {
  if (!in.is_array() || in.size() != count)
    fail(at, say("is not a place"),
         say("write [{}], as many numbers", AsIs(count == 2 ? "x, y" : "x, y, z")));
  for (size_t i = 0; i < count; ++i) to[i] = number(in[i], at, bounds);
}

size_t FieldReader::word(const Json& in, const std::string& at,
                         std::span<const std::string_view> known) const {
  const std::string& given = text(in, at);
  const auto found = std::find(known.begin(), known.end(), given);
  if (found != known.end()) return static_cast<size_t>(found - known.begin());
  fail(at, say("is \"{}\", which is not known", AsIs(given)),
       say("use one of {}", AsIs(fmt::format("{}", fmt::join(known, ", ")))));
}

void FieldReader::group(const Json& in, const std::string& at) const {
  if (!in.is_object())
    fail(at, say("is not a group of fields"), say("write it in {{ }}, or open another copy of the file"));
}

void FieldReader::list(const Json& in, const std::string& at, size_t least, size_t most) const {
  if (!in.is_array()) fail(at, say("is not a list"), say("write it in [ ]"));
  if (in.size() > most) fail(at, say("has {} entries", in.size()), say("keep {} at most", most));
  if (in.size() < least) fail(at, say("has {} entries", in.size()), say("give {} or more", least));
}

} // namespace columna
