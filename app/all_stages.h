// The one list of stages, in the order of the work.
#pragma once

#include "stage/stage.h"

#include <QStringList>

namespace columna {

[[nodiscard]] Stages allStages(Session& session);

/// Their keys: "study", "wire" …
[[nodiscard]] QStringList stageKeys();

} // namespace columna
