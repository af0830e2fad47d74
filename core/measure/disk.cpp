#include "measure/disk.h"

#include <fmt/format.h>

#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

#include <array>
#include <cerrno>
#include <ctime>
#include <random>
#include <system_error>
#include <utility>

namespace columna {
namespace {

namespace fs = std::filesystem;

constexpr std::time_t kLeftAfter = 24L * 3600; ///< s: a part that old is of a write that was killed
constexpr const char* kPart = ".columna-";
constexpr const char* kPartEnd = ".part";

std::string reason(int error) { return std::generic_category().message(error); }

/// A descriptor that is closed whatever happens.
class Descriptor {
public:
  explicit Descriptor(int fd) : fd_(fd) {}
  ~Descriptor() { (void)close(); }
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  [[nodiscard]] int get() const { return fd_; }
  [[nodiscard]] bool close() { return fd_ < 0 || ::close(std::exchange(fd_, -1)) == 0; }

private:
  int fd_;
};

bool writeAll(int fd, std::string_view bytes) {
  while (!bytes.empty()) {
    const ssize_t n = ::write(fd, bytes.data(), bytes.size());
    if (n < 0 && errno == EINTR) continue;
    if (n <= 0) return false;
    bytes.remove_prefix(static_cast<size_t>(n));
  }
  return true;
}

/// What writes that were killed left in a folder.
void sweep(const fs::path& folder) {
  std::error_code error;
  for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error)) {
    const std::string name = it->path().filename().string();
    struct stat is {};
    if (!name.starts_with(kPart) || !name.ends_with(kPartEnd)) continue;
    if (::lstat(it->path().c_str(), &is) == 0 && std::time(nullptr) - is.st_mtime > kLeftAfter)
      ::unlink(it->path().c_str());
  }
}

/// Where a path leads: links followed, also one whose file is not there yet.
fs::path leadsTo(fs::path path) {
  std::error_code error;
  for (int links = 0; links < 40 && fs::is_symlink(path, error); ++links) {
    const fs::path to = fs::read_symlink(path, error);
    if (error) break;
    path = to.is_absolute() ? to : path.parent_path() / to;
  }
  return path;
}

} // namespace

Result<std::string> readFile(const fs::path& path, size_t limit) {
  const Descriptor file(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
  if (file.get() < 0) {
    if (errno == ENOENT) return Problem{say("the file is not there"), path.string(), say("check the name")};
    return Problem{say("the file cannot be read ({})", AsIs(reason(errno))), path.string(),
                   say("check who may read it")};
  }
  struct stat is {};
  if (::fstat(file.get(), &is) == 0 && S_ISDIR(is.st_mode))
    return Problem{say("it is a folder, not a file"), path.string(), say("name a file in it")};
  if (!S_ISREG(is.st_mode))
    return Problem{say("it is a pipe or a device, not a file"), path.string(), say("name a file")};
  const auto tooLarge = [&] {
    return Problem{say("the file is {} MB, more than such a file can be", is.st_size >> 20), path.string(),
                   say("check that it is the right one")};
  };
  if (static_cast<size_t>(is.st_size) > limit) return tooLarge();
  std::string text;
  std::array<char, 1U << 16U> chunk{};
  while (text.size() <= limit) { // what a file says of its size need not be so
    const ssize_t n = ::read(file.get(), chunk.data(), chunk.size());
    if (n < 0 && errno == EINTR) continue;
    if (n < 0)
      return Problem{say("the file cannot be read ({})", AsIs(reason(errno))), path.string(),
                     say("check who may read it")};
    if (n == 0) return text;
    text.append(chunk.data(), static_cast<size_t>(n));
  }
  return tooLarge();
}

std::optional<Problem> writeAtomically(const fs::path& given, std::string_view bytes, bool keepOld) {
  const fs::path path = leadsTo(given);
  const fs::path folder = path.has_parent_path() ? path.parent_path() : fs::path(".");
  const auto fail = [&](std::string_view doing, int error) {
    return Problem{say("it could not be {} ({})", Name(doing), AsIs(reason(error))), given.string(),
                   say("choose another folder, or make room; what was there is untouched")};
  };
  struct stat was {};
  const bool there = ::stat(path.c_str(), &was) == 0;
  if (there && !S_ISREG(was.st_mode))
    return Problem{say("it is no file that could be written"), given.string(), say("give another name")};
  sweep(folder);
  // A file without a name leaves nothing behind when the program is killed; where there are none, a part.
  // Its name is drawn: in containers every program has the same number.
  std::random_device chance;
  const fs::path part = folder / fmt::format("{}{:08x}{:08x}{}", kPart, chance(), chance(), kPartEnd);
  const auto write = [&](bool nameless) -> std::optional<int> {
    Descriptor fd(nameless ? ::open(folder.c_str(), O_WRONLY | O_TMPFILE | O_CLOEXEC, 0666)
                           : ::open(part.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0666));
    if (fd.get() < 0) return errno;
    if (there) (void)::fchmod(fd.get(), was.st_mode & 07777U);
    bool good = writeAll(fd.get(), bytes) && ::fsync(fd.get()) == 0;
    if (good && nameless)
      good = ::linkat(AT_FDCWD, fmt::format("/proc/self/fd/{}", fd.get()).c_str(), AT_FDCWD, part.c_str(),
                      AT_SYMLINK_FOLLOW) == 0;
    const int error = errno;
    const bool closed = fd.close();
    if (good && closed) return std::nullopt;
    const int why = good ? errno : error;
    ::unlink(part.c_str());
    return why;
  };
  auto error = write(true);
  if (error && *error != ENOSPC && *error != EDQUOT) error = write(false);
  if (error) return fail(named("written"), *error);
  if (keepOld && there) {
    fs::path old = path;
    old += "~";
    std::error_code trouble;
    fs::remove(old, trouble);
    fs::create_hard_link(path, old, trouble); // the name never points at nothing
    if (trouble) fs::copy_file(path, old, fs::copy_options::overwrite_existing, trouble);
  }
  if (::rename(part.c_str(), path.c_str()) != 0) {
    const int why = errno;
    ::unlink(part.c_str());
    return fail(named("put in place"), why);
  }
  // The new name itself must be on the disk too.
  const Descriptor directory(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
  if (directory.get() >= 0) (void)::fsync(directory.get());
  return std::nullopt;
}

std::optional<Problem> appendDurably(const fs::path& path, std::string_view head, std::string_view line) {
  const auto fail = [&](int error) {
    return Problem{say("it could not be kept ({})", AsIs(reason(error))), path.string(),
                   say("make room, or choose another folder; what was there is untouched")};
  };
  Descriptor fd(::open(path.c_str(), O_RDWR | O_APPEND | O_CREAT | O_CLOEXEC | O_NONBLOCK, 0666));
  if (fd.get() < 0) return fail(errno);
  while (::flock(fd.get(), LOCK_EX) != 0)
    if (errno != EINTR) return fail(errno);
  struct stat is {};
  if (::fstat(fd.get(), &is) != 0) return fail(errno);
  if (!S_ISREG(is.st_mode)) return fail(EINVAL);
  std::string bytes;
  if (is.st_size == 0) {
    bytes = head;
  } else {
    char last = 0;
    if (::pread(fd.get(), &last, 1, is.st_size - 1) == 1 && last != '\n') bytes = "\n";
  }
  bytes += line;
  if (!writeAll(fd.get(), bytes) || ::fdatasync(fd.get()) != 0) {
    const int error = errno;
    (void)::ftruncate(fd.get(), is.st_size); // half a line is none
    return fail(error);
  }
  if (is.st_size == 0) {
    const fs::path folder = path.has_parent_path() ? path.parent_path() : fs::path(".");
    const Descriptor in(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (in.get() < 0 || ::fsync(in.get()) != 0) return fail(errno);
  }
  return std::nullopt;
}

bool shortenIfUnchanged(const fs::path& path, size_t was, size_t keep) {
  const Descriptor fd(::open(path.c_str(), O_RDWR | O_CLOEXEC | O_NONBLOCK));
  if (fd.get() < 0) return false;
  while (::flock(fd.get(), LOCK_EX) != 0)
    if (errno != EINTR) return false;
  struct stat is {};
  if (::fstat(fd.get(), &is) != 0 || !S_ISREG(is.st_mode) || static_cast<size_t>(is.st_size) != was)
    return false;
  return ::ftruncate(fd.get(), static_cast<off_t>(keep)) == 0 && ::fdatasync(fd.get()) == 0;
}

std::optional<FileStamp> stampOf(const fs::path& path) {
  struct stat is {};
  if (::stat(path.c_str(), &is) != 0) return std::nullopt;
  return FileStamp{is.st_dev, is.st_ino, static_cast<std::uint64_t>(is.st_size), is.st_mtim.tv_sec,
                   is.st_mtim.tv_nsec};
}

HeldFile::HeldFile(const fs::path& path) {
  const int fd = ::open(path.c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0600);
  if (fd < 0) return;
  if (::flock(fd, LOCK_EX | LOCK_NB) == 0)
    fd_ = fd;
  else
    ::close(fd);
}

HeldFile::~HeldFile() {
  if (fd_ >= 0) ::close(fd_);
}

HeldFile::HeldFile(HeldFile&& other) noexcept : fd_(std::exchange(other.fd_, -1)) {}

HeldFile& HeldFile::operator=(HeldFile&& other) noexcept {
  std::swap(fd_, other.fd_);
  return *this;
}

} // namespace columna
