// Which construction suits this animal, size, weight and use, and why.
#pragma once

#include "plan/plan.h"

namespace columna {

struct Advice {
  Construction construction = Construction::TwistedLimbs;
  Level level = Level::Good; ///< good: suits; doubtful: warned against; wrong: cannot be built
  Said reason;               ///< without a full stop
};

/// Of one construction for the plan's figure, up to the bounds of the plan's bench rules.
[[nodiscard]] Advice constructionAdvice(Construction construction, Use use, const Plan& plan);

/// Of all, those that suit first, the animal's own before others.
[[nodiscard]] std::vector<Advice> allAdvice(Use use, const Plan& plan);

} // namespace columna
