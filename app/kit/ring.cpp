#include "kit/ring.h"

#include <QApplication>
#include <QFileInfo>
#include <QProcess>
#include <QStandardPaths>

namespace columna {

QStringList tonePlayers() {
  return {QStringLiteral("pw-play"), QStringLiteral("paplay"), QStringLiteral("aplay")};
}

bool ring(const QString& file) {
  if (QFileInfo(file).isFile())
    for (const QString& each : tonePlayers())
      if (const QString program = QStandardPaths::findExecutable(each); !program.isEmpty()) {
        QProcess player;
        player.setProgram(program);
        player.setArguments({file});
        player.setStandardOutputFile(QProcess::nullDevice());
        player.setStandardErrorFile(QProcess::nullDevice());
        if (player.startDetached()) return true;
      }
  QApplication::beep();
  return false;
}

} // namespace columna
