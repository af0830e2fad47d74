// Whatever is done in whatever order: the window lives, the plan is whole, undo goes back to the beginning
// and redo to the end.
#include "file/project_json.h"
#include "report/plan_json.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "window.h"

#include <nlohmann/json.hpp>

#include <functional>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

class Hand {
public:
  Hand(Session& session, MainWindow& window, unsigned seed) : s_(session), window_(window), chance_(seed) {
    learn();
  }

  /// Does one thing, and says what it was.
  std::string act() {
    auto& [name, act] = acts_[static_cast<size_t>(pick(static_cast<int>(acts_.size())))];
    act();
    return name;
  }

private:
  int pick(int below) { return std::uniform_int_distribution<int>(0, below - 1)(chance_); }
  double between(double low, double high) {
    return std::uniform_real_distribution<double>(low, high)(chance_);
  }
  /// A size as people type it, sometimes one nothing can have.
  double size(double low, double high) {
    switch (pick(8)) {
    case 0:
      return -between(low, high);
    case 1:
      return 0;
    case 2:
      return 1e6;
    default:
      return between(low, high);
    }
  }
  int limb() { return pick(static_cast<int>(s_.plan().figure->limbs.size())); }
  int bone() { return pick(static_cast<int>(s_.plan().figure->bones.size())); }

  void learn() {
    study();
    wire();
    pose();
    wrap();
    acts_.emplace_back("undo", [this] { s_.undo(); });
    acts_.emplace_back("redo", [this] { s_.redo(); });
    acts_.emplace_back("select", [this] { s_.select(pick(4) == 0 ? -1 : limb()); });
    acts_.emplace_back("stage",
                       [this] { s_.setStage(window_.stages()[static_cast<size_t>(pick(4))]->id()); });
    acts_.emplace_back("units", [this] { changes::setUnits(s_, static_cast<UnitSystem>(pick(2))); });
    acts_.emplace_back("name", [this] {
      changes::setName(s_, pick(3) ? QStringLiteral("Ötter %1").arg(pick(9)) : QString());
    });
  }

  void study() {
    acts_.emplace_back("animal", [this] {
      static const std::array<const char*, 5> ids{"river_otter", "heron", "red_fox", "beetle",
                                                  "no such animal"};
      (void)changes::setPattern(s_, QString::fromLatin1(ids[static_cast<size_t>(pick(5))]));
    });
    acts_.emplace_back("size",
                       [this] { (void)changes::setSize(s_, static_cast<SizeBy>(pick(3)), size(60, 300)); });
    acts_.emplace_back("size under the hand", [this] {
      for (int k = 0; k < 4; ++k)
        (void)changes::setSize(s_, SizeBy::OverallHeight, between(80, 200), QStringLiteral("drag size"));
      s_.endRun();
    });
    acts_.emplace_back("bone", [this] { (void)changes::setBoneLength(s_, bone(), size(5, 60)); });
    acts_.emplace_back("girth", [this] {
      (void)changes::changeGirth(s_, bone(), pick(3), between(0.5, 1.6), between(0.5, 1.6),
                                 between(-0.2, 0.2));
    });
    acts_.emplace_back("put back", [this] { changes::putBack(s_, pick(3) == 0 ? -1 : bone()); });
    acts_.emplace_back("made", [this] {
      (void)changes::setMade(s_, {s_.plan().figure->limbs[static_cast<size_t>(limb())].family,
                                  pick(3) ? std::optional(size(20, 120)) : std::nullopt, std::nullopt,
                                  "2026-11-26"});
    });
    acts_.emplace_back("way",
                       [this] { window_.stage<StudyStage>()->view().setWay(static_cast<Way>(pick(6))); });
  }

  void wire() {
    acts_.emplace_back("construction",
                       [this] { changes::setConstruction(s_, static_cast<Construction>(pick(8))); });
    acts_.emplace_back("use", [this] { changes::setUse(s_, static_cast<Use>(pick(3))); });
    acts_.emplace_back("material", [this] {
      const auto& all = s_.catalog().materials;
      changes::setMaterial(
          s_, QString::fromStdString(all[static_cast<size_t>(pick(static_cast<int>(all.size())))].id));
    });
    acts_.emplace_back("thicker", [this] { (void)changes::stepWire(s_, limb(), pick(2) ? 1 : -1); });
    acts_.emplace_back("wire", [this] { (void)changes::setWire(s_, limb(), size(0.3, 4)); });
    acts_.emplace_back("as reckoned", [this] { changes::clearWire(s_, limb()); });
    acts_.emplace_back("tied", [this] { changes::toggleTied(s_, limb()); });
    acts_.emplace_back("strands", [this] {
      static const std::array<int, 4> wires{0, 1, 2, 4};
      changes::setWires(s_, limb(),
                        pick(3) ? std::optional(wires[static_cast<size_t>(pick(4))]) : std::nullopt);
    });
    acts_.emplace_back("digits", [this] {
      PieceRules::Digits d;
      d.count = pick(6);
      d.length = between(2, 20);
      d.pegs = pick(2) == 0;
      changes::setDigits(s_, limb(), pick(3) ? std::optional(d) : std::nullopt);
    });
    acts_.emplace_back("tab", [this] { window_.stage<WireStage>()->view().setTab(pick(5)); });
  }

  void pose() {
    acts_.emplace_back("stance", [this] {
      PatternPose p;
      for (int k = 0; k < 3; ++k)
        p.turns[s_.plan().figure->bones[static_cast<size_t>(bone())].patternBone] =
            Turn{between(-2, 2), between(-2, 2), between(-2, 2)};
      changes::setStance(s_, QStringLiteral("anyhow"), p);
    });
    acts_.emplace_back("next pose", [this] { changes::stepPose(s_, pick(2) ? 1 : -1); });
    acts_.emplace_back("keep pose", [this] {
      (void)changes::savePose(s_, pick(4) ? QStringLiteral("kept %1").arg(pick(3)) : QString());
    });
    acts_.emplace_back("drop pose",
                       [this] { changes::removePose(s_, QStringLiteral("kept %1").arg(pick(3))); });
  }

  void wrap() {
    acts_.emplace_back("firmness",
                       [this] { changes::setFirmness(s_, limb(), static_cast<Firmness>(pick(3))); });
    acts_.emplace_back("coat", [this] { (void)changes::setCoat(s_, size(0, 12)); });
    acts_.emplace_back("density", [this] {
      (void)changes::setDensity(s_, limb(), pick(3) ? std::optional(size(0.05, 0.3)) : std::nullopt);
    });
    acts_.emplace_back("coat way",
                       [this] { changes::setCoatWay(s_, limb(), static_cast<CoatWay>(pick(3))); });
    acts_.emplace_back("ball", [this] {
      (void)decide(s_, "ball", [this](Project& p) {
        WoolWish& w = p.wool;
        if (pick(2))
          w.ball = TestBall{between(20, 60), between(1, 12), static_cast<Firmness>(pick(3)), {}};
        else
          w.ball.reset();
      });
    });
    acts_.emplace_back("marking", [this] {
      (void)decide(s_, "marking", [this](Project& p) {
        Marking m;
        m.name = "spot";
        m.view = static_cast<View>(pick(3));
        m.tone = static_cast<Tone>(pick(3));
        const double x = between(-2, 2);
        const double y = between(0, 2);
        m.outline = {{x, y}, {x + 0.5, y}, {x + 0.2, y + 0.4}};
        p.wool.markings.push_back(m);
      });
    });
    acts_.emplace_back("fur", [this] {
      (void)decide(s_, "fur", [this](Project& p) {
        p.wool.furShown = pick(2) ? std::optional(between(2, 60)) : std::nullopt;
      });
    });
    acts_.emplace_back("build-up",
                       [this] { s_.build().setBuilt(between(-1, 1.2) * buildTotal(s_.build().steps())); });
    acts_.emplace_back("wrap tab", [this] { window_.stage<WrapStage>()->view().setTab(pick(4)); });
    acts_.emplace_back("mark", [this] { window_.stage<WrapStage>()->view().setMarking(pick(2) == 0); });
    acts_.emplace_back("resize", [this] { (void)changes::resizeBy(s_, between(0.8, 1.25)); });
  }

  Session& s_;
  MainWindow& window_;
  std::mt19937 chance_;
  std::vector<std::pair<std::string, std::function<void()>>> acts_;
};

class AnyOrder : public WindowTest, public ::testing::WithParamInterface<unsigned> {};

} // namespace

TEST_P(AnyOrder, TheWindowLivesAndEverythingUndoes) {
  const nlohmann::json begun = toJson(session.project());
  Hand hand(session, window, GetParam());
  std::string done;
  for (int k = 0; k < 70; ++k) {
    done += hand.act() + ", ";
    QApplication::processEvents();
    const Plan& plan = session.plan();
    ASSERT_EQ(plan.limbs.size(), plan.figure->limbs.size()) << done;
    ASSERT_EQ(plan.wool->limbs.size(), plan.figure->limbs.size()) << done;
    ASSERT_LT(session.selected(), static_cast<int>(plan.figure->limbs.size())) << done;
    ASSERT_TRUE(std::isfinite(plan.totals.mass) && plan.totals.mass > 0) << done;
    ASSERT_EQ(session.stance().plan().figure->bones.size(), plan.figure->bones.size()) << done;
    ASSERT_EQ(session.build().plan(false).figure->tubes.size(), plan.figure->tubes.size()) << done;
    ASSERT_EQ(session.build().plan(true).figure->tubes.size(), session.stance().plan().figure->tubes.size())
        << done;
    bool newer = false;
    const auto again = projectFromJson(toJson(session.project()), "f", newer);
    ASSERT_TRUE(again.ok()) << done << again.problem().sentence();
    ASSERT_EQ(toJson(*again), toJson(session.project())) << done;
  }
  // To the end first: the last of what was done may have been undone.
  while (session.history().canRedo()) session.redo();
  const nlohmann::json ended = toJson(session.project());
  const double mass = [&] {
    session.finishSolid();
    return session.plan().totals.mass;
  }();
  int steps = 0;
  for (; session.history().canUndo(); ++steps) session.undo();
  EXPECT_GT(steps, 10);
  EXPECT_EQ(toJson(session.project()), begun) << done;
  for (; session.history().canRedo(); --steps) session.redo();
  EXPECT_EQ(steps, 0);
  EXPECT_EQ(toJson(session.project()), ended) << done;
  session.finishSolid();
  EXPECT_EQ(session.plan().totals.mass, mass) << "the same project, the same plan";
}

INSTANTIATE_TEST_SUITE_P(Seeds, AnyOrder, ::testing::Values(1U, 2U, 3U));
