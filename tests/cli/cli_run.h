// The command line run as a program of its own.
#pragma once

#include "support.h"

#include <array>
#include <cstdio>
#include <filesystem>
#include <string>

#include <sys/wait.h>

namespace columna::test {

struct Ran {
  int code = -1;
  std::string out, err;
};

/// A program of the build, by its path. Whatever the tests themselves were started in, it has a folder for
/// what runs that is its own: else Qt's complaint of it stands before the program's one line.
inline Ran runProgram(const Scratch& scratch, const std::string& program, const std::string& words) {
  const std::string errors = scratch.path("stderr"), runtime = scratch.path("runtime");
  std::filesystem::create_directories(runtime);
  std::filesystem::permissions(runtime, std::filesystem::perms::owner_all);
  const std::string command = std::string("COLUMNA_DATA=") + COLUMNA_DATA_DIR +
                              " XDG_DATA_HOME=" + scratch.path("none") + " XDG_RUNTIME_DIR=" + runtime + " " +
                              program + " " + words + " 2>" + errors;
  Ran out;
  FILE* pipe = popen(command.c_str(), "r");
  std::array<char, 4096> buffer{};
  while (const size_t n = fread(buffer.data(), 1, buffer.size(), pipe)) out.out.append(buffer.data(), n);
  const int status = pclose(pipe);
  out.code = WEXITSTATUS(status);
  out.err = Scratch::read(errors);
  return out;
}

inline Ran run(const Scratch& scratch, const std::string& words) {
  return runProgram(scratch, COLUMNA_CLI, words);
}

} // namespace columna::test
