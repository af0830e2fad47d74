// Tables as spreadsheets write them.
#pragma once

#include "measure/result.h"

#include <string>
#include <string_view>
#include <vector>

namespace columna {

inline constexpr size_t kMostCsvBytes = 16U << 20U;
inline constexpr size_t kMostCsvRows = 20'000;

/// Which bytes stand for which letters.
enum class TextCoding { Utf8, Utf16Little, Utf16Big, Windows1252 };

struct CsvRow {
  int line = 0; ///< it begins on, from 1
  std::vector<std::string> cells;
};
struct CsvTable {
  std::vector<CsvRow> rows;             ///< the header among them; empty lines left out
  char separator = ',';                 ///< comma, semicolon or tab: what the first line has most of
  TextCoding coding = TextCoding::Utf8; ///< as it was read: Windows1252 is a guess, to be looked at
};

/// RFC 4180, with CR LF or LF; a mark of UTF-8 or UTF-16 at the beginning counts, else what is no UTF-8 is
/// read as Windows-1252. A cell's leading apostrophe before = + - @ is the writer's, and left out. Errors
/// name the line: a quote that never ends, a letter behind a closing quote, no text at all, NUL bytes, over
/// kMostCsvBytes or kMostCsvRows.
[[nodiscard]] Result<CsvTable> readCsv(std::string_view bytes, const std::string& file);

/// A row as text, with its line's end. Cells that a spreadsheet would run (= + - @) get an apostrophe, unless
/// they are plain numbers.
[[nodiscard]] std::string csvLine(const std::vector<std::string>& cells, char separator = ',');

} // namespace columna
