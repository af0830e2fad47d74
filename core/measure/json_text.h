// JSON from files of strangers, and back to text, without surprises.
#pragma once

#include "measure/result.h"

#include <nlohmann/json.hpp>

#include <string>
#include <string_view>

namespace columna {

/// Brackets within brackets; the program's own files need nine. What is nested far deeper would exhaust the
/// stack when it is copied or written.
inline constexpr int kDeepestJson = 64;

/// What a text says; bytes that are not UTF-8 are read as replacement characters. Errors: it is not JSON, or
/// it is nested deeper than kDeepestJson.
[[nodiscard]] Result<nlohmann::json> parseJson(std::string_view text, const std::string& file);

/// The length of the UTF-8 character that begins at `at`; 0 where none does.
[[nodiscard]] size_t utf8Length(std::string_view text, size_t at);
/// The text with each byte that belongs to no UTF-8 character replaced by U+FFFD.
[[nodiscard]] std::string asUtf8(std::string_view text);

/// The text of a field, "" where it is missing or no text.
[[nodiscard]] std::string textOr(const nlohmann::json& in, const char* key);

/// JSON as text, indented by one. A name that is not UTF-8 (from an old disk, say) is written with the
/// replacement character where it was not: a project that opens can be saved.
[[nodiscard]] std::string writeJson(const nlohmann::json& value);

} // namespace columna
