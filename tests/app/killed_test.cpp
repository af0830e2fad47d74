// Programs that are killed or told to end while they work: what is left of it.
#include "window.h"

#include "file/left_behind.h"
#include "measure/disk.h"
#include "session/changes.h"
#include "shell/keeping.h"

#include <QProcess>

#include <csignal>
#include <cstdio>

using namespace columna;
using namespace columna::test;

namespace {

namespace fs = std::filesystem;

class KilledTest : public WindowTest {
protected:
  KilledTest() { clean(); }
  ~KilledTest() override { clean(); }

  static void clean() {
    std::error_code error;
    for (const LeftBehind& left : Keeping::left()) fs::remove(left.copy, error);
  }
};

/// Changes of 100 ms. A sanitized program takes several times as long to write its copy.
#ifdef COLUMNA_SANITIZED
constexpr int kMostLost = 240;
#else
constexpr int kMostLost = 60;
#endif

/// Places in the recovery folder that some window holds now.
int placesHeld() {
  int held = 0;
  std::error_code error;
  for (fs::directory_iterator it(Keeping::folder().toStdString(), error), end; !error && it != end;
       it.increment(error))
    if (it->path().extension() == ".lock" && !HeldFile(it->path()).held()) ++held;
  return held;
}

} // namespace

/// Not a test: what the next one starts and kills. It works on without ever pausing or saving, and tells how
/// far it is.
TEST_F(KilledTest, DISABLED_WorksUntilItIsKilled) {
  for (int turn = 1;; ++turn) {
    changes::setName(session, QStringLiteral("turn %1").arg(turn));
    std::printf("turn %d\n", turn);
    std::fflush(stdout);
    QTest::qWait(100);
  }
}

TEST_F(KilledTest, AProgramThatDiesLosesSecondsAtMost) {
  // Again and again at other moments: each time what was done up to some seconds before is there.
  for (const int more : {0, 700, 1900}) {
    QProcess program;
    QProcessEnvironment shared = QProcessEnvironment::systemEnvironment();
    shared.insert(QStringLiteral("COLUMNA_TEST_HOME"), QString::fromUtf8(qgetenv("XDG_DATA_HOME")));
    program.setProcessEnvironment(shared);
    program.start(QCoreApplication::applicationFilePath(),
                  {QStringLiteral("--gtest_also_run_disabled_tests"),
                   QStringLiteral("--gtest_filter=KilledTest.DISABLED_WorksUntilItIsKilled")});
    ASSERT_TRUE(program.waitForStarted());
    QByteArray told;
    const auto turn = [&told] {
      const qsizetype at = told.lastIndexOf("turn ", told.lastIndexOf('\n'));
      return at < 0 ? 0 : told.mid(at + 5, told.indexOf('\n', at) - at - 5).toInt();
    };
    const auto copied = [] {
      std::error_code error;
      for (fs::directory_iterator it(Keeping::folder().toStdString(), error), end; !error && it != end;
           it.increment(error))
        if (it->path().extension() != ".lock") return true;
      return false;
    };
    ASSERT_TRUE(QTest::qWaitFor(
        [&] {
          told += program.readAllStandardOutput();
          return turn() > 0 && copied();
        },
        kPatience));
    QTest::qWait(more);
    ::kill(static_cast<pid_t>(program.processId()), SIGKILL);
    ASSERT_TRUE(program.waitForFinished(20000));
    told += program.readAllStandardOutput();
    const std::vector<LeftBehind> left = Keeping::left();
    ASSERT_EQ(left.size(), 1U);
    const auto work = openLeft(left[0].copy);
    ASSERT_TRUE(work) << work.problem().sentence();
    const int kept = QString::fromStdString(work->file.project.name).mid(5).toInt();
    EXPECT_GT(kept, 0) << work->file.project.name;
    EXPECT_LE(kept, turn());
    // A change each 100 ms at most, a copy each 2 s, and what writing it takes on a busy machine.
    EXPECT_GE(kept, turn() - kMostLost);
    clean();
  }
}

TEST_F(KilledTest, AProgramToldToEndKeepsWhatIsNotSaved) {
  const Scratch scratch;
  const std::string path = scratch.path("fox.columna");
  ProjectFile file;
  file.project = project("red_fox", 90);
  ASSERT_FALSE(saveProject(path, file));
  for (const int signal : {SIGTERM, SIGHUP}) {
    QProcess program;
    program.start(QStringLiteral(COLUMNA_APP), {QString::fromStdString(path)});
    ASSERT_TRUE(program.waitForStarted());
    // Its window stands once it holds a place beside this one's.
    ASSERT_TRUE(QTest::qWaitFor([] { return placesHeld() >= 2; }, kPatience));
    QTest::qWait(3000);
    ::kill(static_cast<pid_t>(program.processId()), signal);
    ASSERT_TRUE(program.waitForFinished(20000));
    EXPECT_EQ(program.exitStatus(), QProcess::NormalExit);
    EXPECT_EQ(program.exitCode(), 0);
    EXPECT_TRUE(Keeping::left().empty()) << "it was all saved";
  }
}
