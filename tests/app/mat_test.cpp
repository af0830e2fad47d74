// The mat and the turntable by keyboard and wheel in every stage, and the rail, spine and tally beside them.
#include "window.h"

#include "kit/say.h"

#include "kit/parts.h"
#include "turn/turntable.h"

#include <QAction>
#include <QPainter>
#include <QToolButton>
#include <QWheelEvent>

using namespace columna;
using namespace columna::test;

namespace {

class MatTest : public WindowTest {
protected:
  Mat* mat() { return window.mat(); }
  void wheel(QWidget* on, const QPointF& at, int by) {
    QWheelEvent event(at, on->mapToGlobal(at), {}, QPoint(0, by), Qt::NoButton, Qt::NoModifier,
                      Qt::NoScrollPhase, false);
    QApplication::sendEvent(on, &event);
  }
};

} // namespace

TEST_F(MatTest, TabWalksTheLimbsBothWaysAndGoesOnPastTheEnds) {
  for (const auto& stage : window.stages()) {
    if (stage->look().part) continue; // it walks its own
    session.setStage(stage->id());
    mat()->setFocus();
    session.select(-1);
    const int count = static_cast<int>(plan().figure->limbs.size());
    for (int l = 0; l < count; ++l) {
      QTest::keyClick(mat(), Qt::Key_Tab);
      EXPECT_EQ(session.selected(), l) << stage->id().key;
    }
    for (int l = count - 2; l >= 0; --l) {
      QTest::keyClick(mat(), Qt::Key_Backtab);
      EXPECT_EQ(session.selected(), l) << stage->id().key;
    }
    QTest::keyClick(mat(), Qt::Key_Escape);
    EXPECT_EQ(session.selected(), -1);
    for (int l = 0; l < count; ++l) QTest::keyClick(mat(), Qt::Key_Tab);
    QTest::keyClick(mat(), Qt::Key_Tab);
    EXPECT_EQ(session.selected(), -1) << "past the last limb is the next control";
    EXPECT_FALSE(mat()->hasFocus());
  }
}

TEST_F(MatTest, PlusMinusWheelAndNoughtChangeTheScaleAndGiveItBack) {
  for (const StageId stage : {kStudy, kWire, kPose}) {
    session.setStage(stage);
    mat()->showTurntable(false);
    mat()->setFocus();
    mat()->fit();
    const double fitted = mat()->scale();
    QTest::keyClick(mat(), Qt::Key_Plus);
    EXPECT_NEAR(mat()->scale(), 1.2 * fitted, 1e-6 * fitted) << stage.key;
    QTest::keyClick(mat(), Qt::Key_Minus);
    EXPECT_NEAR(mat()->scale(), fitted, 1e-6 * fitted) << stage.key;
    // The place under the pointer stays there.
    const Viewport& v = mat()->port(View::Side);
    const QPointF at = v.clip.center() + QPointF(40, -20);
    const Vec2 before = v.mm(at);
    wheel(mat(), at, 240);
    EXPECT_GT(mat()->scale(), fitted) << stage.key;
    EXPECT_NEAR((mat()->port(View::Side).mm(at) - before).norm(), 0, 1e-6) << stage.key;
    QTest::keyClick(&window, Qt::Key_0);
    EXPECT_NEAR(mat()->scale(), fitted, 1e-6 * fitted) << stage.key;
    for (int k = 0; k < 60; ++k) QTest::keyClick(mat(), Qt::Key_Plus);
    EXPECT_LE(mat()->scale(), 60) << "not without end";
    for (int k = 0; k < 120; ++k) QTest::keyClick(mat(), Qt::Key_Minus);
    EXPECT_GE(mat()->scale(), 0.05);
    mat()->fit();
  }
}

TEST_F(MatTest, UnderTheHandTheBodyIsNearlyTheSamePicture) {
  // Limbs painted one over the other cover what their union does, and nothing is left when the hand lets go.
  const Figure& figure = plan().figure;
  const double coat = plan().wool->coatThickness;
  for (const View view : {View::Side, View::Front, View::Above}) {
    Shapes fine;
    const QRectF box = fine.of(figure, coat, view).bounds;
    const auto area = [&box](const QPainterPath& path) {
      constexpr int size = 600;
      QImage image(size, size, QImage::Format_Grayscale8);
      image.fill(0);
      QPainter p(&image);
      p.scale(size / box.width(), size / box.height());
      p.translate(-box.topLeft());
      p.fillPath(path, Qt::white);
      p.end();
      int inside = 0;
      for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x) inside += image.constScanLine(y)[x] > 127 ? 1 : 0;
      return inside;
    };
    const int body = area(fine.of(figure, coat, view).near);
    const int core = area(fine.of(figure, coat, view).core());
    ASSERT_GT(body, 20000);
    ASSERT_LT(core, body);
    Shapes quick;
    quick.follow(view);
    EXPECT_NEAR(area(quick.of(figure, coat, view).near), body, 0.04 * body);
    EXPECT_NEAR(area(quick.of(figure, coat, view).core()), core, 0.08 * core);
    quick.follow(std::nullopt);
    EXPECT_EQ(area(quick.of(figure, coat, view).near), body);
    EXPECT_EQ(area(quick.of(figure, coat, view).core()), core);
  }
}

TEST_F(MatTest, TrueSizeIsTheScreensOwn) {
  mat()->setScreenPixelsPerMm(5.5);
  session.setStage(kWire);
  QTest::keyClick(&window, Qt::Key_1);
  EXPECT_NEAR(mat()->scale(), 5.5, 1e-9);
}

TEST_F(MatTest, VTurnsTheViewsRoundInEveryStage) {
  for (const StageId stage : {kStudy, kWire, kPose}) {
    session.setStage(stage);
    mat()->showTurntable(false);
    mat()->setFocus();
    std::set<View> seen{mat()->mainView()};
    bool three = mat()->three();
    for (int k = 0; k < 5; ++k) {
      QTest::keyClick(mat(), Qt::Key_V);
      seen.insert(mat()->mainView());
      three = three || mat()->three();
    }
    EXPECT_EQ(seen.size(), 3U) << stage.key;
    EXPECT_EQ(three, stage == kStudy) << stage.key;
    mat()->enlarge(View::Side);
  }
}

TEST_F(MatTest, ArrowsPanAndALimbIsStillFoundUnderTheHand) {
  session.setStage(kWire);
  mat()->setFocus();
  const QPoint at = mat()->pointOf(limb("tail"));
  QTest::keyClick(mat(), Qt::Key_Left);
  QTest::keyClick(mat(), Qt::Key_Up);
  const QPoint moved = mat()->pointOf(limb("tail"));
  EXPECT_NE(moved, at);
  QTest::mouseClick(mat(), Qt::LeftButton, {}, moved);
  EXPECT_EQ(session.selected(), limb("tail"));
}

TEST_F(MatTest, ADoubleClickEnlargesASmallViewAndFitsTheLargeOne) {
  session.setStage(kWire);
  mat()->fit();
  const QPointF small = mat()->port(View::Above).clip.center();
  QTest::mouseDClick(mat(), Qt::LeftButton, {}, small.toPoint());
  EXPECT_EQ(mat()->mainView(), View::Above);
  mat()->enlarge(View::Side);
  mat()->zoom(2);
  const double zoomed = mat()->scale();
  QTest::mouseDClick(mat(), Qt::LeftButton, {},
                     (mat()->port(View::Side).clip.topLeft() + QPointF(60, 60)).toPoint());
  EXPECT_LT(mat()->scale(), zoomed);
}

TEST_F(MatTest, TheTurntableTurnsByArrowsAndHandAndSelectsWhatIsClicked) {
  to(kWrap);
  ASSERT_TRUE(mat()->turntableOn());
  Turntable* table = mat()->turntable();
  table->setFocus();
  const double yaw = table->camera().yaw;
  QTest::keyClick(table, Qt::Key_Left);
  EXPECT_NE(table->camera().yaw, yaw);
  QTest::keyClick(table, Qt::Key_Right);
  EXPECT_NEAR(table->camera().yaw, yaw, 1e-9);
  for (int k = 0; k < 40; ++k) QTest::keyClick(table, Qt::Key_Up);
  EXPECT_LE(table->camera().pitch, M_PI / 2 + 1e-9) << "not over the top";
  for (int k = 0; k < 60; ++k) QTest::keyClick(table, Qt::Key_Down);
  EXPECT_GE(table->camera().pitch, -0.2 - 1e-9);
  const double scale = table->camera().scale;
  wheel(table, QPointF(200, 150), 240);
  EXPECT_GT(table->camera().scale, scale);
  table->fit();
  (void)table->picture();
  const FigureBone& trunk = plan().figure->bones[static_cast<size_t>(
      plan().figure->limbs[static_cast<size_t>(limb("trunk"))].bones[1])];
  QTest::mouseClick(table, Qt::LeftButton, {},
                    table->camera().at(Vec3((trunk.begin + trunk.end) / 2)).toPoint());
  EXPECT_GE(session.selected(), 0);
  QTest::keyClick(&window, Qt::Key_T);
  EXPECT_FALSE(mat()->turntableOn());
  to(kPose);
  to(kWrap);
  EXPECT_FALSE(mat()->turntableOn()) << "each stage keeps its own choice";
}

TEST_F(MatTest, XShowsTheWireOnlyWhileItIsHeld) {
  for (const auto& stage : window.stages()) {
    session.setStage(stage->id());
    QTest::keyPress(&window, Qt::Key_X);
    EXPECT_TRUE(mat()->throughWool()) << stage->id().key;
    QTest::keyRelease(&window, Qt::Key_X);
    EXPECT_FALSE(mat()->throughWool()) << stage->id().key;
  }
}

TEST_F(MatTest, AWalkThroughAllFindingsEndsWhereItBeganAndLeadsToTheirStages) {
  (void)changes::setPattern(session, QStringLiteral("giraffe"));
  const auto& findings = plan().findings;
  ASSERT_FALSE(findings.empty());
  std::set<std::string_view> stages;
  for (size_t k = 0; k < findings.size(); ++k) {
    QTest::keyClick(&window, Qt::Key_J, Qt::ControlModifier);
    stages.insert(session.stage().key);
    EXPECT_TRUE(
        window.tally()->findings()->accessibleName().contains(str(findings[k].brief, session.units())))
        << k << ": " << findings[k].id();
    const auto where = plan().figure->limb(findings[k].where);
    EXPECT_EQ(session.selected(), where ? *where : -1) << k;
  }
  EXPECT_FALSE(stages.empty());
  EXPECT_FALSE(session.history().canUndo() && session.history().undoName() != "animal");
}

TEST_F(MatTest, TheSpineIsWalkedByKeyboardAndSaysItsState) {
  const auto vertebrae = window.findChildren<Vertebra*>();
  ASSERT_EQ(vertebrae.size(), static_cast<int>(window.stages().size()));
  for (int i = 0; i < vertebrae.size(); ++i) {
    vertebrae[i]->setFocus();
    QTest::keyClick(vertebrae[i], Qt::Key_Space);
    EXPECT_EQ(session.stage(), window.stages()[static_cast<size_t>(i)]->id());
    EXPECT_TRUE(vertebrae[i]->isChecked());
    EXPECT_TRUE(vertebrae[i]->accessibleName().contains(window.stages()[static_cast<size_t>(i)]->title()));
  }
  const QString before = vertebrae[1]->accessibleName();
  changes::setWire(session, limb("trunk"), 6);
  QApplication::processEvents();
  EXPECT_TRUE(window.stages()[1]->settled());
  session.undo();
  QApplication::processEvents();
  EXPECT_EQ(vertebrae[1]->accessibleName(), before);
}

TEST_F(MatTest, WhatIsSettledIsOfItsOwnStageAlone) {
  const auto settled = [&] {
    std::vector<bool> out;
    for (const auto& stage : window.stages()) out.push_back(stage->settled());
    return out;
  };
  EXPECT_EQ(settled(), (std::vector<bool>{false, false, false, false, false, false}));
  const auto alone = [&](size_t which) {
    auto now = settled();
    EXPECT_TRUE(now[which]);
    now[which] = now[0] = false; // Study is settled by any step
    for (const bool other : now) EXPECT_FALSE(other);
    while (session.history().canUndo()) session.undo();
  };
  changes::setFirmness(session, limb("trunk"), Firmness::Soft);
  alone(3);
  changes::setDigits(session, limb("left-foreleg"), PieceRules::Digits{4, 8, false});
  alone(1);
  changes::takePose(session, QString::fromStdString(plan().pattern->poses.front().name));
  alone(2);
  (void)changes::setCoat(session, 4);
  alone(3);
  changes::setWires(session, limb("trunk"), 2);
  alone(1);
  decide(session, "eyes", [](Project& p) { p.face.eye = 5; });
  alone(4);
}
