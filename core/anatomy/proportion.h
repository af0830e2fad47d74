// Proportions: ratios of a figure that the eye judges by, against the animal's.
#pragma once

#include "anatomy/figure.h"

namespace columna {

/// One ratio, e.g. head to body.
struct Proportion {
  std::string id;           ///< "head-to-body"
  std::string words;        ///< "head to body"
  double value = 0;         ///< of the figure
  double animal = 0;        ///< of the pattern
  double low = 0, high = 0; ///< the animal's range: an estimate, see proportionSpread()
  /// +1 above the range, -1 below it, 0 within.
  int verdict = 0;
  Said sentence; ///< "head 18 % large for a red fox", "within the animal's range"
};

/// How far animals of one kind differ in a ratio, as a share of it [E]: 0.10 for lengths of head, neck and
/// legs, 0.15 for girths, 0.20 for tails and digits. The patterns' own facts are too few to say more.
[[nodiscard]] double proportionSpread(const std::string& id);

/// The ratios both figures have, in body order.
[[nodiscard]] std::vector<Proportion> proportions(const Figure& figure, const Figure& animal);

/// Mean width and depth of those of a pattern's bones that have wire, modules; 1 and 1 without any.
[[nodiscard]] Eigen::Vector2d meanSection(const Pattern& pattern, const std::vector<std::string>& bones);

} // namespace columna
