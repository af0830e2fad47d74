// Wire's desk in the real window: tabs, drawer, allowances, bends, strands, what would help; each undone.
#include "window.h"

#include "session/changes.h"
#include "theme/theme.h"
#include "wire/allowance_panel.h"
#include "wire/bend_panel.h"
#include "wire/drawer_panel.h"
#include "wire/stock_panel.h"
#include "wire/wire_desk.h"

#include <QCheckBox>
#include <QComboBox>
#include <QListWidget>
#include <QMenu>
#include <QSignalSpy>
#include <QSpinBox>
#include <QTableWidget>
#include <QToolButton>

using namespace columna;
using namespace columna::test;

namespace {

class DeskTest : public WindowTest {
protected:
  DeskTest() {
    (void)changes::setPattern(session, QStringLiteral("red_fox"));
    (void)changes::setSize(session, SizeBy::OverallHeight, 160);
    session.setStage(kWire);
    QObject::connect(&session, &Session::refused, &session, [this](const QString& s) { refusal = s; });
  }
  [[nodiscard]] WireDesk* desk() const { return part<WireDesk>(); }
  void tab(int index) {
    QTest::mouseClick(desk()->tabs()->tab(index), Qt::LeftButton);
    QApplication::processEvents();
    ASSERT_EQ(wire().tab(), index);
  }
  [[nodiscard]] const Piece& pieceOf(const char* id) const {
    return plan().pieces[static_cast<size_t>(plan().pieceOf(limb(id)))];
  }
  QString refusal;
};

} // namespace

TEST_F(DeskTest, WireGoesIntoTheDrawerAndIsUsedFirst) {
  tab(3);
  DrawerPanel* drawer = desk()->drawer();
  type(drawer->nameField(), "odd coil");
  type(drawer->sizeField(), "1.45 mm");
  QTest::mouseClick(drawer->addButton(), Qt::LeftButton);
  ASSERT_EQ(session.project().drawer.size(), 1U);
  EXPECT_EQ(session.project().drawer[0].name, "odd coil");
  EXPECT_EQ(drawer->list()->count(), 1);
  // Nothing may be bought: every limb is of it.
  QTest::mouseClick(drawer->only(), Qt::LeftButton, {}, QPoint(8, drawer->only()->height() / 2));
  ASSERT_TRUE(session.project().drawerOnly);
  for (const LimbPlan& l : plan().limbs)
    if (l.wired) {
      EXPECT_EQ(l.section.diameter, 1.45);
    }
  QTest::keyClick(&window, Qt::Key_Z, Qt::ControlModifier);
  EXPECT_FALSE(session.project().drawerOnly);
  EXPECT_FALSE(drawer->only()->isChecked());
  QTest::keyClick(&window, Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(session.project().drawer.empty());
  EXPECT_FALSE(drawer->removeButton()->isEnabled());
}

TEST_F(DeskTest, ABareGaugeNumberAsksWhich) {
  tab(3);
  DrawerPanel* drawer = desk()->drawer();
  type(drawer->sizeField(), "18 gauge");
  QTest::mouseClick(drawer->addButton(), Qt::LeftButton);
  EXPECT_TRUE(session.project().drawer.empty());
  EXPECT_TRUE(refusal.contains(QStringLiteral("1.02")) && refusal.contains(QStringLiteral("1.22")))
      << refusal.toStdString();
  EXPECT_TRUE(refusal.contains(QStringLiteral("1.7"))) << "how much stronger: " << refusal.toStdString();
  refusal.clear();
  type(drawer->sizeField(), "1 mm");
  type(drawer->coverField(), "9 mm");
  QTest::mouseClick(drawer->addButton(), Qt::LeftButton);
  EXPECT_FALSE(refusal.isEmpty());
  EXPECT_TRUE(session.project().drawer.empty());
}

TEST_F(DeskTest, BothTestsAtTheBench) {
  tab(3);
  DrawerPanel* drawer = desk()->drawer();
  drawer->turns()->setValue(20);
  type(drawer->turnsLength(), "16.4 mm");
  EXPECT_TRUE(drawer->sizeField()->text().contains(QStringLiteral("0.82")));
  EXPECT_TRUE(drawer->result()->text().contains(QStringLiteral("AWG")));
  drawer->sizeField()->setText(QStringLiteral("1 mm"));
  QTest::mouseClick(drawer->addButton(), Qt::LeftButton);
  drawer->mass()->setText(QStringLiteral("10 g"));
  type(drawer->overhang(), "60 mm");
  EXPECT_TRUE(refusal.contains(QStringLiteral("Choose the wire"))) << "nothing is chosen yet";
  drawer->list()->setCurrentRow(0);
  type(drawer->overhang(), "60 mm");
  ASSERT_TRUE(session.project().drawer[0].yield.has_value());
  EXPECT_NEAR(session.project().drawer[0].yield->value, 35.3, 0.1);
  EXPECT_TRUE(drawer->result()->text().contains(QStringLiteral("35")));
  session.undo();
  EXPECT_FALSE(session.project().drawer[0].yield.has_value());
}

TEST_F(DeskTest, AllowancesForTheFigureAndForOnePiece) {
  tab(4);
  AllowancePanel* panel = desk()->allowances();
  const double before = pieceOf("left-foreleg").cut;
  type(panel->field(1), "20"); // the lap
  EXPECT_NEAR(pieceOf("left-foreleg").cut - before, 2 * 10 * 1.03, 1e-6);
  session.undo();
  session.select(limb("left-foreleg"));
  panel->piece()->setChecked(true);
  type(panel->field(9), "30"); // waste in mm
  EXPECT_NEAR(pieceOf("left-foreleg").cut - before, 20, 1e-6);
  EXPECT_EQ(session.project().allow, Allowances());
  session.undo();
  type(panel->field(0), "99");
  EXPECT_TRUE(refusal.contains(QStringLiteral("3 to 10"))) << refusal.toStdString();
  EXPECT_EQ(panel->field(0)->text(), QStringLiteral("5 mm"));
  changes::setUnits(session, UnitSystem::Inch);
  EXPECT_EQ(panel->field(0)->text(), QStringLiteral("0.197 in")) << "shown in the maker's units";
  type(panel->field(0), "1/4"); // inches, not millimetres
  EXPECT_NEAR(session.project().pieceAllow.begin()->second.loopInside, 6.35, 1e-9);
  type(panel->field(0), "2");
  EXPECT_TRUE(refusal.contains(QStringLiteral(" in"))) << refusal.toStdString();
  EXPECT_FALSE(refusal.contains(QStringLiteral("mm"))) << refusal.toStdString();
  session.undo();
  changes::setUnits(session, UnitSystem::Metric);
  panel->piece()->setChecked(false);
  const size_t pieces = plan().pieces.size();
  type(panel->handling(), "300 mm");
  EXPECT_GT(plan().pieces.size(), pieces) << "no wire longer than that is worked with";
}

TEST_F(DeskTest, BendsFollowTheSelection) {
  tab(2);
  session.select(limb("right-hindleg"));
  QApplication::processEvents();
  const Piece& piece = pieceOf("right-hindleg");
  EXPECT_TRUE(desk()->bends()->chooser()->currentText().contains(QString::fromStdString(piece.name)));
  QTableWidget* table = desk()->bends()->table();
  ASSERT_GT(table->rowCount(), 4);
  bool hock = false;
  for (int r = 0; r < table->rowCount(); ++r)
    hock = hock || (table->item(r, 1)->text().contains(QStringLiteral("hock")) &&
                    !table->item(r, 2)->text().isEmpty());
  EXPECT_TRUE(hock);
}

TEST_F(DeskTest, StockIsShownAndChoosesItsPiece) {
  changes::setMaterial(session, QStringLiteral("steel-florist"));
  tab(1);
  StockPanel* stock = desk()->stock();
  EXPECT_GT(stock->bars(), 2);
  EXPECT_TRUE(stock->sum().contains(QStringLiteral("straight length")));
  session.select(-1);
  QTest::mouseClick(stock, Qt::LeftButton, {}, QPoint(px(170), px(42)));
  EXPECT_GE(session.selected(), 0);
}

TEST_F(DeskTest, TheWireInAnEarIsCutThereAndChoosesTheHead) {
  session.startNew(QStringLiteral("donkey"));
  tab(1);
  StockPanel* stock = desk()->stock();
  size_t bars = 0;
  double longest = 0;
  for (const WireStock& wire : plan().stock) {
    bars += wire.cuts.bars.size();
    for (const CutBar& bar : wire.cuts.bars) longest = std::max(longest, bar.length);
  }
  EXPECT_EQ(static_cast<size_t>(stock->bars()), bars);
  size_t row = 0;
  int ears = 0;
  for (const WireStock& wire : plan().stock)
    for (const CutBar& bar : wire.cuts.bars) {
      for (const Cut& cut : bar.cuts) {
        const WirePart& part = wire.parts[static_cast<size_t>(cut.piece)];
        if (part.flat < 0) continue;
        session.select(-1);
        const double scale = (stock->width() - 240) / longest;
        QTest::mouseClick(
            stock, Qt::LeftButton, {},
            QPointF(150 + (cut.at + part.length / 2) * scale, 42 + 46 * static_cast<double>(row)).toPoint());
        EXPECT_EQ(session.selected(), limb("head"));
        ++ears;
      }
      ++row;
    }
  EXPECT_EQ(ears, 2);
  session.select(-1);
  EXPECT_TRUE(card<WireCard>()->gauges()->text().contains(QStringLiteral("2")))
      << "beside the pieces, not of them";
}

TEST_F(DeskTest, StrandsByTheCard) {
  session.select(limb("left-foreleg"));
  auto* card = this->card<WireCard>();
  card->strands()->setFocus();
  QTest::keyClick(card->strands(), Qt::Key_End); // four strands
  EXPECT_EQ(plan().limbs[static_cast<size_t>(limb("left-foreleg"))].section.wires, 4);
  EXPECT_EQ(plan().limbs[static_cast<size_t>(limb("right-foreleg"))].section.wires, 4) << "the twin follows";
  session.undo();
  EXPECT_EQ(plan().limbs[static_cast<size_t>(limb("left-foreleg"))].section.wires, 2);
  card->strands()->setCurrentIndex(1);
  emit card->strands()->activated(1);
  EXPECT_FALSE(plan().limbs[static_cast<size_t>(limb("left-foreleg"))].wired);
}

TEST_F(DeskTest, HowALimbIsHeldByTheCard) {
  session.select(limb("left-foreleg"));
  auto* card = this->card<WireCard>();
  ASSERT_EQ(card->held()->count(), 6);
  card->held()->setFocus();
  QTest::keyClick(card->held(), Qt::Key_Down);
  QTest::keyClick(card->held(), Qt::Key_Down); // glued
  for (const char* side : {"left-foreleg", "right-foreleg"})
    EXPECT_EQ(session.project().limbs.at(side).held, RootHold::Glued) << side;
  EXPECT_TRUE(std::any_of(plan().joins.begin(), plan().joins.end(),
                          [](const Join& j) { return j.kind == "awl-hole"; }));
  QTest::keyClick(card->held(), Qt::Key_End); // on a skewer: no wire, so no strands to choose
  EXPECT_FALSE(card->strands()->isEnabled());
  EXPECT_FALSE(plan().limbs[static_cast<size_t>(limb("left-foreleg"))].wired);
  for (int i = 0; i < 3; ++i) session.undo();
  EXPECT_TRUE(session.project().limbs.empty());
  EXPECT_EQ(card->held()->currentIndex(), 0);
  session.select(limb("neck"));
  EXPECT_FALSE(card->held()->isVisibleTo(card)) << "the body is what the others are held to";
}

TEST_F(DeskTest, WhatWouldHelpIsTriedAndTaken) {
  decide(session, "thin wire", [](Project& p) {
    p.drawerOnly = true;
    p.drawer = {{"thin", "aluminium-annealed", 1, 0, 0, 1, {}}};
  });
  session.select(limb("neck"));
  auto* card = this->card<WireCard>();
  const double before = plan().limbs[static_cast<size_t>(limb("neck"))].hold.hold;
  ASSERT_NE(plan().limbs[static_cast<size_t>(limb("neck"))].verdict, Level::Good);
  QSignalSpy told(card->help(), &RemedyList::told);
  QTest::mouseClick(card->help()->ask(), Qt::LeftButton);
  EXPECT_TRUE(card->help()->changes().isEmpty()) << "the window goes on while they are tried";
  ASSERT_TRUE(told.count() > 0 || told.wait(kPatience));
  const auto tries = card->help()->changes();
  ASSERT_GE(tries.size(), 3);
  const QString words = tries.front()->toolTip();
  QTest::mouseClick(tries.front(), Qt::LeftButton);
  EXPECT_GT(plan().limbs[static_cast<size_t>(limb("neck"))].hold.hold, before);
  EXPECT_TRUE(words.startsWith(QString::fromStdString(session.history().undoName()))) << words.toStdString();
  session.undo();
  EXPECT_NEAR(plan().limbs[static_cast<size_t>(limb("neck"))].hold.hold, before, 0.01 * before);
}

TEST_F(DeskTest, EveryConstructionFromTheMenuKeepsTheWindowWell) {
  for (const Construction c : kConstructions) {
    changes::setConstruction(session, c);
    for (int t = 0; t < 5; ++t) {
      tab(t);
      window.mat()->repaint();
    }
    for (size_t l = 0; l < plan().limbs.size(); ++l) session.select(static_cast<int>(l));
  }
  EXPECT_FALSE(window.grab().isNull());
}

TEST_F(DeskTest, AnEndIsDraggedToAnotherJoint) {
  changes::setConstruction(session, Construction::FoldedPair);
  session.select(limb("trunk"));
  QApplication::processEvents();
  const Viewport& v = window.mat()->port(View::Side);
  const auto ends = (*window.mat()->layer<EndLayer>()).ends(v);
  ASSERT_TRUE(ends.has_value());
  const Piece before = pieceOf("trunk");
  const size_t pieces = plan().pieces.size();
  // From the foot to the joint before it: the stretch it leaves becomes a piece of its own.
  const int to = before.route[before.route.size() - 3];
  const QPoint from = (*ends)[1].toPoint();
  const QPoint there = v.at(plan().skeleton->points[static_cast<size_t>(to)].at).toPoint();
  QTest::mousePress(window.mat(), Qt::LeftButton, {}, from);
  QTest::mouseMove(window.mat(), (from + there) / 2);
  QTest::mouseRelease(window.mat(), Qt::LeftButton, {}, there);
  ASSERT_GT(plan().pieces.size(), pieces) << refusal.toStdString();
  EXPECT_FALSE(session.project().routes.empty());
  for (const RouteChoice& c : plan().routes) EXPECT_TRUE(c.problem.empty()) << render(c.problem);
  session.undo();
  EXPECT_EQ(plan().pieces.size(), pieces);
  // By keyboard, in the table of bends.
  tab(2);
  QComboBox* end = desk()->bends()->end(1);
  end->setCurrentIndex(end->findData(to));
  emit end->activated(end->currentIndex());
  EXPECT_GT(plan().pieces.size(), pieces);
  // To a stretch that has its strands already: refused, nothing changed.
  session.undo();
  const int head = plan().skeleton->spine.points.back();
  EXPECT_TRUE(changes::moveEnd(session, plan().pieceOf(limb("trunk")), true, head).has_value());
  EXPECT_EQ(plan().pieces.size(), pieces);
}

TEST_F(DeskTest, GaugesAtHandAreSteppedTo) {
  decide(session, "odd wire", [](Project& p) {
    p.drawer = {{"odd", "aluminium-annealed", 1.1, 0, 0, 1, {}}};
  });
  session.select(limb("left-foreleg"));
  changes::setWire(session, limb("left-foreleg"), 1.0);
  QTest::keyClick(window.mat(), Qt::Key_Period);
  EXPECT_EQ(diameter("left-foreleg"), 1.1);
  QTest::keyClick(window.mat(), Qt::Key_Period);
  EXPECT_EQ(diameter("left-foreleg"), 1.3);
  QTest::keyClick(window.mat(), Qt::Key_Comma);
  EXPECT_EQ(diameter("left-foreleg"), 1.1);
}

TEST_F(DeskTest, ToesByTheCard) {
  session.select(limb("left-foreleg"));
  auto* card = this->card<WireCard>();
  const size_t pieces = plan().pieces.size();
  card->digits()->setValue(4);
  type(card->digitLength(), "7 mm");
  EXPECT_EQ(plan().pieces.size(), pieces + 2) << "both forefeet";
  card->pegs()->click();
  EXPECT_EQ(plan().pieces.size(), pieces + 8) << "each its own";
  session.undo();
  session.undo();
  EXPECT_EQ(plan().pieces.size(), pieces);
}

TEST_F(DeskTest, TheSkeletonAloneAndTheWireAsFiles) {
  QTest::keyClick(window.mat(), Qt::Key_B);
  EXPECT_TRUE(wire().bare());
  QTest::keyClick(window.mat(), Qt::Key_B);
  EXPECT_FALSE(wire().bare());
  const Scratch scratch;
  for (const char* name : {"w.svg", "w.dxf", "w.csv"}) {
    const std::string path = scratch.path(name);
    window.saveWire(QString::fromStdString(path));
    EXPECT_GT(Scratch::read(path).size(), 500U) << name;
  }
  window.saveWire(QString::fromStdString(scratch.path("w.doc")));
  EXPECT_TRUE(refusal.contains(QStringLiteral(".svg")));
}
