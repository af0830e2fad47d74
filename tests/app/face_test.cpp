// Face in the real window: pads by mouse and keys, eyes, pins measured, what would mend it.
#include "face_window.h"

#include <QComboBox>
#include <QPaintEvent>
#include <QTableWidget>

#include <set>

namespace columna::test {
namespace {

TEST_F(FaceTest, TheMatShowsTheHeadAloneInItsColours) {
  ASSERT_TRUE(face().sums());
  const Viewport& v = window.mat()->port(View::Side);
  const QRectF seen = face().seen(View::Side);
  // It fills the view: its picture is there, and is no one grey.
  EXPECT_GT(seen.width() * v.scale, 0.25 * v.clip.width());
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

TEST_F(FaceTest, OnlyTheViewUnderTheHandIsDrawnWhileAPartIsDragged) {
  struct Painted : QObject {
    QRect all;
    bool eventFilter(QObject* /*of*/, QEvent* event) override {
      if (event->type() == QEvent::Paint) all |= static_cast<QPaintEvent*>(event)->rect();
      return false;
    }
  } painted;
  const FacePick cheek{FacePick::Kind::Pad, "cheek"};
  const QPoint from = at(cheek);
  const QRect view = window.mat()->port(View::Side).clip.toAlignedRect();
  QTest::mousePress(window.mat(), Qt::LeftButton, {}, from);
  QApplication::processEvents();
  window.mat()->installEventFilter(&painted);
  for (int i = 1; i <= 8; ++i) {
    const QPoint to = from + QPoint(3, -2) * i;
    QMouseEvent move(QEvent::MouseMove, to, window.mat()->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(window.mat(), &move);
    QApplication::processEvents();
  }
  EXPECT_FALSE(painted.all.isEmpty()) << "it follows the hand";
  EXPECT_TRUE(view.contains(painted.all)) << "and nothing else is drawn";
  QTest::mouseRelease(window.mat(), Qt::LeftButton, {}, from + QPoint(24, -16));
  QApplication::processEvents();
  EXPECT_FALSE(view.contains(painted.all)) << "let go, all views are made anew";
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

TEST_F(FaceTest, WhatTheEyesAreIsChosenByKeysAndUndoes) {
  face().setTab(1);
  QComboBox* kinds = part<FaceDesk>()->eyePanel()->kinds();
  ASSERT_EQ(kinds->count(), 5);
  EXPECT_EQ(kinds->currentIndex(), 0) << "the animal's own";
  const double before = session.plan().totals.mass;
  kinds->setFocus();
  for (int i = 0; i < 3; ++i) QTest::keyClick(kinds, Qt::Key_Down);
  EXPECT_EQ(session.project().face.eyeKind, EyeKind::Painted);
  wait();
  EXPECT_EQ(sums().report.eyes.front().eye->kind, EyeKind::Painted);
  EXPECT_NE(session.plan().totals.mass, before);
  session.undo();
  session.undo();
  session.undo();
  EXPECT_FALSE(session.project().face.eyeKind);
  EXPECT_EQ(kinds->currentIndex(), 0);
  EXPECT_EQ(session.plan().totals.mass, before);
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
