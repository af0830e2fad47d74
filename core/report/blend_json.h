// Blends of one's own wools as JSON, "columna-blend/1".
#pragma once

#include "stores/own_blends.h"

#include <nlohmann/json.hpp>

namespace columna {

[[nodiscard]] nlohmann::json blendJson(const Srgb& to, const OwnBlends& blends,
                                       std::span<const StoreRow> list);

} // namespace columna
