// Pieces: each length of wire to cut, the way it takes through the skeleton, and what its features take of
// it.
#pragma once

#include "measure/working.h"
#include "wire/construction.h"
#include "wire/section.h"

#include <string>
#include <vector>

namespace columna {

/// Something done to a piece at a place, and what it takes. Kinds: "lap", "turn-back", "loop", "fold",
/// "twist", "bend", "mutual-twist", "lashing", "digit", "tail", "waste".
struct Feature {
  std::string kind;
  double at = 0;    ///< mm from the piece's left end to where it begins
  double takes = 0; ///< mm of wire beyond the bones; a bend saves some and takes less than nothing
  std::string note; ///< in the maker's words
};

struct Piece {
  std::string tag;               ///< "A"
  std::string name;              ///< "spine", "left foreleg", "shoulder lashing"
  std::string material;          ///< id
  double diameter = 0;           ///< mm
  std::vector<int> route;        ///< points of the skeleton, in the order the wire passes them
  std::vector<double> routeAt;   ///< mm from the left end at each of them
  std::vector<int> limbs;        ///< limbs it runs in
  double bones = 0;              ///< mm of skeleton it runs along
  double cut = 0;                ///< mm to cut: bones and all that the features take
  double mass = 0;               ///< g
  int mirrorOf = -1;             ///< index of the piece it mirrors, -1 if none
  std::vector<Feature> features; ///< by place
};

/// The pieces of a figure. `sections` has one entry a group, the section of one limb's wires apart. `fine` is
/// the wire for lashings. Left limbs come before right ones, and a right limb's piece equals its twin's but
/// for the route.
[[nodiscard]] std::vector<Piece> makePieces(const Figure& figure, const WireSkeleton& skeleton,
                                            Construction construction, const std::vector<WireGroup>& groups,
                                            const std::vector<WireSection>& sections,
                                            const WireSection& fine);

/// How a piece's cut length comes about.
[[nodiscard]] Working cutWorking(const Piece& piece);

} // namespace columna
