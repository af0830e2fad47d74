// The first choice of a new figure, by mouse and keyboard, and the first size that follows.
#include "window.h"

#include "session/changes.h"
#include "study/animal_board.h"

#include <set>

using namespace columna;
using namespace columna::test;

namespace {

class FirstChoiceTest : public WindowTest {
protected:
  void SetUp() override {
    QTest::keyClick(&window, Qt::Key_N, Qt::ControlModifier);
    QApplication::processEvents();
    ASSERT_TRUE(board()->isVisible());
  }
  [[nodiscard]] AnimalBoard* board() const { return qobject_cast<AnimalBoard*>(window.board()); }
  [[nodiscard]] PatternTile* tile(const QString& id) const {
    for (PatternTile* each : board()->tiles())
      if (each->id() == id) return each;
    return nullptr;
  }
};

} // namespace

TEST_F(FirstChoiceTest, EveryAnimalIsOnTheMatWithoutOverlap) {
  const std::vector<PatternTile*>& tiles = board()->tiles();
  ASSERT_EQ(tiles.size(), session.catalog().patterns.size());
  std::set<std::string> closed; // families that were left
  std::string family;
  for (size_t i = 0; i < tiles.size(); ++i) {
    EXPECT_TRUE(board()->rect().contains(QRect(tiles[i]->mapTo(board(), QPoint()), tiles[i]->size())))
        << tiles[i]->text().toStdString() << " is seen without scrolling";
    for (size_t j = 0; j < i; ++j) EXPECT_FALSE(tiles[i]->geometry().intersects(tiles[j]->geometry()));
    if (tiles[i]->pattern().family != family) {
      EXPECT_TRUE(closed.insert(tiles[i]->pattern().family).second) << "families stay together";
      family = tiles[i]->pattern().family;
    }
  }
  EXPECT_GT(board()->height(), 500) << "the whole mat";
}

TEST_F(FirstChoiceTest, AClickBeginsAFigureOneCanHold) {
  QTest::mouseClick(tile(QStringLiteral("red_fox")), Qt::LeftButton);
  EXPECT_FALSE(board()->isVisible());
  EXPECT_EQ(session.project().pattern, "red_fox");
  EXPECT_EQ(session.stage(), kStudy);
  const Figure& f = plan().figure;
  EXPECT_NEAR(std::max(f.overallHeight, f.totalLength), 180, 6);
  EXPECT_NEAR(std::fmod(session.project().size.mm, 5), 0, 1e-9);
  EXPECT_FALSE(session.history().canUndo()) << "a new figure has nothing to undo";
  EXPECT_LT(plan().totals.mass, 60);
}

TEST_F(FirstChoiceTest, TheKeyboardGoesAboutTheBoardAndLeavesIt) {
  const std::string before = session.project().pattern;
  const std::vector<PatternTile*>& tiles = board()->tiles();
  EXPECT_TRUE(tiles[0]->hasFocus());
  QTest::keyClick(tiles[0], Qt::Key_Right);
  EXPECT_TRUE(tiles[1]->hasFocus());
  QTest::keyClick(tiles[1], Qt::Key_Down);
  PatternTile* below = nullptr;
  for (PatternTile* each : tiles)
    if (each->hasFocus()) below = each;
  ASSERT_TRUE(below);
  EXPECT_GT(below->y(), tiles[1]->y());
  QTest::keyClick(below, Qt::Key_Up);
  EXPECT_TRUE(tiles[1]->hasFocus());
  QTest::keyClick(tiles[1], Qt::Key_Escape);
  EXPECT_FALSE(board()->isVisible());
  EXPECT_EQ(session.project().pattern, before) << "left without a choice";
  QTest::keyClick(&window, Qt::Key_N, Qt::ControlModifier);
  ASSERT_TRUE(board()->isVisible());
  tiles[2]->setFocus();
  QTest::keyClick(tiles[2], Qt::Key_Return);
  EXPECT_EQ(session.project().pattern, tiles[2]->id().toStdString());
}

TEST_F(FirstChoiceTest, AskedAboutUnsavedWorkFirst) {
  QTest::keyClick(board()->tiles().front(), Qt::Key_Escape);
  changes::setSize(session, SizeBy::OverallHeight, 111);
  answer(QMessageBox::Cancel);
  QTest::keyClick(&window, Qt::Key_N, Qt::ControlModifier);
  EXPECT_FALSE(said.isEmpty());
  EXPECT_FALSE(board()->isVisible());
  EXPECT_NEAR(session.project().size.mm, 111, 1e-9);
}
