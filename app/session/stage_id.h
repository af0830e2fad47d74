// Which stage is on. Every stage names its own in its folder; nobody else names any.
#pragma once

#include <string_view>

namespace columna {

struct StageId {
  std::string_view key; ///< "wire": of --shot, the guide's page and files; a literal of the stage's own

  [[nodiscard]] bool operator==(const StageId&) const = default;
};

} // namespace columna
