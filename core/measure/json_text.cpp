#include "measure/json_text.h"

#include <algorithm>

namespace columna {
namespace {

using Json = nlohmann::json;

/// Brackets open at once, those in texts left out.
int deepest(std::string_view text) {
  int depth = 0;
  int most = 0;
  bool quoted = false;
  for (size_t i = 0; i < text.size(); ++i) {
    const char c = text[i];
    if (quoted) {
      if (c == '\\')
        ++i;
      else if (c == '"')
        quoted = false;
    } else if (c == '"') {
      quoted = true;
    } else if (c == '[' || c == '{') {
      most = std::max(most, ++depth);
    } else if (c == ']' || c == '}') {
      --depth;
    }
  }
  return most;
}

} // namespace

Result<Json> parseJson(std::string_view text, const std::string& file) {
  if (const int depth = deepest(text); depth > kDeepestJson)
    return Problem{say("it is nested {} deep, and {} is the most", depth, kDeepestJson), file,
                   say("open another copy of it, or take the brackets out in a text editor")};
  Json root = Json::parse(text, nullptr, false);
  if (root.is_discarded()) root = Json::parse(asUtf8(text), nullptr, false);
  if (root.is_discarded())
    return Problem{say("the text is not JSON"), file,
                   say("open it in an editor that checks JSON and mend it")};
  return root;
}

size_t utf8Length(std::string_view text, size_t at) {
  const auto byte = [&](size_t i) { return i < text.size() ? static_cast<unsigned char>(text[i]) : 0U; };
  const auto next = [&](size_t i) { return (byte(i) & 0xC0U) == 0x80U; };
  const unsigned first = byte(at);
  const unsigned second = byte(at + 1);
  if (at >= text.size()) return 0;
  if (first < 0x80) return 1;
  // Neither longer than need be, nor half a pair, nor beyond the last character.
  if (first >= 0xC2 && first < 0xE0) return next(at + 1) ? 2 : 0;
  if (first >= 0xE0 && first < 0xF0)
    return next(at + 1) && next(at + 2) && (first != 0xE0 || second >= 0xA0) &&
                   (first != 0xED || second < 0xA0)
               ? 3
               : 0;
  if (first >= 0xF0 && first < 0xF5)
    return next(at + 1) && next(at + 2) && next(at + 3) && (first != 0xF0 || second >= 0x90) &&
                   (first != 0xF4 || second < 0x90)
               ? 4
               : 0;
  return 0;
}

std::string asUtf8(std::string_view text) {
  std::string out;
  for (size_t at = 0; at < text.size();) {
    const size_t length = utf8Length(text, at);
    out += length > 0 ? text.substr(at, length) : std::string_view("\uFFFD");
    at += std::max<size_t>(length, 1);
  }
  return out;
}

std::string textOr(const Json& in, const char* key) {
  if (!in.is_object()) return {};
  const auto found = in.find(key);
  return found != in.end() && found->is_string() ? found->get<std::string>() : std::string();
}

std::string writeJson(const Json& value) { return value.dump(1, ' ', false, Json::error_handler_t::replace); }

} // namespace columna
