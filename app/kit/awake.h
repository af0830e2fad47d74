// Keeps the screen from going dark while a clock runs at the bench, where the desktop can be asked to
// (org.freedesktop.ScreenSaver on the session's bus). Without it nothing happens.
#pragma once

#include <QDBusConnection>
#include <QObject>
#include <QString>

#include <optional>

namespace columna {

class Awake : public QObject {
  Q_OBJECT
public:
  explicit Awake(QObject* parent) : QObject(parent) {}
  /// By another bus than the session's, for tests.
  Awake(QObject* parent, const QDBusConnection& bus) : QObject(parent), bus_(bus) {}
  ~Awake() override;
  Awake(const Awake&) = delete;
  Awake& operator=(const Awake&) = delete;

  /// `why` is shown by desktops that tell what keeps them awake.
  void hold(const QString& why);
  void release();
  [[nodiscard]] bool wanted() const { return wanted_; }

private:
  void asked(uint cookie);
  std::optional<QDBusConnection> bus_; ///< the session's is looked for when it is wanted: it may take a while
  bool wanted_ = false, asking_ = false;
  uint cookie_ = 0; ///< of the desktop, 0 without one
};

} // namespace columna
