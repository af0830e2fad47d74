// Instruments: a line that comes and goes, garbage and floods, and stand-ins that are never a measurement.
#include "window.h"

#include "device/port.h"
#include "make/bench_board.h"
#include "make/instrument_panel.h"
#include "make/local_time.h"
#include "make/make_desk.h"
#include "make/make_stage.h"
#include "make/record_panel.h"

#include <QFile>
#include <QFileInfo>
#include <QProcess>
#include <QSignalSpy>
#include <QTemporaryDir>

using namespace columna;
using namespace columna::test;

namespace {

/// A stand-in of the test's own, told on its standard input.
class StandIn {
public:
  StandIn(const char* kind, const char* name) {
    process_.start(QCoreApplication::applicationDirPath() + QStringLiteral("/columna-standin"),
                   {QString::fromUtf8(kind), QStringLiteral("--name"), QString::fromUtf8(name)});
    QString said;
    const bool ready = QTest::qWaitFor(
        [&] {
          said += QString::fromUtf8(process_.readAllStandardOutput());
          return said.contains(u'\n');
        },
        kPatience);
    EXPECT_TRUE(ready);
    line_ = said.section(u'\n', 0, 0).section(u' ', 1);
  }
  ~StandIn() {
    tell("quit");
    if (!process_.waitForFinished(5000)) process_.kill();
    process_.waitForFinished();
  }
  StandIn(const StandIn&) = delete;
  StandIn& operator=(const StandIn&) = delete;
  void tell(const char* command) {
    process_.write(command);
    process_.write("\n");
    process_.waitForBytesWritten();
  }
  [[nodiscard]] QString line() const { return line_; }

private:
  QProcess process_;
  QString line_;
};

class InstrumentTest : public ::testing::Test {
protected:
  void SetUp() override {
    ASSERT_TRUE(runtime.isValid());
    before = qgetenv("XDG_RUNTIME_DIR");
    qputenv("XDG_RUNTIME_DIR", runtime.path().toUtf8());
  }
  void TearDown() override { qputenv("XDG_RUNTIME_DIR", before); }
  static bool until(const std::function<bool()>& is) {
    constexpr int soon = 60000; // ms: an instrument is quick, but a machine may be busy
    return QTest::qWaitFor(is, soon);
  }
  QTemporaryDir runtime;
  QByteArray before;
};

} // namespace

TEST_F(InstrumentTest, AScaleIsReadWhenItHasComeToRest) {
  StandIn scale("scale", "resting");
  InstrumentPort port;
  scale.tell("noise 0");
  scale.tell("put 12.34");
  port.open(scale.line());
  EXPECT_EQ(port.state(), InstrumentPort::State::Open);
  EXPECT_TRUE(port.standIn());
  EXPECT_TRUE(isStandIn(QFileInfo(scale.line()).canonicalFilePath())) << "by its other name too";
  EXPECT_FALSE(isStandIn(QStringLiteral("/dev/ttyUSB0")));
  EXPECT_TRUE(instrumentLines().contains(scale.line()));
  EXPECT_FALSE(port.steady()) << "not before it has said so three times";
  ASSERT_TRUE(until([&] { return port.steady().has_value(); }));
  EXPECT_NEAR(*port.steady(), 12.34, 0.011);
  scale.tell("put 3.8");
  ASSERT_TRUE(until([&] { return port.last() && port.last()->moving; })) << "it moves again";
  ASSERT_TRUE(until([&] { return port.steady() && std::abs(*port.steady() - 3.8) < 0.02; }));
  port.zero();
  ASSERT_TRUE(until([&] { return port.steady() && std::abs(*port.steady()) < 0.02; }));
  scale.tell("over");
  ASSERT_TRUE(until([&] { return port.last() && !port.last()->value; })) << "over its range is no weight";
  EXPECT_FALSE(port.steady());
}

TEST_F(InstrumentTest, ALineThatGoesAwayIsTriedAgain) {
  StandIn scale("scale", "leaving");
  InstrumentPort port;
  scale.tell("put 5");
  port.open(scale.line());
  for (int i = 0; i < 3; ++i) {
    ASSERT_TRUE(until([&] { return port.last().has_value(); })) << i;
    scale.tell(i == 1 ? "half" : "put 6"); // once in the middle of a reading
    scale.tell("unplug 1");
    ASSERT_TRUE(until([&] { return port.state() == InstrumentPort::State::Away; })) << i;
    EXPECT_FALSE(port.last()) << "what it said before is not what it says";
    ASSERT_TRUE(until([&] { return port.state() == InstrumentPort::State::Open; })) << i;
  }
  scale.tell("silent 6");
  ASSERT_TRUE(until([&] { return port.state() == InstrumentPort::State::Silent; }));
  EXPECT_FALSE(port.words() == Said()) << "it is said";
  ASSERT_TRUE(until([&] { return port.state() == InstrumentPort::State::Open && port.last(); }));
}

TEST_F(InstrumentTest, GarbageIsCountedAndAFloodDoesNotHoldTheWindow) {
  StandIn scale("scale", "flooding");
  InstrumentPort port;
  scale.tell("noise 0");
  scale.tell("put 7");
  port.open(scale.line());
  ASSERT_TRUE(until([&] { return port.last().has_value(); }));
  scale.tell("garbage 3000");
  ASSERT_TRUE(until([&] { return port.reader().dropped() > 0; }));
  ASSERT_TRUE(until([&] { return port.steady().has_value(); })) << "the line after it is read";
  QSignalSpy told(&port, &InstrumentPort::changed);
  QElapsedTimer clock;
  scale.tell("flood 2");
  clock.start();
  QTest::qWait(2000);
  EXPECT_LE(told.count(), clock.elapsed() / 100 + 2) << "ten times a second at most";
  EXPECT_GT(told.count(), 0);
  EXPECT_LE(port.reader().raw().size(), 40U) << "what comes is not heaped up";
  ASSERT_TRUE(until([&] { return port.steady() && std::abs(*port.steady() - 7) < 0.02; }));
}

TEST_F(InstrumentTest, WhatWasSaidBeforeAnyoneListenedIsNotTaken) {
  StandIn callipers("callipers", "stale");
  callipers.tell("put 40");
  for (int i = 0; i < 3; ++i) callipers.tell("press");
  QTest::qWait(100);
  InstrumentPort port;
  port.open(callipers.line());
  QTest::qWait(400);
  EXPECT_FALSE(port.last());
  callipers.tell("press");
  ASSERT_TRUE(until([&] { return port.last().has_value(); }));
  EXPECT_NEAR(*port.last()->value, 40, 0.01);
  EXPECT_EQ(port.last()->of, Reading::Of::Span);
  EXPECT_TRUE(port.steady()) << "a press is at rest";
}

TEST_F(InstrumentTest, WhatIsNoInstrumentIsSaidAndNothingElse) {
  QFile file(runtime.filePath(QStringLiteral("plain")));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write("12 g\n");
  file.close();
  InstrumentPort port;
  for (const QString& line : {QStringLiteral("/nowhere/at/all"), file.fileName(), QStringLiteral("/dev/null"),
                              runtime.path(), QStringLiteral("scale")}) {
    port.open(line);
    EXPECT_EQ(port.state(), InstrumentPort::State::Refused) << line.toStdString();
    EXPECT_FALSE(port.words() == Said()) << line.toStdString();
    EXPECT_FALSE(port.last());
  }
  port.open({});
  EXPECT_EQ(port.state(), InstrumentPort::State::Closed);
}

namespace {

class PractiseTest : public WindowTest {
protected:
  void SetUp() override {
    WindowTest::SetUp();
    before = qgetenv("XDG_RUNTIME_DIR");
    qputenv("XDG_RUNTIME_DIR", folder.path().toUtf8());
    session.finishSolid();
    ASSERT_FALSE(session.save(folder.filePath(QStringLiteral("otter.columna"))));
    to(kMake);
    QTRY_VERIFY_WITH_TIMEOUT(stage()->view().steps() && !stage()->behind(), kPatience);
  }
  void TearDown() override {
    stage()->instruments().use(Instruments::Scale, {});
    qputenv("XDG_RUNTIME_DIR", before);
  }
  MakeStage* stage() { return window.stage<MakeStage>(); }
  QTemporaryDir folder;
  QByteArray before;
};

} // namespace

TEST_F(PractiseTest, AStandInIsReadAtTheBenchMarkedAndClearedWithOneKey) {
  MakeView& view = stage()->view();
  part<MakeDesk>()->tabs()->tab(5)->click();
  InstrumentPanel* panel = part<InstrumentPanel>();
  ASSERT_TRUE(panel->isVisible());
  EXPECT_FALSE(panel->clearKey()->isEnabled());
  QTest::mouseClick(panel->practise(Instruments::Scale), Qt::LeftButton);
  ASSERT_TRUE(QTest::qWaitFor(
      [&] { return stage()->instruments().port(Instruments::Scale).state() == InstrumentPort::State::Open; },
      kPatience));
  panel->laid(Instruments::Scale)->setValue(3.80);
  const InstrumentPort& port = stage()->instruments().port(Instruments::Scale);
  ASSERT_TRUE(
      QTest::qWaitFor([&] { return port.steady() && std::abs(*port.steady() - 3.8) < 0.03; }, kPatience));
  int step = -1;
  for (size_t i = 0; step < 0 && i < view.steps()->steps.size(); ++i)
    for (const Goal& g : view.steps()->steps[i].goals)
      if (g.what == Goal::What::Weight && !farOff(g, 3.8) && !meets(g, 3.8)) step = static_cast<int>(i);
  ASSERT_GE(step, 0);
  view.choose(step);
  stage()->openBench();
  while (view.now()->goals.front().what != Goal::What::Weight)
    QTest::keyClick(stage()->bench(), Qt::Key_Down);
  QTest::keyClick(stage()->bench(), Qt::Key_R);
  if (session.record().empty()) QTest::keyClick(stage()->bench(), Qt::Key_R); // it moved
  ASSERT_EQ(session.record().size(), 1U);
  EXPECT_EQ(session.record().front().by, EntryBy::StandIn);
  EXPECT_NEAR(*session.record().front().value, 3.8, 0.05);
  EXPECT_TRUE(view.findings().empty()) << "no measurement, so nothing is found by it";
  QTest::keyClick(stage()->bench(), Qt::Key_Escape);
  EXPECT_TRUE(panel->clearKey()->isEnabled());
  QTest::mouseClick(panel->clearKey(), Qt::LeftButton);
  EXPECT_TRUE(withdrawn(session.record()).contains(session.record().front().id));
}
