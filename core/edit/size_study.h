// Questions about size: what height the wool or wire at hand makes, what becomes too small to wrap, and how
// everything changes with the height.
#pragma once

#include "plan/plan.h"

#include <atomic>

namespace columna {

/// The height whose plan takes so much core wool, to 0.01 g; where it jumps past that amount, since a part
/// becomes thick enough for a core, the height just below. Errors: an amount not above 0 or beyond what any
/// figure here takes; made parts already settle the size.
[[nodiscard]] Result<double> heightForCore(const Project& project, const Catalog& catalog, double grams);

/// The largest height all of whose pieces can be cut from one wire of that length, mm. Errors as above.
[[nodiscard]] Result<double> heightForWire(const Project& project, const Catalog& catalog, double length);

/// Shortest toe or finger that can be wrapped, mm [E], from bench accounts.
inline constexpr double kShortestDigit = 6;

/// A part that is too small to wrap at this size.
struct SmallPart {
  int limb = 0;
  bool tooShort = false; ///< a digit shorter than kShortestDigit; otherwise too thin over its wire
  double least = 0;      ///< mm: the length there is, or the wool over the wire
  double wanted = 0;     ///< mm
  double stopsAt = 0;    ///< the figure's height in mm at which it can be wrapped; 0: at no height up to 2 m
};

/// Of a pair only the left one is named. Takes a dozen plans a thin limb; `stop` ends it early.
[[nodiscard]] std::vector<SmallPart> smallParts(const Project& project, const Catalog& catalog,
                                                const Plan& plan, const std::atomic<bool>* stop = nullptr);

/// One height of the scale chart.
struct ScaleRow {
  double height = 0;                     ///< mm
  double thinnest = 0, thickest = 0;     ///< wire diameters, mm
  double core = 0, coat = 0, weight = 0; ///< g
  double hours = 0;
};

/// From half to double the height of the plan in eighths of an octave, that height in the middle (row 8).
/// Heights no figure can have are left out. `stop` ends it early.
[[nodiscard]] std::vector<ScaleRow> scaleChart(const Project& project, const Catalog& catalog,
                                               const Plan& plan, const std::atomic<bool>* stop = nullptr);

} // namespace columna
