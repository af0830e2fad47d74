// What a stage measures is in the record of the making by itself, and goes and comes with it.
#include "make_window.h"

#include "make/record_panel.h"
#include "steps/measures.h"
#include "wrap/stop_panel.h"
#include "wrap/wrap_desk.h"

#include <QSignalSpy>

using namespace columna;
using namespace columna::test;

namespace {

class MeasuresTest : public MakeTest {
protected:
  [[nodiscard]] std::vector<Entry> measured() const {
    std::vector<Entry> out;
    const auto gone = withdrawn(session.record());
    for (const Entry& e : session.record())
      if (isMeasure(e) && !gone.contains(e.id)) out.push_back(e);
    return out;
  }
  void tape(const char* text) {
    to(kWrap);
    session.select(limb("trunk"));
    part<WrapDesk>()->tabs()->tab(3)->click();
    type(part<WrapDesk>()->stop()->tapeField(), text);
  }
};

} // namespace

TEST_F(MeasuresTest, ATapeTypedInWrapIsInTheRecordAndUndoesThere) {
  const Girth g = plan().wool->limbs[static_cast<size_t>(limb("trunk"))].girths.front();
  tape(QByteArray::number(g.felted - 14).constData());
  ASSERT_EQ(measured().size(), 1U);
  EXPECT_EQ(measured()[0].kind, EntryKind::GirthRead);
  EXPECT_NEAR(*measured()[0].value, g.felted - 14, 1e-3);
  EXPECT_EQ(measured()[0].limb, "trunk");
  EXPECT_TRUE(secondsOf(measured()[0].at));
  session.undo();
  EXPECT_TRUE(measured().empty());
  session.redo();
  ASSERT_EQ(measured().size(), 1U);
  EXPECT_EQ(count(EntryKind::GirthRead), 1U) << "one reading, whatever was undone";
  // It is on the disk already, and the file that is saved has it once.
  Session other(shelf());
  ASSERT_FALSE(other.open(path));
  EXPECT_EQ(other.record().size(), session.record().size());
  const size_t before = session.record().size();
  ASSERT_FALSE(session.save(path));
  EXPECT_EQ(session.record().size(), before);
  // The bench asks for the steps' own readings all the same, and is not confused by it.
  to(kMake);
  settle();
  EXPECT_EQ(view().cameOut(), nullptr);
}

TEST_F(MeasuresTest, WithdrawnInTheRecordItIsOutOfTheProjectAndComesBack) {
  tape("150 mm");
  ASSERT_EQ(session.project().wool.records.size(), 1U);
  to(kMake);
  part<MakeDesk>()->tabs()->tab(2)->click();
  RecordPanel* record = part<RecordPanel>();
  ASSERT_EQ(record->list()->count(), 1);
  EXPECT_FALSE(record->list()->item(0)->text().contains(QStringLiteral("measure/")));
  record->list()->setCurrentRow(0);
  QTest::mouseClick(record->withdrawKey(), Qt::LeftButton);
  EXPECT_TRUE(session.project().wool.records.empty());
  EXPECT_TRUE(record->list()->item(0)->font().strikeOut());
  record->list()->setCurrentRow(0);
  QTest::mouseClick(record->withdrawKey(), Qt::LeftButton);
  ASSERT_EQ(session.project().wool.records.size(), 1U);
  EXPECT_FALSE(record->list()->item(0)->font().strikeOut());
  session.undo();
  EXPECT_TRUE(record->list()->item(0)->font().strikeOut()) << "that undoes like any change";
}

TEST_F(MeasuresTest, WhatABallIsMadeOfIsMeasuredAgainRatherThanHalfBroughtBack) {
  Project p = session.project();
  p.wool.ball = TestBall{38.5, 4.1, Firmness::Firm, {}};
  ASSERT_FALSE(session.apply(QStringLiteral("ball"), p));
  ASSERT_EQ(measured().size(), 2U);
  const std::string weight = measured()[1].id;
  ASSERT_FALSE(view().withdraw(weight));
  EXPECT_FALSE(session.project().wool.ball);
  EXPECT_TRUE(measured().empty()) << "its diameter went with it";
  std::string back;
  for (const Entry& e : session.record())
    if (e.of == weight) back = e.id;
  QSignalSpy refused(&session, &Session::refused);
  const auto sentence = view().withdraw(back);
  ASSERT_TRUE(sentence);
  EXPECT_EQ(refused.count(), 1);
  session.undo();
  EXPECT_EQ(measured().size(), 2U);
}

TEST_F(MeasuresTest, AFigureOfBeforeThatIsToldItsMeasuresWithTheirDays) {
  Project p = session.project();
  p.made = {{"head", 52, {}, "2026-11-20"}};
  const QString old = folder.filePath(QStringLiteral("old.columna"));
  ProjectFile file;
  file.project = p;
  ASSERT_FALSE(saveProject(old.toStdString(), file));
  ASSERT_FALSE(session.open(old));
  EXPECT_TRUE(session.record().empty()) << "nothing is written by looking at it";
  ASSERT_FALSE(session.save(old));
  ASSERT_EQ(measured().size(), 1U);
  EXPECT_EQ(measured()[0].at.substr(0, 10), "2026-11-20");
  ASSERT_FALSE(session.save(old));
  ASSERT_FALSE(session.open(old));
  ASSERT_FALSE(session.save(old));
  EXPECT_EQ(session.record().size(), 1U) << "once";
}

TEST_F(MeasuresTest, AFigureWithoutAFileIsMeasuredInPeaceAndToldWithItsFirst) {
  session.startNew(QStringLiteral("red_fox"));
  QSignalSpy refused(&session, &Session::refused);
  tape("150 mm");
  EXPECT_EQ(refused.count(), 0);
  EXPECT_TRUE(session.record().empty());
  ASSERT_FALSE(session.save(folder.filePath(QStringLiteral("fox.columna"))));
  EXPECT_EQ(measured().size(), 1U);
}

TEST_F(MeasuresTest, WhatIsTurnedUpAndDownUnderTheHandIsToldOnceItLetsGo) {
  Project p = session.project();
  for (const double staple : {60.0, 61.0, 62.0}) {
    p.wool.coat.staple = staple;
    ASSERT_FALSE(session.apply(QStringLiteral("staple"), p, QStringLiteral("staple")));
    EXPECT_TRUE(session.record().empty());
  }
  session.endRun();
  ASSERT_EQ(measured().size(), 1U);
  EXPECT_EQ(*measured()[0].value, 62);
}
