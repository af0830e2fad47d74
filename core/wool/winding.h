// Winding: how many strips of the wool at hand a limb takes, how long and wide, and how they are laid.
#pragma once

#include "anatomy/figure.h"
#include "wool/wool_rules.h"
#include "wool/wool_wish.h"

#include <string>

namespace columna {

/// What a wool at hand is as it is wound.
struct Sliver {
  double linear = 0; ///< g/mm
  double width = 0;  ///< mm laid flat
  bool weighed = false;
};

/// Of the maker's own weighing, else the usual for that form.
[[nodiscard]] Sliver sliverOf(const WoolStock& stock, const WoolRules& rules);

/// What a part is made as.
enum class MadeAs { Wound, Tube, Ball };

struct Winding {
  MadeAs as = MadeAs::Wound; ///< on wire; or, without any, a tube on a skewer or a ball
  double startLength = 0;    ///< mm of a tube to begin with, 0 of other parts
  double rolledLength = 0;   ///< mm it grows to when it is rolled between the palms
  double grams = 0;          ///< of all strips
  int strips = 0;            ///< equal; 0 when nothing is wound
  double length = 0;         ///< mm of one
  double width = 0;          ///< mm
  double linear = 0;         ///< g/mm it is pulled to
  double draft = 1;          ///< times as fine as the wool at hand
  bool wisp = false;         ///< pulled finer than a gram a metre
  double turns = 0;          ///< of all strips together
  double layers = 0;         ///< thicknesses of the strip from wire to surface, overlap counted
  double overlap = 0;        ///< share of the width
  std::string start;         ///< where it begins
  std::string finish;        ///< where it ends
  std::string way;           ///< which way, crossings
};

/// Length of a limb's winding and its mean diameters.
struct WindingInput {
  double grams = 0;
  double length = 0;  ///< mm of limb that is wound
  double bundle = 0;  ///< mm of wire and grip
  double wound = 0;   ///< mm, mean diameter as wound before felting
  double wrapped = 0; ///< g/mm3
  bool wire = true;   ///< it is wound on wire
};

/// "pulled to a third", "as it comes".
[[nodiscard]] std::string_view draftWords(double draft);

/// The strips of one limb: the wool at hand is pulled (drafted) until it goes so many times over the part,
/// each turn over half of the last, and never so short that it would not reach along it. Continuous in every
/// number but the count of strips. Nothing is wound for 0 g or a wool of 0 g/mm.
[[nodiscard]] Winding windingOf(const FigureLimb& limb, const WindingInput& in, const Sliver& wool,
                                const WoolRules& rules);

} // namespace columna
