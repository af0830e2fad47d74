// The two of a pair side by side: what was read of the one and of the other, and whether they are alike.
#pragma once

#include "steps/at_bench.h"

#include <optional>

namespace columna {

struct PairReading {
  int left = 0, right = 0; ///< steps
  Goal::What what = Goal::What::Weight;
  std::optional<double> leftRead, rightRead; ///< g or mm
  double within = 0;                         ///< so far apart they are alike still
  bool leftHere = false;                     ///< the left one is the step that was asked about

  /// Right less left; nothing until both are read.
  [[nodiscard]] std::optional<double> apart() const {
    if (!leftRead || !rightRead) return std::nullopt;
    return *rightRead - *leftRead;
  }
  [[nodiscard]] bool alike() const;
  [[nodiscard]] bool anyRead() const { return leftRead || rightRead; }
  /// The same with a reading of the step that was asked about that is not in the record: what lies on the
  /// scale now.
  [[nodiscard]] PairReading with(double now) const;
};

/// Of a step's goal and the same of its twin; nothing where the limb has none, or the twin no such goal, and
/// of what is counted.
[[nodiscard]] std::optional<PairReading> pairReading(const StepPlan& plan, const Figure& figure,
                                                     const Readings& readings, int step, const Goal& goal);

} // namespace columna
