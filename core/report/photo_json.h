// What a photo's check found, as JSON.
#pragma once

#include "photo/photo_check.h"

#include <nlohmann/json_fwd.hpp>

namespace columna {

/// docs/cli.md has its keys; lengths in mm, angles in degrees, places in px of the picture as it was looked
/// at.
[[nodiscard]] nlohmann::json toJson(const PhotoCheck& check, const Figure& figure);

} // namespace columna
