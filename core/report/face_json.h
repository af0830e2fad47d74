// What a head asks of the maker, as JSON: mm, g, degrees.
#pragma once

#include "judge/face_findings.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

[[nodiscard]] nlohmann::json faceJson(const HeadPattern& head, const FaceReport& report,
                                      const std::vector<Finding>& findings);

} // namespace columna
