#include "stores/csv.h"

#include "measure/json_text.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cstdint>

namespace columna {
namespace {

constexpr std::string_view kRun = "=+-@";

void put(std::string& out, char32_t c) {
  if (c < 0x80) {
    out += static_cast<char>(c);
  } else if (c < 0x800) {
    out += static_cast<char>(0xC0U | (c >> 6U));
    out += static_cast<char>(0x80U | (c & 0x3FU));
  } else if (c < 0x10000) {
    out += static_cast<char>(0xE0U | (c >> 12U));
    out += static_cast<char>(0x80U | ((c >> 6U) & 0x3FU));
    out += static_cast<char>(0x80U | (c & 0x3FU));
  } else {
    out += static_cast<char>(0xF0U | (c >> 18U));
    out += static_cast<char>(0x80U | ((c >> 12U) & 0x3FU));
    out += static_cast<char>(0x80U | ((c >> 6U) & 0x3FU));
    out += static_cast<char>(0x80U | (c & 0x3FU));
  }
}

std::string fromUtf16(std::string_view bytes, bool big) {
  std::string out;
  const auto unit = [&](size_t i) {
    const auto first = static_cast<std::uint8_t>(bytes[i]);
    const auto second = static_cast<std::uint8_t>(bytes[i + 1]);
    return static_cast<char32_t>(big ? first << 8U | second : second << 8U | first);
  };
  for (size_t i = 0; i + 1 < bytes.size(); i += 2) {
    char32_t c = unit(i);
    const bool high = c >= 0xD800 && c < 0xDC00;
    if (high && i + 3 < bytes.size() && unit(i + 2) >= 0xDC00 && unit(i + 2) < 0xE000) {
      c = 0x10000 + ((c - 0xD800) << 10U) + (unit(i + 2) - 0xDC00);
      i += 2;
    } else if (c >= 0xD800 && c < 0xE000) {
      c = 0xFFFD;
    }
    put(out, c);
  }
  return out;
}

std::string fromWindows1252(std::string_view bytes) {
  // 0x80 to 0x9F; the five that stand for nothing are shown as such.
  constexpr std::array<char32_t, 32> middle{0x20AC, 0xFFFD, 0x201A, 0x0192, 0x201E, 0x2026, 0x2020, 0x2021,
                                            0x02C6, 0x2030, 0x0160, 0x2039, 0x0152, 0xFFFD, 0x017D, 0xFFFD,
                                            0xFFFD, 0x2018, 0x2019, 0x201C, 0x201D, 0x2022, 0x2013, 0x2014,
                                            0x02DC, 0x2122, 0x0161, 0x203A, 0x0153, 0xFFFD, 0x017E, 0x0178};
  std::string out;
  for (const char each : bytes) {
    const auto byte = static_cast<std::uint8_t>(each);
    put(out, byte >= 0x80 && byte < 0xA0 ? middle[byte - 0x80U] : byte);
  }
  return out;
}

bool isUtf8(std::string_view text) {
  for (size_t at = 0; at < text.size();) {
    const size_t length = utf8Length(text, at);
    if (length == 0) return false;
    at += length;
  }
  return true;
}

std::string decoded(std::string_view bytes, TextCoding& coding) {
  if (bytes.starts_with("\xEF\xBB\xBF")) bytes.remove_prefix(3);
  if (bytes.starts_with("\xFF\xFE") || bytes.starts_with("\xFE\xFF")) {
    coding = bytes.front() == '\xFF' ? TextCoding::Utf16Little : TextCoding::Utf16Big;
    return fromUtf16(bytes.substr(2), coding == TextCoding::Utf16Big);
  }
  if (isUtf8(bytes)) return std::string(bytes);
  coding = TextCoding::Windows1252;
  return fromWindows1252(bytes);
}

/// What the first line has most of, outside of quotes.
char separatorOf(std::string_view text) {
  std::array<std::pair<long, char>, 3> seen{{{0, ','}, {0, ';'}, {0, '\t'}}};
  bool quoted = false;
  for (const char c : text) {
    if (c == '"') quoted = !quoted;
    if (!quoted && (c == '\n' || c == '\r')) break;
    for (auto& [count, separator] : seen) count += !quoted && c == separator ? 1 : 0;
  }
  return std::ranges::max_element(seen, {}, [](const auto& s) { return s.first; })->second;
}

bool plainNumber(std::string_view cell) {
  const size_t sign = cell.starts_with('-') || cell.starts_with('+') ? 1 : 0;
  return cell.size() > sign && cell.find_first_not_of("0123456789.,", sign) == std::string_view::npos;
}

class CsvReader {
public:
  CsvReader(std::string_view text, const std::string& file, CsvTable& out)
      : text_(text), file_(file), out_(out) {}

  std::optional<Problem> run() {
    while (at_ < text_.size()) {
      CsvRow row;
      row.line = line_;
      if (auto problem = readRow(row)) return problem;
      const bool empty = std::ranges::all_of(
          row.cells, [](const std::string& c) { return c.find_first_not_of(" \t") == std::string::npos; });
      if (empty) continue;
      if (out_.rows.size() == kMostCsvRows)
        return Problem{say("the table has over {} rows", static_cast<long>(kMostCsvRows)), file_,
                       say("read it in parts")};
      out_.rows.push_back(std::move(row));
    }
    return std::nullopt;
  }

private:
  [[nodiscard]] Where here(int line) const { return say("{}, line {}", AsIs(file_), line); }

  std::optional<Problem> readRow(CsvRow& row) {
    for (;;) {
      std::string cell;
      if (at_ < text_.size() && text_[at_] == '"') {
        if (auto problem = quoted(cell)) return problem;
      } else {
        while (at_ < text_.size() && text_[at_] != out_.separator && text_[at_] != '\n' && text_[at_] != '\r')
          cell += text_[at_++];
      }
      if (cell.size() > 1 && cell.front() == '\'' && kRun.find(cell[1]) != std::string_view::npos)
        cell.erase(0, 1);
      row.cells.push_back(std::move(cell));
      if (at_ >= text_.size()) return std::nullopt;
      if (text_[at_] == out_.separator) {
        ++at_;
        continue;
      }
      if (text_[at_] == '\r') ++at_;
      if (at_ < text_.size() && text_[at_] == '\n') ++at_;
      ++line_;
      return std::nullopt;
    }
  }

  std::optional<Problem> quoted(std::string& cell) {
    const int began = line_;
    for (++at_;;) {
      if (at_ >= text_.size())
        return Problem{say("a quote is opened and never closed"), here(began), say("close it")};
      const char c = text_[at_++];
      if (c == '\n') ++line_;
      if (c != '"') {
        cell += c;
        continue;
      }
      if (at_ < text_.size() && text_[at_] == '"') {
        cell += '"';
        ++at_;
        continue;
      }
      break;
    }
    if (at_ < text_.size() && text_[at_] != out_.separator && text_[at_] != '\n' && text_[at_] != '\r')
      return Problem{say("something stands behind a closing quote"), here(line_),
                     say("write a quote within quotes twice")};
    return std::nullopt;
  }

  std::string_view text_;
  const std::string& file_;
  CsvTable& out_;
  size_t at_ = 0;
  int line_ = 1;
};

} // namespace

Result<CsvTable> readCsv(std::string_view bytes, const std::string& file) {
  if (bytes.size() > kMostCsvBytes)
    return Problem{say("the table is over {} MB", static_cast<long>(kMostCsvBytes >> 20U)), file,
                   say("read it in parts")};
  CsvTable out;
  const std::string text = decoded(bytes, out.coding);
  if (text.find('\0') != std::string::npos)
    return Problem{say("this is no table: it has bytes that no text has"), file, say("save it as CSV")};
  out.separator = separatorOf(text);
  if (auto problem = CsvReader(text, file, out).run()) return *problem;
  if (out.rows.empty()) return Problem{say("there is nothing in it"), file, say("choose another file")};
  return out;
}

std::string csvLine(const std::vector<std::string>& cells, char separator) {
  std::string out;
  for (size_t i = 0; i < cells.size(); ++i) {
    if (i > 0) out += separator;
    std::string cell = cells[i];
    // One that begins with such an apostrophe itself gets another, so that it comes back as it was.
    const size_t first = cell.size() > 1 && cell.front() == '\'' ? 1 : 0;
    if (cell.size() > first && kRun.find(cell[first]) != std::string_view::npos && !plainNumber(cell))
      cell.insert(0, 1, '\'');
    if (cell.find_first_of("\"\r\n") == std::string::npos && cell.find(separator) == std::string::npos &&
        !cell.starts_with(' ') && !cell.ends_with(' ')) {
      out += cell;
      continue;
    }
    out += '"';
    for (const char c : cell) out += c == '"' ? std::string("\"\"") : std::string(1, c);
    out += '"';
  }
  return out + "\r\n";
}

} // namespace columna
