// What a head asks of the maker, as JSON: mm, g, degrees.
#pragma once

#include "judge/face_sums.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

[[nodiscard]] nlohmann::json faceJson(const FaceSums& sums, const DryingTimes& drying);

} // namespace columna
