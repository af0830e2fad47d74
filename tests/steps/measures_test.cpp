// What was measured in the stages as entries of the record: each told once, withdrawn with it, and brought
// back.
#include "written_record.h"

#include "built/entry_words.h"
#include "steps/at_bench.h"
#include "steps/measures.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

/// Something measured in every stage.
Project measuredAll() {
  Project p = project("river_otter", 160);
  p.made = {{"foreleg", 41.5, {}, "2026-11-20"}, {"head", 52.0, 31.0, "2026-11-21"}};
  OwnWire soft;
  soft.name = "florist's, from the tin";
  soft.material = "aluminium-annealed";
  soft.diameter = 1.22;
  soft.yield = Estimate{41, 35, 48};
  p.drawer = {soft};
  p.wool.ball = TestBall{38.5, 4.1, Firmness::Firm, {}};
  p.wool.core.linear = 0.0125;
  p.wool.coat.staple = 70;
  p.wool.records = {{"left-foreleg", WrapRecord::What::Girth, 12, 44, "felted", "2026-11-22"},
                    {"left-foreleg", WrapRecord::What::Girth, 12, 48, "finished", "2026-11-24"},
                    {"right-foreleg", WrapRecord::What::Left, 0, 0.4, {}, "2026-11-22"}};
  p.face.measured = {{"eye", false, 21, 9.5}, {"eye", true, 22, 9.0}};
  return p;
}

/// The record as it stands after it was told of a change.
void tell(WrittenRecord& record, const Project& before, const Project& after) {
  for (Entry e : measuresTold(measuresOf(before), measuresOf(after), record.entries)) {
    Entry& added = record.add(e.kind, e.step, static_cast<double>(record.entries.size()));
    e.n = added.n;
    e.id = added.id;
    e.at = added.at;
    added = e;
  }
}

std::vector<Entry> standing(const WrittenRecord& record) {
  const auto gone = withdrawn(record.entries);
  std::vector<Entry> out;
  for (const Entry& e : record.entries)
    if (e.kind != EntryKind::Withdraw && !gone.contains(e.id)) out.push_back(e);
  return out;
}

} // namespace

TEST(Measures, AreAllThatEveryStageMeasuredEachInItsOwnUnit) {
  const auto all = measuresOf(measuredAll());
  std::map<std::string, double> by;
  for (const Entry& e : all) {
    EXPECT_TRUE(isMeasure(e)) << e.step;
    by[e.step + "/" + e.limb] = *e.value;
  }
  EXPECT_EQ(by.size(), all.size());
  EXPECT_EQ(all.size(), 16U);
  EXPECT_EQ(by.at("measure/study/made-long/foreleg"), 41.5);
  EXPECT_EQ(by.at("measure/study/made-across/head"), 31);
  EXPECT_EQ(by.at("measure/wire/size/"), 1.22);
  EXPECT_EQ(by.at("measure/wire/yield/"), 41);
  EXPECT_EQ(by.at("measure/wrap/ball-weight/"), 4.1);
  EXPECT_NEAR(by.at("measure/wrap/core-metre/"), 12.5, 1e-9) << "grams of a metre";
  EXPECT_EQ(by.at("measure/wrap/coat-staple/"), 70);
  EXPECT_EQ(by.at("measure/wrap/left/right-foreleg"), 0.4);
  EXPECT_EQ(by.at("measure/face/pin-aside/right"), 9);
  EXPECT_TRUE(measuresOf(project("river_otter", 160)).empty());
}

TEST(Measures, SurviveTheFileOfTheRecord) {
  std::string text = journalHead("a-figure");
  int n = 0;
  for (Entry e : measuresOf(measuredAll())) {
    e.n = ++n;
    e.id = fmt::format("{:016x}", n);
    e.at = "2026-11-26T20:14:05+01:00";
    text += entryLine(e);
  }
  const auto read = readJournal(text, "journal");
  ASSERT_TRUE(read);
  EXPECT_TRUE(read->damaged.empty());
  EXPECT_TRUE(measuresUntold(measuredAll(), read->entries).empty()) << "each is known again";
  EXPECT_FALSE(entryLine(read->entries.front()).empty());
}

TEST(Measures, GoIntoTheRecordWithTheProjectAndOutOfItAndBack) {
  const Project none = project("river_otter", 160);
  const Project all = measuredAll();
  WrittenRecord record;
  tell(record, none, all);
  EXPECT_EQ(standing(record).size(), 16U);
  EXPECT_TRUE(measuresTold(measuresOf(all), measuresOf(all), record.entries).empty());
  // One is measured again: the old one is withdrawn, nothing else is touched.
  Project other = all;
  other.made[0].length = 43;
  tell(record, all, other);
  EXPECT_EQ(record.entries.size(), 18U);
  EXPECT_EQ(standing(record).size(), 16U);
  EXPECT_EQ(*standing(record).back().value, 43);
  // Undone and done again: by withdrawals, so that nothing is there twice.
  tell(record, other, all);
  tell(record, all, other);
  EXPECT_EQ(standing(record).size(), 16U);
  int said = 0;
  for (const Entry& e : record.entries) said += e.kind != EntryKind::Withdraw;
  EXPECT_EQ(said, 17);
  EXPECT_EQ(*standing(record).back().value, 43);
  tell(record, other, none);
  EXPECT_TRUE(standing(record).empty());
  // What was withdrawn is no news when an old project is saved; what was never told is.
  EXPECT_TRUE(measuresUntold(all, record.entries).empty());
  EXPECT_EQ(measuresUntold(all, {}).size(), 16U);
  EXPECT_EQ(measuresUntold(all, {}).front().at, "2026-11-20");
}

TEST(Measures, TheSameReadingTwiceIsTwoEntries) {
  Project p = project("river_otter", 160);
  const Project none = p;
  p.wool.records = {{"tail", WrapRecord::What::Left, 0, 1.5, {}, "2026-11-22"}};
  WrittenRecord record;
  tell(record, none, p);
  Project twice = p;
  twice.wool.records.push_back(p.wool.records.front());
  tell(record, p, twice);
  EXPECT_EQ(standing(record).size(), 2U);
  tell(record, twice, p);
  EXPECT_EQ(standing(record).size(), 1U);
}

TEST(Measures, AreTakenOutOfTheProjectAndPutBackByTheRecord) {
  const Project all = measuredAll();
  const auto measures = measuresOf(all);
  int together = 0;
  for (const Entry& e : measures) {
    const auto without = withoutMeasure(all, e);
    if (e.step.starts_with("measure/wire/")) {
      EXPECT_FALSE(without) << "no wire is without a size";
      continue;
    }
    ASSERT_TRUE(without) << e.step;
    EXPECT_LT(measuresOf(*without).size(), measures.size()) << e.step;
    EXPECT_EQ(*withoutMeasure(*without, e), *without) << "what is gone is not gone again";
    const auto with = withMeasure(*without, e);
    if (!with) {
      ++together; // the ball and the pins, which two readings make
      EXPECT_FALSE(with.problem().sentence().empty());
      continue;
    }
    EXPECT_EQ(measuresTold(measures, measuresOf(*with), {}).size(), 0U) << e.step << " is as it was";
  }
  EXPECT_EQ(together, 6);
}

TEST(Measures, AreSaidWithThePartsNamesAndNeverById) {
  const Project p = measuredAll();
  const Plan plan = planned(project("river_otter", 160));
  std::set<std::string> told;
  for (const Entry& e : measuresOf(p)) {
    const std::string words = render(entryWords(e, nullptr, &*plan.figure));
    EXPECT_TRUE(told.insert(words).second) << words;
    EXPECT_EQ(words.find("measure/"), std::string::npos);
    EXPECT_EQ(words.find("left-"), std::string::npos) << words;
    EXPECT_EQ(render(entryWords(e, nullptr)).find("left-"), std::string::npos) << "nor without the figure";
    Manner inches;
    inches.units = UnitSystem::Inch;
    if (e.kind != EntryKind::Note) {
      EXPECT_NE(render(entryWords(e, nullptr, &*plan.figure), inches), words);
    }
  }
  // What a later version measured is kept and shown.
  Entry later;
  later.step = "measure/stores/shelf";
  later.kind = EntryKind::LengthRead;
  later.value = 3;
  EXPECT_FALSE(render(entryWords(later, nullptr)).empty());
  EXPECT_EQ(*withoutMeasure(p, later), p);
}

TEST(Measures, AGirthTakenInWrapAnswersItsPartsOwnGoal) {
  const auto step = [](const char* id, double along) {
    Step s;
    s.id = id;
    s.goals.push_back({Goal::What::Round, 64, 3, along, say("felted")});
    return s;
  };
  const Step firm = step("firm/left-foreleg", 31.2);
  const Step coat = step("coat/left-foreleg", 31.2);
  WrittenRecord w;
  Entry& felted = w.add(EntryKind::GirthRead, std::string(kMeasuredFelted).c_str(), 1);
  felted.value = 66;
  felted.along = 31.2;
  felted.limb = "left-foreleg";
  const auto read = [&](const Step& s) {
    const Readings readings(w.entries);
    const Entry* e = readings.of(s, s.goals[0]);
    return e ? *e->value : 0;
  };
  EXPECT_EQ(read(firm), 66);
  EXPECT_EQ(read(step("skin/left-foreleg", 31.2)), 66);
  EXPECT_EQ(read(coat), 0) << "it had no coat then";
  EXPECT_EQ(read(step("wind/left-foreleg", 31.2)), 0) << "it was felted by then";
  EXPECT_EQ(read(step("firm/right-foreleg", 31.2)), 0);
  EXPECT_EQ(read(step("firm/left-foreleg", 40)), 0) << "another place";
  Entry& bench = w.add(EntryKind::GirthRead, "firm/left-foreleg", 2);
  bench.value = 63;
  bench.along = 31.2;
  EXPECT_EQ(read(firm), 63) << "what was read at the bench goes first";
  w.withdraw(0, 3);
  EXPECT_EQ(read(step("skin/left-foreleg", 31.2)), 0) << "it was withdrawn";
}
