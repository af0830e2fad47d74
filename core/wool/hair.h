// Rows of hair and feathers on a head: how many tufts, how long to cut them, and what they weigh.
#pragma once

#include "anatomy/figure.h"
#include "wool/wool_rules.h"
#include "words/said.h"

namespace columna {

struct HairRow {
  std::string id;
  std::string name; ///< "ear tuft"
  HeadRow::Kind kind = HeadRow::Kind::Tufts;
  bool twin = false;
  int count = 0;    ///< of tufts, feathers or single hairs; on one side
  double root = 0;  ///< mm of the line they stand along, one side
  double apart = 0; ///< mm from one to the next
  double shown = 0; ///< mm to be seen
  double cut = 0;   ///< mm to cut one: twice what is seen and the fold; of a single hair, with what is set in
  double grams = 0; ///< of wool, both sides; 0 for single hairs, which are none
  bool tiny = false; ///< a feather narrower than can be felted: lay it as tufts
};

/// A row of tufts has as many as find room, each `hair_tuft_wide` and in proportion as heavy as one of fur; a
/// row of feathers as many as the animal has, but none narrower than `hair_feather_least`.
[[nodiscard]] HairRow hairOf(const HeadRow& row, const WoolRules& rules);

/// "each side 9 tufts cut 16 mm, 3 mm apart": how to lay it.
[[nodiscard]] Said hairWords(const HairRow& row);

/// Those of a figure's head, in the order they are laid; empty without any.
[[nodiscard]] std::vector<HairRow> hairOn(const Figure& figure, const WoolRules& rules);

/// Their grams together.
[[nodiscard]] double hairGrams(const Figure& figure, const WoolRules& rules);

} // namespace columna
