// A folder that photos come into: from a camera or a telephone that copies them there. A photo is told once
// it is whole, each file once.
#pragma once

#include <QDateTime>
#include <QFileSystemWatcher>
#include <QObject>
#include <QSet>
#include <QString>
#include <QTimer>

#include <map>

namespace columna {

class PhotoFolder : public QObject {
  Q_OBJECT
public:
  explicit PhotoFolder(QObject* parent = nullptr);
  /// Watches another folder from now on, an empty one for none. What lies in it already is not told.
  void watch(const QString& folder);
  [[nodiscard]] const QString& folder() const { return folder_; }
  /// It was there and is not: looked for each second.
  [[nodiscard]] bool away() const;

signals:
  void came(const QString& path); ///< a picture whose name, size and time have rested for half a second
  void changed();                 ///< the folder went away, or is there again

private:
  void look();
  struct Seen {
    qint64 size = -1;
    QDateTime changed;
    qint64 since = 0; ///< ms, how long it has been like that
  };
  QString folder_;
  QFileSystemWatcher watcher_;
  QTimer seconds_;
  std::map<QString, Seen> waiting_;
  QSet<QString> told_; ///< name, size and time
  bool wasAway_ = false;
};

} // namespace columna
