// The promise that what is saved opens again, kept at the one place every change passes.
#pragma once

#include "project/project.h"

namespace columna {

/// What a file of this project would be refused for when it is opened; nothing when it opens. Takes a
/// fraction of a millisecond, so that it can be asked at every change.
[[nodiscard]] std::optional<Problem> unreadable(const Project& project);

} // namespace columna
