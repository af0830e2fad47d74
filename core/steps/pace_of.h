// A maker's hand as the records show it: their pace on the figure under way and what it says of the hours
// that are left, and how long they cut, form and felt.
#pragma once

#include "anatomy/figure.h"
#include "make/hand_file.h"
#include "make/pace_hand.h"
#include "steps/progress.h"

#include <array>

namespace columna {

struct MakersPace {
  int steps = 0;                           ///< of this figure that were done and timed
  int figures = 0;                         ///< earlier ones that count
  std::array<double, kPaceKinds> factor{}; ///< of each kind: minutes over the usual ones, in the middle
  double layOut = 1;                       ///< minutes to lay the bench out over the usual ones
  Likely left;                             ///< minutes of all that is not done; eight in ten lie between
  /// A step's minutes at that pace.
  [[nodiscard]] double minutes(const Step& step) const {
    return step.planned * factor[static_cast<size_t>(step.pace)];
  }
};

/// By the record of this figure, and of those before it. Steps whose minutes were taken as the usual ones, or
/// came from a stand-in, are not learnt from.
[[nodiscard]] MakersPace paceOf(const StepPlan& plan, const Progress& progress,
                                const std::vector<Entry>& entries, const HandPrior& prior,
                                const std::vector<const HandFigure*>& before = {});

/// What this figure's record shows of the hand: its steps' pace, and readings against what was planned.
/// Readings of a stand-in, of an instrument not at rest, and by a photo are left out.
[[nodiscard]] HandFigure shownBy(const StepPlan& plan, const Progress& progress,
                                 const std::vector<Entry>& entries);

/// One thing of a hand, before anything was recorded and now.
struct HandTrait {
  std::string id;    ///< of a kind of work, or of a factor
  bool pace = true;  ///< a share of the usual minutes; else a factor
  bool ratio = true; ///< a share; else mm
  Likely usual, now;
  int readings = 0;
};
/// Kinds of work first. Of what nothing was read, nothing.
[[nodiscard]] std::vector<HandTrait> handTraits(const std::vector<const HandFigure*>& figures,
                                                const HandPrior& prior);

} // namespace columna
