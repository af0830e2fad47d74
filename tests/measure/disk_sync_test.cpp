// What is written is on the disk before it counts as written: fsync stands in for the real one here, watches
// and, when it is told to, fails.
#include "measure/disk.h"
#include "support.h"

#include <sys/stat.h>
#include <sys/syscall.h>

#include <cerrno>

using namespace columna;
using namespace columna::test;

namespace {

namespace fs = std::filesystem;

/// What the stand-in saw and is to do.
struct Sync {
  bool failFiles = false;
  int files = 0;
  int folders = 0;
  fs::path watched;
  std::string heldAtFolder; ///< what the watched file held when its folder was synced
} sync_;

int openFiles() {
  return static_cast<int>(std::distance(fs::directory_iterator("/proc/self/fd"), fs::directory_iterator()));
}

} // namespace

extern "C" int fsync(int fd) {
  struct stat is {};
  if (::fstat(fd, &is) == 0 && S_ISDIR(is.st_mode)) {
    ++sync_.folders;
    if (const auto held = readFile(sync_.watched)) sync_.heldAtFolder = *held;
  } else {
    ++sync_.files;
    if (sync_.failFiles) {
      errno = EIO;
      return -1;
    }
  }
  return static_cast<int>(::syscall(SYS_fsync, fd));
}

TEST(DiskSync, TheFileAndThenItsFolderReachTheDisk) {
  const Scratch scratch;
  sync_ = {};
  sync_.watched = scratch.path("otter.columna");
  ASSERT_FALSE(writeAtomically(sync_.watched, "first", false));
  EXPECT_EQ(sync_.files, 1);
  EXPECT_EQ(sync_.folders, 1);
  EXPECT_EQ(sync_.heldAtFolder, "first") << "the folder is synced once the new name stands in it";
  ASSERT_FALSE(writeAtomically(sync_.watched, "second", true));
  EXPECT_EQ(sync_.heldAtFolder, "second");
  EXPECT_EQ(sync_.folders, 2);
}

TEST(DiskSync, ADiskThatFailsLeavesNothingOpenAndNothingChanged) {
  const Scratch scratch;
  const std::string path = scratch.write("otter.columna", "before");
  const int open = openFiles();
  sync_ = {};
  sync_.failFiles = true;
  for (int k = 0; k < 20; ++k) {
    const auto problem = writeAtomically(path, "after", true);
    ASSERT_TRUE(problem);
    EXPECT_FALSE(problem->remedy.empty());
  }
  EXPECT_GE(sync_.files, 20);
  EXPECT_EQ(openFiles(), open) << "each try closes what it opened";
  EXPECT_EQ(*readFile(path), "before");
  EXPECT_EQ(std::distance(fs::directory_iterator(fs::path(path).parent_path()), fs::directory_iterator()), 1)
      << "no part is left beside it";
  sync_ = {};
  EXPECT_FALSE(writeAtomically(path, "after", false));
  EXPECT_EQ(*readFile(path), "after");
}
