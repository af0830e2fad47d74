// The maker's hand on the disk: whole or not at all, a damaged one moved aside, a newer one left alone.
#include "support.h"

#include "file/hand_store.h"

#include <filesystem>

using namespace columna;
using namespace columna::test;

namespace {

HandFigure one(const std::string& project) {
  HandFigure out;
  out.project = project;
  out.date = "2026-11-20";
  out.paces = {{"coat", 0.2, 12}};
  return out;
}

} // namespace

TEST(HandStore, BeginsWithNothingAndKeepsWhatIsTakenIn) {
  const Scratch scratch;
  const std::filesystem::path file = scratch.path("share/columna/hand.json"); // folders are made
  EXPECT_TRUE(handAt(file).hand.figures.empty());
  EXPECT_TRUE(handAt(file).messages.empty()) << "nothing yet is no fault";
  ASSERT_FALSE(changeHand(file, [](HandEvidence& hand) { takeIn(hand, one("a")); }));
  ASSERT_FALSE(changeHand(file, [](HandEvidence& hand) { takeIn(hand, one("b")); }));
  EXPECT_EQ(handAt(file).hand.figures.size(), 2U);
  EXPECT_TRUE(changeHand({}, [](HandEvidence&) {})) << "nowhere to keep it";
}

TEST(HandStore, ADamagedOneIsMovedAsideAndToldOnce) {
  const Scratch scratch;
  const std::filesystem::path file = scratch.path("hand.json");
  std::ofstream(file) << "{\"schema\":\"columna-hand/1\",\"figures\":[{";
  const KeptHand kept = handAt(file);
  EXPECT_TRUE(kept.hand.figures.empty());
  ASSERT_EQ(kept.messages.size(), 1U);
  EXPECT_FALSE(std::filesystem::exists(file));
  EXPECT_TRUE(std::filesystem::exists(scratch.path("hand.json.bad"))) << "nothing is lost";
  EXPECT_TRUE(handAt(file).messages.empty());
  std::ofstream(file) << "no hand";
  ASSERT_FALSE(changeHand(file, [](HandEvidence& hand) { takeIn(hand, one("a")); }));
  EXPECT_EQ(handAt(file).hand.figures.size(), 1U);
}

TEST(HandStore, ANewerOneIsLeftAlone) {
  const Scratch scratch;
  const std::filesystem::path file = scratch.path("hand.json");
  const std::string newer = R"({"schema":"columna-hand/7","figures":[],"more":1})";
  std::ofstream(file) << newer;
  EXPECT_EQ(handAt(file).messages.size(), 1U);
  EXPECT_TRUE(changeHand(file, [](HandEvidence& hand) { takeIn(hand, one("a")); }));
  std::ifstream in(file);
  EXPECT_EQ(std::string(std::istreambuf_iterator<char>(in), {}), newer);
}
