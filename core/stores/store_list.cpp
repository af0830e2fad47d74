#include "stores/store_list.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <charconv>
#include <chrono>
#include <cmath>

namespace columna {
namespace {

constexpr size_t kLongestName = 80, kLongestNote = 2000;

/// A cell that is a number with a range, and where it goes.
struct NumberColumn {
  std::string_view key;
  std::optional<double> StoreRow::*into;
  double least, most;
};
constexpr std::array<NumberColumn, 9> kNumbers{{{"micron", &StoreRow::micron, 10, 60},
                                                {"staple_mm", &StoreRow::staple, 5, 500},
                                                {"g_per_m", &StoreRow::gramsPerMetre, 0.01, 1000},
                                                {"size_mm", &StoreRow::size, 0.05, 100},
                                                {"cover_mm", &StoreRow::cover, 0, 2},
                                                {"each_mm", &StoreRow::each, 10, 5000},
                                                {"tare_g", &StoreRow::tare, 0, 5000},
                                                {"price", &StoreRow::price, 0, 10'000'000},
                                                {"got", &StoreRow::got, 0.001, 1'000'000}}};

struct TextColumn {
  std::string_view key;
  std::string StoreRow::*into;
  size_t most;
};
constexpr std::array<TextColumn, 8> kTexts{{{"code", &StoreRow::code, 4},
                                            {"material", &StoreRow::material, kLongestName},
                                            {"shape", &StoreRow::shape, 40},
                                            {"place", &StoreRow::place, kLongestName},
                                            {"dye_lot", &StoreRow::dyeLot, kLongestName},
                                            {"got_on", &StoreRow::gotOn, 10},
                                            {"opened_on", &StoreRow::openedOn, 10},
                                            {"note", &StoreRow::note, kLongestNote}}};
constexpr std::array<std::string_view, 4> kNeeded{"kind", "name", "amount", "unit"};
constexpr int kLeastGauge = 28, kMostGauge = 46;

std::string trimmed(std::string_view text) {
  const auto first = text.find_first_not_of(" \t");
  if (first == std::string_view::npos) return {};
  return std::string(text.substr(first, text.find_last_not_of(" \t") - first + 1));
}

std::optional<double> number(std::string text, bool comma) {
  if (comma) {
    if (text.find('.') != std::string::npos) return std::nullopt;
    std::ranges::replace(text, ',', '.');
  }
  double out = 0;
  const char* end = text.data() + text.size();
  const char* begin = text.data() + (text.starts_with('+') ? 1 : 0);
  const auto [at, error] = std::from_chars(begin, end, out);
  if (error != std::errc() || at != end || !std::isfinite(out)) return std::nullopt;
  return out;
}

bool isDay(const std::string& text) {
  int y = 0;
  unsigned m = 0;
  unsigned d = 0;
  if (text.size() != 10 || text[4] != '-' || text[7] != '-') return false;
  const auto all = [&](int from, int to, auto& into) {
    const auto [at, error] = std::from_chars(text.data() + from, text.data() + to, into);
    return error == std::errc() && at == text.data() + to;
  };
  return all(0, 4, y) && all(5, 7, m) && all(8, 10, d) &&
         std::chrono::year_month_day(std::chrono::year(y), std::chrono::month(m), std::chrono::day(d)).ok();
}

/// How many of the kind's units one of what was typed is; none for a unit it is not counted in.
std::optional<double> perUnit(std::string_view unit, StoreUnit kept) {
  switch (kept) {
  case StoreUnit::Milligram:
    if (unit == "g") return 1000;
    if (unit == "kg") return 1'000'000;
    if (unit == "mg") return 1;
    break;
  case StoreUnit::Micrometre:
    if (unit == "m") return 1'000'000;
    if (unit == "cm") return 10'000;
    if (unit == "mm") return 1000;
    break;
  case StoreUnit::Piece:
    if (unit == "pc") return 1;
    break;
  }
  return std::nullopt;
}

class RowReader {
public:
  RowReader(const std::vector<std::string>& columns, bool comma, const std::string& file)
      : columns_(columns), comma_(comma), file_(file) {}

  Result<StoreRow> read(const CsvRow& cells) {
    row_ = &cells;
    StoreRow out;
    for (size_t c = 0; c < columns_.size(); ++c) {
      const std::string& key = columns_[c];
      const std::string text = c < cells.cells.size() ? trimmed(cells.cells[c]) : std::string();
      if (text.empty() || std::ranges::find(kNeeded, key) != kNeeded.end()) continue;
      if (auto problem = optional(out, key, text)) return *problem;
    }
    if (cells.cells.size() > columns_.size())
      return bad({}, say("has more cells than there are columns"), say("look at its quotes and separators"));
    if (auto problem = needed(out)) return *problem;
    return out;
  }

private:
  [[nodiscard]] std::string cell(std::string_view key) const {
    const auto at = static_cast<size_t>(std::ranges::find(columns_, key) - columns_.begin());
    return at < row_->cells.size() ? trimmed(row_->cells[at]) : std::string();
  }
  [[nodiscard]] Problem bad(std::string_view key, Said what, Said remedy) const {
    const AsIs file(file_);
    return {std::move(what),
            key.empty() ? Where(say("{}, line {}", file, row_->line))
                        : Where(say("{}, line {}, {}", file, row_->line, AsIs(std::string(key)))),
            std::move(remedy)};
  }

  std::optional<Problem> optional(StoreRow& out, const std::string& key, const std::string& text) const {
    for (const NumberColumn& each : kNumbers)
      if (each.key == key) {
        const auto value = number(text, comma_);
        if (!value)
          return bad(key, say("\"{}\" is not a number", AsIs(text)),
                     comma_ ? say("write it as 12,5") : say("write it as 12.5"));
        if (*value < each.least || *value > each.most)
          return bad(key,
                     say("is not between {} and {}", Number(each.least, Quantity::kShort),
                         Number(each.most, Quantity::kShort)),
                     say("look at its unit"));
        out.*each.into = value;
        return std::nullopt;
      }
    for (const TextColumn& each : kTexts)
      if (each.key == key) {
        if (text.size() > each.most)
          return bad(key, say("is longer than {} letters", static_cast<long>(each.most)), say("shorten it"));
        if (key.ends_with("_on") && !isDay(text))
          return bad(key, say("\"{}\" is not a day", AsIs(text)), say("write it as 2026-11-26"));
        out.*each.into = text;
        return std::nullopt;
      }
    if (key == "colour") {
      out.colour = srgbOf(std::string_view(text));
      if (!out.colour)
        return bad(key, say("\"{}\" is not a colour", AsIs(text)),
                   say("a colour is six figures or letters a to f, as #5C4432"));
      return std::nullopt;
    }
    if (key == "gauge") {
      const auto value = number(text, comma_);
      if (!value || *value != std::floor(*value) || *value < kLeastGauge || *value > kMostGauge)
        return bad(key, say("\"{}\" is no needle's gauge", AsIs(text)),
                   say("write a whole number, 28 to 46"));
      out.gauge = static_cast<int>(*value);
      return std::nullopt;
    }
    out.extra[key] = text;
    return std::nullopt;
  }

  std::optional<Problem> needed(StoreRow& out) const {
    const std::string kind = cell("kind");
    const auto known = storeKind(kind);
    if (!known) {
      std::string all;
      for (int k = 0; k < kStoreKinds; ++k) {
        if (k > 0) all += ", ";
        all += id(static_cast<StoreKind>(k));
      }
      return bad("kind", say("\"{}\" is not a kind of thing", AsIs(kind)), say("write one of {}", AsIs(all)));
    }
    out.kind = *known;
    out.name = cell("name");
    if (out.name.empty() || out.name.size() > kLongestName)
      return bad("name", say("is empty or too long"), say("write up to 80 letters"));
    const StoreUnit kept = unitOf(out.kind);
    const auto per = perUnit(cell("unit"), kept);
    if (!per)
      return bad("unit", say("\"{}\" is not what this is counted in", AsIs(cell("unit"))),
                 say("write {}", AsIs(std::string(unitName(kept)))));
    const auto amount = number(cell("amount"), comma_);
    if (!amount)
      return bad("amount", say("\"{}\" is not a number", AsIs(cell("amount"))),
                 comma_ ? say("write it as 12,5") : say("write it as 12.5"));
    const double units = *amount * *per;
    if (units < 0) return bad("amount", say("is below 0"), say("write what is there"));
    if (units > static_cast<double>(mostOf(kept)))
      return bad("amount", say("is more than one lot can hold"),
                 say("look at its unit, or write several lots"));
    if (kept == StoreUnit::Piece && units != std::floor(units))
      return bad("amount", say("is not a whole number"), say("count them"));
    out.amount = std::llround(units);
    return whole(out);
  }

  /// What a thing of a kind cannot be without.
  [[nodiscard]] std::optional<Problem> whole(const StoreRow& out) const {
    const bool wire = familyOf(out.kind) == StoreFamily::Wire;
    if (wire && out.material.empty()) return bad("material", say("wire has none"), say("write its id"));
    if ((wire || out.kind == StoreKind::Eye) && !out.size)
      return bad("size_mm", say("is missing"), say("write how thick it is, or how wide"));
    if ((out.kind == StoreKind::Straight || out.kind == StoreKind::PipeCleaner) && !out.each)
      return bad("each_mm", say("is missing"), say("write how long each is"));
    if (out.kind == StoreKind::Needle && !out.gauge)
      return bad("gauge", say("is missing"), say("write a whole number, 28 to 46"));
    if (out.price && !out.got)
      return bad("got", say("is missing where there is a price"), say("write how much was had for it"));
    return std::nullopt;
  }

  const std::vector<std::string>& columns_;
  bool comma_;
  const std::string& file_;
  const CsvRow* row_ = nullptr;
};

} // namespace

Result<StoreList> readStoreList(std::string_view bytes, const std::string& file) {
  auto table = readCsv(bytes, file);
  if (!table) return table.problem();
  std::vector<std::string> columns;
  for (const std::string& each : table->rows.front().cells) columns.push_back(trimmed(each));
  for (const std::string_view key : kNeeded) {
    const auto times = std::ranges::count(columns, key);
    if (times != 1)
      return Problem{times == 0 ? say("there is no column {}", AsIs(std::string(key)))
                                : say("there are several columns {}", AsIs(std::string(key))),
                     say("{}, line {}", AsIs(file), table->rows.front().line),
                     say("the columns are kind, name, amount, unit, and others as you like")};
  }
  StoreList out;
  out.coding = table->coding;
  RowReader reader(columns, table->separator == ';', file);
  for (size_t r = 1; r < table->rows.size(); ++r) {
    auto row = reader.read(table->rows[r]);
    if (row)
      out.rows.push_back(std::move(row).value());
    else
      out.problems.push_back(row.problem());
  }
  return out;
}

std::string storeListText(const std::vector<StoreRow>& rows) {
  std::vector<std::string> columns(kNeeded.begin(), kNeeded.end());
  for (const TextColumn& each : kTexts) columns.emplace_back(each.key);
  for (const NumberColumn& each : kNumbers) columns.emplace_back(each.key);
  columns.insert(columns.end(), {"colour", "gauge"});
  const size_t known = columns.size();
  for (const StoreRow& row : rows)
    for (const auto& [key, text] : row.extra)
      if (std::ranges::find(columns, key) == columns.end()) columns.push_back(key);
  std::string out = csvLine(columns);
  for (const StoreRow& row : rows) {
    const StoreUnit unit = unitOf(row.kind);
    std::vector<std::string> cells{std::string(id(row.kind)), row.name,
                                   fmt::format("{}", static_cast<double>(row.amount) / unitsIn(unit)),
                                   std::string(unitName(unit))};
    for (const TextColumn& each : kTexts) cells.push_back(row.*each.into);
    for (const NumberColumn& each : kNumbers)
      cells.push_back(row.*each.into ? fmt::format("{}", *(row.*each.into)) : std::string());
    cells.push_back(row.colour ? hexOf(*row.colour) : std::string());
    cells.push_back(row.gauge ? fmt::format("{}", *row.gauge) : std::string());
    for (size_t c = known; c < columns.size(); ++c) {
      const auto found = row.extra.find(columns[c]);
      cells.push_back(found == row.extra.end() ? std::string() : found->second);
    }
    out += csvLine(cells);
  }
  return out;
}

} // namespace columna
