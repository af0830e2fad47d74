// How far the steps are, from the record alone, and what of them can be done now.
#pragma once

#include "make/journal.h"
#include "make/worklist.h"
#include "steps/step.h"

#include <functional>

namespace columna {

enum class StepState { Later, Ready, UnderWay, Drying, Done, LeftOut };
[[nodiscard]] std::string_view id(StepState state);

struct StepProgress {
  StepState state = StepState::Later;
  double spent = 0;       ///< minutes at it, pauses taken out
  std::int64_t ended = 0; ///< seconds since 1970, of what is done or left out
  std::int64_t ready = 0; ///< when all that it waits for is dry; 0 where something is not done yet
};

struct Progress {
  std::vector<StepProgress> steps; ///< one a step of the plan
  std::vector<std::string> gone;   ///< ids that were done and are no longer in the plan
};

/// At a moment, seconds since 1970. What is withdrawn does not count; what was left out holds nothing up; a
/// clock that was set back gives no minutes.
[[nodiscard]] Progress progressOf(const StepPlan& plan, const std::vector<Entry>& entries, std::int64_t now);

/// Minutes a step is likely to take; the plan's own without.
using StepMinutes = std::function<double(const Step&)>;

/// What is left to do as jobs for sessions, and the step of each. `moment` gives the calendar's minute of a
/// time in seconds; `layOut` is a maker's minutes to lay the bench out over the usual ones.
struct StepJobs {
  Worklist list;
  std::vector<int> step; ///< of each job
};
[[nodiscard]] StepJobs jobsOf(const StepPlan& plan, const Progress& progress, const StepBook& book, int now,
                              const std::function<int(std::int64_t)>& moment, const StepMinutes& minutes = {},
                              double layOut = 1);

/// What fits into so many minutes from now: what dries goes first, so that it dries while the rest is done.
struct Fitting {
  struct Piece {
    int step = 0;
    int begin = 0, minutes = 0; ///< after now; of what is broken off what fits of it
    bool whole = true;
  };
  std::vector<Piece> pieces;
  int layMinutes = 0, left = 0;
};
[[nodiscard]] Fitting fitting(const StepPlan& plan, const StepJobs& jobs, int minutes);

} // namespace columna
