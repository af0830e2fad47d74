// Pose in the real window: joints dragged in flat views and on the turntable, poses saved, standing mended.
#include "window.h"

#include "kit/unfold.h"
#include "pose/life_panel.h"
#include "pose/pose_card.h"
#include "pose/pose_rack.h"
#include "pose/posing.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "stage/remedy_list.h"
#include "turn/turntable.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QListWidget>
#include <QSignalSpy>
#include <QSpinBox>

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

class PoseTest : public WindowTest {
protected:
  PoseTest() {
    to(kPose);
    QObject::connect(&session, &Session::refused, &session, [this](const QString& s) { refusal = s; });
    QObject::connect(&session, &Session::noted, &session, [this](const QString& s) { note = s; });
  }
  [[nodiscard]] int point(const char* id) const {
    const auto& points = plan().skeleton->points;
    for (size_t p = 0; p < points.size(); ++p)
      if (points[p].id == id) return static_cast<int>(p);
    ADD_FAILURE() << id;
    return 0;
  }
  [[nodiscard]] Vec3 at(const char* id) const {
    return session.stance().plan().skeleton->points[static_cast<size_t>(point(id))].at;
  }
  void drag(const char* joint, const Vec2& mm) {
    Mat* mat = window.mat();
    const Viewport v = mat->port(mat->mainView());
    const QPointF from = v.at(at(joint));
    const QPointF to = from + QPointF(mm.x() * v.scale, -mm.y() * v.scale);
    QTest::mousePress(mat, Qt::LeftButton, {}, from.toPoint());
    for (int k = 1; k <= 8; ++k) QTest::mouseMove(mat, (from + (to - from) * k / 8).toPoint());
    QTest::mouseRelease(mat, Qt::LeftButton, {}, to.toPoint());
    QApplication::processEvents();
  }
  [[nodiscard]] PoseCard* poseCard() { return card<PoseCard>(); }
  static void wait(RemedyList* list) {
    QSignalSpy told(list, &RemedyList::told);
    while (list->busy()) ASSERT_TRUE(told.wait(kPatience));
    QApplication::processEvents();
  }
  QString refusal, note;
};

} // namespace

TEST_F(PoseTest, APawIsDraggedByTheMouseAndUndoes) {
  const Vec3 before = at("right-fore_toe");
  const Vec3 nose = at("nose");
  drag("right-fore_toe", {12, 14});
  const Vec3 after = at("right-fore_toe");
  EXPECT_NEAR(after.x() - before.x(), 12, 1.5);
  EXPECT_NEAR(after.z() - before.z(), 14, 1.5);
  EXPECT_LT((at("nose") - nose).norm(), 1e-6) << "the rest stays";
  EXPECT_FALSE(beyondLimits(plan().pattern, session.project().stances.now).has_value());
  EXPECT_EQ(session.selected(), limb("right-foreleg"));
  EXPECT_EQ(session.history().undoName(), "pose") << "a drag is one step";
  session.undo();
  EXPECT_LT((at("right-fore_toe") - before).norm(), 1e-9);
  EXPECT_FALSE(session.history().canUndo());
}

TEST_F(PoseTest, FeetStayWhileTheBackIsDragged) {
  const auto ground = [&] {
    return std::array{at("right-fore_toe"), at("left-fore_toe"), at("right-hind_toe"), at("left-hind_toe")};
  };
  const auto before = ground();
  drag("thorax", {0, 6});
  const auto after = ground();
  EXPECT_GT(at("thorax").z(), 0);
  for (size_t k = 0; k < 4; ++k)
    EXPECT_LT(std::hypot(after[k].x() - before[k].x(), after[k].y() - before[k].y()), 2.5) << k;
  session.undo();
  QTest::mouseClick(poseCard()->planted(), Qt::LeftButton, {},
                    QPoint(8, poseCard()->planted()->height() / 2));
  ASSERT_FALSE(poseView().planted());
  drag("thorax", {0, 6});
  double moved = 0;
  const auto loose = ground();
  for (size_t k = 0; k < 4; ++k) moved = std::max(moved, (loose[k] - before[k]).norm());
  EXPECT_GT(moved, 0.5) << "without planting, feet go with the body";
}

TEST_F(PoseTest, AJointAtItsLimitSaysSo) {
  session.select(limb("right-foreleg"));
  drag("right-fore_toe", {200, 200});
  EXPECT_EQ(note, QStringLiteral("A joint is as far as it goes."));
  EXPECT_FALSE(beyondLimits(plan().pattern, session.project().stances.now).has_value());
}

TEST_F(PoseTest, ByKeyboardAlone) {
  window.mat()->setFocus();
  for (int k = 0; k < 3; ++k) QTest::keyClick(window.mat(), Qt::Key_J);
  ASSERT_GE((*window.mat()->layer<PoseLayer>()).active(), 0);
  const auto p = static_cast<size_t>((*window.mat()->layer<PoseLayer>()).active());
  const Vec3 before = session.stance().plan().skeleton->points[p].at;
  for (int k = 0; k < 3; ++k) QTest::keyClick(window.mat(), Qt::Key_Up);
  EXPECT_GT(session.stance().plan().skeleton->points[p].at.z(), before.z() + 0.5);
  QTest::keyClick(window.mat(), Qt::Key_Escape);
  EXPECT_LT((*window.mat()->layer<PoseLayer>()).active(), 0);
  // Poses one by one.
  QTest::keyClick(&window, Qt::Key_PageDown);
  EXPECT_EQ(session.project().stances.now.name, plan().pattern->poses[0].name);
  QTest::keyClick(&window, Qt::Key_PageUp);
  EXPECT_EQ(session.project().stances.now.name, "");
}

TEST_F(PoseTest, OnTheTurntable) {
  QTest::keyClick(&window, Qt::Key_T);
  Turntable* table = window.mat()->turntable();
  ASSERT_TRUE(table->isVisible());
  // It shows something, and shows it again the same.
  const QImage first = table->picture();
  int drawn = 0;
  for (int y = 0; y < first.height(); y += 4)
    for (int x = 0; x < first.width(); x += 4) drawn += qAlpha(first.pixel(x, y)) > 0 ? 1 : 0;
  EXPECT_GT(drawn, 500);
  const double yaw = table->camera().yaw;
  table->setFocus();
  QTest::keyClick(table, Qt::Key_Right);
  EXPECT_GT(table->camera().yaw, yaw);
  // Beside the figure the mouse turns it.
  QTest::mousePress(table, Qt::LeftButton, {}, QPoint(20, table->height() - 20));
  QTest::mouseMove(table, QPoint(80, table->height() - 20));
  QTest::mouseRelease(table, Qt::LeftButton, {}, QPoint(80, table->height() - 20));
  EXPECT_GT(table->camera().yaw, yaw + 0.3);
  // A paw is dragged in the picture's plane.
  const int paw = point("right-fore_toe");
  const QPointF from = table->jointAt(paw);
  QTest::mousePress(table, Qt::LeftButton, {}, from.toPoint());
  QTest::mouseMove(table, (from + QPointF(10, -12)).toPoint());
  QTest::mouseMove(table, (from + QPointF(20, -24)).toPoint());
  QTest::mouseRelease(table, Qt::LeftButton, {}, (from + QPointF(20, -24)).toPoint());
  EXPECT_FALSE(session.project().stances.now.turns.empty());
  EXPECT_LT(table->jointAt(paw).y(), from.y() - 5);
  // Through the wool the wire shows: other colours than before.
  table->setThroughWool(true);
  EXPECT_NE(table->picture(), first);
  QTest::keyClick(&window, Qt::Key_T);
  EXPECT_FALSE(table->isVisible());
}

TEST_F(PoseTest, PosesAreSavedSteppedAndRemoved) {
  PoseRack* rack = part<PoseRack>();
  ASSERT_EQ(rack->tiles().size(), 1 + plan().pattern->poses.size());
  QTest::mouseClick(rack->tiles()[2], Qt::LeftButton);
  const std::string taken = session.project().stances.now.name;
  EXPECT_EQ(taken, plan().pattern->poses[1].name);
  EXPECT_TRUE(rack->tiles()[2]->isChecked());
  drag("nose", {4, -6});
  type(rack->nameField(), "on watch");
  ASSERT_EQ(session.project().stances.saved.size(), 1U);
  EXPECT_EQ(session.project().stances.saved[0].name, "on watch");
  EXPECT_EQ(rack->tiles().size(), 2 + plan().pattern->poses.size());
  QTest::mouseClick(rack->saveKey(), Qt::LeftButton);
  EXPECT_TRUE(refusal.contains(QStringLiteral("needs a name")));
  QTest::mouseClick(rack->removeKey(), Qt::LeftButton);
  EXPECT_TRUE(session.project().stances.saved.empty());
  session.undo();
  EXPECT_EQ(session.project().stances.saved.size(), 1U);
}

TEST_F(PoseTest, TheCardTurnsMirrorsAndCopies) {
  session.select(limb("left-foreleg"));
  PoseCard* card = poseCard();
  ASSERT_GE(card->joints()->count(), 3);
  int whys = 0;
  for (Why* why : card->findChildren<Why*>())
    whys += why->isVisibleTo(card) && !why->workingText().isEmpty() ? 1 : 0;
  EXPECT_GE(whys, 4) << "holds, knock, effort and cover each say why";
  const int elbow = card->joints()->findText(QStringLiteral("Left elbow"));
  ASSERT_GE(elbow, 0);
  card->joints()->setCurrentIndex(elbow);
  emit card->joints()->activated(elbow);
  card->turn(0)->setFocus();
  card->turn(0)->setValue(20);
  QTest::keyClick(card->turn(0), Qt::Key_Return);
  const PatternBone& forearm = *plan().pattern->bone("forearm");
  EXPECT_NEAR(turnOf(session.project().stances.now, forearm, false).flex, 20 * M_PI / 180, 1e-6);
  EXPECT_NEAR(turnOf(session.project().stances.now, forearm, true).flex, 0, 1e-6);
  QTest::mouseClick(card->copyKey(), Qt::LeftButton);
  EXPECT_NEAR(turnOf(session.project().stances.now, forearm, true).flex, 20 * M_PI / 180, 1e-6);
  QTest::mouseClick(card->straightKey(), Qt::LeftButton);
  EXPECT_NEAR(turnOf(session.project().stances.now, forearm, false).flex, 0, 1e-6);
  session.select(-1);
  QTest::mouseClick(card->mirrorKey(), Qt::LeftButton);
  EXPECT_NEAR(turnOf(session.project().stances.now, forearm, false).flex, 20 * M_PI / 180, 1e-6);
  EXPECT_NEAR(turnOf(session.project().stances.now, forearm, true).flex, 0, 1e-6);
  card->lean(0)->setValue(10);
  QTest::keyClick(card->lean(0), Qt::Key_Return);
  EXPECT_NEAR(session.project().stances.now.whole.flex, 10 * M_PI / 180, 1e-6);
}

TEST_F(PoseTest, WhatWouldMendAJointIsTriedAndTaken) {
  decide(session, "thin wire", [](Project& p) {
    p.drawerOnly = true;
    p.drawer = {{"thin", "aluminium-annealed", 0.8, 0, 0, 1, {}}};
  });
  session.finishSolid(); // The wool's exact weight, which else comes some time later, loads the wire.
  session.select(limb("left-hindleg"));
  PoseCard* card = poseCard();
  const JointReport* worst = session.stance().report().worstOf(limb("left-hindleg"));
  ASSERT_NE(worst->level, Level::Good);
  const double before = worst->hold.hold;
  const std::string id = worst->hold.id;
  QTest::mouseClick(card->help()->ask(), Qt::LeftButton);
  wait(card->help());
  const auto changes = card->help()->changes();
  ASSERT_GE(changes.size(), 2);
  QTest::mouseClick(changes.front(), Qt::LeftButton);
  QApplication::processEvents();
  for (const JointReport& j : session.stance().report().joints)
    if (j.hold.id == id) {
      EXPECT_GT(j.hold.hold, before);
    }
  session.undo();
  session.finishSolid();
  EXPECT_NEAR(session.stance().report().worstOf(limb("left-hindleg"))->hold.hold, before, 1e-9);
}

TEST_F(PoseTest, AFallIsToldAndMended) {
  (void)changes::setPattern(session, QStringLiteral("heron"));
  session.select(-1);
  PoseCard* card = poseCard();
  card->lean(0)->setValue(25);
  QTest::keyClick(card->lean(0), Qt::Key_Return);
  ASSERT_FALSE(session.stance().report().standing.base.stands);
  EXPECT_EQ(session.stance().report().findings.front().level, Level::Wrong);
  QTest::mouseClick(card->stand()->ask(), Qt::LeftButton);
  wait(card->stand());
  ASSERT_FALSE(card->stand()->changes().isEmpty());
  card->refresh();
  EXPECT_FALSE(card->stand()->changes().isEmpty()) << "shown anew, the answer stays";
  QTest::mouseClick(card->stand()->changes().front(), Qt::LeftButton);
  EXPECT_TRUE(session.stance().report().standing.base.stands);
}

TEST_F(PoseTest, TheVerdictComesFirstAndTheRestIsOpened) {
  session.select(-1);
  PoseCard* card = poseCard();
  for (Unfold* fold : {card->atJoints(), card->more()}) {
    ASSERT_TRUE(fold->button()->isVisible());
    EXPECT_FALSE(fold->content()->isVisible()) << "closed until it is wanted";
    EXPECT_FALSE(fold->button()->accessibleName().isEmpty());
    fold->button()->setFocus();
    QTest::keyClick(fold->button(), Qt::Key_Space);
    EXPECT_TRUE(fold->isOpen());
    EXPECT_TRUE(fold->content()->isVisible());
    EXPECT_GT(fold->content()->mapTo(card, QPoint()).y(), card->stand()->mapTo(card, QPoint()).y());
    QTest::mouseClick(fold->button(), Qt::LeftButton, {}, QPoint(8, fold->button()->height() / 2));
    EXPECT_FALSE(fold->content()->isVisible());
  }
  // That felt springs back is springs once for the figure, not at every joint.
  int springs = 0;
  for (const Finding& f : session.stance().report().findings)
    springs += f.id() == "set-the-pose-before-firming" ? 1 : 0;
  EXPECT_LE(springs, 1);
  EXPECT_TRUE(std::any_of(session.stance().report().joints.begin(), session.stance().report().joints.end(),
                          [](const JointReport& j) { return j.level == Level::Good; }))
      << "a verdict that always warns is not read";
}

TEST_F(PoseTest, HowItIsHeldAndWhoBendsIt) {
  PoseCard* card = poseCard();
  card->feet()->setCurrentIndex(card->feet()->findData(QStringLiteral("hung")));
  emit card->feet()->activated(card->feet()->currentIndex());
  EXPECT_EQ(session.project().stances.support.feet, Feet::Hung);
  EXPECT_TRUE(session.stance().report().standing.fixed);
  card->hands()->setCurrentIndex(2);
  emit card->hands()->activated(2);
  EXPECT_EQ(session.project().stances.hands, Hands::Sore);
  bool stiff = false;
  for (const JointReport& j : session.stance().report().joints)
    stiff = stiff || render(j.sentence).find("sore hands") != std::string::npos;
  EXPECT_TRUE(stiff);
  session.undo();
  session.undo();
  EXPECT_TRUE(session.project().stances.empty());
}

TEST_F(PoseTest, WiresLifeByPosesGoneThrough) {
  PoseRack* rack = part<PoseRack>();
  QTest::mouseClick(rack->tabs()->tab(1), Qt::LeftButton);
  LifePanel* life = rack->life();
  ASSERT_GE(life->poses()->count(), 3);
  life->poses()->item(0)->setCheckState(Qt::Checked);
  life->poses()->item(2)->setCheckState(Qt::Checked);
  ASSERT_EQ(session.project().stances.goThrough.value().size(), 2U);
  life->times()->setFocus();
  life->times()->setValue(40);
  QTest::keyClick(life->times(), Qt::Key_Return);
  EXPECT_EQ(session.project().stances.times, 40);
  double budget = 0;
  for (const JointReport& j : session.stance().report().joints) budget = std::max(budget, j.budget);
  EXPECT_GT(budget, 0.3);
  changes::takePose(session, QString::fromStdString(plan().pattern->poses[1].name));
  QTest::mouseClick(life->recordKey(), Qt::LeftButton);
  ASSERT_EQ(session.project().stances.made.size(), 1U);
  EXPECT_EQ(session.project().stances.made[0].to, plan().pattern->poses[1].name);
}

TEST_F(PoseTest, AHoveringFootIsCured) {
  session.select(-1);
  PoseCard* card = poseCard();
  ASSERT_EQ(card->hoverFoot()->count(), 4);
  type(card->hoverGap(), "2 mm");
  EXPECT_TRUE(card->curesLabel()->text().contains(QStringLiteral("lengthen the")));
  EXPECT_TRUE(card->curesLabel()->text().contains(QStringLiteral("push the")));
  EXPECT_TRUE(card->curesLabel()->text().contains(QStringLiteral("2 mm")));
  type(card->hoverGap(), "a lot");
  EXPECT_FALSE(card->curesLabel()->text().contains(QStringLiteral("lengthen")));
}
