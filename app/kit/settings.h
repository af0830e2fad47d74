// What the program remembers between runs, in the desktop's usual place.
#pragma once

#include <QSettings>
#include <QStringList>

class QScreen;

namespace columna {

[[nodiscard]] QSettings& settings();

[[nodiscard]] QStringList recentFiles();
void rememberFile(const QString& path);
/// The folder last opened from or saved to, else Documents.
[[nodiscard]] QString lastFolder();
/// A figure's name as the name of a file: it may hold what a file's cannot.
[[nodiscard]] QString asFileName(QString name);

/// Pixels per mm of a screen: calibrated against a card, else as the screen reports.
[[nodiscard]] double screenPixelsPerMm(const QScreen* screen);
void setScreenPixelsPerMm(const QScreen* screen, double value);

} // namespace columna
