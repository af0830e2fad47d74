// Face in the real window: pads by mouse and keys, eyes, pins measured, what would mend it.
#include "window.h"

#include "anatomy/plane.h"

#include "face/face_card.h"
#include "face/face_desk.h"
#include "face/face_layer.h"
#include "face/face_stage.h"

#include <QComboBox>
#include <QElapsedTimer>
#include <QPushButton>
#include <QSpinBox>
#include <QTableWidget>

namespace columna::test {
namespace {

class FaceTest : public WindowTest {
protected:
  FaceTest() {
    (void)changes::setPattern(session, QStringLiteral("red_fox"));
    to(kFace);
    wait();
  }
  FaceView& face() { return window.stage<FaceStage>()->view(); }
  FaceLayer* layer() { return window.mat()->layer<FaceLayer>(); }
  const FaceSums& sums() { return *face().sums(); }
  /// Until sums and pictures are of the project as it is.
  void wait() {
    QElapsedTimer clock;
    clock.start();
    QApplication::processEvents();
    while (face().behind() && clock.elapsed() < kPatience) QTest::qWait(5);
    QApplication::processEvents();
  }
  const FacePad& pad(const std::string& id) {
    for (const FacePad& each : sums().report.pads)
      if (each.feature->id == id) return each;
    throw std::runtime_error("no such pad");
  }
  QPoint at(const FacePick& pick) {
    return layer()->pixelOf(pick, window.mat()->port(window.mat()->mainView())).value_or(QPointF()).toPoint();
  }
};

TEST_F(FaceTest, TheMatShowsTheHeadAloneInItsColours) {
  ASSERT_TRUE(face().sums());
  const Viewport& v = window.mat()->port(View::Side);
  const QRectF seen = face().seen(View::Side);
  // It fills the view: its picture is there, and is no one grey.
  EXPECT_GT(seen.width() * v.scale, 0.3 * v.clip.width());
  (void)window.grab();
  wait();
  const FaceView::Picture* picture = face().picture(View::Side, v.scale);
  ASSERT_TRUE(picture);
  std::set<QRgb> colours;
  for (int y = 0; y < picture->image.height(); y += 7)
    for (int x = 0; x < picture->image.width(); x += 7)
      if (qAlpha(picture->image.pixel(x, y)) == 255) colours.insert(picture->image.pixel(x, y) & 0xf0f0f0U);
  EXPECT_GT(colours.size(), 12U);
}

TEST_F(FaceTest, TabWalksPadsInTheOrderOfWorkThenEyesThenEars) {
  window.mat()->setFocus();
  std::vector<FacePick> seen;
  for (size_t i = 0; i < sums().report.pads.size() + sums().report.eyes.size() + sums().report.flats.size();
       ++i) {
    QTest::keyClick(window.mat(), Qt::Key_Tab);
    seen.push_back(face().pick());
  }
  for (size_t i = 0; i < sums().report.pads.size(); ++i)
    EXPECT_EQ(seen[i], (FacePick{FacePick::Kind::Pad, sums().report.pads[i].feature->id}));
  EXPECT_EQ(seen.back().kind, FacePick::Kind::Flat);
  QTest::keyClick(window.mat(), Qt::Key_Backtab);
  EXPECT_EQ(face().pick().kind, FacePick::Kind::Eye);
}

TEST_F(FaceTest, APadIsDraggedMadeLargerAndLeftOutAndAllOfItUndoes) {
  const Project before = session.project();
  const FacePick cheek{FacePick::Kind::Pad, "cheek"};
  const QPoint from = at(cheek);
  QTest::mousePress(window.mat(), Qt::LeftButton, {}, from);
  EXPECT_EQ(face().pick(), cheek);
  for (int i = 1; i <= 8; ++i) {
    QMouseEvent move(QEvent::MouseMove, from + QPoint(3, -2) * i,
                     window.mat()->mapToGlobal(from + QPoint(3, -2) * i), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(window.mat(), &move);
  }
  QTest::mouseRelease(window.mat(), Qt::LeftButton, {}, from + QPoint(24, -16));
  wait();
  const Vec3 shift = session.project().face.features.at("cheek").shift;
  EXPECT_GT(shift.x(), 0); // forward is to the right
  EXPECT_GT(shift.z(), 0);
  EXPECT_NEAR(shift.y(), 0, 1e-9);
  EXPECT_LT((QPointF(at(cheek)) - QPointF(from + QPoint(24, -16))).manhattanLength(), 8);
  session.undo(); // the whole drag is one step
  EXPECT_TRUE(session.project() == before);
  wait();
  const double grams = pad("cheek").grams;
  face().choose(cheek);
  QTest::keyClick(&window, Qt::Key_BracketRight);
  wait();
  EXPECT_GT(pad("cheek").grams, grams);
  QTest::keyClick(&window, Qt::Key_BracketLeft);
  wait();
  EXPECT_TRUE(session.project() == before);
  window.mat()->setFocus();
  QTest::keyClick(window.mat(), Qt::Key_Up);
  EXPECT_GT(session.project().face.features.at("cheek").shift.z(), 0);
  QTest::keyClick(&window, Qt::Key_O);
  EXPECT_TRUE(session.project() == before);
  QTest::keyClick(&window, Qt::Key_Delete);
  wait();
  EXPECT_TRUE(session.project().face.features.at("cheek").out);
  EXPECT_THROW((void)pad("cheek"), std::runtime_error);
  // What is left out can be put back, long after undo is gone.
  face().choose({});
  ASSERT_TRUE(part<FaceCard>()->own()->isVisible());
  QTest::mouseClick(part<FaceCard>()->own(), Qt::LeftButton);
  EXPECT_TRUE(session.project().face.none());
  wait();
  EXPECT_NEAR(pad("cheek").grams, grams, 1e-9);
}

TEST_F(FaceTest, EyesAndEarsAreDraggedAndSetBack) {
  const Project before = session.project();
  const FacePick eye{FacePick::Kind::Eye, sums().report.eyes.front().eye->id};
  const FacePick ear{FacePick::Kind::Flat, sums().report.flats.front().flat->id};
  for (const FacePick& pick : {eye, ear}) {
    face().choose({});
    const QPoint from = at(pick);
    QTest::mousePress(window.mat(), Qt::LeftButton, {}, from);
    ASSERT_EQ(face().pick(), pick);
    for (int i = 1; i <= 5; ++i) {
      const QPoint to = from + QPoint(-3, -2) * i;
      QMouseEvent move(QEvent::MouseMove, to, window.mat()->mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                       {});
      QApplication::sendEvent(window.mat(), &move);
    }
    QTest::mouseRelease(window.mat(), Qt::LeftButton, {}, from + QPoint(-15, -10));
    wait();
    const Vec3 shift = session.project().face.moved.at(pick.id).shift;
    EXPECT_LT(shift.x(), 0) << pick.id;
    EXPECT_GT(shift.z(), 0) << pick.id;
    EXPECT_EQ(shift.y(), 0) << pick.id;
    EXPECT_LT((QPointF(at(pick)) - QPointF(from + QPoint(-15, -10))).manhattanLength(), 10) << pick.id;
    session.undo(); // the whole drag is one step
    EXPECT_TRUE(session.project() == before);
    wait();
    // The same by the keyboard alone.
    face().choose(pick);
    window.mat()->setFocus();
    QTest::keyClick(window.mat(), Qt::Key_Up);
    EXPECT_GT(session.project().face.moved.at(pick.id).shift.z(), 0);
    QTest::keyClick(&window, Qt::Key_O);
    EXPECT_TRUE(session.project() == before);
    wait();
  }
}

TEST_F(FaceTest, EyesAreTakenFromTheRackTheKeysAndTheField) {
  face().setTab(1);
  FaceStrip* eyes = part<FaceDesk>()->eyes();
  ASSERT_FALSE(eyes->items().empty());
  const FaceStrip::Item last = eyes->items().back();
  QTest::mouseClick(eyes, Qt::LeftButton, {}, last.area.center().toPoint());
  EXPECT_EQ(session.project().face.eye, last.size);
  wait();
  EXPECT_EQ(sums().report.eyes.front().choice.take, last.size);
  QTest::keyClick(&window, Qt::Key_Comma);
  EXPECT_LT(*session.project().face.eye, last.size);
  wait();
  face().choose({FacePick::Kind::Eye, sums().report.eyes.front().eye->id});
  auto* card = part<FaceCard>();
  type(card->field(), "6 mm");
  EXPECT_EQ(session.project().face.eye, 6);
  type(card->field(), "1000 mm");
  EXPECT_EQ(session.project().face.eye, 6);
  type(card->field(), "bread");
  EXPECT_EQ(session.project().face.eye, 6);
  wait();
  EXPECT_EQ(session.plan().figure->eyeDiameter, 6);
}

TEST_F(FaceTest, WhatIsMeasuredAskewIsTold) {
  face().setTab(4);
  QTableWidget* table = part<FaceDesk>()->pins()->table();
  int row = 0;
  while (sums().report.pins[static_cast<size_t>(row)].id != "eye") ++row;
  const FacePin eye = sums().report.pins[static_cast<size_t>(row)];
  const auto put = [&](int column, double mm) {
    table->item(row, column)->setText(QString::number(mm, 'f', 2) + QStringLiteral(" mm"));
    wait();
  };
  put(4, *eye.tape);
  put(6, *eye.tape + 2);
  ASSERT_EQ(session.project().face.measured.size(), 2U);
  EXPECT_FALSE(session.project().face.measured[0].right);
  EXPECT_TRUE(session.project().face.measured[1].right);
  ASSERT_EQ(sums().measured.pairs.size(), 1U);
  EXPECT_TRUE(sums().measured.pairs.front().shows);
  EXPECT_TRUE(std::any_of(face().findings().begin(), face().findings().end(), [](const Finding& f) {
    return f.where == "eye" && f.id() == "askew";
  })) << face().findings().size();
  put(6, *eye.tape);
  EXPECT_FALSE(sums().measured.pairs.front().shows);
  table->item(row, 6)->setText(QString()); // taken back
  EXPECT_EQ(session.project().face.measured.size(), 1U);
  table->item(row, 4)->setText(QStringLiteral("a thumb"));
  EXPECT_EQ(session.project().face.measured.size(), 1U);
}

TEST_F(FaceTest, OneKeyMendsWhatItSays) {
  decide(session, "thin ears", [](Project& p) { p.face.thick["ear"] = 0.5; });
  wait();
  face().choose({FacePick::Kind::Flat, "ear"});
  auto* card = part<FaceCard>();
  ASSERT_TRUE(card->mend()->isVisible());
  QTest::keyClick(&window, Qt::Key_M);
  EXPECT_GE(session.project().face.thick.at("ear"), 1.0);
  session.undo();
  EXPECT_EQ(session.project().face.thick.at("ear"), 0.5);
}

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
  const Vec3 place = face().place();
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

TEST_F(FaceTest, AnimalsOfEveryBuildAreShown) {
  // One of each build; the sums of all thirty are asked for in tests/edit.
  for (const char* id : {"owl", "deer", "beetle", "doll_human", "elephant"}) {
    const Pattern& pattern = *session.catalog().pattern(id);
    (void)changes::setPattern(session, QString::fromStdString(pattern.id));
    wait();
    ASSERT_TRUE(face().sums()) << pattern.id;
    for (int tab = 0; tab < FaceView::kTabs; ++tab) {
      face().setTab(tab);
      EXPECT_FALSE(window.grab().isNull());
    }
    for (const View view : {View::Side, View::Front, View::Above})
      EXPECT_FALSE(face().outline(view).empty()) << pattern.id;
  }
}

} // namespace
} // namespace columna::test
