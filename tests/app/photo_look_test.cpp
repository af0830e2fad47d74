// The photo check as the maker meets it: photos drawn by the stand-in, by hand and keyboard.
#include "make_window.h"

#include "felt_shot.h"
#include "make/photo_board.h"
#include "make/record_panel.h"

#include <QImage>

namespace columna::test {
namespace {

class PhotoLookTest : public MakeTest {
protected:
  void SetUp() override {
    MakeTest::SetUp();
    session.startNew(QStringLiteral("toy_bear"));
    session.finishSolid();
    ASSERT_FALSE(session.save(folder.filePath(QStringLiteral("bear.columna"))));
    to(kMake);
    settle();
    for (const Step& step : view().steps()->steps) { // all of it is made
      Entry done;
      done.kind = EntryKind::Done;
      done.step = step.id;
      done.at = "2026-11-30T10:00:00Z";
      ASSERT_FALSE(session.noteDown(done));
    }
    settle();
    figure = session.build().plan(true).figure;
    model = photoModel(figure);
    wish.stand = standOf(figure);
    wish.width = 900;
    wish.height = 700;
    wish.pitch = 15 * kDegree;
    wish.mat = true;
  }
  /// A photo in a file; `standIn` as the stand-in itself marks it.
  QString shot(const char* name, bool standIn) {
    const PhotoImage photo = standin::shot(model, figure, wish);
    QImage image(photo.rgb.data(), photo.width, photo.height, 3 * photo.width, QImage::Format_RGB888);
    if (standIn) image.setText(QStringLiteral("Software"), QStringLiteral("columna-standin"));
    const QString file = folder.filePath(QLatin1String(name));
    EXPECT_TRUE(image.save(file, "PNG"));
    return file;
  }
  PhotoBoard* board() { return window.stage<MakeStage>()->photoBoard(); }
  PhotoWork& work() { return window.stage<MakeStage>()->photo(); }
  void opened() {
    QTest::keyClick(window.mat(), Qt::Key_O);
    ASSERT_TRUE(board());
  }
  void looked() { QTRY_VERIFY_WITH_TIMEOUT(!work().busy(), kPatience); }
  [[nodiscard]] const Entry* lastPhoto() const {
    const Entry* last = nullptr;
    for (const Entry& e : session.record())
      if (e.kind == EntryKind::Photo) last = &e;
    return last;
  }

  Figure figure;
  PhotoModel model;
  standin::ShotWish wish;
};

} // namespace

TEST_F(PhotoLookTest, APhotoIsLookedAtToldAndKept) {
  opened();
  EXPECT_FALSE(board()->keepKey()->isEnabled());
  wish.faults["left-leg"].fuller = 4;
  board()->open(shot("leg.png", false));
  EXPECT_TRUE(work().busy());
  looked();
  ASSERT_TRUE(work().check()) << work().trouble().toStdString();
  EXPECT_FALSE(work().standIn());
  ASSERT_GE(board()->list()->count(), 1);
  const PhotoFinding first = work().findings().front();
  EXPECT_EQ(figure.limbs[static_cast<size_t>(first.limb)].id, "left-leg");
  EXPECT_NEAR(first.off, 4, 1.6);
  // M lays its other side over it; a finding that is chosen is ringed.
  const QImage plan = board()->picture()->grab().toImage();
  QTest::keyClick(board(), Qt::Key_M);
  EXPECT_EQ(board()->picture()->over(), PhotoPicture::Over::Mirror);
  EXPECT_NE(plan, board()->picture()->grab().toImage());
  board()->list()->setFocus();
  QTest::keyClick(board()->list(), Qt::Key_Home);
  const QImage ringed = board()->picture()->grab().toImage();
  board()->picture()->setCurrent(-1);
  EXPECT_NE(ringed, board()->picture()->grab().toImage());
  // It goes into the record with what it shows, by a photo, and is something to look at.
  const size_t before = view().findings().size();
  QTest::keyClick(board(), Qt::Key_K);
  const Entry* kept = lastPhoto();
  ASSERT_TRUE(kept);
  EXPECT_EQ(kept->by, EntryBy::Photo);
  EXPECT_EQ(kept->limb, "left-leg");
  EXPECT_NEAR(*kept->value, first.off, 1e-9);
  EXPECT_FALSE(kept->photo.empty());
  ASSERT_TRUE(session.entry(kept->photo));
  QTRY_COMPARE_WITH_TIMEOUT(view().findings().size(), before + 1, kPatience);
  QTest::keyClick(board(), Qt::Key_Escape);
  EXPECT_FALSE(board());
  // A later one on which nothing is off takes it back.
  wish.faults.clear();
  wish.fuzz = 0.2;
  to(kMake);
  QTest::keyClick(window.mat(), Qt::Key_O);
  board()->open(shot("sound.png", false));
  looked();
  ASSERT_TRUE(work().check()) << work().trouble().toStdString();
  EXPECT_TRUE(work().findings().empty());
  QTest::keyClick(board(), Qt::Key_K);
  QTRY_COMPARE_WITH_TIMEOUT(view().findings().size(), before, kPatience);
}

TEST_F(PhotoLookTest, WhatAStandInDrewIsNeverAMeasurement) {
  opened();
  wish.faults["right-arm"].fuller = 4;
  const size_t before = view().findings().size();
  board()->open(shot("practice.png", true));
  looked();
  ASSERT_TRUE(work().check()) << work().trouble().toStdString();
  EXPECT_TRUE(work().standIn());
  QTest::keyClick(board(), Qt::Key_K);
  const Entry* kept = lastPhoto();
  ASSERT_TRUE(kept);
  EXPECT_EQ(kept->by, EntryBy::StandIn);
  EXPECT_EQ(lastPhotoCheck(session.record()), nullptr);
  EXPECT_EQ(view().findings().size(), before);
  // One key clears all that stand-ins said.
  ASSERT_FALSE(view().withdrawStandIns());
  EXPECT_TRUE(withdrawn(session.record()).contains(kept->id));
}

TEST_F(PhotoLookTest, FromAboveFirstThenFromBeforeItSeesMoreClosely) {
  opened();
  wish.turned = 2 * kDegree;
  QTest::keyClick(board()->views(), Qt::Key_End);
  ASSERT_EQ(work().view(), PhotoView::Above);
  standin::ShotWish front = wish;
  wish.view = PhotoView::Above;
  wish.pitch = 0.02;
  board()->open(shot("above.png", false));
  looked();
  ASSERT_TRUE(work().turned()) << work().trouble().toStdString();
  EXPECT_NEAR(work().turned()->turn / kDegree, 2, 1.2);
  wish = front;
  const QString taken = shot("front.png", false);
  work().setView(PhotoView::Front);
  looked();
  EXPECT_FALSE(work().check()) << "the mat shows that it was taken from above";
  EXPECT_FALSE(work().trouble().isEmpty());
  board()->open(taken);
  looked();
  ASSERT_TRUE(work().check()) << work().trouble().toStdString();
  const double known = work().check()->turnError;
  // Another pose stands otherwise: what was known of the old one is let go.
  emit session.poseChanged();
  work().again();
  looked();
  ASSERT_TRUE(work().check());
  EXPECT_GT(work().check()->turnError, known);
}

TEST_F(PhotoLookTest, PractisingTellsNothingOfARealPhoto) {
  opened();
  const standin::ShotWish front = wish;
  wish.view = PhotoView::Above;
  wish.pitch = 0.02;
  work().setView(PhotoView::Above);
  board()->open(shot("drawn-above.png", true));
  looked();
  ASSERT_TRUE(work().turned()) << work().trouble().toStdString();
  wish = front;
  work().setView(PhotoView::Front);
  board()->open(shot("drawn.png", true));
  looked();
  ASSERT_TRUE(work().check());
  const double practised = work().check()->turnError;
  board()->open(shot("taken.png", false)); // the same picture, but a real one
  looked();
  ASSERT_TRUE(work().check());
  EXPECT_GT(work().check()->turnError, practised);
  // The key draws one of this figure as it stands in its file.
  QTest::mouseClick(board()->practiseKey(), Qt::LeftButton);
  QTRY_VERIFY_WITH_TIMEOUT(work().name().startsWith(QStringLiteral("shot-")), kPatience);
  looked();
  EXPECT_TRUE(work().standIn());
}

TEST_F(PhotoLookTest, AFolderIsWatchedAndABoxIsDrawnByKeysAndByHand) {
  opened();
  const QString in = folder.filePath(QStringLiteral("in"));
  ASSERT_TRUE(QDir().mkpath(in));
  wish.mat = false;
  wish.clutter = 1;
  const QString cluttered = shot("cluttered.png", false);
  ASSERT_TRUE(QFile::copy(cluttered, in + QStringLiteral("/before.png"))); // what lies there already is old
  board()->watch(in);
  ASSERT_TRUE(QFile::copy(cluttered, in + QStringLiteral("/new.png")));
  QTRY_COMPARE_WITH_TIMEOUT(work().name(), QStringLiteral("new.png"), kPatience);
  looked();
  EXPECT_FALSE(work().check());
  EXPECT_FALSE(work().trouble().isEmpty());
  EXPECT_FALSE(board()->keepKey()->isEnabled());
  // B, arrows and Enter; then the same by dragging.
  QTest::keyClick(board(), Qt::Key_B);
  ASSERT_TRUE(board()->picture()->boxing());
  const PhotoBox first = board()->picture()->box();
  QTest::keyClick(board()->picture(), Qt::Key_Right);
  QTest::keyClick(board()->picture(), Qt::Key_Left, Qt::ShiftModifier);
  EXPECT_GT(board()->picture()->box().left, first.left);
  EXPECT_LT(board()->picture()->box().right - board()->picture()->box().left, first.right - first.left);
  QTest::keyClick(board()->picture(), Qt::Key_Return);
  EXPECT_FALSE(board()->picture()->boxing());
  ASSERT_TRUE(work().box());
  looked();
  QTest::keyClick(board(), Qt::Key_B);
  PhotoPicture* picture = board()->picture();
  const PhotoBox wanted{0.3, 0.1, 0.72, 0.92};
  QTest::mousePress(picture, Qt::LeftButton, {}, picture->placeOf(wanted.left, wanted.top).toPoint());
  QTest::mouseMove(picture, picture->placeOf(wanted.right, wanted.bottom).toPoint());
  QTest::mouseRelease(picture, Qt::LeftButton, {}, picture->placeOf(wanted.right, wanted.bottom).toPoint());
  ASSERT_TRUE(work().box());
  EXPECT_NEAR(work().box()->left, wanted.left, 0.01);
  EXPECT_NEAR(work().box()->bottom, wanted.bottom, 0.01);
  looked();
  // The folder goes and comes again.
  ASSERT_TRUE(QDir(in).removeRecursively());
  QTRY_VERIFY_WITH_TIMEOUT(work().folder().away(), kPatience);
  ASSERT_TRUE(QDir().mkpath(in));
  QTRY_VERIFY_WITH_TIMEOUT(!work().folder().away(), kPatience);
}

TEST(PhotoFolder, APhotoIsToldOnceItIsWholeAndAgainWhenItIsAnother) {
  const QTemporaryDir folder;
  ASSERT_TRUE(folder.isValid());
  PhotoFolder watched;
  QStringList came;
  QObject::connect(&watched, &PhotoFolder::came,
                   [&](const QString& path) { came << QFileInfo(path).fileName(); });
  watched.watch(folder.path());
  const auto add = [&](const char* name, const QByteArray& bytes) {
    QFile file(folder.filePath(QLatin1String(name)));
    ASSERT_TRUE(file.open(QIODevice::WriteOnly | QIODevice::Append));
    file.write(bytes);
  };
  // It grows for longer than it would have to rest: not told before it is whole.
  for (int i = 0; i < 5; ++i) {
    add("slow.jpg", "some of it");
    QTest::qWait(250);
    EXPECT_TRUE(came.isEmpty()) << i;
  }
  add("notes.txt", "no picture");
  add("shot.png.part", "half a picture");
  QTRY_COMPARE_WITH_TIMEOUT(came, QStringList{QStringLiteral("slow.jpg")}, kPatience);
  QTest::qWait(1500);
  EXPECT_EQ(came.size(), 1) << "each once";
  ASSERT_TRUE(QFile::rename(folder.filePath(QStringLiteral("shot.png.part")),
                            folder.filePath(QStringLiteral("shot.png"))));
  QTRY_COMPARE_WITH_TIMEOUT(came.size(), 2, kPatience);
  add("slow.jpg", "taken again under its old name");
  QTRY_COMPARE_WITH_TIMEOUT(came.size(), 3, kPatience);
  EXPECT_EQ(came.back(), QStringLiteral("slow.jpg"));
  watched.watch({});
  add("late.png", "nobody looks");
  QTest::qWait(1500);
  EXPECT_EQ(came.size(), 3);
}

TEST_F(PhotoLookTest, ABadPictureLosesNothing) {
  opened();
  QFile bad(folder.filePath(QStringLiteral("bad.png")));
  ASSERT_TRUE(bad.open(QIODevice::WriteOnly));
  bad.write("\x89PNG\r\n\x1a\nnot one");
  bad.close();
  board()->open(bad.fileName());
  looked();
  EXPECT_FALSE(work().trouble().isEmpty());
  EXPECT_FALSE(work().check());
  QTest::keyClick(board(), Qt::Key_K);
  EXPECT_EQ(lastPhoto(), nullptr);
  // A second wish overtakes the first.
  wish.faults["left-arm"].fuller = 4;
  const QString one = shot("one.png", false);
  wish.faults.clear();
  const QString two = shot("two.png", true);
  board()->open(one);
  board()->open(two);
  looked();
  EXPECT_EQ(work().name(), QStringLiteral("two.png"));
  EXPECT_TRUE(work().standIn());
  ASSERT_TRUE(work().check()) << work().trouble().toStdString();
}

} // namespace columna::test
