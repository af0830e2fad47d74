// The fields of a foot in a head file. Sizes are in head modules, what is inside the foot in foot lengths.
#pragma once

#include "head/field_kinds.h"
#include "head/foot_pattern.h"

namespace columna {

namespace heads {
inline constexpr std::array kFootType =
    std::to_array<Words>({"paw", "hoof", "cloven", "webbed", "talon", "hand", "sole", "column", "toy-pad",
                          "flipper", "fluke", "peg"});
inline constexpr std::array kFootPadKind =
    std::to_array<Words>({"toe", "ball", "heel", "frog", "sole", "carpal", "dew-claw", "nail", "other"});
inline constexpr std::array kFootPadShape =
    std::to_array<Words>({"ellipse", "heart", "drop", "crescent", "polygon"});
} // namespace heads

template <>
struct Choices<FootType> : InOrder<FootType, heads::kFootType> {};
template <>
struct Choices<FootPadKind> : InOrder<FootPadKind, heads::kFootPadKind> {};
template <>
struct Choices<FootPadShape> : InOrder<FootPadShape, heads::kFootPadShape> {};

template <>
struct Table<FootPad> {
  static constexpr std::tuple fields{field("id", &FootPad::id).must(),
                                     field("kind", &FootPad::kind).must(),
                                     field("shape", &FootPad::shape),
                                     field("at", &FootPad::at).must().within(-3, 3).about("foot lengths"),
                                     field("radii", &FootPad::radii).must().above(0, 3),
                                     heads::angle("turn_deg", &FootPad::turn, -180, 180),
                                     field("outline", &FootPad::outline).within(-3, 3).upTo(200),
                                     field("colour", &FootPad::colour)};
};

template <>
struct Table<FootToe> {
  static constexpr std::tuple fields{
      field("digit", &FootToe::digit).must().within(1, 12),
      field("from", &FootToe::from).must().within(-3, 3).about("foot lengths"),
      field("to", &FootToe::to).must().within(-3, 3).about("foot lengths"),
      field("width", &FootToe::width).must().above(0, 3).about("at its root and its tip")};
};

template <>
struct Table<FootClaw> {
  static constexpr std::tuple fields{
      field("digit", &FootClaw::digit).must().within(1, 12),
      field("from", &FootClaw::from).must().within(-3, 3).about("foot lengths"),
      field("to", &FootClaw::to).must().within(-3, 3).about("foot lengths"),
      field("width", &FootClaw::width).must().above(0, 3)};
};

template <>
struct Table<FootPattern> {
  static constexpr std::tuple fields{
      field("type", &FootPattern::type).must(),
      heads::length("length", &FootPattern::length),
      heads::length("width", &FootPattern::width),
      heads::length("height", &FootPattern::height),
      field("digits", &FootPattern::digits).must().within(0, 12),
      field("colour", &FootPattern::colour).must(),
      field("pad_colour", &FootPattern::padColour),
      field("claw_colour", &FootPattern::clawColour),
      field("web_colour", &FootPattern::webColour),
      field("colour_starts", &FootPattern::colourStarts).within(0, 20).about("foot lengths up the limb"),
      heads::angle("wall_deg", &FootPattern::wall, 0, 90).about("a hoof's, to the ground"),
      field("outline", &FootPattern::outline).within(-3, 3).upTo(200),
      field("toes", &FootPattern::toes).upTo(12),
      field("webs", &FootPattern::webs).within(-3, 3).upTo(200),
      field("pads", &FootPattern::pads).upTo(32),
      field("claws", &FootPattern::claws).upTo(12)};
};

template <>
struct Table<HeadFeet> {
  static constexpr std::tuple fields{field("fore", &HeadFeet::fore), field("mid", &HeadFeet::mid),
                                     field("hind", &HeadFeet::hind)};
};

} // namespace columna
