#include "device/photo_folder.h"

#include <QDir>
#include <QFileInfo>

namespace columna {
namespace {

constexpr int kEvery = 1000; ///< ms: where no word comes of a change, as on some disks over a line
constexpr int kSoon = 200;   ///< ms, while a file is being written
constexpr int kRest = 500;   ///< ms: it is whole

QFileInfoList picturesIn(const QString& folder) {
  return QDir(folder).entryInfoList({QStringLiteral("*.png"), QStringLiteral("*.jpg"),
                                     QStringLiteral("*.jpeg"), QStringLiteral("*.webp"),
                                     QStringLiteral("*.tif"), QStringLiteral("*.tiff")},
                                    QDir::Files | QDir::Readable, QDir::Time | QDir::Reversed);
}

QString keyOf(const QFileInfo& file) {
  return QStringLiteral("%1\n%2\n%3")
      .arg(file.fileName())
      .arg(file.size())
      .arg(file.lastModified().toMSecsSinceEpoch());
}

} // namespace

PhotoFolder::PhotoFolder(QObject* parent) : QObject(parent) {
  connect(&watcher_, &QFileSystemWatcher::directoryChanged, this, &PhotoFolder::look);
  connect(&seconds_, &QTimer::timeout, this, &PhotoFolder::look);
}

void PhotoFolder::watch(const QString& folder) {
  if (!watcher_.directories().isEmpty()) watcher_.removePaths(watcher_.directories());
  waiting_.clear();
  told_.clear();
  folder_ = folder;
  wasAway_ = away();
  if (folder.isEmpty()) {
    seconds_.stop();
  } else {
    watcher_.addPath(folder);
    for (const QFileInfo& file : picturesIn(folder)) told_.insert(keyOf(file));
    seconds_.start(kEvery);
  }
  emit changed();
}

bool PhotoFolder::away() const { return !folder_.isEmpty() && !QFileInfo(folder_).isDir(); }

void PhotoFolder::look() {
  if (away() != wasAway_) {
    wasAway_ = !wasAway_;
    if (!wasAway_) watcher_.addPath(folder_);
    emit changed();
  }
  if (folder_.isEmpty() || wasAway_) return;
  const qint64 now = QDateTime::currentMSecsSinceEpoch();
  std::map<QString, Seen> still;
  QStringList whole;
  for (const QFileInfo& file : picturesIn(folder_)) {
    if (told_.contains(keyOf(file))) continue;
    Seen seen = waiting_[file.fileName()];
    if (seen.size != file.size() || seen.changed != file.lastModified())
      seen = {file.size(), file.lastModified(), now};
    if (file.size() > 0 && now - seen.since >= kRest) {
      told_.insert(keyOf(file));
      whole.push_back(file.absoluteFilePath());
    } else {
      still[file.fileName()] = seen;
    }
  }
  waiting_ = std::move(still);
  seconds_.setInterval(waiting_.empty() ? kEvery : kSoon);
  for (const QString& path : whole) emit came(path); // last: whoever hears of it may watch another folder
}

} // namespace columna
