// Sizing: which length of a figure the maker has settled, and the figure that follows.
#pragma once

#include "anatomy/figure.h"

namespace columna {

/// Which of the figure's lengths is settled. Scale is a share of life: 1:8.
enum class SizeBy { OverallHeight, ShoulderHeight, BodyLength, HeadLength, Limb, Scale };

/// The smallest and largest figure the sums are made for, for its height, shoulder height or body length, in
/// mm. The wire and wool rules were checked for figures of 60 to 400 mm; beyond that they are extrapolated,
/// and findings say so.
inline constexpr double kSmallestMm = 20;
inline constexpr double kLargestMm = 2000;

struct Sizing {
  SizeBy by = SizeBy::OverallHeight;
  double mm = 160;    ///< the settled length, or of a scale how many times smaller than life (8 is 1:8)
  std::string limb{}; ///< of SizeBy::Limb: the pattern's id, "foreleg"

  [[nodiscard]] bool operator==(const Sizing&) const = default;
};

/// mm per module. Errors: a size that is not finite, not above 0, or outside its range; a limb the pattern
/// does not have or without length; a height outside kSmallestMm..kLargestMm that follows from it.
[[nodiscard]] Result<double> scaleOf(const Pattern& pattern, const Sizing& sizing);

/// The same when the pattern's figure in modules is at hand.
[[nodiscard]] Result<double> scaleOf(const Pattern& pattern, const Figure& unit, const Sizing& sizing);

/// The figure of a pattern at a size. Errors as scaleOf.
[[nodiscard]] Result<Figure> makeFigure(const Pattern& pattern, const Sizing& sizing);

/// How many modules the settled length is of that pattern; 0 where it has none. Not for a scale.
[[nodiscard]] double modulesOf(const Pattern& pattern, const Sizing& sizing);

/// The figure's own length of that kind, mm (of a scale: how many times smaller than life).
[[nodiscard]] double lengthOf(const Figure& figure, const Pattern& pattern, SizeBy by,
                              const std::string& limb = {});

/// "height", "shoulder height", "body length", "head length", "length of the limb", "scale".
[[nodiscard]] std::string_view word(SizeBy by);

/// Refuses a size that no figure can have, in one sentence.
[[nodiscard]] std::optional<Problem> sizeProblem(SizeBy by, double mm);

/// A scale as makers write it: "1:8", "1 : 8", "1/8", "8". Errors: not a number, not above 0.
[[nodiscard]] Result<double> parseScale(std::string_view text);

/// A first size one can hold: about 180 mm at its longest, the height or the body's length rounded to 5 mm.
[[nodiscard]] Sizing firstSize(const Pattern& pattern);

/// How high a figure of that size stands, mm.
[[nodiscard]] double firstHeight(const Pattern& pattern);

} // namespace columna
