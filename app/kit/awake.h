// Keeps the screen from going dark while a clock runs at the bench, where the desktop can be asked to
// (org.freedesktop.ScreenSaver on the session's bus). Without it nothing happens.
#pragma once

#include <QDBusConnection>
#include <QObject>
#include <QString>

namespace columna {

class Awake : public QObject {
  Q_OBJECT
public:
  /// By another bus than the session's, for tests.
  explicit Awake(QObject* parent, const QDBusConnection& bus = QDBusConnection::sessionBus());
  ~Awake() override;
  Awake(const Awake&) = delete;
  Awake& operator=(const Awake&) = delete;

  /// `why` is shown by desktops that tell what keeps them awake.
  void hold(const QString& why);
  void release();
  [[nodiscard]] bool wanted() const { return wanted_; }

private:
  void asked(uint cookie);
  QDBusConnection bus_;
  bool wanted_ = false, asking_ = false;
  uint cookie_ = 0; ///< of the desktop, 0 without one
};

} // namespace columna
