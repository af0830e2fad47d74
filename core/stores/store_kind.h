// The kinds of things in a drawer, and the units they are kept in.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string_view>

namespace columna {

enum class StoreFamily { Wool, Wire, Eye, Needle, Sundry };
/// Whole numbers of these are kept: nothing is ever summed that was rounded on the way.
enum class StoreUnit { Milligram, Micrometre, Piece };

enum class StoreKind {
  CoreBatt,
  Sliver,
  Top,
  Locks,
  Roving,
  Yarn,
  Prefelt,
  RecycledCore,
  Coil,
  Straight,
  PipeCleaner,
  Eye,
  Needle,
  Glue,
  Wax,
  Clay,
  Paint,
  Thread,
  Cloth,
  Other
};
inline constexpr int kStoreKinds = 20;

/// "core_batt": in files.
[[nodiscard]] std::string_view id(StoreKind kind);
/// "core batt".
[[nodiscard]] std::string_view name(StoreKind kind);
[[nodiscard]] StoreFamily familyOf(StoreKind kind);
[[nodiscard]] StoreUnit unitOf(StoreKind kind);
[[nodiscard]] std::optional<StoreKind> storeKind(std::string_view id);

/// The most one lot can hold, in the unit it is kept in: 100 kg, 10 km, a million pieces.
[[nodiscard]] std::int64_t mostOf(StoreUnit unit);

/// What an amount is typed and written in: g, m and pc; and so many units in one of these.
[[nodiscard]] std::string_view unitName(StoreUnit unit);
[[nodiscard]] double unitsIn(StoreUnit unit);

} // namespace columna
