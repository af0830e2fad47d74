// Figures in their wool: under the flat views' lines, in the gallery and as small poses.
#include "window.h"

#include "head/head_paint.h"
#include "mat/mat_wool.h"
#include "pose/pose_rack.h"
#include "session/changes.h"
#include "study/animal_pictures.h"
#include "theme/theme.h"
#include "turn/wool_paint.h"

#include <cmath>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

class InWoolTest : public WindowTest {
protected:
  const MatWool& wool() { return window.mat()->woolUnder(); }
  void rest() {
    window.mat()->repaint();
    QTRY_VERIFY_WITH_TIMEOUT(!wool().behind() && wool().picture(View::Side), kPatience);
  }
  /// How far a colour is from another, each part 0..255.
  static double off(QRgb a, QRgb b) {
    return std::hypot(qRed(a) - qRed(b), qGreen(a) - qGreen(b), qBlue(a) - qBlue(b));
  }
  /// The mean colour of what is drawn in a picture.
  static QRgb mean(const QImage& image) {
    double r = 0;
    double g = 0;
    double b = 0;
    double n = 0;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x)
        if (const QRgb c = image.pixel(x, y); qAlpha(c) == 255) {
          r += qRed(c);
          g += qGreen(c);
          b += qBlue(c);
          ++n;
        }
    return n > 0 ? qRgb(static_cast<int>(r / n), static_cast<int>(g / n), static_cast<int>(b / n)) : 0;
  }
  const AnimalPictures::Picture* pictureOf(const char* animal) {
    auto& pictures = AnimalPictures::of(session);
    const Pattern* pattern = session.catalog().pattern(animal);
    const AnimalPictures::Picture* out = pictures.picture(*pattern);
    EXPECT_TRUE(QTest::qWaitFor([&] { return (out = pictures.picture(*pattern)) != nullptr; }, kPatience))
        << animal;
    return out;
  }
};

} // namespace

TEST_F(InWoolTest, TheFlatViewsShowItFaintlyWhereTheFigureIs) {
  to(kStudy);
  rest();
  for (const View view : {View::Side, View::Above, View::Front}) {
    const MatWool::Picture* picture = wool().picture(view);
    ASSERT_TRUE(picture);
    // Every joint lies on what is drawn.
    const double scale = picture->image.width() / picture->mm.width();
    for (const FigureBone& bone : session.plan().figure->bones) {
      const Vec2 at = project((bone.begin + bone.end) / 2, view);
      const QPoint pixel =
          (QPointF(at.x() - picture->mm.left(), picture->mm.bottom() - at.y()) * scale).toPoint();
      ASSERT_TRUE(picture->image.rect().contains(pixel));
      EXPECT_GT(qAlpha(picture->image.pixel(pixel)), 100) << bone.id;
    }
  }
  // On the mat the body lies between paper and wool, nearer to the paper.
  const Viewport& v = window.mat()->port(View::Side);
  const FigureBone& trunk = session.plan().figure->bones[static_cast<size_t>(
      session.plan().figure->limbs[static_cast<size_t>(limb("trunk"))].bones.front())];
  const QPoint place =
      v.at(Vec2(project(Vec3((trunk.begin + trunk.end) / 2 + Vec3(0, 0, 6)), View::Side))).toPoint();
  const QRgb shown = window.mat()->grab().toImage().pixel(place);
  EXPECT_GT(off(shown, wool().coat().rgb()), 30);
  EXPECT_GT(off(shown, theme().core.rgb()), 5);
}

TEST_F(InWoolTest, APictureIsOfTheFigureThatIsThereOrIsNotShown) {
  to(kStudy);
  rest();
  const QImage first = wool().picture(View::Side)->image;
  // Another figure: none until it is made anew.
  changes::setPattern(session, QStringLiteral("heron"));
  window.mat()->repaint();
  EXPECT_FALSE(wool().picture(View::Side));
  rest();
  EXPECT_NE(wool().picture(View::Side)->image, first);
  // Where the wool is the subject it is not drawn twice.
  to(kWrap);
  window.mat()->showTurntable(false);
  window.mat()->repaint();
  to(kStudy);
  window.mat()->repaint();
  EXPECT_TRUE(wool().picture(View::Side)) << "the same figure: it is still there";
}

TEST_F(InWoolTest, TheGallerysAnimalsAreInTheirColours) {
  const AnimalPictures::Picture* badger = pictureOf("badger");
  ASSERT_TRUE(badger);
  double dark = 0;
  double pale = 0;
  for (int y = 0; y < badger->image.height(); ++y)
    for (int x = badger->image.width() * 3 / 4; x < badger->image.width(); ++x) // its head is before
      if (const QRgb c = badger->image.pixel(x, y); qAlpha(c) > 200) {
        if (qGray(c) < 60) ++dark;
        if (qGray(c) > 170) ++pale;
      }
  EXPECT_GT(dark, 20) << "its stripes";
  EXPECT_GT(pale, 20);
  // Another window shows the very same at once; of another head of that name there is none yet.
  Session other(shelf());
  EXPECT_EQ(AnimalPictures::of(other).picture(*other.catalog().pattern("badger")), badger);
  Catalog own = shelf();
  own.heads["badger"] = std::make_shared<const HeadPattern>(*own.heads.at("badger"));
  Session third(own);
  EXPECT_EQ(AnimalPictures::of(third).picture(*third.catalog().pattern("badger")), nullptr);
  // A sheep has the colour of its fleece and not of its face.
  const HeadPattern& head = *session.catalog().head("sheep");
  const QRgb sheep = mean(pictureOf("sheep")->image);
  EXPECT_LT(off(sheep, 0xff000000U | paletteColour(head, head.coat)),
            off(sheep, 0xff000000U | paletteColour(head, head.base)));
  // What is seen best from above stands on its tail: as wide as it spans.
  const AnimalPictures::Picture* beetle = pictureOf("beetle");
  EXPECT_NEAR(beetle->modules.width() / beetle->modules.height(),
              static_cast<double>(beetle->image.width()) / beetle->image.height(), 0.05);
}

TEST_F(InWoolTest, AnotherAnimalBeforeTheMatIsPaintedIsNoTrouble) {
  // The picture of the first is still to be made when the second lies there, with fewer bones.
  session.startNew(QStringLiteral("elephant"));
  MatWool own(session, nullptr);
  own.want(session.plan().figure, {MatWool::Wanted{View::Side, QRectF(-100, 0, 300, 200), 1}, {}, {}});
  ASSERT_TRUE(own.behind());
  const size_t bones = session.plan().figure->bones.size();
  session.startNew(QStringLiteral("toy_bear"));
  ASSERT_LT(session.plan().figure->bones.size(), bones);
  QTRY_VERIFY_WITH_TIMEOUT(!own.behind(), kPatience);
  EXPECT_EQ(own.picture(View::Side), nullptr);
}

TEST_F(InWoolTest, PosesAreSmallPicturesOfTheFigureInThem) {
  to(kPose);
  auto* rack = window.findChild<PoseRack*>();
  ASSERT_TRUE(rack);
  ASSERT_GT(rack->tiles().size(), 2U);
  const auto all = [&] {
    return std::all_of(rack->tiles().begin(), rack->tiles().end(),
                       [](const PoseTile* t) { return t->pictured(); });
  };
  QTRY_VERIFY_WITH_TIMEOUT(all(), kPatience);
  std::set<QByteArray> different;
  for (PoseTile* tile : rack->tiles()) {
    const QImage image = tile->grab().toImage().convertToFormat(QImage::Format_RGB32);
    different.insert(
        QByteArray(reinterpret_cast<const char*>(image.constBits()), image.sizeInBytes())); // NOLINT
  }
  EXPECT_EQ(different.size(), rack->tiles().size());
  // A change that no picture shows keeps them; another figure lets them go.
  changes::setName(session, QStringLiteral("The otter by the weir"));
  EXPECT_TRUE(all());
  EXPECT_FALSE(rack->behind());
  (void)changes::resizeBy(session, 1.25);
  QTest::qWait(1);
  EXPECT_TRUE(rack->behind() || !all());
  QTRY_VERIFY_WITH_TIMEOUT(all() && !rack->behind(), kPatience);
}
