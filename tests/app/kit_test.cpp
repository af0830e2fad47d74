// The widgets that anyone uses: a desk with its tabs, sentences of problems, settings.
#include "kit/desk.h"
#include "kit/dot.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "theme/theme.h"

#include <QLabel>
#include <QSignalSpy>
#include <QTest>

#include <gtest/gtest.h>

using namespace columna;

TEST(Kit, ADeskShowsThePageOfItsTabAlone) {
  Desk desk(QStringLiteral("Bench"), {QStringLiteral("First page"), QStringLiteral("Second page")},
            {QStringLiteral("First"), QStringLiteral("Second")}, nullptr);
  auto* one = new QLabel(QStringLiteral("one"));
  auto* two = new QLabel(QStringLiteral("two"));
  desk.addPage(one);
  desk.addPage(two, false);
  desk.resize(600, 200);
  desk.show();
  desk.setCurrent(0);
  EXPECT_EQ(desk.accessibleName(), QStringLiteral("Bench"));
  EXPECT_TRUE(one->isVisible());
  EXPECT_FALSE(two->isVisible());
  QSignalSpy chosen(desk.tabs(), &TabRow::chosen);
  QTest::mouseClick(desk.tabs()->tab(1), Qt::LeftButton);
  ASSERT_EQ(chosen.count(), 1);
  EXPECT_EQ(chosen[0][0].toInt(), 1);
  EXPECT_TRUE(one->isVisible()) << "whoever owns it decides";
  desk.setCurrent(1);
  EXPECT_TRUE(two->isVisible());
  EXPECT_TRUE(desk.tabs()->tab(1)->isChecked());
  EXPECT_FALSE(desk.tabs()->tab(0)->isChecked());
  desk.tabs()->tab(0)->setFocus();
  QTest::keyClick(desk.tabs()->tab(0), Qt::Key_Space);
  EXPECT_EQ(chosen.count(), 2) << "by keyboard too";
}

TEST(Kit, LargeTextTakesTheShorterNamesAndKeepsTheFullOnesForReaders) {
  setTextScale(2);
  const TabRow tabs({QStringLiteral("Photo to trace")}, {QStringLiteral("Photo")}, nullptr);
  EXPECT_EQ(tabs.tab(0)->text(), QStringLiteral("Photo"));
  EXPECT_EQ(tabs.tab(0)->accessibleName(), QStringLiteral("Photo to trace"));
  setTextScale(1);
}

TEST(Kit, AProblemIsOneSentenceWithACapitalAndAStop) {
  EXPECT_EQ(
      sentence({say("no wire is that thick"), {}, say("give up to {}", Length(10, 0))}, UnitSystem::Metric),
      QStringLiteral("No wire is that thick; give up to 10 mm."));
  EXPECT_EQ(
      sentence({say("no wire is that thick"), {}, say("give up to {}", Length(254, 0))}, UnitSystem::Inch),
      QStringLiteral("No wire is that thick; give up to 10 in."));
  EXPECT_EQ(sentence({say("is not a project"), "otter.columna", {}}, UnitSystem::Metric),
            QStringLiteral("otter.columna: is not a project."));
  EXPECT_FALSE(sentence({say("two\nlines"), {}, {}}, UnitSystem::Metric).contains(u'\n'));
  EXPECT_EQ(sentence({say("it ends already."), {}, {}}, UnitSystem::Metric).count(u'.'), 1);
}

TEST(Kit, ADotLooksAsAStrokedCircleDoes) {
  const auto drawn = [](bool kept) {
    QImage image(60, 60, QImage::Format_RGB32);
    image.fill(QColor(240, 230, 210));
    QPainter p(&image);
    p.setRenderHint(QPainter::Antialiasing);
    const QPen pen(QColor(40, 30, 25), 2.2);
    const QColor fill(250, 248, 240);
    const QPointF at(29.3, 30.7);
    if (kept) {
      paintDot(p, at, 11, pen, fill);
    } else {
      p.setPen(pen);
      p.setBrush(fill);
      p.drawEllipse(at, 11.0, 11.0);
    }
    return image;
  };
  const QImage kept = drawn(true);
  const QImage stroked = drawn(false);
  int off = 0;
  int ink = 0;
  for (int y = 0; y < 60; ++y)
    for (int x = 0; x < 60; ++x) {
      const int difference = std::abs(qRed(kept.pixel(x, y)) - qRed(stroked.pixel(x, y)));
      EXPECT_LT(difference, 60) << x << " " << y;
      off += difference > 25 ? 1 : 0;
      ink += qRed(stroked.pixel(x, y)) < 100 ? 1 : 0;
    }
  EXPECT_GT(ink, 80) << "a ring there is";
  EXPECT_LT(off, 12);
}
