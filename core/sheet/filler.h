// Pages of the sheet filled from the top, block by block.
#pragma once

#include "sheet/marks.h"

#include <utility>
#include <vector>

namespace columna {

/// Pages filled from the top, block by block.
class Filler {
public:
  Filler(Paper paper, bool upright, std::string title) : title_(std::move(title)) {
    const Eigen::Vector2d size = paperSize(paper);
    width_ = upright ? size.x() : size.y();
    height_ = upright ? size.y() : size.x();
  }

  /// Room for a block; a new page with the title when there is none.
  std::vector<Mark>& room(double block) {
    if (pages_.empty() || y_ + block > height_ - kMargin - 6) {
      Page page;
      page.width = width_;
      page.height = height_;
      page.marks.push_back(text({kMargin, kMargin + 5}, title_, 4.6, true));
      page.marks.push_back(line({kMargin, kMargin + 7}, {width_ - kMargin, kMargin + 7}, 0.2, kRule));
      pages_.push_back(std::move(page));
      y_ = kMargin + 14;
    }
    return pages_.back().marks;
  }
  [[nodiscard]] double clear() const { return width_ - 2 * kMargin; }
  /// The highest block there is room for.
  [[nodiscard]] double tallest() const { return height_ - 2 * kMargin - 20; }
  double& y() { return y_; }
  std::vector<Page> take() { return std::move(pages_); }

private:
  std::string title_;
  double width_ = 0, height_ = 0, y_ = 0;
  std::vector<Page> pages_;
};

} // namespace columna
