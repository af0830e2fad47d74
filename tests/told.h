// What a text must not hold, told in inches or in the testers' language.
#pragma once

#include <regex>
#include <string>

namespace columna::test {

/// With inches set nothing is told in millimetres, grams or newtons.
inline bool isMetric(const std::string& text) {
  static const std::regex metric("(^|[^a-zA-Z])(mm|cm|cm²|cm³|N/mm²|g/m²|g/cm³|g|kg|N|m)($|[^a-zA-Z'’])");
  return std::regex_search(text, metric);
}

/// In the testers' language every word has an accent: one without was not handed over to be translated.
inline bool hasEnglish(const std::string& text) {
  static const std::regex word("(^|[ (\"])([a-zA-Z][a-z]{2,})($|[ ,.;:)\"])");
  static const std::regex allowed("AWG|SWG|atan|ozf");
  for (std::sregex_iterator each(text.begin(), text.end(), word), end; each != end; ++each)
    if (!std::regex_match((*each)[2].str(), allowed)) return true;
  return false;
}

} // namespace columna::test
