// Pages filled from the top with lines of words, drawings and rules.
#pragma once

#include "sheet/marks.h"
#include "sheet/tiles.h"

#include <string>
#include <vector>

namespace columna {

/// A text with its look, broken into as many lines as it needs.
struct Told {
  std::string words;
  double size = 3.2; ///< mm
  bool bold = false;
  Rgb colour = kInk;
  enum class Sign { None, Box, Warn } sign = Sign::None; ///< to be ticked; a caution
  double before = 0;                                     ///< mm clear over it
};

inline constexpr Rgb kWarn{150, 92, 10};

class FlowPages {
public:
  explicit FlowPages(Paper paper) : size_(paperSize(paper)) {}

  [[nodiscard]] double clear() const { return size_.x() - 2 * kMargin; }
  [[nodiscard]] double bottom() const { return size_.y() - kMargin - kFoot; }
  [[nodiscard]] double high() const { return size_.y(); }
  [[nodiscard]] std::vector<Mark>& marks() { return pages_.back().marks; }
  [[nodiscard]] size_t count() const { return pages_.size(); }
  double& y() { return y_; } ///< where the next line goes

  void newPage();
  /// Another page where so much does not fit on this one any more.
  void room(double high);
  void heading(const std::string& words);
  /// One text after the other over the whole width, each whole on a page.
  void tell(const std::vector<Told>& texts);
  void rule();
  /// Pictures by their names in rows, `left` mm from the margin; each whole on a page.
  void pictures(const std::vector<std::string>& names, double left = 0);
  void append(const std::vector<Page>& pages) { pages_.insert(pages_.end(), pages.begin(), pages.end()); }
  std::vector<Page> take() { return std::move(pages_); }

  /// Draws texts under each other from a place; how high they are.
  static double put(std::vector<Mark>& out, const std::vector<Told>& texts, const Point& from, double wide);
  [[nodiscard]] static double highOf(const std::vector<Told>& texts, double wide);
  static void place(std::vector<Mark>& out, const Drawn& drawn, const Point& at);

private:
  static constexpr double kFoot = 8; ///< mm under the last block, for the page's number
  Point size_;
  std::vector<Page> pages_;
  double y_ = 0;
};

} // namespace columna
