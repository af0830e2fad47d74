#include "sheet/marks.h"

#include <algorithm>
#include <utility>

namespace columna {

Mark line(const Point& a, const Point& b, double width, Rgb colour) {
  Mark m;
  m.points = {a, b};
  m.width = width;
  m.stroke = colour;
  return m;
}

Mark text(const Point& at, std::string words, double size, bool bold, TextAlign align, Rgb colour) {
  Mark m;
  m.kind = Mark::Kind::Text;
  m.points = {at};
  m.text = std::move(words);
  m.size = size;
  m.bold = bold;
  m.align = align;
  m.stroke = colour;
  return m;
}

size_t letters(std::string_view words) {
  return static_cast<size_t>(std::count_if(words.begin(), words.end(), [](char c) {
    return (static_cast<unsigned char>(c) & 0xc0U) != 0x80U; // not the rest of a letter of several bytes
  }));
}

std::vector<std::string> wrap(const std::string& words, size_t most) {
  std::vector<std::string> lines;
  std::string now;
  size_t at = 0;
  while (at < words.size()) {
    const size_t end = std::min(words.find(' ', at), words.size());
    const std::string word = words.substr(at, end - at);
    if (!now.empty() && letters(now) + 1 + letters(word) > most) lines.push_back(std::exchange(now, {}));
    now += (now.empty() ? "" : " ") + word;
    at = end + 1;
  }
  if (!now.empty()) lines.push_back(now);
  return lines;
}

void numberPages(std::vector<Page>& pages, const std::string& name, const Manner& manner) {
  for (size_t i = 0; i < pages.size(); ++i) {
    Page& page = pages[i];
    page.marks.push_back(text({page.width - kMargin, page.height - 6},
                              render(say("{} · page {} of {}", AsIs(name), i + 1, pages.size()), manner), 2.9,
                              false, TextAlign::Right, kFaint));
    if (page.name.empty()) page.name = std::to_string(i + 1);
  }
}

void scaleBar(std::vector<Mark>& out, const Point& at, const Manner& manner) {
  // Of a length that the maker's ruler has.
  const bool inch = manner.units == UnitSystem::Inch;
  const double step = inch ? kMmPerInch / 4 : 10;
  const int steps = inch ? 8 : 5;
  const int strong = inch ? 4 : 5;
  const Point end = at + Point(steps * step, 0);
  out.push_back(line(at, end, 0.3));
  for (int i = 0; i <= steps; ++i)
    out.push_back(line(at + Point(i * step, 0), at + Point(i * step, i % strong == 0 ? -3 : -2), 0.3));
  out.push_back(
      text(end + Point(4, 0),
           render(say("This bar is {} long. Measure it; if it is not, print again at 100 %, without \"fit to "
                      "page\".",
                      Length(steps * step, 0)),
                  manner),
           2.9, false, TextAlign::Left, kFaint));
}

} // namespace columna
