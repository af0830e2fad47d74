// What is assumed of how wools mix, hide each other and are told apart: data/work/colour.json, each number
// with its source.
#pragma once

#include "measure/result.h"

#include <string>
#include <string_view>

namespace columna {

struct ColourRules {
  // Fibres mixed (fibre_blend.h).
  double mixing = 0, mixingLow = 0, mixingHigh = 0; ///< the constant M, and its range
  double mixingOwn = 0;                             ///< either way of one that was found by a test blend
  double ownMost = 0;                               ///< dE00: a test blend that fits no better is refused
  double ownApart = 0;                              ///< L*: two wools nearer than this say nothing of M
  // Which blend is shown first (blend_search.h), in dE00.
  double riskWeight = 0, woolWeight = 0, spreadWeight = 0, mottledWeight = 0;
  // Layers (layered.h).
  double fibreDensity = 0;   ///< g/cm3
  double fibreAcross = 0;    ///< micron, where a wool's own is not known
  double fibreSends = 0;     ///< share of light one fibre of pale wool sends back
  double groundShows = 0;    ///< share of the ground that may be seen yet
  double groundApart = 0;    ///< of brightness: nearer grounds are told by colour alone
  double hiddenNear = 0;     ///< dE00 to the thick colour
  double needledThrough = 0; ///< times what lies still, as needling draws the ground up
  double hidesLeast = 0;     ///< g/m2: no coat is thinner
  // Streaks (mottle.h).
  double pull = 0, pullLow = 0, pullHigh = 0; ///< layers after a pull for one before
  double seenFrom = 0;                        ///< mm
  double stackHigh = 0; ///< mm of a stack as it would be felted: what a hand pulls apart at once
  double contrastMost = 0, contrastFalls = 0; ///< of the eye: sensitivity, and its fall a cycle a degree
  // Doubt, dE00.
  double doubtSame = 0; ///< of one's own eye and light
  double doubtGuess = 0, doubtPhoto = 0, doubtCard = 0, doubtMeter = 0;
  // Words, dE00.
  double saysSame = 0, saysSideBySide = 0, saysNear = 0, saysShade = 0;
};

/// Errors name the file and the key; ranges the wrong way round are one.
[[nodiscard]] Result<ColourRules> readColourRules(std::string_view json, const std::string& file);

} // namespace columna
