// Make by keyboard: the bench, the clock, readings, what dries, the week, and the record that is kept.
#include "make_window.h"

#include "make/step_pins.h"

#include "make/make_card.h"
#include "make/record_panel.h"
#include "make/session_rack.h"
#include "make/step_panel.h"
#include "make/week_panel.h"
#include "make/when.h"

#include <QFile>
#include <QSignalSpy>

using namespace columna;
using namespace columna::test;

TEST_F(MakeTest, TheWholeFigureIsMadeFromTheKeyboard) {
  changes::setConstruction(session, Construction::LegsAndTail); // with glue that dries before the wool
  session.finishSolid();
  ASSERT_FALSE(session.save(path));
  settle();
  atBench();
  const size_t all = view().steps()->steps.size();
  int waits = 0;
  std::string first;
  for (size_t presses = 0; view().step() >= 0 || !view().drying().empty(); ++presses) {
    ASSERT_LT(presses, 4 * all) << "it does not come to an end";
    if (view().step() < 0) {
      // Nothing can be done until the next is dry: the bench says so, and rings then.
      ++waits;
      EXPECT_FALSE(bench()->spaceKey()->isEnabled());
      QSignalSpy dry(&view(), &MakeView::dried);
      now = view().drying().front().until;
      QTRY_VERIFY_WITH_TIMEOUT(dry.count() > 0, kPatience);
      continue;
    }
    const std::string id = view().now()->id;
    if (first.empty()) first = id;
    press(Qt::Key_Space);
    if (bench() && bench()->asks() == BenchBoard::Ask::Ready) press(Qt::Key_Space); // it is
    EXPECT_EQ(view().running(), view().step()) << id;
    EXPECT_EQ(view().now()->id, id);
    minutes(view().now()->planned);
    press(Qt::Key_Space);
    if (bench() && bench()->asks() == BenchBoard::Ask::Reading) press(Qt::Key_Space); // goes on without
    EXPECT_EQ(view().progress(*view().steps()->find(id)).state == StepState::Done ||
                  view().progress(*view().steps()->find(id)).state == StepState::Drying,
              true)
        << id;
  }
  EXPECT_GT(waits, 0);
  EXPECT_EQ(count(EntryKind::Done), all);
  EXPECT_EQ(count(EntryKind::Begin), all);
  EXPECT_TRUE(session.build().finished()) << "the figure on the mat is whole";
  for (const StepProgress& p : view().progress().steps) EXPECT_EQ(p.state, StepState::Done);
  EXPECT_NEAR(view().pace().left.middle, 0, 1e-9);
  EXPECT_TRUE(view().findings().empty()) << "all was done in its order and dry";
  press(Qt::Key_Escape);
  EXPECT_FALSE(bench());
  // What was told is in the file that is saved, and in the one that was not.
  Session another(shelf());
  ASSERT_FALSE(another.open(path));
  EXPECT_EQ(another.record().size(), session.record().size());
  ASSERT_FALSE(session.save(path));
  Session third(shelf());
  ASSERT_FALSE(third.open(path));
  EXPECT_EQ(third.record().size(), session.record().size());
  EXPECT_EQ(third.record().front().step, first);
}

TEST_F(MakeTest, AReadingIsTypedByItsDigitsAndASlipIsAskedFor) {
  atBench();
  const int step = withGoal(Goal::What::Weight);
  ASSERT_GE(step, 0);
  view().choose(step);
  const Goal goal = view().now()->goals.front();
  press(Qt::Key_1); // not the mat's true size
  ASSERT_TRUE(bench()->field()->isVisible());
  EXPECT_EQ(bench()->field()->text(), QStringLiteral("1"));
  const auto type = [&](const QString& text) {
    bench()->field()->setText(text);
    press(Qt::Key_Return);
  };
  for (const char* bad : {"heavy", "-3", "12 mm", "99999999"}) {
    type(QString::fromUtf8(bad));
    EXPECT_FALSE(bench()->question()->text().isEmpty()) << bad;
    EXPECT_TRUE(bench()->field()->isVisible()) << "kept typed: " << bad;
    EXPECT_EQ(count(EntryKind::WeightRead), 0U) << bad;
  }
  type(QString::number(goal.value * 10));
  EXPECT_EQ(bench()->asks(), BenchBoard::Ask::Slip);
  EXPECT_EQ(count(EntryKind::WeightRead), 0U);
  press(Qt::Key_Return);
  ASSERT_EQ(count(EntryKind::WeightRead), 1U) << "said twice it is kept";
  EXPECT_NEAR(*session.record().back().value, goal.value * 10, 0.01);
  EXPECT_EQ(session.record().back().by, EntryBy::Typed);
  EXPECT_EQ(view().findings().size(), 1U);
  EXPECT_EQ(window.stage<MakeStage>()->toLookAt(), 1);
  // The right one after it takes its place; Escape drops what is typed.
  if (view().now()->goals.size() > 1) press(Qt::Key_Up); // the next of its goals is up by then
  press(Qt::Key_R);
  type(QString::number(goal.value));
  EXPECT_EQ(count(EntryKind::WeightRead), 2U);
  EXPECT_TRUE(view().findings().empty());
  press(Qt::Key_7);
  press(Qt::Key_Escape);
  EXPECT_TRUE(bench()) << "the first Escape leaves the field alone";
  EXPECT_FALSE(bench()->field()->isVisible());
  EXPECT_EQ(count(EntryKind::WeightRead), 2U);
}

TEST_F(MakeTest, OnePairOfHandsHasOneClock) {
  atBench();
  press(Qt::Key_Space);
  const std::string first = view().now()->id;
  minutes(4);
  press(Qt::Key_P);
  EXPECT_EQ(view().running(), -1);
  minutes(60);
  press(Qt::Key_Space);
  minutes(2);
  press(Qt::Key_Right); // later: another step, and beginning it pauses the first
  const std::string second = view().now()->id;
  ASSERT_NE(first, second);
  press(Qt::Key_Space);
  EXPECT_EQ(view().steps()->steps[static_cast<size_t>(view().running())].id, second);
  minutes(1);
  QTRY_VERIFY_WITH_TIMEOUT(view().progress(*view().steps()->find(second)).spent > 0.9, kPatience);
  EXPECT_NEAR(view().progress(*view().steps()->find(first)).spent, 6, 1e-9) << "pauses are taken out";
  press(Qt::Key_Left);
  EXPECT_EQ(view().now()->id, first);
  // Taking back what was begun last, then what stopped the first.
  press(Qt::Key_Backspace);
  EXPECT_EQ(view().progress(*view().steps()->find(second)).state, StepState::Ready);
  press(Qt::Key_Backspace);
  EXPECT_EQ(view().steps()->steps[static_cast<size_t>(view().running())].id, first);
  EXPECT_EQ(count(EntryKind::Withdraw), 2U) << "nothing is erased";
}

TEST_F(MakeTest, AClockThatRanOverNightIsAskedAbout) {
  atBench();
  press(Qt::Key_Space);
  const std::string id = view().now()->id;
  const double planned = view().now()->planned;
  minutes(600);
  QTRY_VERIFY_WITH_TIMEOUT(view().ranOn(), kPatience);
  press(Qt::Key_Space);
  if (bench()->asks() == BenchBoard::Ask::Reading) press(Qt::Key_Space);
  ASSERT_EQ(bench()->asks(), BenchBoard::Ask::RanOn);
  EXPECT_EQ(count(EntryKind::Done), 0U);
  press(Qt::Key_Space);
  ASSERT_EQ(count(EntryKind::Done), 1U);
  EXPECT_EQ(session.record().back().by, EntryBy::Usual);
  EXPECT_NEAR(view().progress(*view().steps()->find(id)).spent, planned, 1e-9);
  EXPECT_EQ(view().pace().steps, 0) << "it teaches nothing";
}

TEST_F(MakeTest, WhatWaitsCannotBeBegunAndSaysWhy) {
  atBench();
  const int last = static_cast<int>(view().steps()->steps.size()) - 1;
  view().choose(last);
  EXPECT_FALSE(bench()->question()->text().isEmpty());
  press(Qt::Key_Space);
  EXPECT_TRUE(session.record().empty());
  EXPECT_FALSE(bench()->question()->text().isEmpty());
  press(Qt::Key_O); // but it may be left out
  EXPECT_EQ(count(EntryKind::LeaveOut), 1U);
  EXPECT_EQ(view().progress(last).state, StepState::LeftOut);
}

TEST_F(MakeTest, AFigureThatWasNeverSavedAsksForItAndLosesNothing) {
  session.startNew(QStringLiteral("red_fox"));
  to(kMake);
  settle();
  atBench();
  press(Qt::Key_Space);
  EXPECT_TRUE(session.record().empty());
  EXPECT_FALSE(bench()->question()->text().isEmpty());
  // Where the record cannot be written it is said, and what was typed stays.
  ASSERT_FALSE(session.save(folder.filePath(QStringLiteral("fox.columna"))));
  press(Qt::Key_Space);
  EXPECT_EQ(session.record().size(), 1U);
  press(Qt::Key_N);
  bench()->field()->setText(QStringLiteral("the wool is finer than the last"));
  const std::string beside = recordBeside(session.path().toStdString()).string();
  ASSERT_TRUE(QFile::remove(QString::fromStdString(beside)));
  ASSERT_TRUE(QDir().mkdir(QString::fromStdString(beside))); // a folder in its place
  press(Qt::Key_Return);
  EXPECT_EQ(session.record().size(), 1U);
  EXPECT_EQ(bench()->field()->text(), QStringLiteral("the wool is finer than the last"));
}

TEST_F(MakeTest, TheWeekLaysTheStepsIntoSessionsAndUndoes) {
  part<MakeDesk>()->tabs()->tab(3)->click();
  WeekPanel* week = part<WeekPanel>();
  EXPECT_EQ(part<SessionRack>()->cards(), 0U);
  for (const char* bad : {"now and then", "tue 20:00-19:00", "tue 8-22"}) {
    type(week->week(), bad);
    EXPECT_FALSE(session.history().canUndo()) << bad;
    EXPECT_FALSE(week->answer()->text().isEmpty()) << bad;
    EXPECT_EQ(week->week()->text(), QString::fromUtf8(bad)) << "it stays typed";
  }
  type(week->week(), "tue 20:00-21:30, sat 10-12");
  EXPECT_EQ(session.project().make.week, "tue 20:00-21:30, sat 10-12");
  settle();
  QTRY_VERIFY_WITH_TIMEOUT(part<SessionRack>()->cards() > 5, kPatience);
  const int finish = view().laid().finish;
  EXPECT_GE(finish, view().laid().bound);
  type(week->days(), "2026-12-05 off, 2026-12-08 off, 2026-12-12 off");
  settle();
  QTRY_VERIFY_WITH_TIMEOUT(view().laid().finish > finish, kPatience);
  for (const PlannedSession& s : view().laid().sessions)
    EXPECT_NE(dayText(view().laid().first, s.from), dayText(*dateOf("2026-12-05"), 0));
  type(week->stretch(), "2");
  EXPECT_EQ(session.project().make.stretch, 50) << "no stretch of two minutes";
  type(week->stretch(), "30");
  EXPECT_EQ(session.project().make.stretch, 30);
  // The calendar has an event a session.
  settle();
  const QString ics = folder.filePath(QStringLiteral("otter.ics"));
  week->saveCalendar(ics);
  QFile file(ics);
  ASSERT_TRUE(file.open(QIODevice::ReadOnly));
  EXPECT_EQ(file.readAll().count("BEGIN:VEVENT"), static_cast<qsizetype>(view().laid().sessions.size()));
  week->saveCalendar(folder.filePath(QStringLiteral("no/such/folder.ics")));
  QTest::keyClicks(week->minutes(), QStringLiteral("40"));
  EXPECT_FALSE(week->fitting()->text().isEmpty());
  const QString fits = week->fitting()->text();
  QTest::keyClicks(week->minutes(), QStringLiteral("x"));
  EXPECT_NE(week->fitting()->text(), fits);
  for (int i = 0; i < 3; ++i) session.undo();
  EXPECT_TRUE(session.project().make.week.empty());
  EXPECT_EQ(week->stretch()->text(), QStringLiteral("50"));
}

TEST_F(MakeTest, TheRackIsWalkedByKeysAndLeadsToTheBench) {
  MakeWish wish;
  wish.week = kUsualWeek;
  ASSERT_FALSE(changes::setMakeWish(session, wish));
  settle();
  SessionRack* rack = part<SessionRack>();
  QTRY_VERIFY_WITH_TIMEOUT(rack->cards() > 3, kPatience);
  rack->setFocus();
  const int first = view().step();
  QTest::keyClick(rack, Qt::Key_Right);
  const int second = view().step();
  EXPECT_NE(second, first);
  EXPECT_FALSE(rack->barOf(second).isEmpty());
  QTest::keyClick(rack, Qt::Key_Down);
  EXPECT_NE(view().step(), second);
  QTest::mouseClick(rack, Qt::LeftButton, {}, rack->barOf(first).center().toPoint());
  EXPECT_EQ(view().step(), first);
  QTest::keyClick(rack, Qt::Key_Return);
  ASSERT_TRUE(bench());
  EXPECT_EQ(bench()->size(), window.centralWidget()->size());
  window.resize(1500, 900);
  QTRY_COMPARE_WITH_TIMEOUT(bench()->size(), window.centralWidget()->size(), kPatience);
  to(kWrap); // leaves the bench
  EXPECT_FALSE(bench());
  EXPECT_TRUE(session.build().finished()) << "Wrap has its own moment again";
}

TEST_F(MakeTest, AStepIsDraggedToAnotherSessionAndKeptThereUntilItIsLetGo) {
  MakeWish wish;
  wish.week = kUsualWeek;
  ASSERT_FALSE(changes::setMakeWish(session, wish));
  settle();
  SessionRack* rack = part<SessionRack>();
  QTRY_VERIFY_WITH_TIMEOUT(rack->cards() > 4, kPatience);
  const int step = view().laid().order.front(); // it can be done whenever
  const int from = rack->sessionOf(step);
  ASSERT_EQ(from, 0);
  const QPoint to = rack->cardArea(2).center().toPoint();
  QTest::mousePress(rack, Qt::LeftButton, {}, rack->barOf(step).center().toPoint());
  QTest::mouseMove(rack, rack->cardArea(1).center().toPoint());
  QTest::mouseMove(rack, to);
  QTest::mouseRelease(rack, Qt::LeftButton, {}, to);
  ASSERT_EQ(readPins(session.project().make.pins)->size(), 1U);
  settle();
  QTRY_VERIFY_WITH_TIMEOUT(view().pinned(step), kPatience);
  EXPECT_TRUE(view().laid().notHeld.empty());
  const int begins = readPins(session.project().make.pins)->front().moment(view().laid().first);
  const auto in = [&](int each) {
    for (const PlannedSession& s : view().laid().sessions)
      for (const PlannedSession::Work& w : s.work)
        if (w.step == each) return s.from;
    return -1;
  };
  EXPECT_EQ(in(step), begins);
  // By keys: on to the next session, then let go; each of it undoes.
  view().choose(step);
  rack->setFocus();
  QTest::keyClick(rack, Qt::Key_Down, Qt::ShiftModifier);
  settle();
  QTRY_VERIFY_WITH_TIMEOUT(in(step) > begins, kPatience);
  EXPECT_EQ(view().step(), step);
  EXPECT_TRUE(view().pinned(step));
  QTest::keyClick(rack, Qt::Key_P);
  EXPECT_EQ(session.project().make.pins, "");
  session.undo();
  session.undo();
  EXPECT_EQ(readPins(session.project().make.pins)->front().moment(view().laid().first), begins);
  // A click alone keeps nothing, and what cannot be kept is something to look at.
  settle();
  const size_t before = view().findings().size();
  const int last = view().laid().order.back();
  view().pin(last, view().laid().sessions.front().from);
  settle();
  QTRY_COMPARE_WITH_TIMEOUT(view().laid().notHeld, std::vector<int>{last}, kPatience);
  QTRY_COMPARE_WITH_TIMEOUT(view().findings().size(), before + 1, kPatience);
}

TEST_F(MakeTest, TheRecordIsAddedToWithdrawnAndSavedAsATable) {
  part<MakeDesk>()->tabs()->tab(2)->click();
  RecordPanel* record = part<RecordPanel>();
  type(record->note(), "pale wool from the second bag");
  ASSERT_EQ(session.record().size(), 1U);
  EXPECT_EQ(session.record().front().kind, EntryKind::Note);
  QTest::keyClicks(record->note(), QStringLiteral("thinner toes"));
  QTest::mouseClick(record->nextKey(), Qt::LeftButton);
  EXPECT_EQ(count(EntryKind::NextTime), 1U);
  ASSERT_EQ(record->list()->count(), 2);
  record->list()->setCurrentRow(0); // the newest
  QTest::mouseClick(record->withdrawKey(), Qt::LeftButton);
  EXPECT_TRUE(withdrawn(session.record()).contains(session.record()[1].id));
  EXPECT_TRUE(record->list()->item(0)->font().strikeOut());
  EXPECT_EQ(record->list()->count(), 2) << "it stays, struck out";
  record->list()->setCurrentRow(0);
  QTest::mouseClick(record->withdrawKey(), Qt::LeftButton);
  EXPECT_FALSE(withdrawn(session.record()).contains(session.record()[1].id)) << "and comes back";
  const QString csv = folder.filePath(QStringLiteral("record.csv"));
  record->saveTable(csv);
  QFile file(csv);
  ASSERT_TRUE(file.open(QIODevice::ReadOnly));
  EXPECT_EQ(file.readAll().count("\r\n"), 1 + static_cast<qsizetype>(session.record().size()));
}

TEST_F(MakeTest, AChangedPlanKeepsWhatWasDone) {
  atBench();
  for (int i = 0; i < 3; ++i) {
    press(Qt::Key_Space);
    minutes(5);
    press(Qt::Key_Space);
    if (bench()->asks() == BenchBoard::Ask::Reading) press(Qt::Key_Space);
  }
  ASSERT_EQ(count(EntryKind::Done), 3U);
  press(Qt::Key_Escape);
  ASSERT_FALSE(changes::setSize(session, SizeBy::OverallHeight, 200));
  settle();
  const auto done = std::count_if(
      view().progress().steps.begin(), view().progress().steps.end(),
      [](const StepProgress& p) { return p.state == StepState::Done || p.state == StepState::Drying; });
  // A wire of another gauge is another cut: what was cut is kept in the record, and told as gone.
  EXPECT_EQ(static_cast<size_t>(done) + view().progress().gone.size(), 3U);
  EXPECT_GE(done, 1);
  EXPECT_EQ(part<MakeCard>()->done()->figure(), QString::number(done));
}

TEST_F(MakeTest, ThePairStandsSideBySideAtTheBenchUntilItIsAlike) {
  atBench();
  const auto go = [&](const char* id) {
    view().choose(*view().steps()->find(id));
    return view().now()->goals.front();
  };
  const auto type = [&](double grams) {
    press(Qt::Key_R);
    bench()->field()->setText(QString::number(grams, 'f', 3) + QStringLiteral(" g"));
    press(Qt::Key_Return);
  };
  BenchPair* pair = bench()->pair();
  const Goal goal = go("wind/left-foreleg");
  ASSERT_EQ(goal.what, Goal::What::Weight);
  ASSERT_GT(goal.pair, 0);
  EXPECT_FALSE(pair->isVisible()) << "nothing is read of either";
  type(goal.value);
  ASSERT_TRUE(pair->isVisible());
  EXPECT_TRUE(pair->pair().leftHere);
  EXPECT_FALSE(pair->pair().apart());
  (void)go("wind/right-foreleg");
  ASSERT_TRUE(pair->isVisible());
  EXPECT_NEAR(*pair->pair().leftRead, goal.value, 1e-3);
  type(goal.value + 2 * goal.pair);
  EXPECT_NEAR(*pair->pair().apart(), 2 * goal.pair, 2e-3);
  EXPECT_FALSE(pair->pair().alike());
  if (view().now()->goals.size() > 1) press(Qt::Key_Up);
  type(goal.value + 1.2 * goal.pair);
  EXPECT_FALSE(pair->pair().alike());
  EXPECT_NE(pair->figure(true), pair->figure(false)) << "less than is shown as a rule";
  const QString off = pair->accessibleDescription();
  // The next of its goals is up by then; back to it, and what is read again takes its place.
  if (view().now()->goals.size() > 1) press(Qt::Key_Up);
  type(goal.value + 0.5 * goal.pair);
  EXPECT_TRUE(pair->pair().alike());
  EXPECT_NE(pair->accessibleDescription(), off);
  // A part that is one alone has none beside it.
  view().choose(*view().steps()->find("wind/trunk"));
  EXPECT_FALSE(pair->isVisible());
}
