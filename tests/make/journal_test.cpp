// The record of a figure's making: lines that are known for what they are, whatever happens to them.
#include "support.h"

#include "make/journal.h"

#include <random>

using namespace columna;
using namespace columna::test;

namespace {

Entry weight(int n, double grams, const std::string& step = "wind/left-foreleg") {
  Entry e;
  e.n = n;
  e.id = "00000000000000" + std::to_string(10 + n);
  e.at = "2026-11-26T20:14:05+01:00";
  e.step = step;
  e.kind = EntryKind::WeightRead;
  e.value = grams;
  e.by = EntryBy::Scale;
  return e;
}

Entry withdrawal(int n, const std::string& of) {
  Entry e;
  e.n = n;
  e.id = "w" + std::to_string(n);
  e.at = "2026-11-26T20:20:00+01:00";
  e.kind = EntryKind::Withdraw;
  e.of = of;
  return e;
}

std::string journalOf(const std::vector<Entry>& entries) {
  std::string out = journalHead("otter");
  for (const Entry& e : entries) out += entryLine(e);
  return out;
}

} // namespace

TEST(Journal, ALineCarriesTheCheckOfTheRestOfIt) {
  Entry e = weight(1, 1.31);
  e.id.clear();
  EXPECT_EQ(
      entryLine(e),
      "{\"n\":1,\"at\":\"2026-11-26T20:14:05+01:00\",\"step\":\"wind/left-foreleg\",\"kind\":\"weight\","
      "\"value\":1.31,\"unit\":\"g\",\"by\":\"scale\",\"crc\":\"186dae76\"}\n");
}

TEST(Journal, EveryKindComesBackAsItWasWritten) {
  std::vector<Entry> all;
  for (int k = 0; k <= static_cast<int>(EntryKind::PacketTime); ++k) {
    Entry e = weight(k + 1, 0.1 + k / 3.0);
    e.kind = static_cast<EntryKind>(k);
    e.by = static_cast<EntryBy>(k % 7);
    e.limb = "left-foreleg";
    e.along = 12.5;
    e.moving = k % 2 == 0;
    e.of = k == 6 ? "x" : "";
    e.text = "toes too fat: \"0.02 g\" less,\nand \xC3\xA4 dark one";
    e.photo = "a.jpg";
    all.push_back(e);
    EXPECT_EQ(entryKind(word(e.kind)), e.kind);
    EXPECT_EQ(entryBy(word(e.by)), e.by);
  }
  const auto read = readJournal(journalOf(all), "j");
  ASSERT_TRUE(read);
  EXPECT_EQ(read->entries, all);
  EXPECT_EQ(read->project, "otter");
  EXPECT_TRUE(read->damaged.empty());
}

TEST(Journal, CutOffAnywhereAllBeforeItIsThere) {
  const std::vector<Entry> all{weight(1, 1), weight(2, 2), weight(3, 3)};
  const std::string whole = journalOf(all);
  const size_t head = journalHead("otter").size();
  size_t ends = head;
  std::vector<size_t> lineEnds;
  for (const Entry& e : all) lineEnds.push_back(ends += entryLine(e).size());
  for (size_t cut = head; cut < whole.size(); ++cut) {
    const auto read = readJournal(whole.substr(0, cut), "j");
    ASSERT_TRUE(read) << cut;
    const auto kept = static_cast<size_t>(
        std::count_if(lineEnds.begin(), lineEnds.end(), [&](size_t end) { return end <= cut; }));
    EXPECT_EQ(read->entries.size(), kept);
    EXPECT_TRUE(read->damaged.empty());
  }
}

TEST(Journal, AByteThatTurnedIsNeverTakenForAnEntry) {
  const std::string whole = journalOf({weight(1, 1.31), weight(2, 2.5), weight(3, 3)});
  const size_t head = journalHead("otter").size();
  std::mt19937 draw(5);
  for (int i = 0; i < 400; ++i) {
    std::string bent = whole;
    const size_t at = head + draw() % (whole.size() - head);
    const char other = static_cast<char>(33 + draw() % 90);
    if (bent[at] == other || bent[at] == '\n') continue;
    bent[at] = other;
    const auto read = readJournal(bent, "j");
    ASSERT_TRUE(read);
    EXPECT_EQ(read->entries.size(), 2U) << at;
    EXPECT_EQ(read->damaged.size(), 1U);
  }
}

TEST(Journal, WhatIsNoneIsRefusedInASentence) {
  EXPECT_FALSE(readJournal("", "j"));
  EXPECT_FALSE(readJournal("hello\n", "j"));
  EXPECT_FALSE(readJournal("{\"schema\":\"columna-journal/2\"}\n", "j"));
  EXPECT_FALSE(readJournal("[1]\n", "j"));
  EXPECT_FALSE(readJournal(std::string(kJournalMost + 1, ' '), "j"));
  const std::string nested = journalHead("otter") + std::string(100'000, '[') + "\n";
  const auto read = readJournal(nested, "j");
  ASSERT_TRUE(read);
  EXPECT_EQ(read->damaged.size(), 1U);
}

TEST(Journal, AWithdrawalCanBeWithdrawn) {
  std::vector<Entry> all{weight(1, 1), weight(2, 2)};
  EXPECT_TRUE(withdrawn(all).empty());
  all.push_back(withdrawal(3, all[0].id));
  EXPECT_EQ(withdrawn(all), std::set<std::string>{all[0].id});
  all.push_back(withdrawal(4, "w3"));
  EXPECT_EQ(withdrawn(all), std::set<std::string>{"w3"});
  all.push_back(withdrawal(5, "w4"));
  EXPECT_EQ(withdrawn(all), (std::set<std::string>{"w4", all[0].id}));
  all.push_back(withdrawal(6, "nothing"));
  EXPECT_EQ(withdrawn(all).size(), 3U);
}

TEST(Journal, TwoCopiesAreJoinedWithoutDoubling) {
  const std::vector<Entry> a{weight(1, 1), weight(2, 2), weight(3, 3)};
  const std::vector<Entry> b{weight(2, 2), weight(3, 3), weight(4, 4)};
  const std::vector<Entry> both = joinedEntries(a, b);
  ASSERT_EQ(both.size(), 4U);
  for (size_t i = 0; i < 4; ++i) EXPECT_EQ(both[i].n, static_cast<int>(i) + 1);
  EXPECT_EQ(joinedEntries(both, both), both);
}

TEST(Journal, MomentsAreReadWithTheirZone) {
  EXPECT_EQ(secondsOf("1970-01-01T00:00:00Z"), 0);
  EXPECT_EQ(secondsOf("2026-11-26T20:14:05+01:00"), secondsOf("2026-11-26T19:14:05Z"));
  EXPECT_EQ(*secondsOf("2026-03-29T03:30:00+02:00") - *secondsOf("2026-03-29T01:30:00+01:00"), 3600);
  for (const char* wrong :
       {"", "2026-11-26", "2026-11-26T20:14:05", "2026-11-26T25:14:05Z", "2026-02-30T20:14:05Z",
        "2026-11-26T20:14:05+1:00", "2026-11-26 20:14:05Z", "2026-11-26T20:-4:05Z"})
    EXPECT_FALSE(secondsOf(wrong)) << wrong;
}

TEST(Journal, AsATableNothingInItIsAFormula) {
  Entry e = weight(1, 1.31);
  e.text = "=1+1, \"said\"";
  const std::string table = journalTable({e, withdrawal(2, e.id)});
  EXPECT_NE(table.find(",1.31,g,,,scale,1,\"'=1+1, \"\"said\"\"\"\r\n"), std::string::npos) << table;
  EXPECT_EQ(std::count(table.begin(), table.end(), '\n'), 3);
}
