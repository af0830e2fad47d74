// Study in the real window: drag, type, trace, and undo each.
#include "window.h"

#include "study/character_panel.h"
#include "study/compare_panel.h"
#include "study/made_panel.h"
#include "study/photo_panel.h"
#include "study/picture.h"
#include "study/scale_panel.h"
#include "study/study_rack.h"

#include <QCheckBox>
#include <QComboBox>
#include <QElapsedTimer>
#include <QListWidget>
#include <QPainter>
#include <QSignalSpy>
#include <QSlider>

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

class StudyTest : public WindowTest {
protected:
  StudyTest() { connect(); }

  [[nodiscard]] StudyLayer* layer() const { return window.mat()->study(); }

  QPoint grip(View view, const std::function<bool(const Grip&)>& wanted) {
    for (const Grip& g : layer()->grips(window.mat()->port(view)))
      if (wanted(g)) return g.at.toPoint();
    ADD_FAILURE() << "no such grip";
    return {};
  }
  QPoint joint(View view, const char* id) {
    return grip(view, [id](const Grip& g) { return g.kind == Grip::Kind::Joint && g.joint == id; });
  }
  void drag(const QPoint& from, const QPoint& by, Qt::KeyboardModifiers keys = {}) {
    QTest::mousePress(window.mat(), Qt::LeftButton, keys, from);
    for (int i = 1; i <= 10; ++i) {
      QMouseEvent move(QEvent::MouseMove, from + by * i / 10.0, window.mat()->mapToGlobal(from + by * i / 10),
                       Qt::NoButton, Qt::LeftButton, keys);
      QApplication::sendEvent(window.mat(), &move);
    }
    QTest::mouseRelease(window.mat(), Qt::LeftButton, keys, from + by);
  }
  [[nodiscard]] Vec3 place(const char* sided) const {
    return *jointPlace(plan().pattern, sided) * plan().figure.scale;
  }
  [[nodiscard]] double boneLength(const char* id) const {
    for (const FigureBone& b : plan().figure.bones)
      if (b.id == id) return b.length;
    return 0;
  }

  /// A picture of the animal, drawn: its joints' places in it are returned.
  std::map<std::string, Vec2> drawPicture(const QString& path, const Pattern& pattern, double scale,
                                          double turn) {
    QImage image(1200, 700, QImage::Format_RGB32);
    image.fill(QColor(0xc8, 0xd2, 0xc0));
    QPainter p(&image);
    Similarity s;
    s.scale = scale;
    s.turn = turn;
    s.shift = Vec2(420, -520);
    p.setPen(QPen(Qt::black, 6));
    for (const PatternBone& b : pattern.bones) {
      const Vec2 from = s.toPicture(project(pattern.joints.at(b.from), View::Side));
      const Vec2 to = s.toPicture(project(pattern.joints.at(b.to), View::Side));
      p.drawLine(QPointF(from.x(), from.y()), QPointF(to.x(), to.y()));
    }
    p.end();
    EXPECT_TRUE(image.save(path));
    std::map<std::string, Vec2> out;
    for (const std::string& joint : landmarksOf(pattern, View::Side))
      out[joint] = s.toPicture(project(*jointPlace(pattern, joint), View::Side));
    return out;
  }

  void loadPicture(const QString& path) {
    session.setWay(Way::Photo);
    QSignalSpy loaded(window.studyRack()->photo(), &PhotoPanel::loaded);
    window.studyRack()->photo()->load(path, View::Side);
    ASSERT_TRUE(loaded.wait(10000));
    QApplication::processEvents();
  }

  void connect() {
    QObject::connect(&session, &Session::refused, &session,
                     [this](const QString& sentence) { refusal = sentence; });
  }
  QString refusal;
};

} // namespace

TEST_F(StudyTest, AJointDraggedInTheSideViewKeepsItsDistanceFromTheMiddle) {
  const Vec3 before = place("right-elbow");
  const double scale = plan().figure.scale;
  drag(joint(View::Side, "right-elbow"), QPoint(18, -12));
  const Vec3 after = place("right-elbow");
  EXPECT_NEAR(after.x() - before.x(), 18 / window.mat()->scale(), 1.2);
  EXPECT_NEAR(after.z() - before.z(), 12 / window.mat()->scale(), 1.2);
  EXPECT_NEAR(after.y(), before.y(), 1e-9) << "a side view says nothing of y";
  EXPECT_NEAR(place("left-elbow").x(), after.x(), 1e-9) << "the twin follows";
  EXPECT_NEAR(plan().figure.scale, scale, 1e-9) << "and nothing else is re-sized";
  EXPECT_EQ(session.history().undoName(), "move elbow");
  QTest::keyClick(window.mat(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(place("right-elbow"), before) << "one drag is one step";
}

TEST_F(StudyTest, InTheFrontViewItMovesSidewaysAndUntiedAlone) {
  session.toggleTied(limb("right-hindleg"));
  const Vec3 left = place("left-stifle");
  const Vec3 before = place("right-stifle");
  drag(joint(View::Above, "right-stifle"), QPoint(10, 14));
  const Vec3 after = place("right-stifle");
  EXPECT_NEAR(after.x() - before.x(), 10 / window.mat()->scale(), 1.2);
  EXPECT_NEAR(after.y() - before.y(), -14 / window.mat()->scale(), 1.2);
  EXPECT_NEAR(after.z(), before.z(), 1e-9);
  EXPECT_NEAR((place("left-stifle") - left).norm(), 0, 1e-9);
  EXPECT_FALSE(plan().figure.symmetric);
  EXPECT_NE(boneLength("right-shin"), boneLength("left-shin"));
  session.undo();
  EXPECT_TRUE(plan().figure.symmetric);
}

TEST_F(StudyTest, WithShiftAllThatHangsOnItComesAlong) {
  const double shin = boneLength("right-forearm");
  const Vec3 toe = place("right-fore_toe");
  drag(joint(View::Side, "right-elbow"), QPoint(20, 0), Qt::ShiftModifier);
  EXPECT_NEAR(boneLength("right-forearm"), shin, 1e-9);
  EXPECT_NEAR(place("right-fore_toe").x() - toe.x(), 20 / window.mat()->scale(), 1.2);
  session.undo();
  EXPECT_EQ(place("right-fore_toe"), toe);
}

TEST_F(StudyTest, TheKeyboardMovesJointsAndRings) {
  session.select(-1);
  window.mat()->setFocus();
  do QTest::keyClick(window.mat(), Qt::Key_J);
  while (layer()->active()->joint != "right-elbow");
  const Vec3 before = place("right-elbow");
  for (int i = 0; i < 3; ++i) QTest::keyClick(window.mat(), Qt::Key_Right);
  QTest::keyClick(window.mat(), Qt::Key_Up);
  EXPECT_NEAR(place("right-elbow").x() - before.x(), 3, 1e-9);
  EXPECT_NEAR(place("right-elbow").z() - before.z(), 1, 1e-9);
  QTest::keyClick(window.mat(), Qt::Key_Escape);
  EXPECT_FALSE(layer()->active().has_value());
  QTest::keyClick(window.mat(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR((place("right-elbow") - before).norm(), 0, 1e-9) << "the steps are one";
}

TEST_F(StudyTest, AJointNearTheAnimalsOwnPlaceSnapsBack) {
  drag(joint(View::Side, "right-elbow"), QPoint(25, 0));
  ASSERT_FALSE(session.project().shape.moved.empty());
  drag(joint(View::Side, "right-elbow"), QPoint(-23, 1));
  EXPECT_TRUE(session.project().shape.moved.empty()) << "within a few pixels of where the animal has it";
}

TEST_F(StudyTest, AClickOnAJointStillSelectsItsLimb) {
  QTest::mouseClick(window.mat(), Qt::LeftButton, {}, joint(View::Side, "right-hock_j"));
  EXPECT_EQ(session.selected(), limb("right-hindleg"));
  EXPECT_FALSE(session.history().canUndo());
}

TEST_F(StudyTest, ARingDraggedChangesTheGirthInItsView) {
  session.select(limb("trunk"));
  const auto girth = [&] {
    for (const FigureBone& b : plan().figure.bones)
      if (b.id == "loin") return b.stations[b.stations.size() / 2];
    return Station();
  };
  const Station before = girth();
  const auto ring = [&](const Grip& g) {
    return g.kind == Grip::Kind::Ring && g.place == 1 &&
           plan().figure.bones[static_cast<size_t>(g.bone)].id == "loin";
  };
  drag(grip(View::Side, [&](const Grip& g) { return ring(g) && g.edge * 1 > 0; }), QPoint(0, -14));
  EXPECT_NE(girth().deep, before.deep);
  EXPECT_NEAR(girth().across, before.across, 1e-9) << "the side view shows the depth alone";
  // The edge that was not dragged stays where it was.
  const double lower = before.lift - before.deep / 2;
  const double upper = before.lift + before.deep / 2;
  const bool lowerStays = std::abs(girth().lift - girth().deep / 2 - lower) < 1.5;
  const bool upperStays = std::abs(girth().lift + girth().deep / 2 - upper) < 1.5;
  EXPECT_TRUE(lowerStays != upperStays);
  session.undo();
  EXPECT_EQ(girth().deep, before.deep);
  drag(grip(View::Above, ring), QPoint(0, 9));
  EXPECT_NE(girth().across, before.across);
  EXPECT_NEAR(girth().deep, before.deep, 1e-9);
  session.undo();
  EXPECT_EQ(girth().across, before.across);
}

TEST_F(StudyTest, BonesAndGirthsAreTypedMarkedAndPutBack) {
  session.select(limb("left-foreleg"));
  auto* study = card<StudyCard>(Stage::Study);
  const double own = boneLength("left-forearm");
  EXPECT_FALSE(study->putBackButton("forearm")->isVisible());
  type(study->boneField("forearm"), "25 mm");
  EXPECT_NEAR(boneLength("left-forearm"), 25, 1e-9);
  EXPECT_NEAR(boneLength("right-forearm"), 25, 1e-9);
  EXPECT_TRUE(study->putBackButton("forearm")->isVisible()) << "what differs is marked";
  const double round = *parseLength(study->girthField("upperarm")->text().toStdString());
  type(study->girthField("upperarm"), "90");
  EXPECT_NEAR(*parseLength(study->girthField("upperarm")->text().toStdString()), 90, 0.2) << round;
  for (const char* bad : {"0", "-3", "NaN", "long"}) {
    type(study->boneField("forearm"), bad);
    EXPECT_NEAR(boneLength("left-forearm"), 25, 1e-9) << bad;
  }
  QTest::mouseClick(study->putBackButton("forearm"), Qt::LeftButton);
  EXPECT_NEAR(boneLength("left-forearm"), own, 1e-6);
  session.putBack(-1);
  EXPECT_TRUE(session.project().shape.none());
}

TEST_F(StudyTest, EveryMeasureSizesTheFigure) {
  auto* study = card<StudyCard>(Stage::Study);
  type(study->sizeField(SizeBy::HeadLength), "40 mm");
  EXPECT_NEAR(plan().figure.limbs[static_cast<size_t>(limb("head"))].length, 40, 1e-9);
  type(study->sizeField(SizeBy::Scale), "1:8");
  EXPECT_NEAR(lengthOf(plan().figure, plan().pattern, SizeBy::Scale), 8, 1e-9);
  session.select(limb("tail"));
  type(study->sizeField(SizeBy::Limb), "12 cm");
  EXPECT_NEAR(plan().figure.limbs[static_cast<size_t>(limb("tail"))].length, 120, 1e-9);
  EXPECT_EQ(session.project().size.limb, "tail");
}

TEST_F(StudyTest, DialsByKeyboardAndByNumber) {
  QTest::mouseClick(window.studyRack()->tab(Way::Character), Qt::LeftButton);
  ASSERT_EQ(session.way(), Way::Character);
  CharacterPanel* panel = window.studyRack()->character();
  panel->age()->setFocus();
  for (int i = 0; i < 20; ++i) QTest::keyClick(panel->age(), Qt::Key_Right);
  EXPECT_EQ(session.project().shape.character, characterAt(1)) << "young";
  EXPECT_TRUE(QTest::qWaitFor([&] { return panel->dial(0)->text() == QStringLiteral("1.25"); }, 3000))
      << "and its numbers are shown";
  type(panel->dial(0), "1.4");
  EXPECT_NEAR(session.project().shape.character.head, 1.4, 1e-12);
  EXPECT_NEAR(session.project().shape.character.legs, characterAt(1).legs, 1e-12);
  type(panel->dial(0), "50");
  EXPECT_NEAR(session.project().shape.character.head, 1.4, 1e-12);
  EXPECT_TRUE(refusal.contains(QStringLiteral("out of range"))) << refusal.toStdString();
  const QImage before = window.mat()->grab().toImage();
  panel->halving()->click();
  EXPECT_NE(window.mat()->grab().toImage(), before) << "halving rules lie over the front view";
}

TEST_F(StudyTest, PartFirst) {
  QTest::mouseClick(window.studyRack()->tab(Way::Made), Qt::LeftButton);
  MadePanel* panel = window.studyRack()->made();
  const double before = plan().figure.overallHeight;
  const double trunk = plan().figure.limbs[static_cast<size_t>(limb("trunk"))].length;
  type(panel->lengthField(QStringLiteral("trunk")),
       QString::number(trunk * 1.1, 'f', 6).toUtf8().constData());
  EXPECT_NEAR(plan().made.ratio, 1.1, 1e-6);
  EXPECT_GT(plan().figure.overallHeight, before);
  type(panel->lengthField(QStringLiteral("head")), "130 mm");
  EXPECT_TRUE(panel->wordsOf(QStringLiteral("head")).contains(QStringLiteral("large for this body")))
      << panel->wordsOf(QStringLiteral("head")).toStdString();
  EXPECT_EQ(session.project().made.size(), 2U);
  EXPECT_EQ(session.project().made[0].date.size(), 10U) << "a record with its date";
  type(panel->lengthField(QStringLiteral("head")), "-4");
  EXPECT_FALSE(refusal.isEmpty());
  for (const char* part : {"head", "trunk"}) {
    QLineEdit* field = panel->lengthField(QString::fromUtf8(part));
    field->setFocus();
    field->selectAll();
    QTest::keyClick(field, Qt::Key_Delete);
    QTest::keyClick(field, Qt::Key_Return);
  }
  EXPECT_NEAR(plan().figure.overallHeight, before, 1e-9) << "and back";
}

TEST_F(StudyTest, WoolAtHandSizesTheFigureAndTheChartFollows) {
  QTest::mouseClick(window.studyRack()->tab(Way::Scale), Qt::LeftButton);
  ScalePanel* panel = window.studyRack()->scale();
  type(panel->wool(), "40 g");
  EXPECT_NEAR(plan().totals.core, 40, 0.1);
  type(panel->wire(), "900 mm");
  EXPECT_LE(plan().totals.wireLength, 900);
  const double height = plan().figure.overallHeight;
  type(panel->wool(), "a handful");
  EXPECT_FALSE(refusal.isEmpty());
  EXPECT_EQ(plan().figure.overallHeight, height);
  EXPECT_TRUE(QTest::qWaitFor([&] { return !panel->behind(); }, 20000));
  EXPECT_FALSE(panel->smallWords().isEmpty());
}

TEST_F(StudyTest, TheGalleryFiltersByFamilyAndConstruction) {
  Gallery* gallery = window.studyRack()->gallery();
  const auto shown = [&] {
    size_t count = 0;
    for (const PatternTile* tile : gallery->tiles()) count += tile->isVisible() ? 1 : 0;
    return count;
  };
  EXPECT_EQ(shown(), 30U);
  gallery->family()->setCurrentIndex(gallery->family()->findData(QStringLiteral("hoofed")));
  EXPECT_EQ(shown(), 10U);
  gallery->suits()->setCurrentIndex(gallery->suits()->findData(QStringLiteral("legs-and-tail")));
  for (const PatternTile* tile : gallery->tiles())
    if (tile->isVisible()) {
      EXPECT_NE(std::find(tile->pattern().suits.begin(), tile->pattern().suits.end(), "legs-and-tail"),
                tile->pattern().suits.end());
    }
  EXPECT_LT(shown(), 10U);
}

TEST_F(StudyTest, AnotherAnimalIsLaidOverAndJudged) {
  QTest::mouseClick(window.studyRack()->tab(Way::Compare), Qt::LeftButton);
  ComparePanel* panel = window.studyRack()->compare();
  EXPECT_EQ(session.compared(), QStringLiteral("river_otter"));
  for (const Proportion& p : panel->ratios()->rows()) EXPECT_EQ(p.verdict, 0);
  const QImage before = window.mat()->grab().toImage();
  panel->with()->setCurrentIndex(panel->with()->findData(QStringLiteral("red_fox")));
  QTest::keyClick(panel->with(), Qt::Key_Down);
  session.setCompared(QStringLiteral("red_fox"));
  EXPECT_NE(window.mat()->grab().toImage(), before);
  bool off = false;
  for (const Proportion& p : panel->ratios()->rows()) off = off || p.verdict != 0;
  EXPECT_TRUE(off) << "an otter is no fox";
}

TEST_F(StudyTest, APictureIsTracedByClicksAndItsLengthsTakenOver) {
  const Scratch scratch;
  const QString path = QString::fromStdString(scratch.path("side.png"));
  Shape known;
  known.lengths["forearm"] = 1.3;
  known.lengths["tail3"] = 0.8;
  const auto truth = drawPicture(path, shaped(*shelf().pattern("river_otter"), known), 260, 0.06);
  loadPicture(path);
  ASSERT_EQ(session.project().photos.size(), 1U);
  EXPECT_TRUE(layer()->tracing(View::Side));
  EXPECT_EQ(window.mat()->mainView(), View::Side);
  EXPECT_FALSE(window.mat()->three()) << "the picture has the room of the whole mat";
  PhotoPanel* panel = window.studyRack()->photo();
  EXPECT_TRUE(panel->prompt().startsWith(QStringLiteral("Click: "))) << panel->prompt().toStdString();
  // Three landmarks as asked for.
  for (int i = 0; i < 3; ++i) {
    const std::string next = session.nextLandmark();
    QTest::mouseClick(window.mat(), Qt::LeftButton, {},
                      layer()->fromPicture(window.mat()->port(View::Side), truth.at(next)).toPoint());
    EXPECT_TRUE(session.project().photos[0].landmarks.contains(next)) << next;
  }
  // The others are proposed, accepted, and dragged to where they belong.
  QTest::mouseClick(panel->accept(), Qt::LeftButton);
  EXPECT_TRUE(session.project().photos[0].landmarks.contains("right-elbow"));
  for (const auto& [joint, at] : truth) {
    if (joint.starts_with("left-")) continue;
    const Viewport& v = window.mat()->port(View::Side);
    const auto now = [&] {
      return layer()->fromPicture(v, session.project().photos[0].landmarks.at(joint)).toPoint();
    };
    const QPoint from = now();
    const QPoint to = layer()->fromPicture(v, at).toPoint();
    if ((to - from).manhattanLength() < 4) drag(from, QPoint(0, -24)); // too little to be a drag
    drag(now(), to - now());
  }
  EXPECT_GT(panel->bones()->count(), 10);
  // With every landmark placed a click picks the limb, and its rings lie on the picture.
  const auto elbow = session.project().photos[0].landmarks;
  const Vec2 middle = (elbow.at("thorax") + elbow.at("loin_j")) / 2 + Vec2(0, -30);
  QTest::mouseClick(window.mat(), Qt::LeftButton, {},
                    layer()->fromPicture(window.mat()->port(View::Side), middle).toPoint());
  EXPECT_EQ(session.selected(), limb("trunk"));
  const QPoint edge =
      grip(View::Side, [](const Grip& g) { return g.kind == Grip::Kind::Ring && g.place == 1; });
  drag(edge, QPoint(0, -10));
  EXPECT_FALSE(session.project().shape.girths.empty()) << "the girth is taken off the picture";
  session.undo();
  session.select(-1);
  QTest::mouseClick(panel->adopt(), Qt::LeftButton);
  const auto& lengths = session.project().shape.lengths;
  ASSERT_TRUE(lengths.contains("forearm"));
  EXPECT_NEAR(lengths.at("forearm") / lengths.at("loin"), 1.3, 0.12) << "a pixel is a twentieth of this bone";
  EXPECT_NEAR(lengths.at("tail3") / lengths.at("loin"), 0.8, 0.06);
  EXPECT_NEAR(plan().figure.overallHeight, 160, 1e-6) << "the chosen size stays";
  // Undo goes back step by step, the picture last.
  QTest::keyClick(window.mat(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(session.project().shape.none());
  while (session.history().canUndo()) session.undo();
  EXPECT_TRUE(session.project().photos.empty());
  // Saved and opened again it is still there.
  while (session.history().canRedo()) session.redo();
  const QString file = QString::fromStdString(scratch.path("traced.columna"));
  ASSERT_FALSE(session.save(file).has_value());
  session.startNew(QStringLiteral("heron"));
  ASSERT_FALSE(session.open(file).has_value());
  EXPECT_FALSE(session.picture(session.project().photos[0].entry).isNull());
}

TEST_F(StudyTest, LinesStraightenAndScaleThePicture) {
  const Scratch scratch;
  const QString path = QString::fromStdString(scratch.path("side.png"));
  drawPicture(path, *shelf().pattern("river_otter"), 260, 0);
  loadPicture(path);
  const auto line = [&](const Vec2& a, const Vec2& b) {
    const Viewport& v = window.mat()->port(View::Side);
    const QPoint from = layer()->fromPicture(v, a).toPoint();
    drag(from, layer()->fromPicture(v, b).toPoint() - from);
  };
  session.setPhotoTool(PhotoTool::Straighten);
  line({200, 300}, {900, 370});
  EXPECT_NEAR(session.project().photos[0].straighten, -std::atan2(70, 700), 0.01)
      << "turned back the other way";
  // The line lies level on the mat now.
  const Viewport& v = window.mat()->port(View::Side);
  EXPECT_NEAR(layer()->fromPicture(v, {200, 300}).y(), layer()->fromPicture(v, {900, 370}).y(), 4);
  session.undo();
  EXPECT_EQ(session.project().photos[0].straighten, 0);
  session.setPhotoTool(PhotoTool::Tall);
  line({600, 650}, {600, 150});
  EXPECT_NEAR(session.project().photos[0].mmPerPixel, plan().figure.overallHeight / 500, 0.01);
  session.setPhotoTool(PhotoTool::KnownLength);
  line({300, 400}, {800, 400});
  type(window.studyRack()->photo()->lineField(), "10 cm");
  EXPECT_NEAR(session.project().photos[0].mmPerPixel, 0.2, 0.004);
}

TEST_F(StudyTest, FortyEightMegapixelsOpenWhileTheWindowLives) {
  const Scratch scratch;
  const QString path = QString::fromStdString(scratch.path("large.jpg"));
  {
    QImage large(8000, 6000, QImage::Format_RGB32);
    for (int y = 0; y < large.height(); ++y) {
      auto* line = reinterpret_cast<QRgb*>(large.scanLine(y));
      for (int x = 0; x < large.width(); ++x) line[x] = qRgb((x * y) & 255, (x >> 3) & 255, (x ^ y) & 255);
    }
    ASSERT_TRUE(large.save(path, "JPEG", 90));
  }
  session.setWay(Way::Photo);
  QSignalSpy loaded(window.studyRack()->photo(), &PhotoPanel::loaded);
  int beats = 0;
  QTimer beat;
  QObject::connect(&beat, &QTimer::timeout, [&beats] { ++beats; });
  beat.start(10);
  window.studyRack()->photo()->load(path, View::Side);
  EXPECT_TRUE(window.studyRack()->photo()->loading());
  ASSERT_TRUE(loaded.wait(20000));
  EXPECT_GT(beats, 3) << "the window goes on while it is read";
  const QString file = QString::fromStdString(scratch.path("large.columna"));
  ASSERT_FALSE(session.save(file).has_value());
  EXPECT_LT(std::filesystem::file_size(file.toStdString()), 3'200'000U);
}
