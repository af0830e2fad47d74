// All steps of making a figure, from its plan.
#pragma once

#include "judge/face_sums.h"
#include "steps/step.h"

namespace columna {

/// From the sheet that is printed to the record that is kept. The minutes of those that are not round the
/// work add up to the plan's hours; every gram, piece, flat part and eye is fetched once. `face` is null for
/// an animal without a head of its own: its face is then one step.
[[nodiscard]] StepPlan stepsOf(const Project& project, const Catalog& catalog, const Plan& plan,
                               const FaceSums* face);

/// The id of the step the finished figure is weighed in.
inline constexpr const char* kWeighedWhole = "record/all";

/// The id of the step a piece is cut in, with all others of its wire.
[[nodiscard]] std::string cutStepId(const Piece& piece);

} // namespace columna
