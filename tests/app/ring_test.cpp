// The tone is played by the first player there is, which is not waited for; without one it beeps.
#include "kit/ring.h"
#include "support.h"

#include <QCoreApplication>
#include <QFile>
#include <QTest>

using namespace columna;
using namespace columna::test;

namespace {

class RingTest : public ::testing::Test {
protected:
  RingTest() : path(qgetenv("PATH")) { qputenv("PATH", scratch.path("bin").c_str()); }
  ~RingTest() override { qputenv("PATH", path); }
  /// A player that writes down what it is given.
  void player(const QString& name) {
    std::filesystem::create_directories(scratch.path("bin"));
    const std::string file =
        scratch.write("bin/" + name.toStdString(),
                      "#!/bin/sh\necho \"" + name.toStdString() + " $1\" > " + scratch.path("played.part") +
                          "\n/bin/mv " + scratch.path("played.part") + " " + scratch.path("played") + "\n");
    QFile::setPermissions(QString::fromStdString(file),
                          QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
  }
  [[nodiscard]] std::string played() const { return Scratch::read(scratch.path("played")); }
  Scratch scratch;
  QByteArray path;
};

} // namespace

TEST_F(RingTest, TakesTheFirstPlayerThereIs) {
  const QString tone = QStringLiteral(COLUMNA_DATA_DIR "/sounds/dry.wav");
  ASSERT_TRUE(QFile::exists(tone));
  EXPECT_FALSE(ring(tone)) << "there is none";
  player(tonePlayers().back());
  player(tonePlayers()[1]);
  EXPECT_TRUE(ring(tone));
  EXPECT_TRUE(QTest::qWaitFor([&] { return !played().empty(); }, 60000));
  EXPECT_EQ(played(), (tonePlayers()[1] + u' ' + tone + u'\n').toStdString());
}

TEST_F(RingTest, AFileThatIsNotThereIsNotPlayed) {
  player(tonePlayers().front());
  EXPECT_FALSE(ring(QString::fromStdString(scratch.path("no such.wav"))));
  EXPECT_TRUE(played().empty());
}

TEST_F(RingTest, TheToneIsShortAndASoundFile) {
  const std::string bytes = Scratch::read(COLUMNA_DATA_DIR "/sounds/dry.wav");
  ASSERT_GT(bytes.size(), 44U);
  EXPECT_EQ(bytes.substr(0, 4), "RIFF");
  EXPECT_EQ(bytes.substr(8, 4), "WAVE");
  EXPECT_LT(bytes.size(), 64'000U);
}
