// Photos of the work in the record, and which of them says something.
#include "written_record.h"

#include "steps/at_bench.h"

using namespace columna;
using namespace columna::test;

TEST(PhotoEntry, TheLastPhotoThatCountsIsWhatIsLookedAt) {
  WrittenRecord record;
  const StepPlan plan = fourSteps();
  const auto findings = [&] {
    return makeFindings(plan, Figure(), progressOf(plan, record.entries, at(100)), record.entries).size();
  };
  const auto photo = [&](EntryBy by, const char* limb, double off, double minute) {
    Entry& e = record.add(EntryKind::Photo, "", minute);
    e.by = by;
    e.limb = limb;
    e.value = off;
    e.text = "left haunch fuller";
  };
  const size_t none = findings();
  photo(EntryBy::Typed, "", 0, 1); // a photo, not a check
  photo(EntryBy::StandIn, "left-hindleg", 4, 2);
  EXPECT_EQ(lastPhotoCheck(record.entries), nullptr);
  EXPECT_EQ(findings(), none);
  photo(EntryBy::Photo, "left-hindleg", 2.5, 3);
  ASSERT_TRUE(lastPhotoCheck(record.entries));
  EXPECT_EQ(lastPhotoCheck(record.entries)->value, 2.5);
  EXPECT_EQ(findings(), none + 1);
  // As a line of the file it has its unit, and comes back the same.
  const std::string line = entryLine(record.entries.back());
  EXPECT_NE(line.find("\"unit\":\"mm\""), std::string::npos);
  const auto read = readJournal(journalHead("p") + line, "journal");
  ASSERT_TRUE(read);
  ASSERT_EQ(read->entries.size(), 1U);
  EXPECT_EQ(read->entries.front(), record.entries.back());
  photo(EntryBy::Photo, "", 0, 4); // nothing is off any more
  EXPECT_EQ(findings(), none);
  record.withdraw(record.entries.size() - 1, 5);
  EXPECT_EQ(findings(), none + 1) << "the one before counts again";
}
