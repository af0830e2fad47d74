#include "measure/disk.h"

#include "support.h"

#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <thread>

#include <csignal>
#include <fcntl.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

using namespace columna;
using namespace columna::test;

namespace {

namespace fs = std::filesystem;

void put(const std::string& path, const std::string& text) { std::ofstream(path) << text; }

std::vector<std::string> namesIn(const std::string& folder) {
  std::vector<std::string> out;
  for (const auto& each : fs::directory_iterator(folder)) out.push_back(each.path().filename().string());
  std::sort(out.begin(), out.end());
  return out;
}

} // namespace

TEST(Disk, WritesAndKeepsTheOneBefore) {
  const Scratch scratch;
  const std::string path = scratch.path("a.txt");
  ASSERT_FALSE(writeAtomically(path, "one", true));
  ASSERT_FALSE(writeAtomically(path, "two", true));
  EXPECT_EQ(Scratch::read(path), "two");
  EXPECT_EQ(Scratch::read(path + "~"), "one");
  ASSERT_FALSE(writeAtomically(path, "three"));
  EXPECT_EQ(Scratch::read(path + "~"), "one") << "not asked to";
}

TEST(Disk, ALinkStaysALinkAndItsFileIsWritten) {
  const Scratch scratch;
  fs::create_directory(scratch.path("far"));
  const std::string real = scratch.path("far/real.txt");
  const std::string link = scratch.path("link.txt");
  put(real, "one");
  fs::create_symlink("far/real.txt", link);
  ASSERT_FALSE(writeAtomically(link, "two"));
  EXPECT_TRUE(fs::is_symlink(link));
  EXPECT_EQ(Scratch::read(real), "two");
  // One that leads to nothing yet makes its file.
  fs::create_symlink("far/new.txt", scratch.path("dangling.txt"));
  ASSERT_FALSE(writeAtomically(scratch.path("dangling.txt"), "three"));
  EXPECT_TRUE(fs::is_symlink(scratch.path("dangling.txt")));
  EXPECT_EQ(Scratch::read(scratch.path("far/new.txt")), "three");
  // A circle of links is a sentence.
  fs::create_symlink("b.txt", scratch.path("a.txt"));
  fs::create_symlink("a.txt", scratch.path("b.txt"));
  EXPECT_TRUE(writeAtomically(scratch.path("a.txt"), "four") || !fs::is_symlink(scratch.path("a.txt")));
}

TEST(Disk, WhoMayReadItStaysSo) {
  const Scratch scratch;
  const std::string path = scratch.path("own.txt");
  for (const mode_t mode : {0600U, 0640U, 0664U}) {
    put(path, "one");
    ASSERT_EQ(::chmod(path.c_str(), mode), 0);
    ASSERT_FALSE(writeAtomically(path, "two"));
    struct stat is {};
    ASSERT_EQ(::stat(path.c_str(), &is), 0);
    EXPECT_EQ(is.st_mode & 0777U, mode);
  }
}

TEST(Disk, WhatIsNoFileIsNotWrittenNorRead) {
  const Scratch scratch;
  const std::string pipe = scratch.path("pipe");
  ASSERT_EQ(::mkfifo(pipe.c_str(), 0600), 0);
  for (const std::string& path : {pipe, std::string("/dev/null"), std::string("/dev/zero")}) {
    EXPECT_TRUE(writeAtomically(path, "x")) << path;
    const auto read = readFile(path, 1000);
    ASSERT_FALSE(read.ok()) << path;
    EXPECT_FALSE(read.problem().remedy.empty());
  }
  EXPECT_FALSE(readFile(scratch.path("none")).ok());
  const auto folder = readFile(scratch.path("."));
  ASSERT_FALSE(folder.ok());
  EXPECT_NE(folder.problem().what, readFile(pipe).problem().what);
  put(scratch.path("large"), std::string(2001, 'x'));
  EXPECT_FALSE(readFile(scratch.path("large"), 2000).ok());
  EXPECT_EQ(readFile(scratch.path("large"), 2001).value().size(), 2001U);
  // What tells no size is read to its limit: a file of the kernel's says it is empty.
  EXPECT_GT(readFile("/proc/self/status").value().size(), 100U);
  EXPECT_FALSE(readFile("/proc/self/status", 10).ok());
}

TEST(Disk, AFailedWriteLeavesWhatWasThereAndNothingElse) {
  const Scratch scratch;
  EXPECT_TRUE(writeAtomically(scratch.path("none/a.txt"), "x"));
  put(scratch.path("a.txt"), "one");
  fs::create_directory(scratch.path("a"));
  EXPECT_TRUE(writeAtomically(scratch.path("a"), "x")) << "a folder of that name";
  EXPECT_EQ(namesIn(scratch.path(".")), (std::vector<std::string>{"a", "a.txt"}));
  // A name as long as names may be is no longer for being written safely.
  const std::string longest(255, 'n');
  ASSERT_FALSE(writeAtomically(scratch.path(longest), "x"));
  EXPECT_EQ(Scratch::read(scratch.path(longest)), "x");
}

TEST(Disk, OldPartsAreSweptAndFreshOnesLeft) {
  const Scratch scratch;
  const std::string old = scratch.path(".columna-1-1.part");
  const std::string fresh = scratch.path(".columna-2-1.part");
  const std::string other = scratch.path("mine.part");
  for (const std::string& path : {old, fresh, other}) put(path, "x");
  const auto long_ago = fs::file_time_type::clock::now() - std::chrono::hours(48);
  for (const std::string& path : {old, other}) fs::last_write_time(path, long_ago);
  ASSERT_FALSE(writeAtomically(scratch.path("a.txt"), "x"));
  EXPECT_EQ(namesIn(scratch.path(".")),
            (std::vector<std::string>{".columna-2-1.part", "a.txt", "mine.part"}));
}

TEST(Disk, KilledAtAnyMomentOneOfTheTwoIsThere) {
  const Scratch scratch;
  const std::string path = scratch.path("a.txt");
  const std::string one(300'000, '1');
  const std::string two(500'000, '2');
  ASSERT_FALSE(writeAtomically(path, one));
  std::mt19937 draw(11);
  for (int round = 0; round < 60; ++round) {
    const pid_t child = ::fork();
    if (child == 0) {
      for (int turn = 0;; ++turn) (void)writeAtomically(path, turn % 2 ? one : two, true);
    }
    ::usleep(static_cast<useconds_t>(draw() % 6000));
    ::kill(child, SIGKILL);
    ::waitpid(child, nullptr, 0);
    const std::string read = Scratch::read(path);
    ASSERT_TRUE(read == one || read == two) << round << ": " << read.size();
  }
}

TEST(Disk, AStampTellsAChangeFromOutside) {
  const Scratch scratch;
  const std::string path = scratch.path("a.txt");
  EXPECT_FALSE(stampOf(path));
  put(path, "one");
  const auto before = stampOf(path);
  ASSERT_TRUE(before);
  EXPECT_EQ(stampOf(path), before);
  put(path, "two, longer");
  EXPECT_NE(stampOf(path), before);
  const auto then = stampOf(path);
  ASSERT_FALSE(writeAtomically(path, "two, longer"));
  EXPECT_NE(stampOf(path), then) << "the same words in another file";
}

TEST(Disk, AFileIsHeldByOneUntilItEnds) {
  const Scratch scratch;
  const std::string path = scratch.path("held");
  HeldFile mine(path);
  EXPECT_TRUE(mine.held());
  EXPECT_FALSE(HeldFile(path).held());
  HeldFile moved = std::move(mine);
  EXPECT_TRUE(moved.held());
  EXPECT_FALSE(HeldFile(path).held());
  moved = HeldFile();
  EXPECT_TRUE(HeldFile(path).held());
  EXPECT_FALSE(HeldFile(scratch.path("none/held")).held());
  // A process that is killed lets go.
  int ready[2] = {};
  ASSERT_EQ(::pipe(ready), 0);
  const pid_t child = ::fork();
  if (child == 0) {
    const HeldFile theirs(path);
    (void)!::write(ready[1], "x", 1);
    for (;;) ::pause();
  }
  char sign = 0;
  ASSERT_EQ(::read(ready[0], &sign, 1), 1);
  EXPECT_FALSE(HeldFile(path).held());
  ::kill(child, SIGKILL);
  ::waitpid(child, nullptr, 0);
  EXPECT_TRUE(HeldFile(path).held());
  ::close(ready[0]);
  ::close(ready[1]);
}
