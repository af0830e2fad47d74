// What a head asks of the maker, as JSON: mm, g, degrees.
#pragma once

#include "face/face_report.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

[[nodiscard]] nlohmann::json faceJson(const HeadPattern& head, const FaceReport& report);

} // namespace columna
