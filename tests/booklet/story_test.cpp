// The story of a making: what was read against the plan, hours by kind, days, and what to do next time.
#include "support.h"

#include "booklet/story.h"
#include "built/entry_words.h"
#include "sheet/words.h"
#include "steps/steps_of.h"
#include "steps/written_record.h"

#include <set>

using namespace columna;
using namespace columna::test;

namespace {

struct Told {
  Project of = project("river_otter", 108);
  Plan plan = planned(of);
  StepPlan steps = stepsOf(of, shelf(), plan, faceSums(of, shelf(), plan).get());
  WrittenRecord record;

  Entry& done(const char* id, double from, double minutes) {
    record.add(EntryKind::Begin, id, from);
    return record.add(EntryKind::Done, id, from + minutes);
  }
  [[nodiscard]] Progress progress() const { return progressOf(steps, record.entries, test::at(100000)); }
  [[nodiscard]] std::string pages(Paper paper = Paper::A4) const {
    const Progress now = progress();
    const StoryAsk ask{of, plan.figure, steps, now, record.entries};
    return words(storyPages(ask, paper));
  }
};

} // namespace

TEST(Story, HoursAreThoseThatWereTimed) {
  Told t;
  t.done("print/sheet", 0, 9);
  t.done("wind/trunk", 20, 61);
  t.done("firm/trunk", 90, 180);
  double spent = 0;
  int steps = 0;
  for (const StoryHours& h : storyHours(t.steps, t.progress())) {
    spent += h.spent;
    steps += h.steps;
    EXPECT_GT(h.usual, 0);
  }
  EXPECT_NEAR(spent, 9 + 61 + 180, 1e-6);
  EXPECT_EQ(steps, 3);
}

TEST(Story, ReadingsStandBesideWhatWasPlanned) {
  Told t;
  const auto read = [&](double ratio, EntryBy by) {
    for (const Goal& g : t.steps.steps[static_cast<size_t>(t.steps.find("firm/trunk").value_or(0))].goals)
      if (g.what == Goal::What::Round) {
        Entry& e = t.record.add(EntryKind::GirthRead, "firm/trunk", 10);
        e.value = ratio * g.value;
        e.along = g.along;
        e.by = by;
      }
  };
  EXPECT_TRUE(storyReadings(t.steps, t.record.entries).empty());
  read(1.5, EntryBy::StandIn);
  EXPECT_TRUE(storyReadings(t.steps, t.record.entries).empty()) << "what a stand-in says is no measurement";
  read(1.04, EntryBy::Typed);
  const auto all = storyReadings(t.steps, t.record.entries);
  ASSERT_EQ(all.size(), 1U);
  EXPECT_NEAR(all[0].read / all[0].goal.value, 1.04, 1e-9);
  EXPECT_NE(t.pages().find(printLength(all[0].read, UnitSystem::Metric, 0)), std::string::npos);
}

TEST(Story, TellsWhatCountsAndLeavesOutWhatIsWithdrawn) {
  Told t;
  t.done("wind/trunk", 0, 30);
  t.record.add(EntryKind::Note, "wind/trunk", 31).text = "too loose at the neck";
  t.record.add(EntryKind::Note, "wind/trunk", 32).text = "a slip of the pen";
  t.record.withdraw(t.record.entries.size() - 1, 33);
  t.record.add(EntryKind::NextTime, "", 34).text = "a firmer neck";
  for (const Paper paper : {Paper::A4, Paper::Letter}) {
    const std::string all = t.pages(paper);
    EXPECT_NE(all.find("too loose at the neck"), std::string::npos);
    EXPECT_NE(all.find("a firmer neck"), std::string::npos);
    EXPECT_EQ(all.find("a slip of the pen"), std::string::npos);
  }
  // Long records go over several pages, nothing over an edge.
  for (int i = 0; i < 400; ++i)
    t.record.add(EntryKind::Note, "wind/trunk", 100 + i).text = std::string(300, 'n');
  const Progress now = t.progress();
  const StoryAsk ask{t.of, t.plan.figure, t.steps, now, t.record.entries};
  const auto pages = storyPages(ask, Paper::A4);
  EXPECT_GT(pages.size(), 10U);
  for (const Page& page : pages)
    for (const Mark& m : page.marks)
      for (const auto& p : m.points) {
        EXPECT_LE(p.y(), page.height - 3);
        EXPECT_GE(p.x(), 3);
      }
  EXPECT_FALSE(Told().pages().empty()) << "nothing is written down yet";
}

TEST(EntryWords, EveryKindSaysSomethingOfItsOwn) {
  const Told t;
  const Step& step = t.steps.steps.front();
  std::set<std::string> told;
  for (int k = 0; k <= static_cast<int>(EntryKind::PacketTime); ++k) {
    Entry e;
    e.kind = static_cast<EntryKind>(k);
    e.value = 12.5;
    e.text = "words";
    if (e.kind == EntryKind::Withdraw || e.kind == EntryKind::PacketTime) continue;
    if (e.kind == EntryKind::AngleRead) continue; // read like a count
    EXPECT_TRUE(told.insert(render(entryWords(e, &step))).second) << render(entryWords(e, &step));
    EXPECT_FALSE(render(entryWords(e, nullptr)).empty());
    Entry practised = e;
    practised.by = EntryBy::StandIn;
    EXPECT_NE(render(entryWords(practised, &step)), render(entryWords(e, &step)));
  }
}
