#include "booklet/flow_pages.h"

#include <algorithm>
#include <utility>

namespace columna {
namespace {

constexpr double kLetter = 0.5; ///< of the type's size: how wide a letter is in the middle
constexpr double kLine = 1.4;   ///< of the type's size: from line to line
constexpr double kSign = 5;     ///< mm before the words

void draw(std::vector<Mark>& out, Told::Sign sign, const Point& at, Rgb colour) {
  Mark mark;
  mark.closed = true;
  mark.stroke = colour;
  if (sign == Told::Sign::Box) {
    mark.points = {at + Point(0, -2.6), at + Point(2.8, -2.6), at + Point(2.8, 0.2), at + Point(0, 0.2)};
    out.push_back(std::move(mark));
  } else if (sign == Told::Sign::Warn) {
    mark.points = {at + Point(1.6, -2.7), at + Point(3.2, 0.1), at + Point(0, 0.1)};
    mark.width = 0.35;
    out.push_back(std::move(mark));
    out.push_back(line(at + Point(1.6, -1.7), at + Point(1.6, -0.8), 0.35, colour));
    out.push_back(line(at + Point(1.6, -0.5), at + Point(1.6, -0.25), 0.35, colour));
  }
}

} // namespace

void FlowPages::newPage() {
  Page page;
  page.width = size_.x();
  page.height = size_.y();
  pages_.push_back(std::move(page));
  y_ = kMargin;
}

void FlowPages::room(double high) {
  constexpr double begun = 20; // what is higher than a page goes on from there
  if (pages_.empty() || (y_ + high > bottom() && y_ > kMargin + begun)) newPage();
}

void FlowPages::heading(const std::string& words) {
  room(20);
  if (y_ > kMargin) y_ += 5;
  y_ += 5;
  marks().push_back(text({kMargin, y_}, words, 4.6, true));
  y_ += 2;
  marks().push_back(line({kMargin, y_}, {kMargin + clear(), y_}, 0.2, kRule));
  y_ += 2;
}

void FlowPages::tell(const std::vector<Told>& texts) {
  for (const Told& each : texts) {
    room(highOf({each}, clear()));
    y_ += put(marks(), {each}, {kMargin, y_}, clear()) + 0.4;
  }
}

void FlowPages::pictures(const std::vector<std::string>& names, double left) {
  constexpr double wide = 52; // three in a row beside a step's number
  constexpr double high = 39;
  constexpr double gap = 4;
  const auto columns = std::max<size_t>(1, static_cast<size_t>((clear() - left + gap) / (wide + gap)));
  for (size_t i = 0; i < names.size(); ++i) {
    if (i % columns == 0) {
      room(high + gap);
      y_ += high + gap;
    }
    Mark picture;
    picture.kind = Mark::Kind::Picture;
    picture.text = names[i];
    const Point at(kMargin + left + static_cast<double>(i % columns) * (wide + gap), y_ - high);
    picture.points = {at, at + Point(wide, high)};
    marks().push_back(std::move(picture));
  }
}

void FlowPages::rule() { marks().push_back(line({kMargin, y_}, {kMargin + clear(), y_}, 0.1, kRule)); }

double FlowPages::put(std::vector<Mark>& out, const std::vector<Told>& texts, const Point& from,
                      double wide) {
  double y = from.y();
  for (const Told& told : texts) {
    const double in = told.sign == Told::Sign::None ? 0 : kSign;
    const auto most = static_cast<size_t>(std::max(8.0, (wide - in) / (kLetter * told.size)));
    bool first = true;
    y += told.before;
    for (std::string& each : wrap(told.words, most)) {
      y += kLine * told.size;
      if (std::exchange(first, false)) draw(out, told.sign, {from.x(), y}, told.colour);
      out.push_back(
          text({from.x() + in, y}, std::move(each), told.size, told.bold, TextAlign::Left, told.colour));
    }
  }
  return y - from.y();
}

double FlowPages::highOf(const std::vector<Told>& texts, double wide) {
  std::vector<Mark> none;
  return put(none, texts, Point(0, 0), wide);
}

void FlowPages::place(std::vector<Mark>& out, const Drawn& drawn, const Point& at) {
  for (Mark m : drawn.marks) {
    for (Point& p : m.points) p += at;
    out.push_back(std::move(m));
  }
}

} // namespace columna
