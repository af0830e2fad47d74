// Pages of the sheet filled from the top, block by block and section after section: a new section goes on
// where the last one left room, under it or, where the last block was tall and narrow, beside it.
#pragma once

#include "sheet/marks.h"

#include <algorithm>
#include <functional>
#include <utility>
#include <vector>

namespace columna {

/// A row of words that flow in columns.
struct FlowRow {
  double high = 0;                                            ///< mm
  bool keeps = false;                                         ///< with the row after it
  std::function<void(std::vector<Mark>&, const Point&)> draw; ///< from its top left corner
};

class Filler {
public:
  Filler(Paper paper, bool upright, const Manner& manner) : manner_(manner) {
    const Eigen::Vector2d size = paperSize(paper);
    width_ = upright ? size.x() : size.y();
    height_ = upright ? size.y() : size.x();
  }

  /// What follows is told under this heading; it is set when the first block of it is placed.
  void section(const Said& title) {
    if (shelfHigh_ > kTall * tallest() && x_ - kMargin < kNarrow * clear()) {
      // A tall narrow block, alone: what follows goes beside it.
      under_ = y_ + shelfHigh_;
      left_ = x_;
      shelfHigh_ = 0;
    }
    endShelf();
    title_ = title;
    begun_ = false;
  }

  /// Room for a block over the whole width; a new page with the heading when there is none.
  std::vector<Mark>& room(double block) {
    endShelf();
    endBeside();
    fit(block);
    return pages_.back().marks;
  }

  /// The place of a block of that width and height, beside the one before while there is room: its top left
  /// corner. `marks()` are the page's.
  Point place(double wide, double high) {
    if (shelfHigh_ > 0 && (x_ + wide > width_ - kMargin + 1e-6 || high > shelfRoom_)) endShelf();
    if (shelfHigh_ <= 0) {
      if (left_ + wide > width_ - kMargin + 1e-6) endBeside();
      fit(high);
      x_ = left_;
      shelfRoom_ = height_ - kMargin - kFoot - y_;
    }
    Point at(x_, y_);
    x_ += wide + kGap;
    shelfHigh_ = std::max(shelfHigh_, high);
    return at;
  }

  /// Rows down the first of so many columns, then the next; all as high as each other on the last page.
  void flow(int columns, const std::vector<FlowRow>& rows) {
    endShelf();
    endBeside();
    const double step = (clear() + kGap) / columns;
    size_t next = 0;
    while (next < rows.size()) {
      fit(std::min(group(rows, next), tallest()));
      const double most = height_ - kMargin - kFoot - y_;
      double high = most;
      if (fill(rows, next, columns, most, [](const FlowRow&, const Point&) {}) == rows.size()) {
        double low = 0; // the least height that holds them all
        for (int halving = 0; halving < 20; ++halving) {
          const double middle = (low + high) / 2;
          const bool all =
              fill(rows, next, columns, middle, [](const FlowRow&, const Point&) {}) == rows.size();
          (all ? high : low) = middle;
        }
      }
      double lowest = 0;
      next = fill(rows, next, columns, high, [&](const FlowRow& row, const Point& at) {
        row.draw(pages_.back().marks, Point(kMargin + at.x() * step, y_ + at.y()));
        lowest = std::max(lowest, at.y() + row.high);
      });
      y_ = next < rows.size() ? height_ : y_ + lowest;
    }
  }
  /// In the maker's units and language.
  [[nodiscard]] std::string words(const Said& said) const { return render(said, manner_); }
  [[nodiscard]] const Manner& manner() const { return manner_; }
  [[nodiscard]] std::vector<Mark>& marks() { return pages_.back().marks; }

  [[nodiscard]] double clear() const { return width_ - 2 * kMargin; }
  /// The highest block there is room for.
  [[nodiscard]] double tallest() const { return height_ - 2 * kMargin - 14 - kFoot; }
  double& y() { return y_; }
  std::vector<Page> take() { return std::move(pages_); }

private:
  static constexpr double kGap = 6;      ///< mm between blocks side by side
  static constexpr double kFoot = 8;     ///< mm for the 50 mm bar
  static constexpr double kTall = 0.5;   ///< of the tallest block: one is tall
  static constexpr double kNarrow = 0.5; ///< of the width: room enough beside it
  static constexpr double kHeading = 20; ///< mm a heading on a begun page takes, with what must follow it

  void endShelf() {
    y_ += shelfHigh_;
    shelfHigh_ = 0;
  }

  void endBeside() {
    if (left_ > kMargin) y_ = std::max(y_, under_);
    left_ = kMargin;
  }

  /// How high the rows are that stay together from this one on.
  static double group(const std::vector<FlowRow>& rows, size_t from) {
    double high = 0;
    for (size_t i = from; i < rows.size(); ++i) {
      high += rows[i].high;
      if (!rows[i].keeps) break;
    }
    return high;
  }

  /// Lays rows into columns of that height, as (column, mm down); the first row there is no room for.
  template <class Place>
  static size_t fill(const std::vector<FlowRow>& rows, size_t from, int columns, double high, Place lay) {
    int column = 0;
    double down = 0;
    bool together = false;
    for (size_t i = from; i < rows.size(); ++i) {
      if (!together && down > 0 && down + group(rows, i) > high) {
        down = 0;
        if (++column == columns) return i;
      }
      lay(rows[i], Point(column, down));
      down += rows[i].high;
      together = rows[i].keeps;
    }
    return rows.size();
  }

  void heading(double y, const Said& said) {
    const std::string heading = words(said);
    const double size =
        std::min(4.6, (width_ - kMargin - left_) / (0.55 * static_cast<double>(letters(heading) + 1)));
    pages_.back().marks.push_back(text({left_, y + 5}, heading, size, true));
    pages_.back().marks.push_back(line({left_, y + 7}, {width_ - kMargin, y + 7}, 0.2, kRule));
    y_ = y + 14;
  }

  void fit(double block) {
    const double needs = block + (begun_ ? 0 : kHeading);
    if (pages_.empty() || y_ + needs > height_ - kMargin - kFoot) {
      Page page;
      page.width = width_;
      page.height = height_;
      pages_.push_back(std::move(page));
      left_ = kMargin;
      heading(kMargin, begun_ ? say("{}, continued", title_) : title_);
    } else if (!begun_) {
      heading(y_ + 3, title_);
    }
    begun_ = true;
  }

  Manner manner_;
  Said title_;
  bool begun_ = false;
  double width_ = 0, height_ = 0, y_ = 0;
  double left_ = kMargin, under_ = 0; ///< where a tall block stands at the left: right of it, and its foot
  double x_ = 0, shelfHigh_ = 0, shelfRoom_ = 0;
  std::vector<Page> pages_;
};

} // namespace columna
