#include "kit/settings.h"

#include <QFileInfo>
#include <QRegularExpression>
#include <QScreen>
#include <QStandardPaths>

namespace columna {
namespace {

constexpr int kRecent = 8;

QString screenKey(const QScreen* screen) {
  return QStringLiteral("screens/%1")
      .arg(screen ? screen->manufacturer() + screen->model() + screen->serialNumber() + screen->name()
                  : QStringLiteral("any"))
      .replace(u' ', u'_');
}

} // namespace

QSettings& settings() {
  static QSettings store(QSettings::IniFormat, QSettings::UserScope, QStringLiteral("columna"),
                         QStringLiteral("columna"));
  return store;
}

QStringList recentFiles() {
  QStringList files = settings().value(QStringLiteral("recent")).toStringList();
  files.removeIf([](const QString& path) { return !QFileInfo::exists(path); });
  return files;
}

void rememberFile(const QString& path) {
  const QString whole = QFileInfo(path).absoluteFilePath();
  QStringList files = settings().value(QStringLiteral("recent")).toStringList();
  files.removeAll(whole);
  files.prepend(whole);
  while (files.size() > kRecent) files.removeLast();
  settings().setValue(QStringLiteral("recent"), files);
  settings().setValue(QStringLiteral("folder"), QFileInfo(whole).path());
}

QString lastFolder() {
  const QString folder = settings().value(QStringLiteral("folder")).toString();
  return folder.isEmpty() ? QStandardPaths::writableLocation(QStandardPaths::DocumentsLocation) : folder;
}

QString asFileName(QString name) {
  name.replace(QRegularExpression(QStringLiteral("[/\\\\\\x00-\\x1f]")), QStringLiteral("-"));
  if (name.startsWith(u'.')) name.prepend(u'_');
  return name.left(120); // with its ending and a copy's ~ within any disk's longest name
}

double screenPixelsPerMm(const QScreen* screen) {
  const double kept = settings().value(screenKey(screen), 0).toDouble();
  if (kept > 1) return kept;
  const double reported = screen ? screen->physicalDotsPerInch() / 25.4 : 0;
  // Screens that report nonsense (a projector, a virtual one) get the usual 96 dots an inch.
  return reported > 1.5 && reported < 16 ? reported : 96 / 25.4;
}

void setScreenPixelsPerMm(const QScreen* screen, double value) {
  settings().setValue(screenKey(screen), value);
}

} // namespace columna
