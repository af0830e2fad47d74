// What is in a drawer, as a table: one row a bag, coil, bundle or bottle.
#pragma once

#include "colour/srgb.h"
#include "stores/csv.h"
#include "stores/store_kind.h"

#include <map>
#include <optional>

namespace columna {

/// A lot as a table tells it. Lengths in mm, masses in g.
struct StoreRow {
  std::string code; ///< of its label; empty: a new one
  StoreKind kind = StoreKind::Other;
  std::string name;
  std::int64_t amount = 0; ///< in unitOf(kind)
  std::optional<Srgb> colour;
  std::optional<double> micron, staple, gramsPerMetre;
  std::string material; ///< of wire, its id
  std::optional<double> size, cover, each;
  std::optional<int> gauge;
  std::string shape, place, dyeLot;
  std::optional<double> tare;
  std::optional<double> price, got; ///< in the maker's money; for so much, in the kind's unit as typed
  std::string gotOn, openedOn;      ///< "2026-11-26"
  std::string note;
  std::map<std::string, std::string> extra; ///< columns nobody here knows; they come out again
};

struct StoreList {
  std::vector<StoreRow> rows;    ///< the good ones
  std::vector<Problem> problems; ///< of those that are not, each with its line
  TextCoding coding = TextCoding::Utf8;
};

/// A table with the columns kind, name, amount and unit (g or kg, m or mm, pc), and any of code, colour,
/// micron, staple_mm, g_per_m, material, size_mm, cover_mm, each_mm, gauge, shape, place, dye_lot, tare_g,
/// price, got, got_on, opened_on and note. Numbers have a decimal comma where cells are parted by semicolons.
/// Errors: of the table as a whole; single rows' are in the list.
[[nodiscard]] Result<StoreList> readStoreList(std::string_view bytes, const std::string& file);

/// The same as text, in UTF-8; readStoreList() gives it back.
[[nodiscard]] std::string storeListText(const std::vector<StoreRow>& rows);

} // namespace columna
