#include "words/render.h"

#include <array>

namespace columna {
namespace {

constexpr std::string_view kPlain = "aceinouyAEIOUdglrst";
constexpr std::array<std::string_view, kPlain.size()> kAccented{
    "á", "ç", "é", "í", "ñ", "ó", "ú", "ý", "Á", "É", "Í", "Ó", "Ú", "ď", "ğ", "ľ", "ŕ", "š", "ť"};

/// How long what begins there is, if it is no text to translate: {…}, %1, %n, <tag>, &entity;.
size_t leftAlone(std::string_view text, size_t at) {
  const auto upTo = [&](char end) {
    const size_t found = text.find(end, at);
    return found == std::string_view::npos ? size_t{0} : found - at + 1;
  };
  switch (text[at]) {
  case '{':
    return upTo('}');
  case '<':
    return at + 1 < text.size() &&
                   (std::isalpha(static_cast<unsigned char>(text[at + 1])) || text[at + 1] == '/')
               ? upTo('>')
               : 0;
  case '%': {
    size_t length = 1;
    if (at + length < text.size() && text[at + length] == 'L') ++length;
    const size_t digits = length;
    while (at + length < text.size() && std::isdigit(static_cast<unsigned char>(text[at + length]))) ++length;
    if (length > digits) return length;
    return at + 1 < text.size() && text[at + 1] == 'n' ? 2 : 0;
  }
  case '&': {
    size_t length = 1;
    while (at + length < text.size() && std::isalpha(static_cast<unsigned char>(text[at + length]))) ++length;
    return length > 1 && at + length < text.size() && text[at + length] == ';' ? length + 1 : 0;
  }
  default:
    return 0;
  }
}

class Pseudo : public Language {
public:
  std::string sentence(std::string_view english, std::string_view one, long count) const override {
    return pseudo(!one.empty() && count == 1 ? one : english);
  }
  std::string name(std::string_view english) const override { return pseudo(english); }
};

} // namespace

std::string pseudo(std::string_view english) {
  std::string out;
  size_t letters = 0;
  for (size_t at = 0; at < english.size();) {
    if (const size_t skip = leftAlone(english, at); skip > 0) {
      out += english.substr(at, skip);
      at += skip;
      continue;
    }
    const char c = english[at++];
    const size_t found = kPlain.find(c);
    if (std::isalpha(static_cast<unsigned char>(c))) ++letters;
    if (found == std::string_view::npos)
      out += c;
    else
      out += kAccented[found];
  }
  // Longer by a third, as German is: in words, so that it breaks as text does.
  for (size_t more = 0; more * 3 < letters; more += 4) out += more == 0 ? " ~ýé" : "ýéš";
  return out;
}

const Language& pseudoLanguage() {
  static const Pseudo language;
  return language;
}

} // namespace columna
