#include "kit/awake.h"

#include <QCoreApplication>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>

#include <utility>

namespace columna {
namespace {

QDBusMessage call(const char* method) {
  return QDBusMessage::createMethodCall(QStringLiteral("org.freedesktop.ScreenSaver"),
                                        QStringLiteral("/org/freedesktop/ScreenSaver"),
                                        QStringLiteral("org.freedesktop.ScreenSaver"), QLatin1String(method));
}

} // namespace

Awake::~Awake() { release(); }

void Awake::hold(const QString& why) {
  wanted_ = true;
  if (asking_ || cookie_ != 0) return;
  if (!bus_) bus_ = QDBusConnection::sessionBus();
  if (!bus_->isConnected()) return;
  asking_ = true;
  QDBusMessage ask = call("Inhibit");
  ask << QCoreApplication::applicationName() << why;
  auto* answer = new QDBusPendingCallWatcher(bus_->asyncCall(ask), this);
  connect(answer, &QDBusPendingCallWatcher::finished, this, [this](QDBusPendingCallWatcher* watcher) {
    const QDBusPendingReply<uint> reply = *watcher;
    watcher->deleteLater();
    asking_ = false;
    if (!reply.isError()) asked(reply.value()); // a desktop that cannot is no fault
  });
}

void Awake::asked(uint cookie) {
  cookie_ = cookie;
  if (!wanted_) release();
}

void Awake::release() {
  wanted_ = false;
  if (cookie_ == 0 || !bus_) return;
  QDBusMessage let = call("UnInhibit");
  let << std::exchange(cookie_, 0U);
  bus_->asyncCall(let);
}

} // namespace columna
