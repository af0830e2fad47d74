#include "painter.h"

#include "commands.h"

#include <cerrno>
#include <filesystem>

#include <spawn.h>
#include <sys/wait.h>
#include <unistd.h>

namespace columna::cli {
namespace {

/// Beside this program, else where programs are.
std::string painter() {
  namespace fs = std::filesystem;
  std::error_code error;
  const fs::path self = fs::read_symlink("/proc/self/exe", error);
  if (!error)
    if (const fs::path beside = self.parent_path() / "columna-app"; fs::exists(beside, error))
      return beside.string();
  return "columna-app";
}

} // namespace

int paint(std::vector<std::string> words, const std::string& instead, const char* what) {
  words.insert(words.begin(), painter());
  std::vector<char*> argv;
  for (std::string& each : words) argv.push_back(each.data());
  argv.push_back(nullptr);
  pid_t child = 0;
  if (::posix_spawnp(&child, argv.front(), nullptr, nullptr, argv.data(), environ) != 0)
    return complain(std::string(what) + " by columna-app, which is not installed here; " + instead);
  int status = 0;
  while (::waitpid(child, &status, 0) < 0)
    if (errno != EINTR) return complain("columna-app went away; " + instead);
  if (!WIFEXITED(status)) return complain("columna-app was ended before it was done; try again");
  return WEXITSTATUS(status);
}

} // namespace columna::cli
