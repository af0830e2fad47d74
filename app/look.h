// A photo of the work looked at without a window, for the command line.
#pragma once

#include "session/session.h"

#include <QCommandLineParser>

#include <optional>

namespace columna {

void addLookOptions(QCommandLineParser& parser);
/// Says on standard output what the photo shows; a sentence where nothing can be said.
[[nodiscard]] std::optional<QString> lookAtPhoto(Session& session, const QCommandLineParser& parser);

} // namespace columna
