#include "window.h"

#include "file/project_json.h"
#include "report/plan_json.h"
#include "session/changes.h"
#include "turn/turntable.h"

#include <QComboBox>
#include <QDropEvent>
#include <QMimeData>
#include <QToolButton>

#include <cmath>

using namespace columna;
using namespace columna::test;

TEST_F(WindowTest, TypeAHeightAndEverythingFollows) {
  auto* study = card<StudyCard>();
  const double wool = plan().wool->volume;
  type(study->sizeField(SizeBy::OverallHeight), "32 cm");
  EXPECT_NEAR(plan().figure->overallHeight, 320, 1e-9);
  EXPECT_NEAR(plan().wool->volume, 8 * wool, 0.01 * 8 * wool);
  EXPECT_EQ(study->sizeField(SizeBy::OverallHeight)->text(), QStringLiteral("320 mm"));
  type(study->sizeField(SizeBy::ShoulderHeight), "3 3/4 in");
  EXPECT_NEAR(plan().figure->shoulderHeight, 95.25, 1e-9);
  EXPECT_EQ(session.project().size.by, SizeBy::ShoulderHeight);
}

TEST_F(WindowTest, BadSizesAreSaidAndChangeNothing) {
  auto* study = card<StudyCard>();
  const double before = plan().figure->overallHeight;
  for (const char* text : {"0", "-5", "NaN", "5 km", "tall"}) {
    type(study->sizeField(SizeBy::OverallHeight), text);
    EXPECT_EQ(plan().figure->overallHeight, before) << text;
    bool told = false;
    for (const QLabel* label : study->findChildren<QLabel*>())
      told = told || (label->isVisible() && label->text().contains(QStringLiteral("0 mm")));
    EXPECT_TRUE(told) << text;
    EXPECT_FALSE(session.history().canUndo());
  }
}

TEST_F(WindowTest, PickWithTheMouseChangeWithTheKeyboardUndo) {
  to(kWire);
  click(limb("right-hindleg"));
  ASSERT_EQ(session.selected(), limb("right-hindleg"));
  const double before = diameter("right-hindleg");
  QTest::keyClick(window.mat(), Qt::Key_Period);
  EXPECT_GT(diameter("right-hindleg"), before);
  EXPECT_EQ(diameter("left-hindleg"), diameter("right-hindleg")) << "tied to its twin";
  EXPECT_EQ(session.history().undoName(), "hindlegs: thicker wire");
  EXPECT_TRUE(window.rail()->undoButton()->text().contains(QStringLiteral("undo")));
  QTest::keyClick(window.mat(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(diameter("right-hindleg"), before);
  QTest::keyClick(window.mat(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_GT(diameter("right-hindleg"), before);
  QTest::keyClick(window.mat(), Qt::Key_Delete);
  EXPECT_EQ(diameter("right-hindleg"), before) << "back to what the sums propose";
}

TEST_F(WindowTest, UntiedTheTwinStays) {
  to(kWire);
  click(limb("right-foreleg"));
  const double before = diameter("left-foreleg");
  QTest::keyClick(window.mat(), Qt::Key_Backslash);
  QTest::keyClick(window.mat(), Qt::Key_Period);
  EXPECT_EQ(diameter("left-foreleg"), before);
  EXPECT_GT(diameter("right-foreleg"), before);
  QTest::keyClick(window.mat(), Qt::Key_Backslash);
  EXPECT_EQ(diameter("left-foreleg"), diameter("right-foreleg")) << "tied again, it takes this side's";
}

TEST_F(WindowTest, AWireSizeIsTypedInAnyGauge) {
  to(kWire);
  session.select(limb("neck"));
  auto* wire = card<WireCard>();
  type(wire->diameterField(), "12 awg");
  EXPECT_NEAR(diameter("neck"), 2.0525, 1e-3);
  EXPECT_EQ(diameter("tail"), diameter("neck")) << "one spine, one wire";
  type(wire->diameterField(), "18 gauge");
  EXPECT_NEAR(diameter("neck"), 2.0525, 1e-3);
  bool told = false;
  for (const QLabel* label : wire->findChildren<QLabel*>())
    told = told || (label->isVisible() && label->text().contains(QStringLiteral("two wires")));
  EXPECT_TRUE(told);
}

TEST_F(WindowTest, EveryNumberSaysWhy) {
  to(kWire);
  session.select(limb("left-foreleg"));
  auto* wire = card<WireCard>();
  for (Why* why : wire->findChildren<Why*>()) {
    ASSERT_TRUE(why->isVisible());
    EXPECT_FALSE(why->isOpen());
    QTest::mouseClick(why->button(), Qt::LeftButton);
    EXPECT_TRUE(why->isOpen());
    EXPECT_FALSE(why->workingText().isEmpty());
  }
  EXPECT_TRUE(wire->whyCut()->workingText().contains(wire->cutFigure()->figure()))
      << "the working ends with the number asked for";
  to(kWrap);
  int shown = 0;
  for (const Why* why : card<WrapCard>()->findChildren<Why*>()) shown += why->isVisible() ? 1 : 0;
  EXPECT_EQ(shown, 4) << "core, coat, the wound girth and the first pad";
}

TEST_F(WindowTest, TabWalksTheLimbsInBodyOrder) {
  window.mat()->setFocus();
  for (size_t i = 0; i < plan().figure->limbs.size(); ++i) {
    QTest::keyClick(window.mat(), Qt::Key_Tab);
    EXPECT_EQ(session.selected(), static_cast<int>(i));
    EXPECT_TRUE(window.mat()->hasFocus());
  }
  QTest::keyClick(window.mat(), Qt::Key_Tab);
  EXPECT_FALSE(window.mat()->hasFocus()) << "past the last limb the keyboard goes on to the next control";
}

TEST_F(WindowTest, DraggingAMarkSizesTheFigureInOneUndo) {
  const double before = plan().figure->overallHeight;
  for (const SizeBy by : {SizeBy::OverallHeight, SizeBy::ShoulderHeight, SizeBy::BodyLength}) {
    const QPoint handle = handleOf(by);
    ASSERT_FALSE(handle.isNull());
    const QPoint step = by == SizeBy::BodyLength ? QPoint(1, 0) : QPoint(0, -1);
    QTest::mousePress(window.mat(), Qt::LeftButton, {}, handle);
    for (int i = 1; i <= 20; ++i) QTest::mouseMove(window.mat(), handle + step * i);
    QTest::mouseRelease(window.mat(), Qt::LeftButton, {}, handle + step * 20);
    EXPECT_GT(plan().figure->overallHeight, before);
    EXPECT_EQ(session.project().size.by, by);
    EXPECT_NEAR(std::remainder(session.project().size.mm, 1.0), 0, 1e-9)
        << "whole millimetres under the hand";
    QTest::keyClick(window.mat(), Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(plan().figure->overallHeight, before) << "one drag is one step";
    window.mat()->fit();
  }
}

TEST_F(WindowTest, TrueSizeIsTrue) {
  window.mat()->setScreenPixelsPerMm(5.0);
  QTest::keyClick(window.mat(), Qt::Key_1);
  EXPECT_NEAR(window.mat()->scale(), 5.0, 1e-9);
  QTest::keyClick(window.mat(), Qt::Key_0);
  EXPECT_LT(window.mat()->scale(), 5.0);
}

TEST_F(WindowTest, TheGalleryChangesTheAnimal) {
  auto* gallery = window.findChild<Gallery*>();
  ASSERT_NE(gallery, nullptr);
  QTest::keyClicks(gallery->filter(), QStringLiteral("fox"));
  int shown = 0;
  for (const PatternTile* tile : gallery->tiles()) shown += tile->isVisible() ? 1 : 0;
  EXPECT_EQ(shown, 1);
  QTest::keyClick(gallery->filter(), Qt::Key_Return);
  EXPECT_EQ(session.project().pattern, "red_fox");
  gallery->filter()->clear();
  for (PatternTile* tile : gallery->tiles())
    if (tile->id() == QStringLiteral("heron")) QTest::mouseClick(tile, Qt::LeftButton);
  EXPECT_EQ(plan().figure->patternName, "Grey heron");
  session.undo();
  session.undo();
  EXPECT_EQ(session.project().pattern, "river_otter");
}

TEST_F(WindowTest, RacksSelectLimbs) {
  to(kWire);
  auto* rack = part<WireRack>();
  ASSERT_NE(rack, nullptr);
  const int piece = plan().pieceOf(limb("left-hindleg"));
  QTest::mouseClick(rack, Qt::LeftButton, {}, rack->barOf(piece).center().toPoint());
  EXPECT_EQ(session.selected(), limb("left-hindleg"));
  to(kWrap);
  auto* wool = part<WrapRack>();
  ASSERT_NE(wool, nullptr);
  QTest::mouseClick(wool, Qt::LeftButton, {}, wool->heapOf(limb("tail")).center().toPoint());
  EXPECT_EQ(session.selected(), limb("tail"));
}

TEST_F(WindowTest, FirmnessAndCoatChangeTheWool) {
  to(kWrap);
  session.select(limb("trunk"));
  const double before = plan().wool->limbs[static_cast<size_t>(limb("trunk"))].core;
  QTest::keyClick(window.mat(), Qt::Key_BracketRight);
  EXPECT_NEAR(plan().wool->limbs[static_cast<size_t>(limb("trunk"))].core / before, 0.22 / 0.15, 1e-9);
  QTest::keyClick(window.mat(), Qt::Key_BracketLeft);
  QTest::keyClick(window.mat(), Qt::Key_BracketLeft);
  EXPECT_NEAR(plan().wool->limbs[static_cast<size_t>(limb("trunk"))].core / before, 0.10 / 0.15, 1e-9);
  auto* wrap = card<WrapCard>();
  type(wrap->coatField(), "2 mm");
  EXPECT_EQ(plan().wool->coatThickness, 2);
  type(wrap->coatField(), "-2");
  EXPECT_EQ(plan().wool->coatThickness, 2);
}

TEST_F(WindowTest, InchesEverywhereAtOnce) {
  changes::setUnits(session, UnitSystem::Inch);
  auto* study = card<StudyCard>();
  EXPECT_TRUE(study->sizeField(SizeBy::OverallHeight)->text().endsWith(QStringLiteral(" in")));
  type(study->sizeField(SizeBy::OverallHeight), "6 1/4");
  EXPECT_NEAR(plan().figure->overallHeight, 158.75, 1e-9) << "a bare number is inches now";
}

TEST_F(WindowTest, SaveAndReopen) {
  const Scratch scratch;
  const QString path = QString::fromStdString(scratch.path("mine.columna"));
  to(kWire);
  click(limb("right-hindleg"));
  QTest::keyClick(window.mat(), Qt::Key_Period);
  const double chosen = diameter("right-hindleg");
  EXPECT_TRUE(window.isWindowModified());
  ASSERT_FALSE(session.save(path).has_value());
  EXPECT_FALSE(window.isWindowModified());
  EXPECT_TRUE(window.save()) << "and again to the same place, with a picture";
  session.startNew(QStringLiteral("heron"));
  ASSERT_TRUE(window.openFile(path));
  EXPECT_EQ(diameter("right-hindleg"), chosen);
  EXPECT_EQ(session.project().pattern, "river_otter");
  EXPECT_TRUE(openProject(path.toStdString())->others.contains("thumbnail.png"));
}

TEST_F(WindowTest, ABadFileLeavesWhatIsOpen) {
  const Scratch scratch;
  const auto before = toJson(session.project());
  answer(QMessageBox::Ok);
  EXPECT_FALSE(window.openFile(QString::fromStdString(scratch.write("bad.columna", "PK nonsense"))));
  EXPECT_TRUE(said.contains(QStringLiteral("bad.columna"))) << said.toStdString();
  EXPECT_EQ(toJson(session.project()), before);
}

TEST_F(WindowTest, ADroppedFileOpens) {
  const Scratch scratch;
  ProjectFile file;
  file.project = project("red_fox", 150);
  file.project.name = "dropped";
  ASSERT_FALSE(saveProject(scratch.path("d.columna"), file).has_value());
  QMimeData data;
  data.setUrls({QUrl::fromLocalFile(QString::fromStdString(scratch.path("d.columna")))});
  QDragEnterEvent enter(QPoint(400, 300), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
  QApplication::sendEvent(&window, &enter);
  EXPECT_TRUE(enter.isAccepted());
  QDropEvent drop(QPointF(400, 300), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
  QApplication::sendEvent(&window, &drop);
  EXPECT_EQ(session.project().name, "dropped");
}

TEST_F(WindowTest, ClosingAsksBeforeWorkIsLost) {
  changes::setSize(session, SizeBy::OverallHeight, 200);
  answer(QMessageBox::Cancel);
  EXPECT_FALSE(window.close());
  EXPECT_TRUE(window.isVisible());
  answer(QMessageBox::Discard);
  EXPECT_TRUE(window.close());
}

TEST_F(WindowTest, FindingsAreSteppedThrough) {
  changes::setPattern(session, QStringLiteral("heron"));
  changes::setSize(session, SizeBy::OverallHeight, 100);
  ASSERT_FALSE(plan().findings.empty());
  for (const Finding& f : plan().findings) {
    QTest::mouseClick(window.tally()->findings(), Qt::LeftButton);
    EXPECT_EQ(session.selected(), plan().figure->limb(f.where).value_or(-1));
    const StageId wanted = f.topic == Topic::Shape  ? kStudy
                           : f.topic == Topic::Wire ? kWire
                           : f.topic == Topic::Pose ? kPose
                                                    : kWrap;
    EXPECT_EQ(session.stage(), wanted) << f.id();
  }
}

TEST_F(WindowTest, ControlsHaveNamesAndTakeTheKeyboard) {
  for (const StageId stage : {kStudy, kWire, kPose, kWrap}) {
    to(stage);
    session.select(limb("left-foreleg"));
    for (const QAbstractButton* button : window.findChildren<QAbstractButton*>()) {
      if (!button->isVisible()) continue;
      EXPECT_FALSE(button->accessibleName().isEmpty() && button->text().isEmpty())
          << button->metaObject()->className();
      EXPECT_NE(button->focusPolicy() & Qt::TabFocus, 0) << button->text().toStdString();
    }
    for (const QLineEdit* field : window.findChildren<QLineEdit*>())
      if (field->isVisible()) {
        EXPECT_FALSE(field->accessibleName().isEmpty());
      }
    for (const QComboBox* box : window.findChildren<QComboBox*>())
      if (box->isVisible()) {
        EXPECT_FALSE(box->accessibleName().isEmpty());
      }
  }
}

TEST_F(WindowTest, HoldingXShowsTheWire) {
  to(kWrap);
  session.finishSolid();
  const auto seen = [this] { // the turntable's fine picture follows its coarse one
    EXPECT_TRUE(QTest::qWaitFor([this] { return !window.mat()->turntable()->behind(); }, kPatience));
    return window.mat()->grab().toImage();
  };
  const QImage before = seen();
  QTest::keyPress(window.mat(), Qt::Key_X);
  const QImage through = seen();
  QTest::keyRelease(window.mat(), Qt::Key_X);
  EXPECT_NE(before, through);
  EXPECT_EQ(before, seen());
}

TEST_F(WindowTest, DoubleClickEnlargesAView) {
  EXPECT_EQ(window.mat()->mainView(), View::Side);
  QTest::mouseDClick(window.mat(), Qt::LeftButton, {}, QPoint(200, window.mat()->height() - 60));
  EXPECT_EQ(window.mat()->mainView(), View::Above);
  QTest::keyClick(window.mat(), Qt::Key_V);
  EXPECT_EQ(window.mat()->mainView(), View::Side);
}
