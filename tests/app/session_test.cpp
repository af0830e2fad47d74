// The session without a window: what a change makes anew, what it leaves, and who is told.
#include "kit/say.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "support.h"

#include <QElapsedTimer>
#include <QSignalSpy>
#include <QTest>
#include <QThread>
#include <QWidget>

using namespace columna;
using namespace columna::test;

namespace {

class SessionTest : public ::testing::Test {
protected:
  SessionTest() : session(shelf()) {
    session.startNew(QStringLiteral("red_fox"));
    session.finishSolid();
  }
  [[nodiscard]] const Plan& plan() const { return session.plan(); }
  [[nodiscard]] int limb(const char* id) const { return *plan().figure->limb(id); }
  Session session;
};

} // namespace

TEST_F(SessionTest, ANameOrUnitsLeaveThePlanTheVerySame) {
  const Shared<Figure> figure = plan().figure;
  const Shared<WoolPlan> wool = plan().wool;
  const Shared<std::vector<Piece>> pieces = plan().pieces;
  const PoseReport* report = &session.stance().report();
  QSignalSpy changed(&session, &Session::planChanged);
  QSignalSpy files(&session, &Session::fileChanged);
  changes::setName(session, QStringLiteral("Vixen"));
  EXPECT_EQ(files.count(), 1) << "the title is another";
  changes::setUnits(session, UnitSystem::Inch);
  changes::toggleTied(session, limb("left-foreleg"));
  EXPECT_EQ(changed.count(), 3) << "what shows it is told";
  EXPECT_TRUE(figure.same(plan().figure));
  EXPECT_TRUE(wool.same(plan().wool));
  EXPECT_TRUE(pieces.same(plan().pieces));
  EXPECT_EQ(report, &session.stance().report()) << "nor is the stance judged anew";
  session.undo();
  session.undo();
  session.undo();
  EXPECT_TRUE(figure.same(plan().figure));
  EXPECT_FALSE(session.history().canUndo());
}

TEST_F(SessionTest, WhatIsAsItWasIsNoStep) {
  changes::setName(session, str(session.project().name));
  changes::setUnits(session, session.units());
  EXPECT_FALSE(changes::setSize(session, session.project().size.by, session.project().size.mm));
  EXPECT_FALSE(changes::setCoat(session, std::nullopt));
  changes::setUse(session, session.project().use);
  EXPECT_FALSE(session.history().canUndo());
  EXPECT_FALSE(session.changed());
}

TEST_F(SessionTest, AStanceIsTakenWithoutAnotherPlan) {
  const Shared<Figure> figure = plan().figure;
  QSignalSpy planned(&session, &Session::planChanged);
  QSignalSpy posed(&session, &Session::poseChanged);
  const auto poses = changes::poses(session);
  ASSERT_GE(poses.size(), 2U);
  changes::takePose(session, str(poses[1].first.name));
  EXPECT_EQ(posed.count(), 1);
  EXPECT_EQ(planned.count(), 0);
  EXPECT_TRUE(figure.same(plan().figure));
  EXPECT_FALSE(session.stance().plan().figure.same(figure));
  EXPECT_EQ(session.stance().report().pose.name, poses[1].first.name);
  session.undo();
  EXPECT_EQ(posed.count(), 2) << "back by undo, too";
  EXPECT_EQ(session.project().stances.now.name, "");
}

TEST_F(SessionTest, UnknownPosesAreRefusedAndChangeNothing) {
  QSignalSpy refused(&session, &Session::refused);
  changes::takePose(session, QStringLiteral("asleep on the moon"));
  EXPECT_EQ(refused.count(), 1);
  EXPECT_FALSE(session.history().canUndo());
}

TEST_F(SessionTest, UnderTheHandOnlyTheFigureFollowsAndTheRestWhenItIsLetGo) {
  const double mass = plan().totals.mass;
  const double high = plan().figure->overallHeight;
  QSignalSpy changed(&session, &Session::planChanged);
  for (int k = 1; k <= 20; ++k)
    ASSERT_FALSE(changes::setSize(session, SizeBy::OverallHeight, high + k, QStringLiteral("drag")));
  EXPECT_GE(changed.count(), 20) << "every one is drawn";
  EXPECT_NEAR(plan().figure->overallHeight, high + 20, 1e-9);
  EXPECT_TRUE(session.inRun());
  session.endRun();
  EXPECT_FALSE(session.inRun());
  EXPECT_GT(plan().totals.mass, mass);
  session.undo();
  EXPECT_NEAR(plan().figure->overallHeight, high, 1e-9) << "one step";
  EXPECT_NEAR(plan().totals.mass, mass, 1e-6 * mass);
}

TEST_F(SessionTest, UnderTheHandListenersTakeTurnsAndAllAreToldInTheEnd) {
  constexpr size_t count = 12;
  std::vector<int> told(count, 0);
  std::vector<double> last(count, 0); // the height each was told last
  std::vector<QObject> listeners(count);
  size_t most = 0; // told in one go
  size_t inOneGo = 0;
  bool paused = true;
  for (size_t k = 0; k < count; ++k)
    session.onSettled(&listeners[k], [&, k] {
      inOneGo = std::exchange(paused, false) ? 1 : inOneGo + 1;
      most = std::max(most, inOneGo);
      ++told[k];
      last[k] = plan().figure->overallHeight;
      QThread::msleep(2);
    });
  QElapsedTimer clock;
  clock.start();
  double mm = 100;
  while (clock.elapsed() < 1500) {
    ASSERT_FALSE(changes::setSize(session, SizeBy::OverallHeight, mm += 0.1, QStringLiteral("drag")));
    paused = true; // the hand's next frame
    QTest::qWait(5);
  }
  for (const int times : told) EXPECT_GE(times, 1) << "nobody waits for good";
  EXPECT_LT(most, count) << "not all in one frame";
  session.endRun();
  for (const double height : last) EXPECT_NEAR(height, mm, 1e-9) << "once it is let go, all at once";
  // Not under the hand: at once, and one that is gone is not told.
  const std::vector<int> before = told;
  auto gone = std::make_unique<QObject>();
  bool reached = false;
  session.onSettled(gone.get(), [&reached] { reached = true; });
  gone.reset();
  ASSERT_FALSE(changes::setSize(session, SizeBy::OverallHeight, 90));
  for (size_t k = 0; k < count; ++k) EXPECT_GT(told[k], before[k]);
  EXPECT_FALSE(reached);
}

TEST_F(SessionTest, AWidgetOutOfSightIsToldWhenTheHandLetsGo) {
  QWidget window;
  QWidget seen(&window);
  QWidget hidden(&window);
  hidden.hide();
  int ofSeen = 0;
  int ofHidden = 0;
  double last = 0;
  session.onSettled(&seen, [&] { ++ofSeen; });
  session.onSettled(&hidden, [&] {
    ++ofHidden;
    last = plan().figure->overallHeight;
  });
  ASSERT_FALSE(changes::setSize(session, SizeBy::OverallHeight, 90));
  EXPECT_EQ(ofHidden, 1) << "not under the hand: at once";
  QElapsedTimer clock;
  clock.start();
  double mm = 100;
  // As long as it takes until what is seen has followed: how soon is the machine's matter.
  while ((ofSeen < 2 || clock.elapsed() < 300) && clock.elapsed() < 60'000) {
    ASSERT_FALSE(changes::setSize(session, SizeBy::OverallHeight, mm += 0.1, QStringLiteral("drag")));
    QTest::qWait(5);
  }
  EXPECT_GT(ofSeen, 1);
  EXPECT_EQ(ofHidden, 1);
  // Also where all else has settled before.
  QTest::qWait(400);
  session.endRun();
  EXPECT_EQ(ofHidden, 2);
  EXPECT_NEAR(last, mm, 1e-9);
}

TEST_F(SessionTest, TheSumsOfADraggedStanceFollowAndAreExactWhenItIsLetGo) {
  session.stance().setJudged(true);
  (void)session.stance().report();
  const auto exactly = [this] {
    return poseReport(session.project(), plan(), session.catalog(), session.project().stances.now);
  };
  PatternPose pose;
  const auto bend = [&](double by) {
    pose.turns["neck1"].flex = by;
    changes::setStance(session, QStringLiteral("neck"), pose, QStringLiteral("drag"));
  };
  for (int k = 1; k <= 6; ++k) {
    bend(0.05 * k);
    const Figure posed = posedFigure(plan(), session.project().stances.now);
    for (size_t b = 0; b < posed.bones.size(); ++b)
      EXPECT_EQ(session.stance().plan().figure->bones[b].end, posed.bones[b].end) << "the figure never waits";
  }
  // The hand rests: the sums come up with it.
  const Vec3 rest = exactly().sums.armature.centre;
  ASSERT_TRUE(QTest::qWaitFor([&] { return session.stance().report().sums.armature.centre == rest; }, 60000));
  // It moves on and lets go before they could.
  bend(0.4);
  session.endRun();
  const PoseReport exact = exactly();
  EXPECT_NE(exact.sums.armature.centre, rest);
  const PoseReport& report = session.stance().report();
  EXPECT_EQ(report.sums.armature.centre, exact.sums.armature.centre);
  EXPECT_EQ(session.stance().plan().loads.centre, exact.sums.armature.centre);
  ASSERT_EQ(report.joints.size(), exact.joints.size());
  for (size_t j = 0; j < exact.joints.size(); ++j)
    EXPECT_EQ(report.joints[j].hold.hold, exact.joints[j].hold.hold);
  // An answer under way is not taken for another animal's.
  bend(0.1);
  ASSERT_FALSE(changes::setPattern(session, QStringLiteral("heron")));
  QTest::qWait(200);
  EXPECT_EQ(session.stance().report().sums.armature.centre, exactly().sums.armature.centre);
}

TEST_F(SessionTest, TheSelectionIsKeptByItsPartWhenTheAnimalChanges) {
  session.select(limb("tail"));
  ASSERT_FALSE(changes::setPattern(session, QStringLiteral("domestic_cat")));
  ASSERT_GE(session.selected(), 0);
  EXPECT_EQ(plan().figure->limbs[static_cast<size_t>(session.selected())].id, "tail");
  ASSERT_FALSE(changes::setPattern(session, QStringLiteral("toy_bear")));
  if (!plan().figure->limb("tail")) {
    EXPECT_EQ(session.selected(), -1);
  }
  session.undo();
  session.undo();
  EXPECT_EQ(session.project().pattern, "red_fox");
}

TEST_F(SessionTest, RefusedChangesAreSaidOnceAndLeaveAllAsItWas) {
  const Project before = session.project();
  QSignalSpy refused(&session, &Session::refused);
  int asked = 0;
  const auto no = [&](const changes::Refusal& said) {
    ++asked;
    EXPECT_TRUE(said) << asked;
    EXPECT_EQ(refused.count(), asked);
  };
  no(changes::setSize(session, SizeBy::OverallHeight, -5));
  no(changes::setSize(session, SizeBy::OverallHeight, 1e9));
  no(changes::setPattern(session, QStringLiteral("gryphon")));
  no(changes::setCoat(session, 1e6));
  no(changes::setDensity(session, limb("trunk"), -1));
  no(changes::setWire(session, limb("trunk"), 0));
  no(changes::stepWire(session, -1, 1));
  no(changes::setBoneLength(session, 0, -3));
  no(changes::savePose(session, QStringLiteral("   ")));
  EXPECT_EQ(session.project(), before);
  EXPECT_FALSE(session.history().canUndo());
}

TEST_F(SessionTest, TheBuildUpGoesWithThePlanAndBeginsAnewWithAnotherProject) {
  BuildView& build = session.build();
  QSignalSpy changed(&build, &BuildView::changed);
  EXPECT_TRUE(build.finished());
  EXPECT_EQ(&build.plan(false), &session.plan()) << "finished it is the figure itself";
  build.setBuilt(0.4 * build.built());
  EXPECT_EQ(changed.count(), 1);
  EXPECT_FALSE(build.finished());
  const double share = build.built() / buildTotal(build.steps());
  EXPECT_NEAR(share, 0.4, 1e-9);
  const std::uint64_t drawn = build.plan(false).figure->shapeKey;
  EXPECT_NE(drawn, plan().figure->shapeKey);
  EXPECT_EQ(&build.plan(false), &build.plan(false)) << "kept";
  changes::setFirmness(session, limb("trunk"), Firmness::Soft);
  EXPECT_NEAR(build.built() / buildTotal(build.steps()), share, 1e-9) << "as far as before";
  build.setBuilt(-5);
  EXPECT_EQ(build.built(), 0);
  build.setBuilt(1e9);
  EXPECT_TRUE(build.finished());
  build.setBuilt(1);
  session.startNew(QStringLiteral("heron"));
  EXPECT_TRUE(build.finished());
}

TEST_F(SessionTest, TheStanceIsOnlyDrawnUntilAStageJudgesIt) {
  StanceView& stance = session.stance();
  const auto poses = changes::poses(session);
  changes::takePose(session, str(poses[1].first.name));
  const Figure drawn = stance.plan().figure;
  stance.setJudged(true);
  const Figure judged = stance.plan().figure;
  ASSERT_EQ(drawn.bones.size(), judged.bones.size());
  for (size_t b = 0; b < drawn.bones.size(); ++b)
    EXPECT_NEAR((drawn.bones[b].end - judged.bones[b].end).norm(), 0, 1e-9);
  EXPECT_NEAR((stance.plan().loads.centre - stance.report().sums.armature.centre).norm(), 0, 1e-12);
  for (size_t p = 0; p < plan().skeleton->points.size(); ++p)
    EXPECT_EQ(stance.plan().skeleton->points[p].id, plan().skeleton->points[p].id);
  changes::savePose(session, QStringLiteral("mine"));
  ASSERT_EQ(stance.kept().size(), 1U);
  EXPECT_EQ(stance.kept()[0].pose.name, "mine");
  changes::removePose(session, QStringLiteral("mine"));
  EXPECT_TRUE(stance.kept().empty());
}

TEST_F(SessionTest, EntriesOfTheFileAreKeptBesideTheProject) {
  EXPECT_EQ(session.entry("notes.txt"), nullptr);
  session.keepEntry("notes.txt", "wire from the left drawer");
  const Scratch scratch;
  const QString path = QString::fromStdString(scratch.path("e.columna"));
  ASSERT_FALSE(session.save(path));
  Session other(shelf());
  ASSERT_FALSE(other.open(path));
  ASSERT_NE(other.entry("notes.txt"), nullptr);
  EXPECT_EQ(*other.entry("notes.txt"), "wire from the left drawer");
}

TEST_F(SessionTest, TheExactSolidComesBesideAndTheLastOneAskedForWins) {
  for (const double mm : {120.0, 140.0, 130.0})
    ASSERT_FALSE(changes::setSize(session, SizeBy::OverallHeight, mm));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !session.solidBehind(); }, 60000));
  const Plan exact = columna::plan(session.project(), shelf()).value();
  EXPECT_NEAR(plan().totals.mass, exact.totals.mass, 1e-9 * exact.totals.mass);
  EXPECT_EQ(plan().findings.size(), exact.findings.size());
}
