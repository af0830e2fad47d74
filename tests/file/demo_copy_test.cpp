// The demo's making goes on now, and what somebody did to a copy of it is never written over.
#include "support.h"

#include "file/demo_copy.h"
#include "file/record_file.h"

using namespace columna;
using namespace columna::test;

namespace {

namespace fs = std::filesystem;

const fs::path kOtter = fs::path(COLUMNA_DATA_DIR) / "demo" / "otter-on-watch.columna";

Record recordAt(const fs::path& path) {
  const auto file = openProject(path);
  EXPECT_TRUE(file) << path;
  return file ? recordOf(path, *file) : Record();
}

} // namespace

TEST(DemoCopy, ItsLastEntryIsJustBeforeNowAndAllElseAsFarApart) {
  const Scratch scratch;
  const std::int64_t now = *secondsOf("2031-07-02T09:00:00Z");
  const auto copy = freshDemo(kOtter, scratch.path("demo"), now, 600);
  ASSERT_TRUE(copy) << copy.problem().sentence();
  const Record before = recordAt(kOtter);
  const Record after = recordAt(*copy);
  ASSERT_GT(before.entries.size(), 20U);
  ASSERT_EQ(after.entries.size(), before.entries.size());
  const std::int64_t by = *secondsOf(after.entries.front().at) - *secondsOf(before.entries.front().at);
  std::int64_t last = 0;
  for (size_t i = 0; i < before.entries.size(); ++i) {
    EXPECT_EQ(*secondsOf(after.entries[i].at) - *secondsOf(before.entries[i].at), by) << i;
    last = std::max(last, *secondsOf(after.entries[i].at));
    Entry same = after.entries[i];
    same.at = before.entries[i].at;
    EXPECT_EQ(same, before.entries[i]) << i;
  }
  EXPECT_EQ(last, now - 600);
  EXPECT_TRUE(openProject(*copy)->project == openProject(kOtter)->project);
  EXPECT_TRUE(ofDemo(after.project)) << "and is not learnt from";
  EXPECT_FALSE(ofDemo(""));
}

TEST(DemoCopy, OnlyACopyThatNobodyTouchedIsWrittenOver) {
  const Scratch scratch;
  const std::int64_t now = *secondsOf("2031-07-02T09:00:00Z");
  const fs::path folder = scratch.path("demo");
  const auto first = freshDemo(kOtter, folder, now, 600);
  ASSERT_TRUE(first);
  const auto again = freshDemo(kOtter, folder, now + 86400, 600);
  ASSERT_TRUE(again);
  EXPECT_EQ(*again, *first);
  // An entry beside it is somebody's work,
  Record record = recordAt(*first);
  Entry note;
  note.at = "2031-07-02T10:00:00Z";
  note.text = "mine";
  ASSERT_TRUE(keepEntry(*first, record, note));
  const auto other = freshDemo(kOtter, folder, now, 600);
  ASSERT_TRUE(other);
  EXPECT_NE(*other, *first);
  EXPECT_EQ(recordAt(*first).entries.back().text, "mine");
  // and so is another size.
  auto file = openProject(*other);
  ASSERT_TRUE(file);
  ProjectFile changed = *file;
  changed.project.size.mm += 5;
  ASSERT_FALSE(saveProject(*other, changed));
  const auto third = freshDemo(kOtter, folder, now, 600);
  ASSERT_TRUE(third);
  EXPECT_TRUE(*third != *first && *third != *other);
  EXPECT_EQ(openProject(*other)->project.size.mm, changed.project.size.mm);
}

TEST(DemoCopy, SaysWhereItCannotBeWritten) {
  const Scratch scratch;
  scratch.write("taken", "a file where a folder should be");
  const auto none = freshDemo(kOtter, scratch.path("taken"), 2'000'000'000, 0);
  ASSERT_FALSE(none);
  EXPECT_FALSE(none.problem().sentence().empty());
  EXPECT_FALSE(freshDemo(scratch.path("no such.columna"), scratch.path("x"), 2'000'000'000, 0));
}
