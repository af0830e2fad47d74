#include "kit/english_plurals.h"
#include "theme/theme.h"

#include <QApplication>
#include <QStandardPaths>
#include <QTemporaryDir>

#include <gtest/gtest.h>

int main(int argc, char** argv) {
  if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
  // Settings and recovery copies of the tests stay out of the user's own; one that a test starts shares its.
  const QTemporaryDir home;
  const QByteArray shared = qgetenv("COLUMNA_TEST_HOME");
  for (const char* place : {"XDG_CONFIG_HOME", "XDG_DATA_HOME", "XDG_CACHE_HOME"})
    qputenv(place, shared.isEmpty() ? home.path().toUtf8() : shared);
  ::testing::InitGoogleTest(&argc, argv);
  QApplication app(argc, argv);
  QApplication::setApplicationName(QStringLiteral("columna"));
  QApplication::setQuitOnLastWindowClosed(false);
  columna::EnglishPlurals english;
  QApplication::installTranslator(&english);
  columna::loadFonts();
  QApplication::setFont(columna::typeface(13));
  return RUN_ALL_TESTS();
}
