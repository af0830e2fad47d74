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

std::vector<std::string> wrap(const std::string& words, size_t letters) {
  std::vector<std::string> lines;
  std::string now;
  size_t at = 0;
  while (at < words.size()) {
    const size_t end = std::min(words.find(' ', at), words.size());
    const std::string word = words.substr(at, end - at);
    if (!now.empty() && now.size() + 1 + word.size() > letters) lines.push_back(std::exchange(now, {}));
    now += (now.empty() ? "" : " ") + word;
    at = end + 1;
  }
  if (!now.empty()) lines.push_back(now);
  return lines;
}

void scaleBar(std::vector<Mark>& out, const Point& at) {
  out.push_back(line(at, at + Point(50, 0), 0.3));
  for (int i = 0; i <= 5; ++i)
    out.push_back(line(at + Point(i * 10, 0), at + Point(i * 10, i % 5 == 0 ? -3 : -2), 0.3));
  out.push_back(
      text(at + Point(54, 0),
           "This bar is 50 mm long. Measure it; if it is not, print again at 100 %, without \"fit to page\".",
           2.9, false, TextAlign::Left, kFaint));
}

} // namespace columna
