// Files against the schemas in docs/schema, by a validator from outside.
#pragma once

#include "support.h"

#include <cstdlib>
#include <set>
#include <string>
#include <vector>

namespace columna::test {

/// Which of the files are not as the schema has them; the test fails where the validator is not installed.
inline std::set<std::string> invalid(const Scratch& scratch, const std::string& schema,
                                     const std::vector<std::string>& files) {
  const std::string script = scratch.write("validate.py", R"(
import sys, json, jsonschema
check = jsonschema.Draft202012Validator(json.load(open(sys.argv[1])))
with open(sys.argv[2]) as names, open(sys.argv[3], "w") as bad:
  for name in names.read().split("\n"):
    if name and next(check.iter_errors(json.load(open(name))), None):
      bad.write(name + "\n")
)");
  std::string all;
  for (const std::string& file : files) all += file + "\n";
  const std::string told = scratch.path("bad.txt");
  const std::string command = "/usr/bin/python3 " + script + " " + COLUMNA_TESTS_DIR + "/../docs/schema/" +
                              schema + ".schema.json " + scratch.write("names.txt", all) + " " + told;
  EXPECT_EQ(std::system(command.c_str()), 0)
      << "python3-jsonschema is not installed; ./columna test installs it";
  std::set<std::string> out;
  std::ifstream in(told);
  for (std::string line; std::getline(in, line);) out.insert(line);
  return out;
}

} // namespace columna::test
