#include "line.h"

#include <array>
#include <cstdlib>

#include <fcntl.h>
#include <sys/stat.h>
#include <termios.h>
#include <unistd.h>

namespace columna::standin {

std::string folder() {
  const char* runtime = std::getenv("XDG_RUNTIME_DIR");
  std::string out =
      runtime && *runtime ? std::string(runtime) + "/columna" : "/tmp/columna-" + std::to_string(::getuid());
  (void)::mkdir(out.c_str(), S_IRWXU);
  return out;
}

std::optional<std::string> Line::open(const std::string& name) {
  close();
  master_ = ::posix_openpt(O_RDWR | O_NOCTTY | O_NONBLOCK | O_CLOEXEC);
  if (master_ < 0 || ::grantpt(master_) != 0 || ::unlockpt(master_) != 0) {
    close();
    return "this machine gives no pseudo-terminal";
  }
  std::array<char, 128> path{};
  if (::ptsname_r(master_, path.data(), path.size()) != 0) {
    close();
    return "the line has no name";
  }
  slave_ = ::open(path.data(), O_RDWR | O_NOCTTY | O_CLOEXEC);
  termios mode{};
  if (slave_ >= 0 && ::tcgetattr(slave_, &mode) == 0) {
    ::cfmakeraw(&mode);
    (void)::tcsetattr(slave_, TCSANOW, &mode);
  }
  link_ = folder() + "/" + name;
  (void)::unlink(link_.c_str());
  if (::symlink(path.data(), link_.c_str()) != 0) {
    const std::string failed = link_;
    link_.clear();
    close();
    return failed + " cannot be made: is the folder another user's?";
  }
  return std::nullopt;
}

void Line::close() {
  if (!link_.empty()) (void)::unlink(link_.c_str());
  link_.clear();
  for (int* each : {&slave_, &master_}) {
    if (*each >= 0) ::close(*each);
    *each = -1;
  }
}

void Line::write(std::string_view bytes) const {
  while (!bytes.empty()) {
    const ssize_t n = ::write(master_, bytes.data(), bytes.size());
    if (n <= 0) return;
    bytes.remove_prefix(static_cast<size_t>(n));
  }
}

std::string Line::read() const {
  std::string out;
  std::array<char, 512> buffer{};
  for (ssize_t n = 0; (n = ::read(master_, buffer.data(), buffer.size())) > 0;)
    out.append(buffer.data(), static_cast<size_t>(n));
  return out;
}

} // namespace columna::standin
