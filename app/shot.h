// --shot: the window as it would look, written as a picture without a display. For the guide's pictures, and
// for looking at a change.
#pragma once

#include "stage/stage.h"

#include <QStringList>

class QCommandLineParser;

namespace columna {

/// The options a shot is told by, --shot itself too.
void addShotOptions(QCommandLineParser& parser, const QStringList& stages);

/// Writes the picture `words` names. Returns what is wrong with what was asked, or why it could not be
/// written.
[[nodiscard]] std::optional<QString> takeShot(Session& session, Stages stages,
                                              const QCommandLineParser& parser, const QStringList& words);

} // namespace columna
