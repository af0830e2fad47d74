// A stage that nobody knows of: put on the list, it is on the spine, in the find box, under its key, in its
// own card, rack and layer, in the guide, the tally and a shot, with nothing else changed.
#include "shot.h"
#include "window.h"

#include "shell/dialogs.h"

#include <QCommandLineParser>
#include <QListWidget>
#include <QTextBrowser>

using namespace columna;
using namespace columna::test;

namespace {

constexpr StageId kOwn{"polish"};

/// Takes presses in the upper half of the large view, and counts what it is asked.
class OwnLayer : public MatLayer {
public:
  void paintOver(QPainter& p, const Viewport& v, bool /*large*/) override {
    ++painted;
    p.fillRect(QRectF(v.clip.topLeft(), QSizeF(9, 9)), QColor(1, 2, 3));
  }
  bool press(const Viewport& v, const QPointF& at, bool large) override {
    return large && at.y() < v.clip.center().y();
  }
  void move(const Viewport& /*v*/, const QPointF& /*at*/, Qt::KeyboardModifiers /*keys*/) override {
    ++moved;
  }
  bool release(const Viewport& /*v*/, const QPointF& /*at*/) override {
    ++released;
    return false;
  }
  bool key(QKeyEvent* event, const Viewport& /*v*/) override {
    if (event->key() != Qt::Key_Left) return false;
    ++lefts;
    return true;
  }
  void letGo() override { ++letGos; }
  int painted = 0, moved = 0, released = 0, lefts = 0, letGos = 0;
};

class OwnCard : public CardPage {
public:
  using CardPage::CardPage;
  void refresh() override { ++refreshed; }
  int refreshed = 0;
};

class OwnStage : public Stage {
public:
  using Stage::Stage;
  [[nodiscard]] StageId id() const override { return kOwn; }
  [[nodiscard]] QString title() const override { return QStringLiteral("Polish"); }
  [[nodiscard]] QString guide() const override { return QStringLiteral("wrap.md"); }
  [[nodiscard]] StageLook look() const override {
    StageLook look;
    look.hint = QStringLiteral("rub it");
    look.round = StageLook::Round::Offered;
    return look;
  }
  [[nodiscard]] CardPage* makeCard(QWidget* parent) override { return card = new OwnCard(parent); }
  [[nodiscard]] QWidget* makeRack(Mat& /*mat*/, QWidget* parent) override {
    return rack = new QListWidget(parent);
  }
  [[nodiscard]] QWidget* makeBand(QWidget* parent) override { return band = new QWidget(parent); }
  [[nodiscard]] std::vector<std::unique_ptr<MatLayer>> makeLayers(Mat& /*mat*/) override {
    std::vector<std::unique_ptr<MatLayer>> out;
    out.push_back(std::make_unique<OwnLayer>());
    return out;
  }
  [[nodiscard]] std::vector<StageKey> keys() override {
    return {{QKeySequence(QStringLiteral(",")), [this] { ++commas; }}};
  }
  [[nodiscard]] std::vector<FindEntry> finds() override {
    return {{QStringLiteral("beeswax"), QStringLiteral("polish"), [this] { ++found; }}};
  }
  [[nodiscard]] std::vector<Arrangement> arrangements() override {
    return {{QStringLiteral("shine"), QStringLiteral("1 to 5"), [this](const QString& value) {
               shine = value.toInt();
               return shine >= 1 && shine <= 5;
             }}};
  }
  [[nodiscard]] bool settled() const override { return true; }
  [[nodiscard]] int toLookAt() const override { return static_cast<int>(mine.size()); }
  [[nodiscard]] const std::vector<Finding>* findings() const override { return &mine; }
  void entered() override { ++ins; }
  void left() override { ++outs; }

  OwnCard* card = nullptr;
  QWidget* rack = nullptr;
  QWidget* band = nullptr;
  std::vector<Finding> mine{
      {Level::Wrong, "figure", say("It does not shine; rub it."), say("dull"), Topic::Wool}};
  int commas = 0, found = 0, shine = 0, ins = 0, outs = 0;
};

Stages withOwn(Session& session, OwnStage*& own) {
  Stages all = allStages(session);
  auto mine = std::make_unique<OwnStage>(session);
  own = mine.get();
  all.push_back(std::move(mine));
  return all;
}

class OwnStageTest : public ::testing::Test {
protected:
  OwnStageTest() : session(shelf()), window(session, withOwn(session, own)) {
    window.resize(1280, 800);
    window.show();
    (void)QTest::qWaitForWindowExposed(&window);
    window.activateWindow();
  }
  /// It is the last.
  void enter() {
    QTest::keyClick(&window, static_cast<Qt::Key>(Qt::Key_0 + static_cast<int>(window.stages().size())),
                    Qt::AltModifier);
  }
  OwnLayer* layer() { return window.mat()->layer<OwnLayer>(); }

  Session session;
  OwnStage* own = nullptr;
  MainWindow window;
};

} // namespace

TEST_F(OwnStageTest, IsOnTheSpineWithItsStateAndUnderItsKey) {
  const auto vertebrae = window.findChildren<Vertebra*>();
  ASSERT_EQ(vertebrae.size(), stageKeys().size() + 1) << "one more than the program's";
  EXPECT_EQ(vertebrae.last()->text(), QStringLiteral("Polish"));
  EXPECT_TRUE(vertebrae.last()->accessibleName().contains(u'1')) << "one thing to look at";
  EXPECT_EQ(own->ins, 0);
  enter();
  EXPECT_EQ(session.stage(), kOwn);
  EXPECT_TRUE(vertebrae.last()->isChecked());
  EXPECT_TRUE(own->card->isVisible());
  EXPECT_TRUE(own->rack->isVisible());
  EXPECT_TRUE(own->band->isVisible());
  EXPECT_GT(own->card->refreshed, 0);
  QTest::mouseClick(vertebrae.first(), Qt::LeftButton);
  EXPECT_EQ(session.stage(), kStudy);
  EXPECT_FALSE(own->card->isVisible());
  EXPECT_FALSE(own->band->isVisible());
  EXPECT_EQ(own->ins, 1);
  EXPECT_EQ(own->outs, 1);
}

TEST_F(OwnStageTest, SharesAKeyWithAnotherStageAndHasItsOwnWhileItIsOn) {
  QTest::keyClick(&window, Qt::Key_Comma);
  EXPECT_EQ(own->commas, 0) << "Wire's key too; neither is on";
  enter();
  QTest::keyClick(&window, Qt::Key_Comma);
  EXPECT_EQ(own->commas, 1);
  EXPECT_FALSE(session.history().canUndo()) << "no wire was changed";
  session.setStage(kWire);
  session.select(*session.plan().figure->limb("trunk"));
  QTest::keyClick(&window, Qt::Key_Period);
  EXPECT_EQ(own->commas, 1);
  EXPECT_TRUE(session.history().canUndo());
  session.endRun();
}

TEST_F(OwnStageTest, ItsLayerTakesTheHandAndTheKeysBeforeTheMat) {
  enter();
  Mat* mat = window.mat();
  QApplication::processEvents();
  EXPECT_GT(layer()->painted, 0);
  const QRectF clip = mat->port(mat->mainView()).clip;
  const QImage seen = mat->grab().toImage();
  EXPECT_EQ(seen.pixelColor((clip.topLeft() + QPointF(4, 4)).toPoint()), QColor(1, 2, 3));
  const int trunk = *session.plan().figure->limb("trunk");
  session.select(trunk);
  const QPoint upper(qRound(clip.center().x()), qRound(clip.top()) + 20);
  QTest::mousePress(mat, Qt::LeftButton, {}, upper);
  QTest::mouseMove(mat, upper + QPoint(5, 0));
  QTest::mouseRelease(mat, Qt::LeftButton, {}, upper + QPoint(5, 0));
  EXPECT_GT(layer()->moved, 0);
  EXPECT_EQ(layer()->released, 1);
  EXPECT_EQ(session.selected(), trunk) << "the mat did not see the press";
  QTest::keyClick(mat, Qt::Key_Left);
  EXPECT_EQ(layer()->lefts, 1);
  const int before = layer()->letGos;
  session.setStage(kPose);
  const int painted = layer()->painted;
  mat->repaint();
  EXPECT_EQ(layer()->painted, painted) << "not in another stage";
  session.setStage(kOwn);
  EXPECT_GT(layer()->letGos, before);
}

TEST_F(OwnStageTest, IsFoundWithWhatItHasAndHasItsGuide) {
  const auto find = [&](const char* words) {
    QTimer::singleShot(0, [words] {
      auto* box = qobject_cast<FindBox*>(QApplication::activeModalWidget());
      ASSERT_NE(box, nullptr);
      QTest::keyClicks(box->field(), QString::fromUtf8(words));
      QTest::keyClick(box->field(), Qt::Key_Return);
    });
    window.find();
  };
  find("polish stage");
  EXPECT_EQ(session.stage(), kOwn);
  find("beeswax");
  EXPECT_EQ(own->found, 1);
  showGuide(*own, &window);
  auto* page = window.findChild<QTextBrowser*>();
  ASSERT_NE(page, nullptr);
  EXPECT_GT(page->toPlainText().size(), 800);
  page->window()->close();
}

TEST_F(OwnStageTest, ItsOwnFindingsAreToldWhileItIsOn) {
  enter();
  EXPECT_TRUE(window.tally()->findings()->accessibleName().contains(QStringLiteral("dull")));
  window.tally()->nextFinding();
  EXPECT_EQ(session.stage(), kOwn) << "they are mended here";
  session.setStage(kStudy);
  EXPECT_FALSE(window.tally()->findings()->accessibleName().contains(QStringLiteral("dull")));
}

TEST_F(OwnStageTest, ANewThemeBuildsTheWindowAnewAndTheStageStays) {
  enter();
  OwnCard* before = own->card;
  QTest::keyClick(&window, Qt::Key_T, Qt::ControlModifier);
  QApplication::processEvents();
  QApplication::processEvents();
  EXPECT_NE(own->card, before);
  EXPECT_TRUE(own->card->isVisible());
  EXPECT_EQ(session.stage(), kOwn);
  EXPECT_EQ(own->outs, 0);
  QTest::keyClick(&window, Qt::Key_T, Qt::ControlModifier);
  QApplication::processEvents();
}

TEST(OwnStageShot, IsTakenWithWhatItCanBeToldAndRefusesTheRest) {
  const Scratch scratch;
  const auto shoot = [&](const QStringList& more) {
    Session session(shelf());
    OwnStage* own = nullptr;
    Stages stages = withOwn(session, own);
    QCommandLineParser parser;
    addShotOptions(parser, {QStringLiteral("polish")});
    EXPECT_TRUE(parser.parse(
        QStringList{QStringLiteral("columna"), QStringLiteral("--shot"), QStringLiteral("polish")} + more));
    return takeShot(session, std::move(stages), parser, {QString::fromStdString(scratch.path("own.png"))});
  };
  EXPECT_FALSE(shoot({QStringLiteral("--with"), QStringLiteral("shine=3")}));
  EXPECT_EQ(QImage(QString::fromStdString(scratch.path("own.png"))).size(), QSize(1280, 800));
  EXPECT_TRUE(shoot({QStringLiteral("--with"), QStringLiteral("shine=9")}));
  EXPECT_TRUE(shoot({QStringLiteral("--with"), QStringLiteral("gloss=3")}));
  EXPECT_TRUE(shoot({QStringLiteral("--size"), QStringLiteral("large")}));
}
