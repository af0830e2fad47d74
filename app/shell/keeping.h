// A copy of what is not saved yet, for after a crash: kept beside the window, two seconds after a change at
// the latest, and gone when it is saved or given up.
#pragma once

#include "file/left_behind.h"

#include <QFutureWatcher>
#include <QObject>
#include <QTimer>

namespace columna {

class Session;

class Keeping : public QObject {
  Q_OBJECT
public:
  Keeping(Session& session, QObject* parent);
  ~Keeping() override;
  Keeping(const Keeping&) = delete;
  Keeping& operator=(const Keeping&) = delete;

  /// Where copies lie: of the maker's own data, not of the machine's temporary files.
  [[nodiscard]] static QString folder();
  /// What other windows left that ended without saving.
  [[nodiscard]] static std::vector<LeftBehind> left();
  /// Goes on with work left behind: its copy stays this window's until it is saved. Nothing when it is open;
  /// else why not, and it is left where it is.
  [[nodiscard]] std::optional<QString> goOn(const LeftBehind& left);
  /// The work is safe elsewhere, or given up.
  void drop();
  /// Keeps a copy now, in this thread: the program is being ended.
  void flush();
  [[nodiscard]] QString copyPath() const;

private:
  void changed();
  void write();

  Session& session_;
  RecoveryPlace place_;
  QTimer timer_;
  QFutureWatcher<std::optional<Problem>> writing_;
  bool told_ = false; ///< once, that no copy can be kept
};

} // namespace columna
