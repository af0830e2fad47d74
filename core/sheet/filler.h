// Pages of the sheet filled from the top, block by block and section after section: a new section goes on
// where the last one left room.
#pragma once

#include "sheet/marks.h"

#include <algorithm>
#include <utility>
#include <vector>

namespace columna {

class Filler {
public:
  Filler(Paper paper, bool upright) {
    const Eigen::Vector2d size = paperSize(paper);
    width_ = upright ? size.x() : size.y();
    height_ = upright ? size.y() : size.x();
  }

  /// What follows is told under this heading; it is set when the first block of it is placed.
  void section(std::string title) {
    endShelf();
    title_ = std::move(title);
    begun_ = false;
  }

  /// Room for a block over the whole width; a new page with the heading when there is none.
  std::vector<Mark>& room(double block) {
    endShelf();
    fit(block);
    return pages_.back().marks;
  }

  /// The place of a block of that width and height, beside the one before while there is room: its top left
  /// corner. `marks()` are the page's.
  Point place(double wide, double high) {
    if (shelfHigh_ > 0 && (x_ + wide > width_ - kMargin + 1e-6 || high > shelfRoom_)) endShelf();
    if (shelfHigh_ <= 0) {
      fit(high);
      x_ = kMargin;
      shelfRoom_ = height_ - kMargin - kFoot - y_;
    }
    const Point at(x_, y_);
    x_ += wide + kGap;
    shelfHigh_ = std::max(shelfHigh_, high);
    return at;
  }
  [[nodiscard]] std::vector<Mark>& marks() { return pages_.back().marks; }

  [[nodiscard]] double clear() const { return width_ - 2 * kMargin; }
  /// The highest block there is room for.
  [[nodiscard]] double tallest() const { return height_ - 2 * kMargin - 14 - kFoot; }
  double& y() { return y_; }
  std::vector<Page> take() { return std::move(pages_); }

private:
  static constexpr double kGap = 6;  ///< mm between blocks side by side
  static constexpr double kFoot = 8; ///< mm for the 50 mm bar

  void endShelf() {
    y_ += shelfHigh_;
    shelfHigh_ = 0;
  }

  void heading(double y, const std::string& words) {
    pages_.back().marks.push_back(text({kMargin, y + 5}, words, 4.6, true));
    pages_.back().marks.push_back(line({kMargin, y + 7}, {width_ - kMargin, y + 7}, 0.2, kRule));
    y_ = y + 14;
  }

  void fit(double block) {
    const double needs = block + (begun_ ? 0 : kHeading);
    if (pages_.empty() || y_ + needs > height_ - kMargin - kFoot) {
      Page page;
      page.width = width_;
      page.height = height_;
      pages_.push_back(std::move(page));
      heading(kMargin, begun_ ? title_ + ", continued" : title_);
    } else if (!begun_) {
      heading(y_ + 3, title_);
    }
    begun_ = true;
  }

  static constexpr double kHeading = 20; ///< mm a heading on a begun page takes, with what must follow it
  std::string title_;
  bool begun_ = false;
  double width_ = 0, height_ = 0, y_ = 0;
  double x_ = 0, shelfHigh_ = 0, shelfRoom_ = 0;
  std::vector<Page> pages_;
};

} // namespace columna
