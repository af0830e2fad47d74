// One number of a maker's hand, learnt from readings: how firm they felt, how long they cut, how much is
// lost.
//
// The readings spread round the maker's own mean as a t about it, the means of makers round the usual; both
// are kept as a normal-inverse-gamma, which readings only sharpen (textbook conjugacy). A reading far off
// weighs little (the t's weights, by expectation and maximisation), one of some figures ago less than one of
// today.
#pragma once

#include "make/hand_prior.h"

#include <vector>

namespace columna {

/// What is likely, and where eight in ten lie.
struct Likely {
  double low = 0, middle = 0, high = 0;
};

struct FactorReading {
  double x = 0; ///< as the factor is reckoned: a logarithm of a ratio, or mm
  int figuresAgo = 0;
};

struct Factor {
  double mean = 0, kappa = 0, alpha = 0, beta = 0;
  std::vector<double> weights; ///< of each reading, 0..1.25: how far it is believed

  /// Of the next reading.
  [[nodiscard]] Likely next() const;
  /// The same of a factor that is reckoned as the logarithm of a ratio.
  [[nodiscard]] Likely nextRatio() const;
};

[[nodiscard]] Factor learntFactor(const std::vector<FactorReading>& readings, const FactorPrior& prior,
                                  const HandPrior& hand);

/// The quantile 0.9 of Student's t with so many degrees of freedom, at least 3: Abramowitz and Stegun 26.7.5,
/// within 0.002.
[[nodiscard]] double studentNine(double degrees);

} // namespace columna
