#include "steps/pair_reading.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kRounding = 1e-9; ///< what typed decimals are off by as binary ones
constexpr double kSamePlace = 0.1; ///< mm along a limb: a twin's places are its own, rounded otherwise

/// What a twin's step asks for in the same place.
const Goal* sameOf(const Step& twin, const Goal& goal) {
  for (const Goal& g : twin.goals)
    if (g.what == goal.what && g.words == goal.words && std::abs(g.along - goal.along) < kSamePlace)
      return &g;
  return nullptr;
}

std::optional<double> valueOf(const Entry* entry) { return entry ? entry->value : std::nullopt; }

} // namespace

bool PairReading::alike() const {
  const auto by = apart();
  return by && std::abs(*by) <= within + kRounding;
}

PairReading PairReading::with(double now) const {
  PairReading out = *this;
  (leftHere ? out.leftRead : out.rightRead) = now;
  return out;
}

std::optional<PairReading> pairReading(const StepPlan& plan, const Figure& figure, const Readings& readings,
                                       int step, const Goal& goal) {
  const Step& here = plan.steps[static_cast<size_t>(step)];
  if (here.limb < 0 || here.batch.empty() || goal.what == Goal::What::Count) return std::nullopt;
  const FigureLimb& limb = figure.limbs[static_cast<size_t>(here.limb)];
  if (limb.twin < 0) return std::nullopt;
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    const Step& twin = plan.steps[i];
    if (twin.limb != limb.twin || twin.batch != here.batch) continue;
    const Goal* same = sameOf(twin, goal);
    if (!same) continue;
    PairReading out;
    out.leftHere = limb.side > 0;
    out.what = goal.what;
    out.within = goal.pair > 0 ? goal.pair : goal.within;
    const int other = static_cast<int>(i);
    const auto mine = valueOf(readings.of(here, goal));
    const auto its = valueOf(readings.of(twin, *same));
    out.left = out.leftHere ? step : other;
    out.right = out.leftHere ? other : step;
    out.leftRead = out.leftHere ? mine : its;
    out.rightRead = out.leftHere ? its : mine;
    return out;
  }
  return std::nullopt;
}

} // namespace columna
