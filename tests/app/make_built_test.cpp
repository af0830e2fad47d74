// At the bench a part comes out otherwise than planned: asked once, three answers, one key each.
#include "make_window.h"

#include "make/last_time.h"
#include "make/make_card.h"

#include <QPushButton>

using namespace columna;
using namespace columna::test;

namespace {

class BuiltTest : public MakeTest {
protected:
  void SetUp() override {
    MakeTest::SetUp();
    view().setHandFile(folder.filePath(QStringLiteral("hand.json")).toStdString());
  }
  [[nodiscard]] int step(const char* id) { return view().steps()->find(id).value_or(-1); }
  Goal girth(const char* id) {
    for (const Goal& g : view().steps()->steps[static_cast<size_t>(step(id))].goals)
      if (g.what == Goal::What::Round) return g;
    ADD_FAILURE() << id;
    return {};
  }
  /// Reads a part's girth and waits for what can be done.
  void readRound(const char* id, double ratio) {
    view().choose(step(id));
    const Goal goal = girth(id);
    ASSERT_FALSE(view().read(goal, ratio * goal.value));
    QTRY_VERIFY_WITH_TIMEOUT(!view().answers().empty(), kPatience);
  }
  void done(const char* id) {
    Entry e;
    e.at = zonedText(now);
    e.step = id;
    e.kind = EntryKind::Begin;
    ASSERT_FALSE(session.noteDown(e));
    minutes(5);
    e.at = zonedText(now);
    e.kind = EntryKind::Done;
    ASSERT_FALSE(session.noteDown(e));
  }
  /// All wire is bent, and the part is firm.
  void wireIsBent() {
    for (const Step& s : std::vector<Step>(view().steps()->steps))
      if (s.piece >= 0) done(s.id.c_str());
  }
  std::vector<std::string> offered() {
    std::vector<std::string> out;
    for (const QPushButton* each : card<MakeCard>()->answers())
      out.push_back(each->objectName().toStdString());
    return out;
  }
};

} // namespace

TEST_F(BuiltTest, TheRestFollowsByOneClickUndoesAndIsAskedOnce) {
  wireIsBent();
  done("wind/trunk");
  readRound("firm/trunk", 1.1);
  done("firm/trunk");
  session.select(-1);
  EXPECT_EQ(offered(), (std::vector<std::string>{"rest", "keep"}));
  const Project before = session.project();
  const double planned = girth("firm/trunk").value;
  const double length = plan().figure->limbs[static_cast<size_t>(limb("left-hindleg"))].length;
  const double across =
      widestAcross(plan().figure, plan().figure->limbs[static_cast<size_t>(limb("left-hindleg"))]);
  QTest::mouseClick(card<MakeCard>()->answers().front(), Qt::LeftButton);
  settle();
  EXPECT_FALSE(session.project() == before);
  const FigureLimb& leg = plan().figure->limbs[static_cast<size_t>(limb("left-hindleg"))];
  EXPECT_NEAR(leg.length, length, 1e-6) << "its wire is bent";
  EXPECT_GT(widestAcross(plan().figure, leg), 1.05 * across);
  EXPECT_EQ(view().cameOut(), nullptr) << "asked once";
  EXPECT_EQ(count(EntryKind::MadeChoice), 1U);
  // The trunk as it is planned now is what was read of it.
  EXPECT_NEAR(girth("firm/trunk").value, 1.1 * planned, 0.02 * planned);
  session.undo();
  settle();
  EXPECT_TRUE(session.project() == before);
  EXPECT_EQ(view().cameOut(), nullptr) << "what was decided stays written down";
}

TEST_F(BuiltTest, AtTheBenchItIsAskedInItsOwnWordsAndAnsweredByAKey) {
  wireIsBent();
  done("wind/left-foreleg");
  atBench();
  readRound("firm/left-foreleg", 1.2);
  EXPECT_TRUE(bench()->cameOut()->isVisible());
  // At another step nothing is asked, and its keys do nothing.
  const Project before = session.project();
  view().choose(step("print/sheet"));
  EXPECT_FALSE(bench()->cameOut()->isVisible());
  for (const Qt::Key key : {Qt::Key_T, Qt::Key_M, Qt::Key_K}) press(key);
  EXPECT_EQ(count(EntryKind::MadeChoice), 0U);
  EXPECT_TRUE(session.project() == before);
  view().choose(step("firm/left-foreleg"));
  EXPECT_TRUE(bench()->cameOut()->isVisible());
  const double planned = girth("firm/right-foreleg").value;
  const double read = 1.2 * girth("firm/left-foreleg").value;
  press(Qt::Key_T);
  EXPECT_FALSE(bench()->cameOut()->isVisible());
  EXPECT_NEAR(girth("firm/right-foreleg").value, read, 1e-6);
  EXPECT_NE(planned, read);
  // Taken back in the record the twin is as planned.
  std::string decided;
  for (const Entry& e : session.record())
    if (e.kind == EntryKind::MadeChoice) decided = e.id;
  ASSERT_FALSE(view().withdraw(decided));
  EXPECT_NEAR(girth("firm/right-foreleg").value, planned, 1e-6);
  ASSERT_TRUE(view().cameOut()) << "and it is asked again";
  QTRY_VERIFY_WITH_TIMEOUT(!view().answers().empty(), kPatience);
  press(Qt::Key_K);
  EXPECT_EQ(view().cameOut(), nullptr);
  EXPECT_NEAR(girth("firm/right-foreleg").value, planned, 1e-6);
}

TEST_F(BuiltTest, AnotherAnimalMeanwhileIsNoAnswerToThisOne) {
  readRound("firm/trunk", 1.1);
  ASSERT_TRUE(view().cameOut());
  ASSERT_FALSE(view().read(girth("firm/trunk"), 1.12 * girth("firm/trunk").value)); // asks anew
  ASSERT_FALSE(changes::setPattern(session, QStringLiteral("heron")));
  EXPECT_TRUE(view().answers().empty());
  settle();
  QApplication::processEvents();
  for (const BuiltAnswer& each : view().answers())
    if (each.project) {
      EXPECT_EQ(each.project->pattern, "heron");
    }
}

TEST_F(BuiltTest, WireThatIsInIsNotAskedToBeAnother) {
  ASSERT_FALSE(changes::setWire(session, limb("trunk"), 0.6));
  const auto told = [this] {
    for (const Finding& f : session.findings())
      if (f.where == "trunk" && f.topic == Topic::Wire) return f;
    return Finding();
  };
  const Finding before = told();
  ASSERT_FALSE(before.text.empty());
  to(kWire);
  session.select(limb("trunk"));
  auto* help = card<WireCard>()->help();
  EXPECT_TRUE(help->ask()->isVisible());
  to(kMake);
  settle();
  done("wind/trunk");
  EXPECT_TRUE(session.wireIn(limb("trunk")));
  EXPECT_NE(told().text, before.text);
  EXPECT_EQ(told().level, before.level);
  to(kWire);
  EXPECT_FALSE(help->ask()->isVisible()) << "no other wire is offered";
  // Taken back, it can be another again.
  ASSERT_FALSE(view().withdraw(session.record().back().id));
  EXPECT_FALSE(session.wireIn(limb("trunk")));
  EXPECT_EQ(told().text, before.text);
}

TEST_F(BuiltTest, WhatWasWrittenForTheNextIsShownAtTheNext) {
  atBench();
  ASSERT_FALSE(view().write(EntryKind::NextTime, QStringLiteral("toes too fat: take <b>less</b>")));
  press(Qt::Key_Escape);
  ASSERT_FALSE(session.save(path));
  EXPECT_TRUE(card<MakeCard>()->lastTime()->notes().isEmpty()) << "not at the figure itself";
  session.startNew(QStringLiteral("red_fox"));
  to(kMake);
  settle();
  EXPECT_TRUE(card<MakeCard>()->lastTime()->notes().isEmpty()) << "it is an otter's";
  session.startNew(QStringLiteral("river_otter"));
  settle();
  session.select(-1);
  auto* list = card<MakeCard>()->lastTime();
  ASSERT_EQ(list->notes().size(), 1);
  EXPECT_TRUE(list->notes().front()->text().contains(QStringLiteral("toes too fat")));
  EXPECT_EQ(list->notes().front()->textFormat(), Qt::PlainText) << "as it was written";
  list->buttons().front()->setFocus();
  QTest::keyClick(list->buttons().front(), Qt::Key_Space);
  EXPECT_TRUE(card<MakeCard>()->lastTime()->notes().isEmpty());
  EXPECT_TRUE(
      lastTime(handAt(folder.filePath(QStringLiteral("hand.json")).toStdString()).hand, "river_otter", "")
          .empty());
}
