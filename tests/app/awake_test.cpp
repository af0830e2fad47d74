// The desktop is asked to keep the screen on, once, and told when it need not; one that cannot is no fault.
#include "kit/awake.h"
#include "support.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusServer>
#include <QDBusVirtualObject>
#include <QTest>

using namespace columna;

namespace {

constexpr int kSoon = 60000; // ms
constexpr uint kCookie = 42;

/// A desktop of our own, at the end of a connection of its own.
class Desktop : public QDBusVirtualObject {
public:
  QStringList calls;
  bool able = true;
  [[nodiscard]] QString introspect(const QString& /*path*/) const override { return {}; }
  bool handleMessage(const QDBusMessage& message, const QDBusConnection& connection) override {
    calls << message.member();
    if (!able)
      connection.send(message.createErrorReply(QDBusError::NotSupported, QStringLiteral("no")));
    else if (message.member() == QStringLiteral("Inhibit"))
      connection.send(message.createReply(kCookie));
    else if (message.arguments().value(0).toUInt() == kCookie)
      connection.send(message.createReply());
    return true;
  }
};

class AwakeTest : public ::testing::Test {
protected:
  AwakeTest() : bus(QDBusConnection::connectToPeer(server.address(), QStringLiteral("here"))) {
    QObject::connect(&server, &QDBusServer::newConnection, &server, [this](const QDBusConnection& made) {
      QDBusConnection there = made;
      there.registerVirtualObject(QStringLiteral("/org/freedesktop"), &desktop, QDBusConnection::SubPath);
      connected = true;
    });
  }
  ~AwakeTest() override { QDBusConnection::disconnectFromPeer(QStringLiteral("here")); }
  Desktop desktop;
  QDBusServer server;
  bool connected = false;
  QDBusConnection bus;
};

} // namespace

TEST_F(AwakeTest, IsAskedForOnceAndGivenBack) {
  ASSERT_TRUE(QTest::qWaitFor([this] { return connected; }, kSoon));
  {
    Awake awake(nullptr, bus);
    awake.hold(QStringLiteral("a step"));
    awake.hold(QStringLiteral("a step"));
    ASSERT_TRUE(QTest::qWaitFor([this] { return !desktop.calls.isEmpty(); }, kSoon));
    QTest::qWait(50); // the answer comes back
    awake.hold(QStringLiteral("another"));
    EXPECT_EQ(desktop.calls, QStringList{QStringLiteral("Inhibit")});
    awake.release();
    ASSERT_TRUE(QTest::qWaitFor([this] { return desktop.calls.size() == 2; }, kSoon));
    EXPECT_EQ(desktop.calls.last(), QStringLiteral("UnInhibit"));
    // Given up before the desktop has answered: it is told as soon as it has.
    awake.hold(QStringLiteral("a third"));
    awake.release();
    ASSERT_TRUE(QTest::qWaitFor([this] { return desktop.calls.size() == 4; }, kSoon));
    EXPECT_EQ(desktop.calls.last(), QStringLiteral("UnInhibit"));
  }
  desktop.able = false;
  Awake refused(nullptr, bus);
  refused.hold(QStringLiteral("a step"));
  ASSERT_TRUE(QTest::qWaitFor([this] { return desktop.calls.size() == 5; }, kSoon));
  refused.release();
  QTest::qWait(50);
  EXPECT_EQ(desktop.calls.size(), 5) << "there is nothing to give back";
}

TEST(AwakeAlone, WithoutABusNothingHappens) {
  Awake awake(nullptr, QDBusConnection(QStringLiteral("there is none")));
  awake.hold(QStringLiteral("a step"));
  EXPECT_TRUE(awake.wanted());
  awake.release();
  EXPECT_FALSE(awake.wanted());
}
