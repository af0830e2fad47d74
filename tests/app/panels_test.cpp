// Panels that other tests only pass by, each by mouse and keyboard: routes, life, allowances, character,
// comparing, ready cores and what is measured.
#include "window.h"

#include "measure/quantity.h"

#include "pose/life_panel.h"
#include "pose/pose_rack.h"
#include "study/character_panel.h"
#include "study/compare_panel.h"
#include "study/study_rack.h"
#include "wire/allowance_panel.h"
#include "wire/bend_panel.h"
#include "wire/stock_panel.h"
#include "wire/wire_desk.h"
#include "wrap/stop_panel.h"
#include "wrap/wrap_desk.h"

#include <QCheckBox>
#include <QComboBox>
#include <QListWidget>
#include <QPushButton>
#include <QSlider>
#include <QSpinBox>
#include <QTableWidget>

using namespace columna;
using namespace columna::test;

namespace {

class PanelsTest : public WindowTest {
protected:
  void settle() {
    for (int k = 0; k < 4; ++k) QApplication::processEvents();
  }
  QPushButton* key(QWidget* in, const QString& words) {
    for (auto* each : in->findChildren<QPushButton*>())
      if (each->text() == words) return each;
    return nullptr;
  }
};

} // namespace

TEST_F(PanelsTest, AnotherWayThroughIsTakenAndTheFirstOneComesRoundAgain) {
  (void)changes::setPattern(session, QStringLiteral("red_fox"));
  session.setStage(kWire);
  wire().setTab(2);
  settle();
  BendPanel* bends = part<WireDesk>()->bends();
  int tried = 0;
  for (int piece = 0; piece < bends->chooser()->count(); ++piece) {
    bends->chooser()->setCurrentIndex(piece);
    settle();
    if (!bends->another()->isVisible()) continue;
    const int group = plan().pieces[static_cast<size_t>(piece)].group;
    const std::string name = plan().groups[static_cast<size_t>(group)].name;
    size_t ways = 0;
    for (const RouteChoice& c : plan().routes)
      if (c.group == name) ways = c.ways.size();
    ASSERT_GT(ways, 1U);
    bends->another()->click();
    settle();
    EXPECT_TRUE(session.project().routes.contains(name));
    for (const Piece& each : plan().pieces) EXPECT_GT(each.cut, 0);
    session.undo();
    ++tried;
    break;
  }
  if (tried == 0) {
    EXPECT_TRUE(std::all_of(plan().routes.begin(), plan().routes.end(), [](const RouteChoice& c) {
      return c.ways.size() < 2;
    })) << "there are other ways, and no key for them";
  }
}

TEST_F(PanelsTest, TheBendTableHasARowForEveryBendOfTheChosenPiece) {
  (void)changes::setPattern(session, QStringLiteral("heron"));
  session.setStage(kWire);
  wire().setTab(2);
  settle();
  BendPanel* bends = part<WireDesk>()->bends();
  ASSERT_EQ(bends->chooser()->count(), static_cast<int>(plan().pieces.size()));
  for (int piece = 0; piece < bends->chooser()->count(); ++piece) {
    bends->chooser()->setCurrentIndex(piece);
    emit bends->chooser()->activated(piece);
    settle();
    // Whatever comes from beside the window meanwhile, the piece that is looked at stays.
    changes::setName(session, QStringLiteral("Heron %1").arg(piece));
    settle();
    EXPECT_EQ(bends->chooser()->currentIndex(), piece);
    EXPECT_GE(bends->table()->rowCount(),
              static_cast<int>(plan().pieces[static_cast<size_t>(piece)].bends.size()))
        << plan().pieces[static_cast<size_t>(piece)].tag;
    for (int row = 0; row < bends->table()->rowCount(); ++row)
      for (int column = 0; column < bends->table()->columnCount(); ++column) {
        const QTableWidgetItem* item = bends->table()->item(row, column);
        EXPECT_FALSE(item && item->text().contains(QStringLiteral("nan")));
      }
  }
}

TEST_F(PanelsTest, PosesGoneThroughAreTickedOneByOneAndNoneIsNone) {
  changes::savePose(session, QStringLiteral("one"));
  changes::savePose(session, QStringLiteral("two"));
  to(kPose);
  poseView().setTab(1);
  settle();
  LifePanel* life = part<PoseRack>()->life();
  auto* list = life->findChild<QListWidget*>();
  const auto ticked = [&] {
    int count = 0;
    for (int i = 0; i < list->count(); ++i) count += list->item(i)->checkState() == Qt::Checked ? 1 : 0;
    return count;
  };
  ASSERT_EQ(ticked(), 2) << "the maker's own, until something is chosen";
  for (int left = 1; left >= 0; --left) {
    for (int i = 0; i < list->count(); ++i)
      if (list->item(i)->checkState() == Qt::Checked) {
        list->item(i)->setCheckState(Qt::Unchecked);
        break;
      }
    settle();
    EXPECT_EQ(ticked(), left);
  }
  ASSERT_TRUE(session.project().stances.goThrough);
  EXPECT_TRUE(session.project().stances.goThrough->empty()) << "none, not all";
  auto* times = life->findChild<QSpinBox*>();
  times->setFocus();
  times->setValue(17);
  QTest::keyClick(times, Qt::Key_Return);
  EXPECT_EQ(session.project().stances.times, 17);
  QPushButton* record = key(life, LifePanel::tr("I re-posed it"));
  ASSERT_NE(record, nullptr);
  QTest::keyClick(record, Qt::Key_Space);
  ASSERT_EQ(session.project().stances.made.size(), 1U);
  EXPECT_EQ(session.project().stances.made[0].date.size(), 10U);
}

TEST_F(PanelsTest, AllowancesOfOnePieceAreItsOwnUntilTheUsualOnesComeBack) {
  (void)changes::setPattern(session, QStringLiteral("red_fox"));
  session.setStage(kWire);
  session.select(limb("trunk"));
  wire().setTab(4);
  settle();
  AllowancePanel* panel = part<WireDesk>()->allowances();
  auto* mine = panel->findChild<QCheckBox*>();
  ASSERT_TRUE(mine->isEnabled());
  mine->click();
  const AllowanceField& field = allowanceFields[2]; // an end to hold while twisting
  QLineEdit* typed = nullptr;
  for (auto* each : panel->findChildren<QLineEdit*>())
    if (each->accessibleName() == QString::fromUtf8(field.words)) typed = each;
  ASSERT_NE(typed, nullptr);
  const double cut = plan().pieces[static_cast<size_t>(plan().pieceOf(limb("trunk")))].cut;
  type(typed, "40");
  ASSERT_EQ(session.project().pieceAllow.size(), 1U);
  EXPECT_EQ(session.project().allow, Allowances()) << "the figure's stay";
  EXPECT_GE(plan().pieces[static_cast<size_t>(plan().pieceOf(limb("trunk")))].cut, cut);
  type(typed, "4000");
  EXPECT_EQ(session.project().pieceAllow.begin()->second.gripTail, 40) << "refused, and shown as it was";
  EXPECT_EQ(*parseLength(typed->text().toStdString()), 40);
  QPushButton* usual = key(panel, AllowancePanel::tr("The usual ones"));
  ASSERT_NE(usual, nullptr);
  usual->click();
  EXPECT_TRUE(session.project().pieceAllow.empty());
}

TEST_F(PanelsTest, TheDialFromTrueToToyRunsAsOneStepAndIsPutBackByAKey) {
  study().setWay(Way::Character);
  settle();
  CharacterPanel* panel = part<StudyRack>()->character();
  const auto sliders = panel->findChildren<QSlider*>();
  ASSERT_FALSE(sliders.isEmpty());
  QSlider* age = sliders.front();
  age->setFocus();
  for (int k = 0; k < 8; ++k) QTest::keyClick(age, Qt::Key_Right);
  session.endRun();
  EXPECT_GT(session.project().shape.character.head, 1);
  EXPECT_GT(session.project().shape.character.eyes, 1);
  const double head = session.project().shape.character.head;
  session.undo();
  EXPECT_LT(session.project().shape.character.head, head);
  while (session.history().canRedo()) session.redo();
  QPushButton* life = key(panel, CharacterPanel::tr("True to life"));
  if (!life) life = key(panel, CharacterPanel::tr("true to life"));
  ASSERT_NE(life, nullptr);
  life->click();
  EXPECT_EQ(session.project().shape.character, Character());
}

TEST_F(PanelsTest, AnAnimalIsLaidOverAnotherAndItsRatiosAreTold) {
  study().setWay(Way::Compare);
  settle();
  ComparePanel* panel = part<StudyRack>()->compare();
  auto* with = panel->findChild<QComboBox*>();
  ASSERT_GE(with->count(), 30);
  auto* rows = panel->findChild<RatioRows*>();
  const QString own = rows->accessibleDescription();
  ASSERT_FALSE(own.isEmpty());
  with->setFocus();
  const int other = with->findData(QStringLiteral("giraffe"));
  with->setCurrentIndex(other);
  emit with->activated(other);
  settle();
  EXPECT_EQ(study().compared(), QStringLiteral("giraffe"));
  EXPECT_NE(rows->accessibleDescription(), own);
  EXPECT_FALSE(session.history().canUndo()) << "looking changes nothing";
}

TEST_F(PanelsTest, AGirthThatIsOverOffersAnotherSizeAndAMeasureCanBeForgotten) {
  session.setStage(kWrap);
  session.select(limb("trunk"));
  wrapView().setTab(3);
  settle();
  StopPanel* panel = part<WrapDesk>()->stop();
  const auto& girths = plan().wool->limbs[static_cast<size_t>(limb("trunk"))].girths;
  ASSERT_FALSE(girths.empty());
  const double wanted = girths.front().felted;
  QLineEdit* tape = nullptr;
  for (auto* each : panel->findChildren<QLineEdit*>())
    if (!tape) tape = each;
  ASSERT_NE(tape, nullptr);
  const double high = plan().figure->overallHeight;
  type(tape, std::to_string(1.2 * wanted).c_str());
  ASSERT_EQ(session.project().wool.records.size(), 1U);
  EXPECT_NEAR(session.project().wool.records[0].value, 1.2 * wanted, 0.01);
  QPushButton* resize = nullptr;
  QPushButton* forget = nullptr;
  for (auto* each : panel->findChildren<QPushButton*>()) {
    if (each->isVisible() && each->text().contains(u'%')) resize = each;
    if (each->text() == StopPanel::tr("Remove")) forget = each;
  }
  ASSERT_NE(resize, nullptr) << "a fifth over";
  resize->click();
  EXPECT_NEAR(plan().figure->overallHeight, 1.2 * high, 0.02 * high);
  session.undo();
  ASSERT_NE(forget, nullptr);
  forget->click();
  EXPECT_TRUE(session.project().wool.records.empty());
}
