// The record on the disk: what was told as kept is there, whatever happens.
#include "support.h"

#include "file/record_file.h"
#include "measure/disk.h"

#include <csignal>
#include <random>
#include <set>
#include <thread>

#include <sys/wait.h>

using namespace columna;
using namespace columna::test;

namespace {

std::string otterFile(const Scratch& scratch) {
  const std::string path = scratch.path("otter.columna");
  ProjectFile file;
  file.project = project("river_otter", 160);
  EXPECT_FALSE(saveProject(path, file));
  return path;
}

Entry note(const std::string& text) {
  Entry e;
  e.at = "2026-11-26T20:14:05+01:00";
  e.kind = EntryKind::Note;
  e.text = text;
  return e;
}

} // namespace

TEST(RecordFile, IsKeptBesideAndFoldedIntoTheFile) {
  const Scratch scratch;
  const std::string path = otterFile(scratch);
  auto file = openProject(path);
  ASSERT_TRUE(file);
  Record record = recordOf(path, *file);
  EXPECT_TRUE(record.entries.empty());
  for (const char* text : {"one", "two", "three"}) ASSERT_TRUE(keepEntry(path, record, note(text)));
  // Another that opens it finds them.
  const Record seen = recordOf(path, *openProject(path));
  EXPECT_EQ(seen.entries, record.entries);
  EXPECT_EQ(seen.entries[2].n, 3);
  EXPECT_FALSE(saveWithRecord(path, *file, record));
  EXPECT_LT(readFile(recordBeside(path))->size(), 120U) << "its header alone";
  file = openProject(path);
  Record again = recordOf(path, *file);
  EXPECT_EQ(again.entries, record.entries);
  // It goes on where it was, and what the window saves keeps what is in the file.
  ASSERT_TRUE(keepEntry(path, again, note("four")));
  EXPECT_EQ(again.entries.back().n, 4);
  ProjectFile renamed = *file;
  renamed.project.name = "Otter by the weir";
  EXPECT_FALSE(saveProject(path, renamed));
  EXPECT_EQ(recordOf(path, *openProject(path)).entries.size(), 4U);
}

TEST(RecordFile, TwoProgramsThatBeginItAtOnceKeepOneRecord) {
  const Scratch scratch;
  const std::string path = otterFile(scratch);
  const auto file = openProject(path);
  Record one = recordOf(path, *file);
  Record two = recordOf(path, *file);
  ASSERT_TRUE(keepEntry(path, one, note("one")));
  ASSERT_TRUE(keepEntry(path, two, note("two")));
  EXPECT_EQ(one.project, two.project);
  EXPECT_EQ(recordOf(path, *file).entries.size(), 2U);
  // Who does not know of the other's entry leaves it where it is.
  EXPECT_FALSE(saveWithRecord(path, *file, one));
  EXPECT_EQ(recordOf(path, *openProject(path)).entries.size(), 2U);
}

TEST(RecordFile, WhatIsCutOffDamagedOrAnothersIsToldAndNothingLost) {
  const Scratch scratch;
  const std::string path = otterFile(scratch);
  const auto file = openProject(path);
  Record record = recordOf(path, *file);
  for (const char* text : {"one", "two"}) ASSERT_TRUE(keepEntry(path, record, note(text)));
  const std::string beside = recordBeside(path).string();
  const std::string whole = *readFile(beside);
  scratch.write(std::filesystem::path(beside).filename().string(), whole.substr(0, whole.size() - 9));
  Record cut = recordOf(path, *file);
  EXPECT_EQ(cut.entries.size(), 1U);
  EXPECT_EQ(cut.messages.size(), 1U);
  // The next is a line of its own, and not swallowed by half of one.
  ASSERT_TRUE(keepEntry(path, cut, note("after")));
  const Record then = recordOf(path, *file);
  ASSERT_EQ(then.entries.size(), 2U);
  EXPECT_EQ(then.entries[1].text, "after");
  EXPECT_EQ(then.messages.size(), 1U);
  // With a damaged line in it it is not emptied.
  EXPECT_FALSE(saveWithRecord(path, *file, then));
  EXPECT_NE(readFile(beside)->find("two"), std::string::npos);
  scratch.write(std::filesystem::path(beside).filename().string(),
                journalHead("another") + entryLine(note("x")));
  const Record others = recordOf(path, *openProject(path));
  EXPECT_EQ(others.entries.size(), 2U);
  EXPECT_EQ(others.messages.size(), 1U);
  scratch.write(std::filesystem::path(beside).filename().string(), "hello\n");
  EXPECT_EQ(recordOf(path, *openProject(path)).messages.size(), 1U);
}

TEST(RecordFile, WhereNothingCanBeWrittenItIsSaid) {
  const Scratch scratch;
  Record record;
  EXPECT_FALSE(keepEntry("/nowhere/at/all.columna", record, note("x")));
  EXPECT_TRUE(record.entries.empty());
  std::filesystem::create_directory(scratch.path(".folder.columna.log"));
  EXPECT_FALSE(keepEntry(scratch.path("folder.columna"), record, note("x")));
  Entry large = note(std::string(kEntryText + 1, 'x'));
  EXPECT_FALSE(keepEntry(scratch.path("otter.columna"), record, large));
}

/// A process keeps entries and tells of each; it is killed at any moment. What it told is there.
TEST(RecordFile, KilledAtAnyMomentAllThatWasToldIsThere) {
  const Scratch scratch;
  const std::string path = otterFile(scratch);
  const auto file = openProject(path);
  std::mt19937 draw(4);
  std::set<std::string> told;
  constexpr size_t enough = 50;
  // A busy disk is given more time, and more rounds.
  for (int round = 0; round < 200 || (told.size() <= enough && round < 2000); ++round) {
    int ends[2];
    ASSERT_EQ(::pipe(ends), 0);
    const pid_t child = ::fork();
    ASSERT_GE(child, 0);
    if (child == 0) {
      ::close(ends[0]);
      Record record = recordOf(path, *file);
      for (int i = 0; i < 50; ++i) {
        const auto kept = keepEntry(path, record, note(std::string(1 + draw() % 300, 'n')));
        if (!kept) ::_exit(1);
        const std::string line = kept->id + "\n";
        if (::write(ends[1], line.data(), line.size()) < 0) ::_exit(1);
      }
      ::_exit(0);
    }
    ::close(ends[1]);
    std::this_thread::sleep_for(std::chrono::microseconds(draw() % static_cast<unsigned>(4000 + 40 * round)));
    ::kill(child, SIGKILL);
    std::string heard;
    char chunk[4096];
    for (ssize_t n = 0; (n = ::read(ends[0], chunk, sizeof chunk)) > 0;)
      heard.append(chunk, static_cast<size_t>(n));
    ::close(ends[0]);
    int status = 0;
    ::waitpid(child, &status, 0);
    std::istringstream lines(heard);
    for (std::string id; std::getline(lines, id);)
      if (id.size() == 16) told.insert(id);
  }
  EXPECT_GT(told.size(), enough);
  const Record record = recordOf(path, *file);
  std::set<std::string> kept;
  for (const Entry& e : record.entries) kept.insert(e.id);
  EXPECT_TRUE(std::includes(kept.begin(), kept.end(), told.begin(), told.end()));
}
