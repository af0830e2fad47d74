// What is thought of a maker's hand before anything is recorded, from data/work/hand.json.
#pragma once

#include "measure/result.h"

#include <string>
#include <string_view>

namespace columna {

/// Of one factor: the usual value, how far makers differ, and how far one reading is off.
struct FactorPrior {
  double usual = 0;
  double makers = 1, reading = 1; ///< standard deviations, above 0
};

struct HandPrior {
  // Spreads of the logarithm of minutes over planned ones.
  double hand = 0;   ///< of makers
  double kind = 0;   ///< of one maker's kinds of work
  double figure = 0; ///< of figures
  double figureWeight = 0;
  double drift = 0; ///< a figure
  double step = 0;  ///< of steps of a kind
  double stepWeight = 0;
  double tails = 4;        ///< degrees of freedom of a step's spread
  double forgetting = 1;   ///< of a reading's weight, a figure ago
  FactorPrior feltDensity; ///< ln(made / usual of its firmness)
  FactorPrior woundShare;  ///< ln of felted over wound density, over the planned
  FactorPrior wireCut;     ///< mm cut longer than planned
  FactorPrior limbLength;  ///< ln(made / planned)
  FactorPrior woolLost;    ///< ln(lost / taken)
  FactorPrior layOut;      ///< ln(minutes / planned)
};

/// Errors name the file and the key; spreads have to be above nought.
[[nodiscard]] Result<HandPrior> readHandPrior(std::string_view json, const std::string& file);

} // namespace columna
