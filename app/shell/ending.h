// The program told to end from outside (a log-out, a terminal that closes, `kill`): in order, and without
// asking.
#pragma once

#include <QObject>

#include <functional>

namespace columna {

class Ending : public QObject {
  Q_OBJECT
public:
  /// Calls `keep` in the window's thread when the program is told to end, then leaves the event loop. One at
  /// a time.
  explicit Ending(std::function<void()> keep, QObject* parent = nullptr);
  ~Ending() override;
  Ending(const Ending&) = delete;
  Ending& operator=(const Ending&) = delete;

private:
  std::function<void()> keep_;
};

} // namespace columna
