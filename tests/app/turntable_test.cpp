// The turntable's picture and the flat views show the same work in the same stance.
#include "kit/tone.h"
#include "window.h"

#include "pose/carried.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "theme/theme.h"
#include "turn/turntable.h"
#include "turn/wool_paint.h"
#include "wrap/mark_layer.h"

#include <QSignalSpy>

using namespace columna;
using namespace columna::test;

namespace {

class TurntableTest : public WindowTest {
protected:
  void SetUp() override {
    WindowTest::SetUp();
    // Its tail as far to one side of the neutral stance as it goes.
    PatternPose up;
    up.name = "tail up";
    up.turns[bone("tail", 0).patternBone] = Turn{-0.8, 0, 0};
    changes::setStance(session, QStringLiteral("tail up"), up);
    to(kWrap);
    session.finishSolid();
  }
  [[nodiscard]] const FigureBone& bone(const char* part, int which) const {
    return boneOf(session.plan().figure, part, which);
  }
  [[nodiscard]] const FigureBone& boneOf(const Figure& figure, const char* part, int which) const {
    const std::vector<int>& bones = figure.limbs[static_cast<size_t>(limb(part))].bones;
    return figure.bones[static_cast<size_t>(which < 0 ? bones.back() : bones[static_cast<size_t>(which)])];
  }
  Turntable* table() { return window.mat()->turntable(); }
  void rest() { QTRY_VERIFY_WITH_TIMEOUT(!table()->behind(), kPatience); }
};

Vec3 middle(const FigureBone& bone) { return (bone.begin + bone.end) / 2; }

} // namespace

TEST_F(TurntableTest, TheFlatViewsShowTheStanceAndMarkingTheNeutralOne) {
  QTest::keyClick(window.mat(), Qt::Key_T);
  ASSERT_FALSE(table()->isVisible());
  const Vec3 posed = middle(boneOf(session.stance().plan().figure, "tail", -1));
  const Vec3 neutral = middle(bone("tail", -1));
  ASSERT_GT((posed - neutral).norm(), 15);
  EXPECT_EQ(&window.mat()->shown(), &session.stance().plan());
  // A click where the raised tail is drawn takes the tail.
  const Viewport v = window.mat()->port(View::Side);
  session.select(-1);
  QTest::mouseClick(window.mat(), Qt::LeftButton, {}, v.at(posed).toPoint());
  EXPECT_EQ(session.selected(), limb("tail"));
  // The work under way is in that stance too.
  session.build().setBuilt(0.4 * session.build().built());
  EXPECT_NEAR(
      (boneOf(builtPlan().figure, "tail", -1).end - boneOf(session.stance().plan().figure, "tail", -1).end)
          .norm(),
      0, 1e-9);
  wrapView().setMarking(true);
  EXPECT_EQ(&window.mat()->shown(), &session.plan()) << "a marking lies on the neutral stance";
  EXPECT_NEAR((boneOf(builtPlan().figure, "tail", -1).end - bone("tail", -1).end).norm(), 0, 1e-9);
  QTest::keyClick(window.mat(), Qt::Key_Escape);
  EXPECT_FALSE(wrapView().marking());
  EXPECT_EQ(&window.mat()->shown(), &session.stance().plan());
  wrapView().setTab(2);
  EXPECT_EQ(&window.mat()->shown(), &session.plan()) << "so is the page of coat and markings";
  // The turntable over them keeps the stance.
  QTest::keyClick(window.mat(), Qt::Key_T);
  ASSERT_TRUE(table()->isVisible());
  const QImage onThatPage = table()->picture();
  wrapView().setTab(0);
  table()->setThroughWool(true); // drawn anew
  table()->setThroughWool(false);
  EXPECT_EQ(table()->picture(), onThatPage);
  QTest::keyClick(window.mat(), Qt::Key_T);
  // Another stance is followed, wherever it was changed.
  changes::setStance(session, QStringLiteral("as it was"), PatternPose());
  EXPECT_NEAR(
      (boneOf(builtPlan().figure, "tail", -1).end - boneOf(session.stance().plan().figure, "tail", -1).end)
          .norm(),
      0, 1e-9);
}

TEST_F(TurntableTest, MarkingsGoWithTheirBones) {
  const FigureBone tip = bone("tail", -1);
  const double scale = plan().figure->scale;
  Marking m;
  m.name = "tip";
  m.tone = Tone::Dark;
  const Vec2 c = project(middle(tip), View::Side) / scale;
  const double r = 6 / scale;
  m.outline = {c + Vec2(-r, -r), c + Vec2(r, -r), c + Vec2(r, r), c + Vec2(-r, r)};
  decide(session, "marking", [&](Project& p) {
    p.wool.markings = {m};
    p.wool.coat.tone = Tone::Pale;
  });
  const WoolPaint paint(session, true);
  const QRgb dark = toneColour(Tone::Dark).rgb();
  const int b = plan().figure->limbs[static_cast<size_t>(limb("tail"))].bones.back();
  const FigureBone now = boneOf(session.stance().plan().figure, "tail", -1);
  const Vec3 towardsEye = boneTurn(tip, now) * Vec3(0, -1, 0);
  EXPECT_EQ(paint.at(middle(now), towardsEye, b), dark);
  EXPECT_EQ(paint.at(middle(now), -towardsEye, b), dark) << "on both sides";
  EXPECT_NE(paint.at(middle(now) + 10 * (now.begin - now.end).normalized(), towardsEye, b), dark);
  EXPECT_EQ(paint.of(limb("tail")), paint.of(limb("trunk"))) << "parts without their markings are alike";
  // The chosen part is tinted, marking and all.
  session.select(limb("tail"));
  const WoolPaint chosen(session, true);
  EXPECT_NE(chosen.at(middle(now), towardsEye, b), dark);
  EXPECT_NE(chosen.of(limb("tail")), chosen.of(limb("trunk")));
  decide(session, "one side", [](Project& p) { p.wool.markings[0].both = false; });
  session.select(-1);
  const WoolPaint one(session, true);
  EXPECT_EQ(one.at(middle(now), towardsEye, b), dark);
  EXPECT_NE(one.at(middle(now), -towardsEye, b), dark);
}

TEST_F(TurntableTest, TheFinePictureFollowsAndAStaleOneIsDropped) {
  rest();
  const QImage first = table()->picture();
  // Chosen: the picture stays as it is until the tinted one is there.
  session.select(limb("tail"));
  EXPECT_TRUE(table()->behind());
  EXPECT_EQ(table()->picture(), first);
  rest();
  const QImage tinted = table()->picture();
  EXPECT_NE(tinted, first);
  // Changes on top of each other: the last one is what is shown.
  session.select(-1);
  for (const double share : {0.9, 0.6, 0.3, 1.0})
    session.build().setBuilt(share * buildTotal(session.build().steps()));
  EXPECT_NE(table()->picture(), first) << "coarse at once";
  rest();
  EXPECT_EQ(table()->picture(), first) << "the same work from the same side";
  // Picking is by the picture that is shown.
  const Vec3 posed = middle(boneOf(session.stance().plan().figure, "tail", -1));
  QTest::mouseClick(table(), Qt::LeftButton, {}, table()->camera().at(posed).toPoint());
  EXPECT_EQ(session.selected(), limb("tail"));
}

TEST_F(TurntableTest, EveryAnimalFillsItsViewAndNoneIsCutOff) {
  session.build().setBuilt(buildTotal(session.build().steps()));
  for (const char* animal : {"red_fox", "deer", "heron", "brown_hare", "dragon"}) {
    changes::setPattern(session, QString::fromLatin1(animal));
    session.finishSolid();
    for (const double turn : {0.0, 0.7}) {
      table()->turnBy(turn, 0);
      table()->fit();
      rest();
      const QImage image = table()->picture();
      QRect drawn;
      for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x)
          if (qAlpha(image.pixel(x, y)) > 128) drawn |= QRect(x, y, 1, 1);
      const QRect inner = image.rect().adjusted(px(6), px(6), -px(6), -px(6));
      EXPECT_TRUE(inner.contains(drawn))
          << animal << ' ' << drawn.x() << ' ' << drawn.y() << ' ' << drawn.right() << ' ' << drawn.bottom();
      EXPECT_GT(std::max(static_cast<double>(drawn.width()) / inner.width(),
                         static_cast<double>(drawn.height()) / inner.height()),
                0.6)
          << animal;
    }
  }
}
