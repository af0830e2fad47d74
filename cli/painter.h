// What columna-app does for the command line: it has the fonts and paints.
#pragma once

#include <string>
#include <vector>

namespace columna::cli {

/// Runs it with these words and waits. Its exit code and its sentence are its own; where it is not installed,
/// or went away, one line says so with `what` it does and `instead`, what to do without it.
int paint(std::vector<std::string> words, const std::string& instead, const char* what = "a PDF is painted");

} // namespace columna::cli
