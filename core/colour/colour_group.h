// What makers call a colour, and how near two are, in words.
#pragma once

#include "colour/colour_rules.h"
#include "colour/srgb.h"

namespace columna {

enum class ColourGroup {
  White,
  PaleGrey,
  Grey,
  Black,
  Pink,
  Cream,
  Red,
  Brown,
  Ginger,
  Yellow,
  Green,
  Blue,
  Violet
};
inline constexpr int kColourGroups = 13;
/// "pale-grey": in files.
[[nodiscard]] std::string_view id(ColourGroup group);
/// "pale grey".
[[nodiscard]] std::string_view name(ColourGroup group);

/// By lightness, chroma and hue; the borders are estimates. Every colour has one.
[[nodiscard]] ColourGroup groupOf(const Lab& colour);

/// How near two colours are, by ColourRules: "near". From "cannot be told apart" to "another colour".
enum class Nearness { Same, SideBySide, Near, Shade, Other };
[[nodiscard]] Nearness nearnessOf(double de, const ColourRules& rules);
[[nodiscard]] std::string_view name(Nearness nearness);

} // namespace columna
