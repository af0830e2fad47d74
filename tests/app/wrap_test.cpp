// Wrap by mouse and keyboard: the build-up, wool at hand, markings, what was measured, exporting.
#include "window.h"

#include "judge/planning.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "turn/turntable.h"
#include "wrap/ball_page.h"
#include "wrap/build_band.h"
#include "wrap/coat_panel.h"
#include "wrap/stop_panel.h"
#include "wrap/wool_panel.h"
#include "wrap/wrap_card.h"
#include "wrap/wrap_desk.h"
#include "wrap/wrap_rack.h"

#include <QComboBox>
#include <QListWidget>
#include <QPushButton>
#include <QSignalSpy>
#include <QTemporaryDir>

using namespace columna;
using namespace columna::test;

namespace {

class WrapTest : public WindowTest {
protected:
  void SetUp() override {
    WindowTest::SetUp();
    to(kWrap);
    session.finishSolid();
  }
  [[nodiscard]] double total() const { return buildTotal(session.build().steps()); }
  BuildWedge* wedge() { return part<BuildBand>()->wedge(); }
  void settle() { QTRY_VERIFY_WITH_TIMEOUT(!session.solidBehind(), kPatience); }
};

} // namespace

TEST_F(WrapTest, TheBuildUpIsDraggedSteppedAndPlayed) {
  EXPECT_TRUE(session.build().finished());
  QTest::mouseClick(wedge(), Qt::LeftButton, {},
                    QPoint(qRound(wedge()->placeOf(total() / 3)), wedge()->height() / 3));
  EXPECT_NEAR(session.build().built(), total() / 3, 0.01 * total());
  const auto verdict = [this] {
    return card<WrapCard>()->findChild<VerdictView*>()->findChildren<QLabel*>().last()->text();
  };
  EXPECT_TRUE(QTest::qWaitFor([&] { return verdict().startsWith(QStringLiteral("Now ")); }, kPatience))
      << verdict().toStdString();
  wedge()->setFocus();
  QTest::keyClick(wedge(), Qt::Key_Home);
  EXPECT_EQ(session.build().built(), 0);
  QTest::keyClick(wedge(), Qt::Key_Right);
  EXPECT_NEAR(session.build().built(), 0.01 * total(), 1e-9);
  QTest::keyClick(wedge(), Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_NEAR(session.build().built(), session.build().steps().front().grams, 1e-6)
      << "to the end of the first portion";
  QTest::keyClick(wedge(), Qt::Key_End);
  EXPECT_TRUE(session.build().finished());
  EXPECT_FALSE(session.history().canUndo()) << "looking is not a change";
  QTest::mouseClick(part<BuildBand>()->playKey(), Qt::LeftButton);
  QTRY_VERIFY_WITH_TIMEOUT(session.build().built() > 0 && session.build().built() < total() / 2, kPatience);
  part<BuildBand>()->togglePlay();
}

TEST_F(WrapTest, TheTurntableShowsTheWorkAtThatMoment) {
  Turntable* table = window.mat()->turntable();
  ASSERT_TRUE(table->isVisible());
  QTRY_VERIFY_WITH_TIMEOUT(!table->behind(), kPatience);
  const auto covered = [&] {
    const QImage image = table->picture();
    int count = 0;
    for (int y = 0; y < image.height(); y += 2)
      for (int x = 0; x < image.width(); x += 2) count += qAlpha(image.pixel(x, y)) > 200 ? 1 : 0;
    return count;
  };
  const int finished = covered();
  session.build().setBuilt(0);
  QTRY_VERIFY_WITH_TIMEOUT(!table->behind(), kPatience);
  const int bare = covered();
  session.build().setBuilt(total() / 2);
  QTRY_VERIFY_WITH_TIMEOUT(!table->behind(), kPatience);
  const int half = covered();
  EXPECT_LT(bare, finished / 2) << "bare wire and the dashes alone";
  EXPECT_GT(half, bare);
  EXPECT_LT(half, finished);
  QTest::keyClick(window.mat(), Qt::Key_T);
  EXPECT_FALSE(table->isVisible());
}

TEST_F(WrapTest, ATestBallIsTypedInAndSaysHowFarOffItWas) {
  const double before = plan().totals.core;
  part<WrapDesk>()->tabs()->tab(1)->click();
  WoolPanel* wool = part<WrapDesk>()->wool();
  QTest::mouseClick(wool->ballKey(), Qt::LeftButton);
  ASSERT_TRUE(wool->ballPage());
  // Without Return, which would take the ball as soon as it is whole.
  const auto enter = [](QLineEdit* field, const char* text) {
    field->setFocus();
    field->selectAll();
    QTest::keyClicks(field, QString::fromUtf8(text));
  };
  BallPage* page = wool->ballPage();
  enter(page->across(0), "30 mm");
  EXPECT_FALSE(page->useKey()->isEnabled()) << "two readings and the weight are wanting";
  enter(page->across(1), "29,5");
  enter(page->across(2), "30.5");
  enter(page->grams(), "3 g");
  EXPECT_TRUE(page->answer()->text().contains(QStringLiteral("41 % denser")))
      << page->answer()->text().toStdString();
  // A ball that is no felt, or no ball, is not taken, and the page says why.
  for (const char* bad : {"300 g", "heavy", "-1"}) {
    enter(page->grams(), bad);
    EXPECT_FALSE(page->useKey()->isEnabled()) << bad;
  }
  enter(page->grams(), "3 g");
  enter(page->across(1), "2 mm");
  EXPECT_FALSE(page->ball());
  enter(page->across(1), "29.5");
  page->useKey()->setFocus();
  QTest::keyClick(page->useKey(), Qt::Key_Space);
  QTRY_VERIFY_WITH_TIMEOUT(!wool->ballPage(), kPatience);
  ASSERT_TRUE(session.project().wool.ball);
  EXPECT_NEAR(session.project().wool.ball->diameter, 30, 1e-9);
  EXPECT_EQ(session.project().wool.ball->measured.size(), 3U);
  EXPECT_NEAR(plan().totals.core / before, handFactor(*session.project().wool.ball), 0.03);
  EXPECT_TRUE(wool->ballWords()->text().contains(QStringLiteral("29 % too light")))
      << wool->ballWords()->text().toStdString();
  // Opened again it shows what was read; what is typed and not taken changes nothing.
  QTest::mouseClick(wool->ballKey(), Qt::LeftButton);
  page = wool->ballPage();
  EXPECT_EQ(page->across(1)->text(), QStringLiteral("29.5 mm"));
  for (int k = 0; k < 3; ++k) page->across(k)->setText(QStringLiteral("34.9"));
  ASSERT_TRUE(page->ball());
  EXPECT_NEAR(page->ball()->diameter, 34.9, 0.1);
  page->reject();
  EXPECT_EQ(session.project().wool.ball->grams, 3) << "left as it was";
  type(wool->weighField(false), "20 g");
  EXPECT_NEAR(session.project().wool.core.linear.value_or(0), 0.02, 1e-12);
  session.undo();
  session.undo();
  EXPECT_FALSE(session.project().wool.ball);
  EXPECT_NEAR(plan().totals.core, before, 1e-9);
}

TEST_F(WrapTest, AMarkingIsDrawnOnAViewAndTakenOff) {
  part<WrapDesk>()->tabs()->tab(2)->click();
  CoatPanel* coat = part<WrapDesk>()->coat();
  QTest::mouseClick(coat->drawKey(), Qt::LeftButton);
  EXPECT_TRUE(wrapView().marking());
  EXPECT_FALSE(window.mat()->turntable()->isVisible()) << "it is drawn on a flat view";
  const QPoint middle = window.mat()->pointOf(limb("trunk"));
  QTest::mousePress(window.mat(), Qt::LeftButton, {}, middle + QPoint(-20, -10));
  for (const QPoint& at : {QPoint(20, -10), QPoint(20, 12), QPoint(-20, 12)})
    QTest::mouseMove(window.mat(), middle + at);
  QTest::mouseRelease(window.mat(), Qt::LeftButton, {}, middle + QPoint(-20, 12));
  ASSERT_EQ(session.project().wool.markings.size(), 1U);
  EXPECT_FALSE(wrapView().marking());
  settle();
  EXPECT_GT(plan().wool->markings[0].area, 10);
  EXPECT_EQ(coat->list()->count(), 1);
  // The whole of a part by the keyboard alone.
  session.select(limb("tail"));
  coat->wholeKey()->setFocus();
  QTest::keyClick(coat->wholeKey(), Qt::Key_Space);
  ASSERT_EQ(session.project().wool.markings.size(), 2U);
  EXPECT_EQ(session.project().wool.markings[1].limb, "tail");
  coat->list()->setCurrentRow(0);
  QTest::mouseClick(coat->removeKey(), Qt::LeftButton);
  EXPECT_EQ(session.project().wool.markings.size(), 1U);
  session.undo();
  EXPECT_EQ(session.project().wool.markings.size(), 2U);
  type(coat->furField(), "20 mm");
  EXPECT_EQ(session.project().wool.furShown.value_or(0), 20);
  EXPECT_TRUE(coat->words()->text().contains(QStringLiteral("tufts"))) << coat->words()->text().toStdString();
}

TEST_F(WrapTest, ATapeSaysHowMuchMoreAndOverOffersToResize) {
  session.select(limb("trunk"));
  part<WrapDesk>()->tabs()->tab(3)->click();
  StopPanel* stop = part<WrapDesk>()->stop();
  const Girth g = plan().wool->limbs[static_cast<size_t>(limb("trunk"))].girths.front();
  type(stop->tapeField(), QByteArray::number(g.felted - 14).constData());
  EXPECT_TRUE(stop->answer()->text().contains(QStringLiteral("14 mm under")))
      << stop->answer()->text().toStdString();
  EXPECT_EQ(session.project().wool.records.size(), 1U);
  EXPECT_FALSE(stop->resizeKey()->isVisible());
  const double height = plan().figure->overallHeight;
  type(stop->tapeField(), QByteArray::number(g.felted * 1.1).constData());
  EXPECT_TRUE(stop->answer()->text().contains(QStringLiteral("cannot come off")));
  const bool found = std::any_of(plan().findings.begin(), plan().findings.end(),
                                 [](const Finding& f) { return f.id() == "over-its-girth"; });
  EXPECT_TRUE(found) << "what came out too thick is to be looked at";
  ASSERT_TRUE(stop->resizeKey()->isVisible());
  QTest::mouseClick(stop->resizeKey(), Qt::LeftButton);
  EXPECT_NEAR(plan().figure->overallHeight, 1.1 * height, 0.01 * height);
  // Twins by the scale.
  session.select(limb("left-hindleg"));
  type(stop->leftField(), "0.9 g");
  session.select(limb("right-hindleg"));
  type(stop->leftField(), "0.5 g");
  EXPECT_EQ(stop->answer()->text(), QStringLiteral("Right hindleg is 0.4 g ahead of the left."));
}

TEST_F(WrapTest, FirmnessDensityAndWayAreOfTheLimbAndItsTwin) {
  auto* wrap = card<WrapCard>();
  session.select(limb("left-hindleg"));
  type(wrap->densityField(), "0,2");
  EXPECT_NEAR(session.project().limbs.at("left-hindleg").density.value_or(0), 0.2e-3, 1e-12);
  EXPECT_NEAR(session.project().limbs.at("right-hindleg").density.value_or(0), 0.2e-3, 1e-12);
  for (const char* bad : {"0", "-1", "9", "hard"}) {
    type(wrap->densityField(), bad);
    EXPECT_NEAR(session.project().limbs.at("left-hindleg").density.value_or(0), 0.2e-3, 1e-12) << bad;
  }
  wrap->wayBox()->setFocus();
  QTest::keyClick(wrap->wayBox(), Qt::Key_End);
  emit wrap->wayBox()->activated(2);
  EXPECT_EQ(session.project().limbs.at("right-hindleg").coatWay, CoatWay::AllCoat);
  EXPECT_TRUE(plan().wool->limbs[static_cast<size_t>(limb("left-hindleg"))].allCoat);
}

TEST_F(WrapTest, TheExactSolidFollowsBesideTheWindow) {
  EXPECT_FALSE(session.solidBehind());
  const double before = plan().wool->volume;
  const int bone = plan().figure->limbs[static_cast<size_t>(limb("trunk"))].bones[2];
  const auto refused = changes::changeGirth(session, bone, 1, 1.15, 1.15, 0); // factors
  ASSERT_FALSE(refused) << refused->toStdString();
  EXPECT_TRUE(session.solidBehind()) << "a guess at once";
  EXPECT_GT(plan().wool->volume, before);
  const double guess = plan().wool->volume;
  settle();
  EXPECT_NEAR(plan().wool->volume / guess, 1, 0.03);
  EXPECT_NE(plan().wool->volume, guess);
  // A dozen changes on top of each other: the last one wins.
  for (int k = 1; k <= 12; ++k) ASSERT_FALSE(changes::setCoat(session, 2 + 0.1 * k));
  settle();
  EXPECT_NEAR(plan().wool->coatThickness, 3.2, 1e-9);
  auto exact = columna::plan(session.project(), session.catalog());
  EXPECT_EQ(plan().wool->core, exact->wool->core);
}

TEST_F(WrapTest, TheBodyIsWrittenWithAMeshThatIsClosed) {
  const QTemporaryDir folder;
  ASSERT_FALSE(changes::setSize(session, SizeBy::OverallHeight, 40)) << "small, to be quick";
  for (const char* name : {"otter.stl", "otter.obj", "otter.glb", "otter.csv"}) {
    window.exportBody(folder.filePath(QString::fromLatin1(name)));
    EXPECT_GT(QFileInfo(folder.filePath(QString::fromLatin1(name))).size(), 1000) << name;
  }
  QSignalSpy refused(&session, &Session::refused);
  window.exportBody(folder.filePath(QStringLiteral("otter.doc")));
  EXPECT_EQ(refused.count(), 1);
}
