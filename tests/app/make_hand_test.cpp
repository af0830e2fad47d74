// The maker's hand in Make, and another animal at the bench.
#include "make_window.h"

#include "file/work_photos.h"
#include "make/hand_panel.h"
#include "make/record_panel.h"

#include <QProcess>
#include <QSignalSpy>

using namespace columna;
using namespace columna::test;

TEST_F(MakeTest, WhatIsTimedIsLearntWhenTheFigureIsSavedAndCanBeStruckOut) {
  view().setHandFile(folder.filePath(QStringLiteral("hand.json")).toStdString());
  atBench();
  for (int i = 0; i < 4; ++i) {
    press(Qt::Key_Space);
    minutes(0.5 * view().now()->planned + 0.02);
    press(Qt::Key_Space);
    if (bench()->asks() == BenchBoard::Ask::Reading) press(Qt::Key_Space);
  }
  press(Qt::Key_Escape);
  EXPECT_TRUE(view().hand().figures.empty()) << "not before it is saved";
  ASSERT_FALSE(session.save(path));
  ASSERT_EQ(view().hand().figures.size(), 1U);
  EXPECT_EQ(view().hand().figures[0].paces.size(), 4U);
  EXPECT_EQ(view().hand().figures[0].project, session.recordId());
  EXPECT_EQ(view().pace().figures, 0) << "its own record is not counted twice";
  // Another figure goes by it; struck out it does not.
  session.startNew(QStringLiteral("red_fox"));
  to(kMake);
  settle();
  EXPECT_EQ(view().pace().figures, 1);
  const double quick = view().pace().left.middle;
  part<MakeDesk>()->tabs()->tab(4)->click();
  HandPanel* panel = part<HandPanel>();
  ASSERT_EQ(panel->figures()->count(), 1);
  panel->figures()->item(0)->setCheckState(Qt::Unchecked);
  EXPECT_TRUE(view().hand().figures[0].struck);
  EXPECT_GT(view().pace().left.middle, quick);
  panel->figures()->item(0)->setCheckState(Qt::Checked);
  QTest::mouseClick(panel->learn(), Qt::LeftButton, {}, QPoint(8, panel->learn()->height() / 2));
  EXPECT_TRUE(view().hand().off);
  EXPECT_EQ(view().pace().figures, 0);
  QTest::mouseClick(panel->learn(), Qt::LeftButton, {}, QPoint(8, panel->learn()->height() / 2));
  answer(QMessageBox::Cancel);
  QTest::mouseClick(panel->forgetKey(), Qt::LeftButton);
  EXPECT_EQ(view().hand().figures.size(), 1U);
  answer(QMessageBox::Yes);
  QTest::mouseClick(panel->forgetKey(), Qt::LeftButton);
  EXPECT_TRUE(view().hand().figures.empty());
  EXPECT_TRUE(handAt(folder.filePath(QStringLiteral("hand.json")).toStdString()).hand.figures.empty());
}

TEST_F(MakeTest, AnotherAnimalAtTheBenchHasItsOwnStepsAtOnce) {
  atBench();
  view().choose(static_cast<int>(view().steps()->steps.size()) - 3);
  for (const char* animal : {"songbird", "merfigure", "beetle", "river_otter"}) {
    ASSERT_FALSE(changes::setPattern(session, QString::fromUtf8(animal)));
    const std::vector<Step> steps = view().steps() ? view().steps()->steps : std::vector<Step>();
    for (const Step& s : steps) { // those of the animal before are let go
      EXPECT_LT(s.limb, static_cast<int>(plan().figure->limbs.size())) << animal;
    }
    QApplication::processEvents(); // painted meanwhile
    session.undo();
    QApplication::processEvents();
    session.redo();
    settle();
    EXPECT_GT(view().steps()->steps.size(), 30U) << animal;
  }
}

TEST_F(MakeTest, HandsThatWorkedAStretchAreToldToRestOnce) {
  atBench();
  QSignalSpy tired(&view(), &MakeView::tired);
  press(Qt::Key_Space);
  minutes(session.project().make.stretch - 1);
  QTest::qWait(1500);
  EXPECT_TRUE(tired.isEmpty());
  minutes(2);
  QTRY_VERIFY_WITH_TIMEOUT(!tired.isEmpty(), kPatience);
  EXPECT_FALSE(bench()->question()->text().isEmpty());
  minutes(5);
  QTest::qWait(1500);
  EXPECT_EQ(tired.count(), 1) << "once";
  // Rested, they work another stretch before they are told again.
  press(Qt::Key_P);
  minutes(session.project().make.rest + 1);
  press(Qt::Key_Space);
  minutes(session.project().make.stretch - 1);
  QTest::qWait(1500);
  EXPECT_EQ(tired.count(), 1);
  minutes(2);
  QTRY_VERIFY_WITH_TIMEOUT(tired.count() == 2, kPatience);
}

TEST_F(MakeTest, GlueIsAskedAboutOnceASittingBeforeItIsBegun) {
  ASSERT_FALSE(decide(session, "glued legs", [](Project& p) { p.construction = Construction::LegsAndTail; }));
  settle();
  std::vector<std::string> glued;
  for (const Step& s : view().steps()->steps)
    if (std::find(s.cautions.begin(), s.cautions.end(), Caution::Glue) != s.cautions.end())
      glued.push_back(s.id);
  ASSERT_GE(glued.size(), 2U);
  // All before them is done, so that they can be begun.
  for (const Step& s : std::vector<Step>(view().steps()->steps)) {
    if (std::find(glued.begin(), glued.end(), s.id) != glued.end()) continue;
    Entry e;
    e.at = zonedText(now);
    e.step = s.id;
    e.kind = EntryKind::Done;
    ASSERT_FALSE(session.noteDown(e));
  }
  atBench();
  view().choose(glued[0]);
  press(Qt::Key_Space);
  EXPECT_EQ(bench()->asks(), BenchBoard::Ask::Ready);
  EXPECT_LT(view().running(), 0);
  EXPECT_FALSE(bench()->question()->text().isEmpty());
  // Another step looked at meanwhile is no answer.
  view().choose(glued[1]);
  press(Qt::Key_Space);
  EXPECT_EQ(bench()->asks(), BenchBoard::Ask::Ready);
  press(Qt::Key_Space);
  EXPECT_EQ(view().running(), view().step());
  press(Qt::Key_P);
  minutes(20);
  view().choose(glued[0]);
  press(Qt::Key_Space);
  EXPECT_EQ(view().running(), view().step()) << "once a sitting";
  press(Qt::Key_P);
  minutes(24 * 60);
  press(Qt::Key_Space);
  EXPECT_EQ(bench()->asks(), BenchBoard::Ask::Ready) << "the next day it is asked again";
}

TEST_F(MakeTest, APhotoOfTheWorkIsKeptShownSavedAndPrinted) {
  const QString picture = folder.filePath(QStringLiteral("bench.png"));
  QImage image(320, 240, QImage::Format_RGB32);
  image.fill(QColor(180, 120, 60));
  ASSERT_TRUE(image.save(picture));
  part<MakeDesk>()->tabs()->tab(2)->click();
  auto* panel = part<RecordPanel>();
  panel->note()->setText(QStringLiteral("the trunk from the side"));
  panel->addPhoto(picture);
  EXPECT_TRUE(panel->note()->text().isEmpty());
  ASSERT_EQ(count(EntryKind::Photo), 1U);
  const Entry kept = session.record().back();
  ASSERT_FALSE(kept.photo.empty());
  EXPECT_EQ(kept.text, "the trunk from the side");
  EXPECT_TRUE(std::filesystem::exists(photosBeside(path.toStdString()))) << "on the disk at once";
  panel->list()->setCurrentRow(0);
  EXPECT_TRUE(panel->shown()->isVisible());
  // What is no picture is one sentence and no entry.
  QString refused;
  QObject::connect(&session, &Session::refused, &window, [&](const QString& why) { refused = why; });
  panel->addPhoto(path);
  EXPECT_FALSE(refused.isEmpty());
  EXPECT_EQ(count(EntryKind::Photo), 1U);
  ASSERT_FALSE(session.save(path));
  EXPECT_FALSE(std::filesystem::exists(photosBeside(path.toStdString())));
  ASSERT_FALSE(session.open(path));
  ASSERT_TRUE(session.entry(kept.photo));
  settle();
  const QString pdf = folder.filePath(QStringLiteral("story.pdf"));
  panel->saveStory(pdf);
  QProcess images;
  images.start(QStringLiteral("pdfimages"), {QStringLiteral("-list"), pdf});
  ASSERT_TRUE(images.waitForFinished(60000));
  EXPECT_GE(images.readAllStandardOutput().count('\n'), 3) << "two lines are its head";
}
