#include "project/readable.h"

namespace columna {

std::optional<Problem> unreadable(const Project& project) {
  bool newer = false;
  const auto back = projectFromJson(toJson(project), {}, newer);
  return back ? std::nullopt : std::optional(back.problem());
}

} // namespace columna
