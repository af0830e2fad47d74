// A piece's bends and twists as they are told: what the window and the sheet both show.
#pragma once

#include "wire/piece.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

/// Bends gentler than so many radians are not told; what the wire is turned for them is added to the next
/// one's.
inline constexpr double kGentleBend = 0.01;

struct BendRow {
  enum class Kind { Bend, Fold, Twist } kind = Kind::Bend;
  double at = 0;                ///< mm from the left end
  std::string point;            ///< in words; of a twist empty
  std::optional<double> tool;   ///< radians to bend to; not of a fold
  std::optional<double> angle;  ///< radians it stays at
  std::optional<double> turn;   ///< radians to turn the wire since the row before, when it is worth telling
  std::optional<double> radius; ///< inside, mm
  double to = 0, turns = 0;     ///< of a twist: where it ends, mm, and its full turns
};

/// By place, from the left end.
[[nodiscard]] std::vector<BendRow> bendTable(const WireSkeleton& skeleton, const Piece& piece);

/// A point in the maker's words: "left hock".
[[nodiscard]] std::string pointWords(const WireSkeleton& skeleton, int point);

} // namespace columna
