// Head files: docs/head.md describes them.
#pragma once

#include "head/head_pattern.h"
#include "measure/result.h"

#include <nlohmann/json.hpp>

#include <filesystem>
#include <string_view>

namespace columna {

/// The largest head file that is read; ours have 12 kB.
inline constexpr std::uintmax_t kLargestHead = 4'000'000;

/// What a file's text says; `file` is its name for errors. Errors: it is no head; the first field that is
/// missing, of the wrong kind or out of its range; what no head has (stations that go back, a profile
/// upside down, no eye, a colour that is not in the palette, an id used twice, a flat part that crosses
/// itself). What an eye would find wrong besides is checkHead()'s.
[[nodiscard]] Result<HeadPattern> readHead(std::string_view json, const std::string& file);

/// The same of a file. Errors: it cannot be read, or is larger than kLargestHead.
[[nodiscard]] Result<HeadPattern> readHeadFile(const std::filesystem::path& file);

/// Schema of a head file, from its fields.
[[nodiscard]] nlohmann::json headSchema();

} // namespace columna
