// Which construction suits this animal, size, weight and use, and why.
#pragma once

#include "project/plan.h"

namespace columna {

struct Advice {
  Construction construction = Construction::TwistedLimbs;
  Level level = Level::Good; ///< good: suits; doubtful: warned against; wrong: cannot be built
  std::string reason;        ///< without a full stop
};

/// Bounds of the rules, estimates from how makers use them: a folded pair is for small light figures, pegs
/// bear little, a stout trunk is no longer than twice its depth.
inline constexpr double kFoldedHeight = 200; ///< mm
inline constexpr double kFoldedMass = 80;    ///< g
inline constexpr double kPegMass = 30;       ///< g
inline constexpr double kStout = 2.4;        ///< length of the trunk over its depth

/// Of one construction for the plan's figure.
[[nodiscard]] Advice constructionAdvice(Construction construction, Use use, const Plan& plan);

/// Of all, those that suit first, the animal's own before others.
[[nodiscard]] std::vector<Advice> allAdvice(Use use, const Plan& plan);

} // namespace columna
