#include "file/readable.h"

#include "file/project_json.h"

namespace columna {

std::optional<Problem> unreadable(const Project& project) {
  bool newer = false;
  const auto back = projectFromJson(toJson(project), {}, newer);
  return back ? std::nullopt : std::optional(back.problem());
}

} // namespace columna
