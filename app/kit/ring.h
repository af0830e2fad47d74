// A short tone, for what is not looked at. Always beside something that shows, too.
#pragma once

#include <QString>
#include <QStringList>

namespace columna {

/// The programs that may play a file, the first that there is: of PipeWire, PulseAudio, ALSA.
[[nodiscard]] QStringList tonePlayers();

/// Plays a sound file by the first of them without waiting for it; beeps where there is none or no file.
/// Whether a player was started.
bool ring(const QString& file);

} // namespace columna
