#include "colour/colour_group.h"

#include "words/said.h"

#include <array>

namespace columna {
namespace {

constexpr double kGrey = 9; ///< chroma: less has no hue

} // namespace

std::string_view id(ColourGroup group) {
  constexpr std::array<std::string_view, kColourGroups> ids{"white", "pale-grey", "grey",  "black",  "pink",
                                                            "cream", "red",       "brown", "ginger", "yellow",
                                                            "green", "blue",      "violet"};
  return ids[static_cast<size_t>(group)];
}

std::string_view name(ColourGroup group) {
  switch (group) {
  case ColourGroup::White:
    return named("white");
  case ColourGroup::PaleGrey:
    return named("pale grey");
  case ColourGroup::Grey:
    return named("grey");
  case ColourGroup::Black:
    return named("black");
  case ColourGroup::Pink:
    return named("pink");
  case ColourGroup::Cream:
    return named("cream");
  case ColourGroup::Red:
    return named("red");
  case ColourGroup::Ginger:
    return named("ginger");
  case ColourGroup::Yellow:
    return named("yellow");
  case ColourGroup::Green:
    return named("green");
  case ColourGroup::Blue:
    return named("blue");
  case ColourGroup::Violet:
    return named("violet");
  case ColourGroup::Brown:
    break;
  }
  return named("brown");
}

ColourGroup groupOf(const Lab& colour) {
  const double l = colour.l;
  const double c = colour.chroma();
  const double h = colour.hue();
  if (c < kGrey)
    return l >= 85   ? ColourGroup::White
           : l >= 60 ? ColourGroup::PaleGrey
           : l >= 25 ? ColourGroup::Grey
                     : ColourGroup::Black;
  if (l >= 65 && (h < 58 || h >= 330)) return ColourGroup::Pink;
  if (l >= 75 && c < 35 && h < 110) return ColourGroup::Cream;
  if (c >= 35 && (h < 40 || h >= 345)) return ColourGroup::Red;
  if (h >= 25 && h < 95 && (l < 50 || c < 30)) return ColourGroup::Brown;
  if (h < 25 || h >= 345) return ColourGroup::Red;
  if (h < 75) return ColourGroup::Ginger;
  if (h < 105) return ColourGroup::Yellow;
  if (h < 190) return ColourGroup::Green;
  return h < 295 ? ColourGroup::Blue : ColourGroup::Violet;
}

Nearness nearnessOf(double de, const ColourRules& rules) {
  return de < rules.saysSame         ? Nearness::Same
         : de < rules.saysSideBySide ? Nearness::SideBySide
         : de < rules.saysNear       ? Nearness::Near
         : de < rules.saysShade      ? Nearness::Shade
                                     : Nearness::Other;
}

std::string_view name(Nearness nearness) {
  switch (nearness) {
  case Nearness::Same:
    return named("cannot be told apart");
  case Nearness::SideBySide:
    return named("told apart only side by side");
  case Nearness::Near:
    return named("near");
  case Nearness::Shade:
    return named("a different shade");
  case Nearness::Other:
    break;
  }
  return named("another colour");
}

} // namespace columna
