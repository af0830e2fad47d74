// What is kept of a maker's hand: read as it was written, refused where it is none, figures struck out.
#include "support.h"

#include "make/hand_file.h"

#include <nlohmann/json.hpp>

using namespace columna;
using namespace columna::test;

namespace {

HandFigure figureOn(const std::string& project, const std::string& date, double ratio) {
  HandFigure out;
  out.project = project;
  out.name = "Otter " + project;
  out.pattern = "river_otter";
  out.date = date;
  out.paces = {{"core-firm", ratio, 30}, {"coat", ratio / 2, 12.5}};
  out.factors["wire_cut"] = {2, -0.5};
  return out;
}

} // namespace

TEST(HandFile, IsReadAsItWasWritten) {
  HandEvidence hand;
  takeIn(hand, figureOn("b", "2026-11-20", -0.3));
  takeIn(hand, figureOn("a", "2026-10-02", 0.1));
  hand.figures[0].struck = true;
  hand.off = true;
  const auto read = readHandEvidence(handEvidenceText(hand), "hand.json");
  ASSERT_TRUE(read) << read.problem().sentence();
  EXPECT_EQ(read->figures, hand.figures);
  EXPECT_TRUE(read->off);
  EXPECT_EQ(read->figures[0].project, "a") << "the oldest first";
}

TEST(HandFile, AFigureIsThereOnceAndStaysStruckOut) {
  HandEvidence hand;
  takeIn(hand, figureOn("a", "2026-10-02", 0.1));
  hand.figures[0].struck = true;
  takeIn(hand, figureOn("a", "2026-10-02", 0.5));
  takeIn(hand, figureOn("b", "2026-10-02", 0.5));
  ASSERT_EQ(hand.figures.size(), 2U);
  EXPECT_TRUE(hand.figures[0].struck);
  EXPECT_EQ(hand.figures[0].paces[0].ratio, 0.5);
  EXPECT_EQ(counting(hand, "").size(), 1U);
  EXPECT_TRUE(counting(hand, "b").empty()) << "a figure's own records come from itself";
  hand.off = true;
  EXPECT_TRUE(counting(hand, "").empty());
}

TEST(HandFile, WhatIsNoHandIsNamed) {
  HandEvidence hand;
  takeIn(hand, figureOn("a", "2026-10-02", 0.1));
  const nlohmann::json good = nlohmann::json::parse(handEvidenceText(hand));
  const auto without = [&](const char* pointer, const nlohmann::json& value) {
    nlohmann::json bad = good;
    bad[nlohmann::json::json_pointer(pointer)] = value;
    return bad.dump();
  };
  EXPECT_TRUE(readHandEvidence(good.dump(), "hand.json"));
  for (const std::string& bad : {std::string(),
                                 std::string("{"),
                                 std::string("[]"),
                                 std::string("7"),
                                 without("/schema", "columna-hand/x"),
                                 without("/schema", 1),
                                 without("/figures", 3),
                                 without("/figures/0", "otter"),
                                 without("/figures/0/project", ""),
                                 without("/figures/0/struck", 1),
                                 without("/figures/0/paces", 3),
                                 without("/figures/0/paces/0", 3),
                                 without("/figures/0/paces/0/1", "fast"),
                                 without("/figures/0/paces/0/1", 400),
                                 without("/figures/0/paces/0/2", 0),
                                 without("/figures/0/factors", 3),
                                 without("/figures/0/factors/wire_cut", 3),
                                 without("/figures/0/factors/wire_cut/0", "x"),
                                 without("/figures/0/factors/wire_cut/0", 1e9),
                                 without("/figures/0/next_time", 3),
                                 without("/figures/0/next_time", {7}),
                                 without("/figures/0/next_time", {{{"text", ""}}}),
                                 without("/figures/0/next_time", {{{"text", std::string(20000, 'x')}}}),
                                 without("/figures/0/next_time", {{{"text", "x"}, {"away", 1}}}),
                                 without("/off", "no"),
                                 std::string(200000, '[')}) {
    const auto read = readHandEvidence(bad, "hand.json");
    ASSERT_FALSE(read) << bad.substr(0, 80);
    EXPECT_NE(read.problem().sentence().find("hand.json"), std::string::npos);
  }
  const auto newer = readHandEvidence(without("/schema", "columna-hand/2"), "hand.json");
  ASSERT_FALSE(newer);
  EXPECT_EQ(newer.problem().what, newerHand());
}

TEST(HandFile, WhatToDoNextTimeIsToldUntilItIsPutAway) {
  HandEvidence hand;
  HandFigure old = figureOn("a", "2026-10-02", 0.1);
  old.next = {{"toes too fat", false}, {"glue the hips first", false}};
  HandFigure later = figureOn("b", "2026-11-02", 0.1);
  later.next = {{"ears lower", false}};
  HandFigure fox = figureOn("c", "2026-11-03", 0.1);
  fox.pattern = "red_fox";
  fox.next = {{"a longer brush", false}};
  for (const HandFigure& f : {old, later, fox}) takeIn(hand, f);
  const auto told = [&](const char* but) {
    std::vector<std::string> out;
    for (const LastTime& each : lastTime(hand, "river_otter", but)) out.push_back(each.text);
    return out;
  };
  EXPECT_EQ(told(""), (std::vector<std::string>{"ears lower", "toes too fat", "glue the hips first"}));
  EXPECT_EQ(told("b"), (std::vector<std::string>{"toes too fat", "glue the hips first"})) << "not its own";
  putAway(hand, "a", "toes too fat");
  EXPECT_EQ(told("b"), (std::vector<std::string>{"glue the hips first"}));
  // Saved again the figure is taken in anew: what is put away stays so, on the disk too.
  takeIn(hand, old);
  const auto read = readHandEvidence(handEvidenceText(hand), "hand.json");
  ASSERT_TRUE(read) << read.problem().sentence();
  EXPECT_EQ(read->figures, hand.figures);
  EXPECT_EQ(told("b"), (std::vector<std::string>{"glue the hips first"}));
  hand.off = true; // the pace is not learnt; what was written is still true
  EXPECT_EQ(told("b").size(), 1U);
}
