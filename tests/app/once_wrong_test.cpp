// What was wrong once, each with the steps that showed it.
#include "window.h"

#include "edit/remedies.h"
#include "judge/planning.h"
#include "kit/parts.h"
#include "pose/pose_card.h"
#include "solid/known_solid.h"
#include "stage/remedy_list.h"
#include "wire/allowance_panel.h"
#include "wire/drawer_panel.h"
#include "wire/wire_desk.h"

#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>

using namespace columna;
using namespace columna::test;

namespace {

class OnceWrong : public WindowTest {
protected:
  template <class Field>
  Field* named(QWidget* in, const char* name) {
    for (auto* each : in->findChildren<Field*>())
      if (each->accessibleName() == QString::fromUtf8(name)) return each;
    return nullptr;
  }
};

} // namespace

TEST_F(OnceWrong, ANumberInInchesIsTakenInInchesWhereverItIsShownInThem) {
  changes::setUnits(session, UnitSystem::Inch);
  session.setStage(kWire);
  wire().setTab(4);
  QApplication::processEvents();
  auto* handling = named<QLineEdit>(part<WireDesk>()->allowances(), "longest wire to work with");
  ASSERT_NE(handling, nullptr);
  EXPECT_TRUE(handling->text().contains(QStringLiteral("in"))) << handling->text().toStdString();
  type(handling, "20");
  EXPECT_NEAR(session.project().handling, 20 * 25.4, 1e-6);
  // What is shown and typed back changes nothing.
  const double before = session.project().handling;
  const QByteArray shown = handling->text().toUtf8();
  type(handling, shown.constData());
  EXPECT_NEAR(session.project().handling, before, 0.6);
}

TEST_F(OnceWrong, WeightsOfABaseGoThereAndBackInOunces) {
  session.setStage(kPose);
  decide(session, "base", [](Project& p) { p.stances.support.feet = Feet::Base; });
  changes::setUnits(session, UnitSystem::Inch);
  QApplication::processEvents();
  auto* mass = named<QLineEdit>(part<PoseCard>(), "Weight of the base");
  ASSERT_NE(mass, nullptr);
  type(mass, "10");
  EXPECT_NEAR(session.project().stances.support.baseMass, 10 * 28.349523125, 1e-3);
}

TEST_F(OnceWrong, AskedTwiceAndClosedAtOnceWhatStillRunsHoldsAllItNeeds) {
  const auto begun = std::make_shared<std::atomic<int>>(0);
  const auto ended = std::make_shared<std::atomic<int>>(0);
  int told = 0;
  {
    Session own(shelf()); // goes before the work does
    for (int round = 0; round < 6; ++round) {
      auto list = std::make_unique<RemedyList>(own, QStringLiteral("What would help?"));
      QObject::connect(list.get(), &RemedyList::told, &window, [&told] { ++told; });
      list->offer(true, "leg", [&own, begun, ended] {
        return RemedyTry(
            [begun, ended, catalog = own.sharedCatalog(), plan = own.plan(), project = own.project()] {
              ++*begun;
              const auto found = remedies(project, *catalog, plan, 0);
              ++*ended;
              return std::vector<RemedyOffer>(found.size());
            });
      });
      list->ask()->click();
      list->ask()->click();
      if (round % 2) QApplication::processEvents();
      list.reset();
    }
  }
  EXPECT_TRUE(QTest::qWaitFor([&] { return *ended == *begun; }, 60000));
  QApplication::processEvents();
  EXPECT_GE(*begun, 6);
  EXPECT_EQ(told, 0) << "nobody is there to be told";
}

TEST_F(OnceWrong, AJointHeldInStudyLetsTheArrowsPanInWire) {
  session.setStage(kStudy);
  Mat* mat = window.mat();
  mat->setFocus();
  QTest::keyClick(mat, Qt::Key_J);
  ASSERT_TRUE(mat->layer<StudyLayer>()->active());
  const Project before = session.project();
  to(kWire);
  const QPointF origin = mat->port(View::Side).origin;
  QTest::keyClick(mat, Qt::Key_Left);
  EXPECT_NE(mat->port(View::Side).origin, origin);
  EXPECT_EQ(session.project(), before) << "the joint stays where it is";
  to(kStudy);
  QTest::keyClick(mat, Qt::Key_Left);
  EXPECT_EQ(session.project(), before) << "nor is it held when one comes back";
}

TEST_F(OnceWrong, AsManyToesAsAFileHoldsAreShownAndKept) {
  session.setStage(kWire);
  const int leg = limb("left-foreleg");
  changes::setDigits(session, leg, PieceRules::Digits{40, 9, false});
  session.select(leg);
  QApplication::processEvents();
  auto* toes = named<QSpinBox>(part<WireCard>(), "Toes or fingers of fine wire");
  ASSERT_NE(toes, nullptr);
  EXPECT_EQ(toes->value(), 40);
  toes->setFocus();
  QTest::keyClick(toes, Qt::Key_Return);
  EXPECT_EQ(session.project().limbs.at("left-foreleg").digits->count, 40);
}

TEST_F(OnceWrong, WhatTheDrawerRefusesStaysInItsFields) {
  session.setStage(kWire);
  wire().setTab(3);
  QApplication::processEvents();
  DrawerPanel* drawer = part<WireDesk>()->drawer();
  auto* size = named<QLineEdit>(drawer, "Measured size");
  auto* length = named<QLineEdit>(drawer, "Straight length");
  ASSERT_NE(size, nullptr);
  ASSERT_NE(length, nullptr);
  type(size, "1.5");
  session.undo();
  length->setText(QStringLiteral("2 km"));
  size->setText(QStringLiteral("1.5"));
  const size_t had = session.project().drawer.size();
  for (auto* key : drawer->findChildren<QPushButton*>())
    if (key->text() == DrawerPanel::tr("Put in")) key->click();
  EXPECT_EQ(session.project().drawer.size(), had);
  EXPECT_EQ(length->text(), QStringLiteral("2 km")) << "to be mended, not typed anew";
  EXPECT_EQ(size->text(), QStringLiteral("1.5"));
}

TEST_F(OnceWrong, AGuessIsNeverTakenForTheSolidItWasGuessedFor) {
  const Project fox = project("red_fox", 160);
  const Plan exact = plannedExactly(fox);
  Project larger = fox;
  larger.size.mm = 176;
  const auto guessed = columna::plan(larger, shelf(), {exact.solid, true});
  ASSERT_TRUE(guessed);
  EXPECT_TRUE(guessed->wool->guessed);
  // Offered as known for the very figure it was guessed for, it is not taken where nobody is in a hurry.
  const auto made = columna::plan(larger, shelf(), {guessed->solid, false, 2.5});
  ASSERT_TRUE(made);
  EXPECT_FALSE(made->wool->guessed);
  const auto after = columna::plan(larger, shelf(), {nullptr, false, 2.5, &*guessed});
  ASSERT_TRUE(after);
  EXPECT_FALSE(after->wool->guessed) << "nor as a part of the plan before";
}

TEST_F(OnceWrong, TheFirstDragInAFreshWindowIsKeptToItsEnd) {
  const QPoint handle = handleOf(SizeBy::OverallHeight);
  const double high = plan().figure->overallHeight;
  Mat* mat = window.mat();
  const double scale = mat->scale();
  QTest::mousePress(mat, Qt::LeftButton, {}, handle);
  for (int k = 1; k <= 6; ++k) QTest::mouseMove(mat, handle - QPoint(0, 4 * k));
  QTest::mouseRelease(mat, Qt::LeftButton, {}, handle - QPoint(0, 24));
  EXPECT_NEAR(plan().figure->overallHeight, high + 24 / scale, 1.5);
  session.undo();
  EXPECT_NEAR(plan().figure->overallHeight, high, 1e-9) << "one step";
}
