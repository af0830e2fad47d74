// Files of versions that were: each opens for ever, with what its maker decided. When the format changes, a
// file of the version before is added here and never changed.
#include "file/columna_file.h"

#include "file/project_json.h"
#include "report/plan_json.h"
#include "support.h"

#include <random>

#include <csignal>
#include <sys/wait.h>
#include <unistd.h>

using namespace columna;
using namespace columna::test;

namespace {

ProjectFile kept(const char* name) {
  auto file = openProject(std::filesystem::path(COLUMNA_TESTS_DIR) / "files" / name);
  EXPECT_TRUE(file) << (file ? "" : file.problem().sentence());
  return file ? std::move(file).value() : ProjectFile();
}

} // namespace

TEST(KeptFiles, Version1) {
  const ProjectFile file = kept("version-1.columna");
  EXPECT_TRUE(file.messages.empty());
  EXPECT_FALSE(file.readOnly);
  const Project& p = file.project;
  EXPECT_EQ(p.name, "Fox of version 1");
  EXPECT_EQ(p.pattern, "red_fox");
  EXPECT_EQ(p.construction, Construction::TwistedLimbs);
  EXPECT_EQ(p.size.by, SizeBy::OverallHeight);
  EXPECT_EQ(p.size.mm, 170);
  EXPECT_EQ(p.coat, 1.4);
  EXPECT_EQ(p.finish, Finish::Fine);
  EXPECT_EQ(p.shape.character.head, 1.25);
  ASSERT_EQ(p.made.size(), 2U);
  EXPECT_EQ(p.made[0].length, 118);
  EXPECT_EQ(p.made[0].across, 47);
  const LimbChoice& tail = p.limbs.at("tail");
  EXPECT_EQ(tail.material, "copper-soft");
  EXPECT_EQ(tail.diameter, 0.8);
  EXPECT_EQ(tail.firmness, Firmness::Soft);
  EXPECT_NEAR(tail.density.value(), 0.18e-3, 1e-12);
  EXPECT_EQ(tail.coatWay, CoatWay::AllCoat);
  EXPECT_EQ(tail.wires, 2);
  EXPECT_EQ(tail.held, RootHold::Glued);
  EXPECT_EQ(p.limbs.at("left-foreleg").digits->count, 4);
  ASSERT_EQ(p.drawer.size(), 2U);
  EXPECT_EQ(p.drawer[0].count, 6);
  EXPECT_EQ(p.drawer[0].yield->low, 60);
  EXPECT_EQ(p.drawer[1].length, 0);
  EXPECT_EQ(p.mostWires, 4);
  EXPECT_EQ(p.handling, 1500);
  EXPECT_EQ(p.allow.lap, 12);
  EXPECT_EQ(p.pieceAllow.at("tail").loopInside, 4);
  ASSERT_EQ(p.photos.size(), 1U);
  EXPECT_EQ(p.photos[0].landmarks.at("nose"), Vec2(850, 120));
  const Stances& s = p.stances;
  EXPECT_NEAR(s.now.turns.at("neck1").flex, 12 * kDegree, 1e-12);
  ASSERT_EQ(s.saved.size(), 1U);
  EXPECT_NEAR(s.saved[0].whole.flex, 2 * kDegree, 1e-12);
  EXPECT_EQ(s.support.feet, Feet::Base);
  EXPECT_EQ(s.support.baseMass, 250);
  EXPECT_EQ(s.hands, Hands::Sore);
  EXPECT_EQ(s.legError, 1.1);
  EXPECT_EQ(s.goThrough.value().size(), 2U);
  ASSERT_EQ(s.made.size(), 2U);
  EXPECT_FALSE(s.made[0].swings) << "recorded before turns were kept";
  EXPECT_NEAR(s.made[1].swings->at("neck1"), 12 * kDegree, 1e-12);
  const WoolWish& w = p.wool;
  EXPECT_EQ(w.ball->measured.size(), 3U);
  EXPECT_NEAR(w.core.linear.value(), 3.5e-3, 1e-12);
  EXPECT_EQ(w.coat.staple, 85);
  EXPECT_EQ(w.furShown, 25);
  EXPECT_EQ(w.finish, CoatFinish::Fur);
  EXPECT_EQ(w.ready.at(0).kind, ReadyKind::Foam);
  EXPECT_EQ(w.markings.at(0).outline.size(), 3U);
  ASSERT_EQ(w.records.size(), 2U);
  EXPECT_EQ(w.records[0].value, 61);
  EXPECT_EQ(w.records[1].what, WrapRecord::What::Left);
  // It can be planned, and what others put there comes through a save.
  EXPECT_GT(planned(p).totals.mass, 0);
  EXPECT_EQ(file.others.at("notes/of-another-program.txt"), "kept");
  const Scratch scratch;
  ASSERT_FALSE(saveProject(scratch.path("again.columna"), file));
  const auto again = openProject(scratch.path("again.columna"));
  ASSERT_TRUE(again);
  EXPECT_EQ(toJson(again->project), toJson(p));
  EXPECT_EQ(toJson(again->project)["of_another_program"]["kept"], true);
  EXPECT_EQ(again->others, file.others);
}

TEST(KeptFiles, Version2) {
  // It has something of every field there was; each is written again as it was read.
  const ProjectFile file = kept("version-2.columna");
  EXPECT_TRUE(file.messages.empty());
  EXPECT_FALSE(file.readOnly);
  const Project& p = file.project;
  EXPECT_EQ(p.name, "Fox of version 2");
  EXPECT_EQ(p.size.limb, "foreleg");
  EXPECT_EQ(p.wool.finish, CoatFinish::Feathers);
  EXPECT_EQ(p.limbs.at("tail").held, RootHold::Glued);
  EXPECT_EQ(p.stances.glued.size(), 1U);
  ASSERT_TRUE(p.unknown);
  const nlohmann::json written = toJson(p);
  for (const auto& [key, value] : p.unknown->items())
    if (key != "schema") {
      EXPECT_EQ(written[key], value) << key;
    }
  EXPECT_GT(planned(p).totals.mass, 0);
}

TEST(KeptFiles, SavingIsSafeAtEveryMomentItIsKilled) {
  // The last saved file or the new one opens, always; both kinds of saving, two hundred times.
  const Scratch scratch;
  const std::string path = scratch.path("fox.columna");
  ProjectFile one = kept("version-1.columna");
  ProjectFile two = one;
  one.project.name = "one";
  two.project.name = "two";
  two.others["photos/side.jpg"] = std::string(600'000, 'p');
  ASSERT_FALSE(saveProject(path, one));
  std::mt19937 draw(5);
  for (int round = 0; round < 200; ++round) {
    const pid_t child = ::fork();
    if (child == 0) {
      for (int turn = round;; ++turn) (void)saveProject(path, turn % 2 ? one : two);
    }
    ::usleep(static_cast<useconds_t>(draw() % 9000));
    ::kill(child, SIGKILL);
    ::waitpid(child, nullptr, 0);
    const auto in = openProject(path);
    ASSERT_TRUE(in) << round << ": " << in.problem().sentence();
    EXPECT_TRUE(in->messages.empty()) << round;
    EXPECT_TRUE(in->project.name == "one" || in->project.name == "two");
    const auto before = openProject(path + "~");
    if (std::filesystem::exists(path + "~")) {
      EXPECT_TRUE(before) << round;
    }
  }
}
