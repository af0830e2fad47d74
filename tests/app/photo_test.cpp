// A picture taken in and traced in the real window.
#include "study_window.h"

#include <QProgressBar>

#include <algorithm>

using namespace columna;
using namespace columna::test;

namespace {

/// 48 megapixels that do not pack well.
void drawLarge(const QString& path) {
  QImage large(8000, 6000, QImage::Format_RGB32);
  for (int y = 0; y < large.height(); ++y) {
    auto* line = reinterpret_cast<QRgb*>(large.scanLine(y));
    for (int x = 0; x < large.width(); ++x) line[x] = qRgb((x * y) & 255, (x >> 3) & 255, (x ^ y) & 255);
  }
  ASSERT_TRUE(large.save(path, "JPEG", 90));
}

} // namespace

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
  PhotoPanel* panel = part<StudyRack>()->photo();
  EXPECT_TRUE(panel->prompt().startsWith(QStringLiteral("Click: "))) << panel->prompt().toStdString();
  // Three landmarks as asked for.
  for (int i = 0; i < 3; ++i) {
    const std::string next = study().nextLandmark();
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
    const auto now = [&, id = joint] {
      return layer()->fromPicture(v, session.project().photos[0].landmarks.at(id)).toPoint();
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
  EXPECT_NEAR(plan().figure->overallHeight, 160, 1e-6) << "the chosen size stays";
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
  EXPECT_FALSE(study().picture(session.project().photos[0].entry).isNull());
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
  study().setPhotoTool(PhotoTool::Straighten);
  line({200, 300}, {900, 370});
  EXPECT_NEAR(session.project().photos[0].straighten, -std::atan2(70, 700), 0.01)
      << "turned back the other way";
  // The line lies level on the mat now.
  const Viewport& v = window.mat()->port(View::Side);
  EXPECT_NEAR(layer()->fromPicture(v, {200, 300}).y(), layer()->fromPicture(v, {900, 370}).y(), 4);
  session.undo();
  EXPECT_EQ(session.project().photos[0].straighten, 0);
  study().setPhotoTool(PhotoTool::Tall);
  line({600, 650}, {600, 150});
  EXPECT_NEAR(session.project().photos[0].mmPerPixel, plan().figure->overallHeight / 500, 0.01);
  study().setPhotoTool(PhotoTool::KnownLength);
  line({300, 400}, {800, 400});
  type(part<StudyRack>()->photo()->lineField(), "10 cm");
  EXPECT_NEAR(session.project().photos[0].mmPerPixel, 0.2, 0.004);
}

TEST_F(StudyTest, FortyEightMegapixelsOpenWhileTheWindowLives) {
  const Scratch scratch;
  const QString path = QString::fromStdString(scratch.path("large.jpg"));
  drawLarge(path);
  study().setWay(Way::Photo);
  QSignalSpy loaded(part<StudyRack>()->photo(), &PhotoPanel::loaded);
  int beats = 0;
  QTimer beat;
  std::vector<int> seen;
  QObject::connect(&beat, &QTimer::timeout, [&] {
    ++beats;
    const QProgressBar* bar = part<StudyRack>()->photo()->progress();
    if (bar->isVisible() && (seen.empty() || bar->value() != seen.back())) seen.push_back(bar->value());
  });
  beat.start(10);
  part<StudyRack>()->photo()->load(path, View::Side);
  EXPECT_TRUE(part<StudyRack>()->photo()->loading());
  ASSERT_TRUE(loaded.wait(20000));
  EXPECT_GT(beats, 3) << "the window goes on while it is read";
  EXPECT_GT(seen.size(), 4U) << "the progress is measured, not a guess";
  EXPECT_TRUE(std::is_sorted(seen.begin(), seen.end()));
  const QString file = QString::fromStdString(scratch.path("large.columna"));
  ASSERT_FALSE(session.save(file).has_value());
  EXPECT_LT(std::filesystem::file_size(file.toStdString()), 3'200'000U);
}

TEST_F(StudyTest, AReadingCanBeStopped) {
  const Scratch scratch;
  const QString path = QString::fromStdString(scratch.path("large.jpg"));
  drawLarge(path);
  study().setWay(Way::Photo);
  PhotoPanel* panel = part<StudyRack>()->photo();
  QSignalSpy loaded(panel, &PhotoPanel::loaded);
  QSignalSpy noted(&session, &Session::noted);
  panel->load(path, View::Side);
  QTest::mouseClick(panel->addButton(), Qt::LeftButton);
  ASSERT_TRUE(noted.wait(20000));
  EXPECT_FALSE(panel->loading());
  EXPECT_EQ(loaded.count(), 0);
  EXPECT_TRUE(session.project().photos.empty());
  EXPECT_TRUE(panel->addButton()->isEnabled());
  EXPECT_FALSE(panel->progress()->isVisible());
}
