#include "plan/finding.h"

#include <cctype>

namespace columna {
namespace {

/// The template that says what is the matter: of "{} {}" that of its last argument.
std::string_view saying(const Said& said) {
  const auto letter = [](char c) { return std::isalpha(static_cast<unsigned char>(c)) != 0; };
  for (const char c : said.english())
    if (letter(c)) return said.english();
  for (auto arg = said.args().rbegin(); arg != said.args().rend(); ++arg)
    if (const Said* inner = std::get_if<Said>(&arg->value)) return saying(*inner);
  return said.english();
}

} // namespace

std::string Finding::id() const {
  std::string out;
  bool argument = false;
  for (const char c : saying(brief)) {
    if (c == '{') argument = true;
    if (!argument && std::isalpha(static_cast<unsigned char>(c)))
      out += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
    else if (!argument && c == ' ' && !out.empty() && out.back() != '-')
      out += '-';
    if (c == '}') argument = false;
  }
  while (!out.empty() && out.back() == '-') out.pop_back();
  return out;
}

} // namespace columna
