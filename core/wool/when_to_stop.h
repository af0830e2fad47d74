// When to stop: what a girth or a weight that was just measured says.
#pragma once

#include "wool/build_up.h"

#include <string>

namespace columna {

/// What to do about a girth.
struct GirthAdvice {
  enum class Kind { There, Under, Over } kind = Kind::There;
  double difference = 0;    ///< mm, measured less wanted
  double grams = 0;         ///< to add, or too many; 0 when it is there
  double low = 0, high = 0; ///< g, over the density's range
  std::string place;        ///< the pad it is nearest to, else ""
  Said sentence;
};

/// A tape of `measured` mm round a limb `along` mm from its root, felted or (with `coated`) finished. The
/// stretch counts to halfway to the girths beside it. Within 2 % or 1 mm it is there.
[[nodiscard]] GirthAdvice adviseGirth(const FigureLimb& limb, const LimbWool& wool, double along,
                                      double measured, bool coated);

/// Two of a pair of limbs by the wool left of each: who is ahead, and by how much. Empty within 0.1 g.
[[nodiscard]] Said compareTwins(const std::string& left, double leftLeft, const std::string& right,
                                double rightLeft);

/// How much larger the whole figure must be for an over-full girth to be right: measured over wanted.
[[nodiscard]] double resizeFor(const GirthAdvice& advice, double measured);

/// The girth of a limb nearest to a place along it; nothing without any.
[[nodiscard]] const Girth* girthNear(const LimbWool& wool, double along);

} // namespace columna
