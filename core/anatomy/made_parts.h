// Part first: some parts are made and came out as they came out; everything not made yet is re-sized from
// them.
#pragma once

#include "anatomy/figure.h"
#include "anatomy/shape.h"

namespace columna {

/// What was measured of a made part, and when. At least one of the two is given.
struct MadePart {
  std::string limb;             ///< the pattern's id for the part or pair: "trunk", "foreleg"
  std::optional<double> length; ///< mm, its wired bones end to end
  std::optional<double> across; ///< mm, its widest diameter left to right, coat on
  std::string date;             ///< ISO, e.g. 2026-11-25: the day it was measured

  [[nodiscard]] bool operator==(const MadePart&) const = default;
};

/// One made part against the figure that fits all of them best.
struct MadeResidual {
  std::string limb;
  double planned = 0;  ///< mm at the planned size
  double measured = 0; ///< mm
  double off = 0;      ///< measured over what the fitted figure wants, less 1: 0.09 = 9 % large
  bool byLength = true;
  Said words; ///< "the head is 9 % large for this body"
};

struct MadeFit {
  double ratio = 1; ///< the whole figure's size over the planned one
  std::vector<MadeResidual> residuals;
  Shape shape; ///< the figure's shape with the made parts as measured
};

/// The widest diameter left to right of a limb's parts, mm.
[[nodiscard]] double widestAcross(const Figure& figure, const FigureLimb& limb);

/// Fits the figure planned so far (of `shape`) to what was made. One part: the ratio of its length (else its
/// width). Several: the ratio that leaves the least sum of squared relative residuals,
/// r = sum(q) / n over q = measured / planned, weighted so that a residual counts in percent of the part:
/// r = sum(q^2) / sum(q). Made parts keep their measures whatever the ratio. A part measured exactly as
/// planned gives a ratio of exactly 1 and no change. Errors: no such part, a measure that is not above zero
/// or over 5 m.
[[nodiscard]] Result<MadeFit> fitMadeParts(const Figure& planned, const Shape& shape,
                                           const std::vector<MadePart>& made);

} // namespace columna
