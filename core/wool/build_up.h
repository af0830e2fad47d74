// The build-up: the order in which wool goes on, and what a limb looks and measures like at any moment of it.
#pragma once

#include "wool/wool_plan.h"

#include <string>
#include <vector>

namespace columna {

/// One thing to do with a weighed heap of wool.
struct BuildStep {
  enum class Kind { Wind, Pad, Skin, Coat, Mark, Hair } kind = Kind::Wind;
  int limb = 0;
  int pad = -1;     ///< index into the limb's pads, the plan's markings or its rows of hair
  double grams = 0; ///< of one; twins and pairs have steps of their own
  double from = 0;  ///< g on the figure when it begins
  Said words;       ///< "wind the trunk"
};

/// How far a limb is.
struct LimbMoment {
  double wound = 0, padded = 0, skin = 0, coat = 0; ///< 0..1
};

/// Feet, hands and digits first while the wire is bare; then the trunk and outwards; then pads in their
/// order, skins, the coat from the tail to the head, markings, and the
/// head's hair last, row by row.
[[nodiscard]] std::vector<BuildStep> buildSteps(const Figure& figure, const WoolPlan& wool);

/// Where everything is when so many grams are on. Past the last step everything is done.
[[nodiscard]] std::vector<LimbMoment> momentAt(const std::vector<BuildStep>& steps, size_t limbs,
                                               double grams);
/// Where everything is when those of the steps are done, in whatever order: a flag for each.
[[nodiscard]] std::vector<LimbMoment> momentOf(const std::vector<BuildStep>& steps, size_t limbs,
                                               const std::vector<bool>& done);
/// The step that is under the hand then, -1 when all are done.
[[nodiscard]] int stepAt(const std::vector<BuildStep>& steps, double grams);
/// Weight of all steps, g.
[[nodiscard]] double buildTotal(const std::vector<BuildStep>& steps);

/// What is left to go on a limb when so many grams are on the figure, g.
[[nodiscard]] double leftOf(const std::vector<BuildStep>& steps, int limb, double grams);

/// What a tape reads at a station at a moment, mm: `felted` as needled down so far.
[[nodiscard]] double girthAtMoment(const Girth& girth, const LimbMoment& moment);

/// The figure as it is at a moment: bare wire where nothing is wound (sections of the bundle's width), rounds
/// about the wire, then filled out by pads and coat. `bundles` mm one a limb.
[[nodiscard]] Figure figureAtMoment(const Figure& figure, const WoolPlan& wool,
                                    const std::vector<LimbMoment>& moment,
                                    const std::vector<double>& bundles);

} // namespace columna
