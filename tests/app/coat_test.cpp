// How the coat is made, a ready core, how finely it is made: in Wrap, by mouse and keyboard.
#include "window.h"

#include "wrap/coat_panel.h"

#include <QComboBox>
#include <QPushButton>
#include <QSlider>

using namespace columna;
using namespace columna::test;

namespace {

class CoatTest : public WindowTest {
protected:
  void SetUp() override {
    session.startNew(QStringLiteral("shaggy_cow"));
    to(kWrap);
    session.finishSolid();
    wrapView().setTab(2);
    panel = window.findChild<CoatPanel*>();
    ASSERT_TRUE(panel);
  }
  /// The entry of a box that is taken by its arrow keys, as a hand would.
  static void take(QComboBox* box, int index) {
    box->setFocus();
    while (box->currentIndex() < index) QTest::keyClick(box, Qt::Key_Down);
    while (box->currentIndex() > index) QTest::keyClick(box, Qt::Key_Up);
  }
  static void empty(QLineEdit* field) {
    field->setFocus();
    field->selectAll();
    QTest::keyClick(field, Qt::Key_Delete);
    QTest::keyClick(field, Qt::Key_Return);
  }
  [[nodiscard]] WrapCard* wrap() { return card<WrapCard>(); }
  [[nodiscard]] std::vector<double> girths() const {
    std::vector<double> out;
    for (const LimbWool& w : plan().wool->limbs)
      for (const Girth& g : w.girths) out.push_back(g.finished);
    return out;
  }
  CoatPanel* panel = nullptr;
};

} // namespace

TEST_F(CoatTest, TheLivingPeltIsOfferedAndLaidInRows) {
  const std::vector<double> before = girths();
  const double laid = plan().wool->coatLaid;
  EXPECT_EQ(session.project().wool.finish, CoatFinish::Felted);
  EXPECT_LT(laid, 3) << "what hides the core, not what the animal wears";
  ASSERT_TRUE(panel->offerKey()->isVisible());
  QTest::mouseClick(panel->offerKey(), Qt::LeftButton);
  EXPECT_EQ(session.project().wool.finish, CoatFinish::Fur);
  ASSERT_TRUE(session.project().wool.furShown.has_value());
  EXPECT_GT(*session.project().wool.furShown, laid);
  double fur = 0;
  for (const LimbWool& w : plan().wool->limbs) fur += w.fur;
  EXPECT_GT(fur, 0) << "fur has its own mass";
  EXPECT_FALSE(panel->offerKey()->isVisible());
  const std::vector<double> after = girths();
  ASSERT_EQ(after.size(), before.size());
  for (size_t i = 0; i < after.size(); ++i) EXPECT_NEAR(after[i], before[i], 0.01 * before[i] + 0.05);
  session.undo();
  EXPECT_EQ(session.project().wool.finish, CoatFinish::Felted);
  EXPECT_TRUE(panel->offerKey()->isVisible());
}

TEST_F(CoatTest, EveryWayOfMakingItByKeyboard) {
  const CoatFinish ways[] = {CoatFinish::Felted, CoatFinish::Brushed, CoatFinish::Yarn, CoatFinish::Fur,
                             CoatFinish::Feathers};
  for (const CoatFinish way : ways) {
    take(panel->finishBox(), static_cast<int>(way));
    EXPECT_EQ(session.project().wool.finish, way);
    EXPECT_EQ(panel->furField()->isVisible(), inRows(way));
    EXPECT_EQ(session.project().wool.furShown.has_value(), inRows(way));
    EXPECT_FALSE(panel->words()->text().isEmpty());
    if (!inRows(way)) continue;
    type(panel->furField(), "22");
    EXPECT_NEAR(*session.project().wool.furShown, 22, 1e-9);
    int tufts = 0;
    for (const LimbWool& w : plan().wool->limbs) tufts += w.furRows.tufts;
    EXPECT_GT(tufts, 0) << static_cast<int>(way);
  }
  // No length of it: the felted coat again.
  take(panel->finishBox(), static_cast<int>(CoatFinish::Fur));
  empty(panel->furField());
  EXPECT_EQ(session.project().wool.finish, CoatFinish::Felted);
}

TEST_F(CoatTest, AReadyCoreIsSetIntoTheTrunkByHand) {
  session.select(limb("trunk"));
  const double before = plan().wool->limbs[static_cast<size_t>(limb("trunk"))].core;
  const double mass = plan().totals.mass;
  EXPECT_FALSE(wrap()->readySize()->isVisible());
  take(wrap()->readyBox(), 2);
  ASSERT_EQ(session.project().wool.ready.size(), 1U);
  EXPECT_EQ(session.project().wool.ready.front().kind, ReadyKind::Foam);
  EXPECT_TRUE(wrap()->readySize()->isVisible());
  type(wrap()->readySize(), "30 x 20");
  type(wrap()->readyGrams(), "1.2");
  const ReadyCore& core = session.project().wool.ready.front();
  EXPECT_NEAR(core.length, 30, 1e-9);
  EXPECT_NEAR(core.across, 20, 1e-9);
  EXPECT_NEAR(core.deep, 20, 1e-9);
  EXPECT_NEAR(core.grams, 1.2, 1e-9);
  const LimbWool& trunk = plan().wool->limbs[static_cast<size_t>(limb("trunk"))];
  EXPECT_GT(trunk.saved, 0);
  EXPECT_LT(trunk.core, before);
  EXPECT_NEAR(before - trunk.core, trunk.saved, 0.02 * before);
  EXPECT_NEAR(plan().totals.mass, mass - trunk.saved + trunk.ready, 0.05);
  // Moved along by the keyboard.
  const double at = core.at;
  wrap()->readyPlace()->setFocus();
  QTest::keyClick(wrap()->readyPlace(), Qt::Key_Right);
  EXPECT_TRUE(QTest::qWaitFor([&] { return session.project().wool.ready.front().at > at; }, kPatience));
  // Sizes that no core has are refused, and nothing is lost.
  QString refused;
  QObject::connect(&session, &Session::refused, &session, [&](const QString& s) { refused = s; });
  for (const char* bad : {"2", "900", "a ball", "10 x 10 x 10 x 10", "-5"}) {
    refused.clear();
    type(wrap()->readySize(), bad);
    EXPECT_FALSE(refused.isEmpty()) << bad;
    EXPECT_NEAR(session.project().wool.ready.front().length, 30, 1e-9) << bad;
  }
  take(wrap()->readyBox(), 0);
  EXPECT_TRUE(session.project().wool.ready.empty());
  EXPECT_NEAR(plan().totals.mass, mass, 1e-6);
}

TEST_F(CoatTest, FinishDecidesTheHours) {
  session.select(-1);
  double last = 0;
  for (int i = 0; i < 4; ++i) {
    take(wrap()->finishBox(), i);
    EXPECT_EQ(session.project().finish, static_cast<Finish>(i));
    const double minutes = plan().time.total;
    EXPECT_GT(minutes, last) << "finer takes longer";
    last = minutes;
  }
}

TEST_F(CoatTest, AnEmptyCoatFieldIsTheUsualCoatAgain) {
  session.select(-1);
  const double usual = plan().wool->coatLaid;
  type(wrap()->coatField(), "4");
  EXPECT_NEAR(plan().wool->coatLaid, 4, 1e-9);
  empty(wrap()->coatField());
  EXPECT_NEAR(plan().wool->coatLaid, usual, 1e-9);
}
