// The layers at a place of a limb, from the wire outwards: wire with its grip, the wound round, the felted
// core with its pads and skin, the coat.
#pragma once

#include "anatomy/figure.h"
#include "solid/slice.h"
#include "wool/wool_wish.h"

#include <vector>

namespace columna {

/// Girths at a station of a limb: what a tape laid round reads, mm, and what callipers read.
struct Girth {
  double along = 0; ///< mm from the limb's root along its wired bones
  int bone = 0;
  double at = 0;                       ///< 0..1 on the bone
  double across = 0, deep = 0;         ///< finished diameters
  double coreAcross = 0, coreDeep = 0; ///< felted, without coat
  double wire = 0;                     ///< round the wire and its grip; 0 without wire
  double round = 0;                    ///< diameter of the wound round once felted; 0 where none fits
  double wound = 0;                    ///< round the winding before it is felted
  double felted = 0;                   ///< core, felted; 0 where the part is all coat
  double finished = 0;                 ///< coat on
  bool allCoat = false;                ///< wound in coat wool right through
  bool loose = false;                  ///< in the end that is left unfelted until the limb is joined
};

/// What a station's layers follow from.
struct LayerInput {
  double coat = 0;    ///< mm
  double bundle = 0;  ///< mm of wire and grip, 0 without wire
  double wrapped = 0; ///< g/mm3 as wound
  double density = 0; ///< g/mm3 felted
  bool ball = false;  ///< heads, trunks and loose parts shrink in length too
  bool allCoat = false;
};

/// The layers at 0..1 of a bone; `tape` is what the cut there is of its clean oval.
[[nodiscard]] Girth layersAt(const FigureBone& bone, double at, const LayerInput& in,
                             const TapeShare& tape = {});

/// What a grip on the wire adds all round, mm: a pipe cleaner's pile crushed under wool 1.5, a spiral of
/// crepe paper 0.15, a rub of wax 0.05 [E].
[[nodiscard]] double gripThickness(WireGrip grip);

} // namespace columna
