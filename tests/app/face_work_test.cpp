// Face in the real window: places and pads of one's own, small anatomy, the head held to its body, the order
// of work.
#include "face_window.h"

#include "anatomy/plane.h"

#include <QComboBox>
#include <QPushButton>
#include <QSpinBox>

namespace columna::test {
namespace {

TEST_F(FaceTest, APlaceIsTakenMeasuredHalvedAndAPadLaidThere) {
  const Project before = session.project();
  // A click on the wool between the marks.
  const QRectF seen = face().seen(View::Side);
  const Viewport v = window.mat()->port(window.mat()->mainView());
  ASSERT_EQ(v.view, View::Side);
  QPoint spot;
  for (double share = 0.25; share < 0.7 && spot.isNull(); share += 0.02) {
    const QPoint at =
        v.at(Vec2(seen.left() + share * seen.width(), seen.top() + 0.3 * seen.height())).toPoint();
    if (layer()->pickAt(v, at).kind == FacePick::Kind::None) spot = at;
  }
  ASSERT_FALSE(spot.isNull());
  QTest::mouseClick(window.mat(), Qt::LeftButton, {}, spot);
  ASSERT_EQ(face().pick().kind, FacePick::Kind::Place);
  Vec3 place = face().place();
  EXPECT_GE(place.y(), 0);
  EXPECT_NEAR(sums().field.distance(place), 0, 0.05);
  const auto measured = [&] {
    QElapsedTimer clock;
    clock.start();
    while (!face().placeMeasures() && clock.elapsed() < kPatience) QTest::qWait(5);
    return face().placeMeasures();
  };
  ASSERT_TRUE(measured());
  EXPECT_NEAR(face().placeMeasures()->straight, (place - sums().report.pins.front().at).norm(), 1e-9);
  EXPECT_GE(*face().placeMeasures()->tape, face().placeMeasures()->straight - 1e-6);
  // A larger figure's head has it on its own surface, and it is measured there.
  (void)changes::resizeBy(session, 1.2);
  wait();
  place = face().place();
  EXPECT_NEAR(sums().field.distance(place), 0, 0.05);
  ASSERT_TRUE(measured());
  EXPECT_NEAR(face().placeMeasures()->straight, (place - sums().report.pins.front().at).norm(), 1e-9);
  session.undo();
  wait();
  ASSERT_TRUE(measured());
  // By halving, typed; what is none is refused in a sentence and nothing moves.
  auto* card = part<FaceCard>();
  type(card->field(), "0.5 0.5");
  ASSERT_TRUE(measured());
  ASSERT_TRUE(face().placeMeasures()->front);
  EXPECT_NEAR(face().placeMeasures()->front->x(), 0.5, 2e-3);
  EXPECT_NEAR(face().placeMeasures()->front->y(), 0.5, 2e-3);
  const Vec3 halved = face().place();
  for (const char* wrong : {"2 0.5", "half", "0.5", "0.5 0.5 0.5"}) {
    type(card->field(), wrong);
    EXPECT_EQ(face().place(), halved) << wrong;
  }
  // Arrows move it along the surface.
  window.mat()->setFocus();
  QTest::keyClick(window.mat(), Qt::Key_Up);
  EXPECT_GT((face().place() - halved).norm(), 0.1);
  EXPECT_TRUE(session.project() == before);
  // A pad there by its key, then a hollow; Del takes one off again, and all of it undoes.
  QTest::keyClick(&window, Qt::Key_P);
  wait();
  ASSERT_EQ(session.project().face.own.size(), 1U);
  EXPECT_EQ(face().pick(), (FacePick{FacePick::Kind::Pad, "pad-1"}));
  EXPECT_GT(pad("pad-1").grams, 0);
  QTest::keyClick(&window, Qt::Key_P, Qt::ShiftModifier);
  wait();
  EXPECT_EQ(pad("hollow-1").grams, 0);
  QTest::keyClick(&window, Qt::Key_Delete);
  wait();
  EXPECT_EQ(session.project().face.own.size(), 1U);
  session.undo();
  session.undo();
  session.undo();
  EXPECT_TRUE(session.project() == before);
  // With nothing chosen a place is taken first, in the middle of the face.
  wait();
  face().choose({});
  QTest::keyClick(&window, Qt::Key_P);
  EXPECT_EQ(face().pick().kind, FacePick::Kind::Place);
  EXPECT_NEAR(face().place().y(), 0, 1e-6);
  EXPECT_TRUE(session.project() == before);
}

TEST_F(FaceTest, TheHeadIsHeldAgainstTheBodyAtAnyTurn) {
  auto* card = part<FaceCard>();
  const auto boxes = card->findChildren<QSpinBox*>();
  ASSERT_EQ(boxes.size(), 3);
  EXPECT_FALSE(boxes[0]->isVisible());
  const Project before = session.project();
  QTest::keyClick(&window, Qt::Key_H);
  EXPECT_TRUE(boxes[0]->isVisible());
  const auto box = [&](const std::vector<Polygon>& polygons) {
    Bounds2 out;
    for (const Polygon& p : polygons) out.take(p);
    return out;
  };
  const Bounds2 straight = box(face().silhouette(View::Front));
  // From the front a body that the head looks aside from is wider than one it looks along.
  boxes[1]->setFocus();
  for (int i = 0; i < 6; ++i) QTest::keyClick(boxes[1], Qt::Key_Up);
  EXPECT_GT(face().turn().side, 0.1);
  EXPECT_GT(box(face().silhouette(View::Front)).size().x(), 1.1 * straight.size().x());
  // No farther than the joint allows, whatever is typed; the head itself and the project stay.
  boxes[1]->setValue(10000);
  EXPECT_EQ(boxes[1]->value(), boxes[1]->maximum());
  EXPECT_LT(face().turn().side, 2.5);
  EXPECT_TRUE(session.project() == before);
  // Another animal's head begins straight.
  (void)changes::setPattern(session, QStringLiteral("owl"));
  wait();
  EXPECT_TRUE(face().turn() == Turn());
  EXPECT_EQ(boxes[1]->value(), 0);
  QTest::keyClick(&window, Qt::Key_H);
  EXPECT_FALSE(boxes[0]->isVisible());
}

TEST_F(FaceTest, SmallAnatomyIsLaidOnByItsButtons) {
  const Project before = session.project();
  const auto& buttons = part<FaceDesk>()->pads()->offered();
  ASSERT_TRUE(buttons.contains("elbow"));
  ASSERT_TRUE(buttons.contains("brow-ridge"));
  EXPECT_FALSE(buttons.contains("collarbone"));
  const double wool = session.plan().wool->core;
  QTest::keyClick(buttons.at("elbow"), Qt::Key_Space);
  wait();
  EXPECT_TRUE(session.project().face.body.contains("elbow"));
  EXPECT_TRUE(buttons.at("elbow")->isChecked());
  EXPECT_EQ(session.plan().figure->pads.size(), 2U);
  QTest::mouseClick(buttons.at("brow-ridge"), Qt::LeftButton);
  wait();
  EXPECT_GT(pad("brow-ridge").volume, 0);
  QTest::mouseClick(buttons.at("elbow"), Qt::LeftButton);
  QTest::mouseClick(buttons.at("brow-ridge"), Qt::LeftButton);
  wait();
  EXPECT_TRUE(session.project() == before);
  EXPECT_TRUE(session.plan().figure->pads.empty());
  EXPECT_EQ(session.plan().wool->core, wool);
}

TEST_F(FaceTest, AnotherOfItsKindIsTakenByItsKeyAndByItsBox) {
  const std::string before = sums().head.palette.at("base");
  QComboBox* kind = part<FaceCard>()->kind();
  ASSERT_TRUE(kind->isVisibleTo(&window));
  ASSERT_GT(kind->count(), 2);
  EXPECT_EQ(kind->currentIndex(), 0);
  QTest::keyClick(&window, Qt::Key_K);
  wait();
  EXPECT_FALSE(session.project().face.variant.empty());
  EXPECT_EQ(kind->currentData().toString().toStdString(), session.project().face.variant);
  EXPECT_NE(sums().head.palette.at("base"), before);
  session.undo();
  wait();
  EXPECT_EQ(kind->currentIndex(), 0);
  EXPECT_EQ(sums().head.palette.at("base"), before);
  // By the keyboard in the box itself.
  kind->setFocus();
  ASSERT_EQ(QApplication::focusWidget(), kind);
  // Whoever has the focus gets the keys: working it out must not take it away.
  for (int i = 0; i < 2; ++i) {
    QTest::keyClick(QApplication::focusWidget(), Qt::Key_Down);
    wait();
  }
  EXPECT_EQ(session.project().face.variant, kind->itemData(2).toString().toStdString());
  // With a pad chosen the card is the pad's.
  QTest::keyClick(&window, Qt::Key_Tab);
  // An animal with one kind only has no box.
  (void)changes::setPattern(session, QStringLiteral("owl"));
  wait();
  EXPECT_FALSE(kind->isVisibleTo(&window));
  EXPECT_EQ(session.project().face.variant, "");
}

TEST_F(FaceTest, TheOrderOfWorkIsWalkedAndGoesByTheMakersSchool) {
  face().setTab(5);
  const auto place = [&](FaceWork work) {
    for (size_t i = 0; i < sums().steps.size(); ++i)
      if (sums().steps[i].work == work) return static_cast<int>(i);
    return -1;
  };
  FaceStrip* steps = part<FaceDesk>()->order()->findChild<FaceStrip*>();
  ASSERT_TRUE(steps);
  ASSERT_EQ(steps->items().size(), sums().steps.size());
  // A click chooses a step, its parts are lit, and the arrows go on from it.
  const auto sockets = static_cast<size_t>(place(FaceWork::Sockets));
  QTest::mouseClick(steps, Qt::LeftButton, {}, steps->items()[sockets].area.center().toPoint());
  ASSERT_TRUE(face().step());
  EXPECT_EQ(face().step()->work, FaceWork::Sockets);
  EXPECT_TRUE(face().lit({FacePick::Kind::Pad, sums().steps[sockets].parts.front()}));
  EXPECT_FALSE(face().lit({FacePick::Kind::Pad, "cheek"}));
  for (size_t i = sockets; i + 1 < sums().steps.size(); ++i) QTest::keyClick(steps, Qt::Key_Right);
  EXPECT_EQ(face().step()->work, FaceWork::Look);
  QTest::keyClick(steps, Qt::Key_Right); // no farther
  EXPECT_EQ(face().step()->work, FaceWork::Look);
  // The school by its key and by its box; each undoes, and the figure is the very same.
  const Figure* figure = &*session.plan().figure;
  EXPECT_LT(place(FaceWork::Nose), place(FaceWork::Eyes));
  QTest::keyClick(&window, Qt::Key_N);
  wait();
  EXPECT_LT(place(FaceWork::Eyes), place(FaceWork::Nose));
  QTest::keyClick(&window, Qt::Key_U);
  wait();
  EXPECT_LT(place(FaceWork::Hair), place(FaceWork::Ears));
  EXPECT_EQ(&*session.plan().figure, figure);
  const auto boxes = part<FaceDesk>()->order()->findChildren<QComboBox*>();
  ASSERT_EQ(boxes.size(), 4);
  EXPECT_EQ(boxes[0]->currentIndex(), 1);
  EXPECT_EQ(boxes[1]->currentIndex(), 1);
  EXPECT_TRUE(boxes[3]->isHidden() || !boxes[3]->isVisible()); // a fox has no horns
  const int epoxy = boxes[2]->findData(QStringLiteral("epoxy"));
  boxes[2]->setCurrentIndex(epoxy);
  emit boxes[2]->activated(epoxy);
  wait();
  EXPECT_EQ(session.project().face.eyeGlue, "epoxy");
  EXPECT_EQ(sums().steps[static_cast<size_t>(place(FaceWork::Eyes))].drying,
            std::vector<std::string>{"epoxy"});
  session.undo();
  session.undo();
  session.undo();
  wait();
  EXPECT_TRUE(session.project().face.none());
  EXPECT_LT(place(FaceWork::Nose), place(FaceWork::Eyes));
  EXPECT_EQ(boxes[0]->currentIndex(), 0);
}

} // namespace
} // namespace columna::test
