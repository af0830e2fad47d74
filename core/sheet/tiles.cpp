#include "sheet/tiles.h"

#include "words/said.h"

#include <fmt/format.h>

#include <cmath>
#include <utility>

namespace columna {
namespace {

constexpr double kTileHead = 10;   ///< mm over a tile for its words
constexpr double kTileAround = 22; ///< mm of a sheet's height that words and the bar take

struct Tiling {
  int columns = 1, rows = 1;
  bool upright = true;
};

Tiling tilingOf(const Drawn& drawn, Paper paper) {
  const Eigen::Vector2d size = paperSize(paper);
  const auto count = [&](double w, double h) {
    const auto steps = [](double all, double each) {
      return all <= each ? 1 : 1 + static_cast<int>(std::ceil((all - each) / (each - kTileOverlap)));
    };
    return std::pair(steps(drawn.wide, w - 2 * kMargin), steps(drawn.high, h - 2 * kMargin - kTileAround));
  };
  const auto up = count(size.x(), size.y());
  const auto aside = count(size.y(), size.x());
  return up.first * up.second <= aside.first * aside.second ? Tiling{up.first, up.second, true}
                                                            : Tiling{aside.first, aside.second, false};
}

/// Ticks where the next sheet's edge lies.
void ticks(Page& page, bool left, bool right, bool above, bool below) {
  const Box& w = page.window;
  const auto upright = [&](double x) {
    for (const double y : {w.y, w.y + w.height - 5})
      page.marks.push_back(line({x, y}, {x, y + 5}, 0.3, kFaint));
  };
  const auto level = [&](double y) {
    for (const double x : {w.x, w.x + w.width - 5})
      page.marks.push_back(line({x, y}, {x + 5, y}, 0.3, kFaint));
  };
  if (left) upright(w.x + kTileOverlap);
  if (right) upright(w.x + w.width - kTileOverlap);
  if (above) level(w.y + kTileOverlap);
  if (below) level(w.y + w.height - kTileOverlap);
}

} // namespace

int tilesOf(const Drawn& drawn, Paper paper) {
  const Tiling tiling = tilingOf(drawn, paper);
  return tiling.columns * tiling.rows;
}

std::vector<Page> tiled(const Drawn& drawn, const Said& title, const Said& tells, Paper paper,
                        const Manner& manner) {
  const Tiling tiling = tilingOf(drawn, paper);
  const Eigen::Vector2d size = paperSize(paper);
  std::vector<Page> out;
  for (int r = 0; r < tiling.rows; ++r)
    for (int c = 0; c < tiling.columns; ++c) {
      Page page;
      page.width = tiling.upright ? size.x() : size.y();
      page.height = tiling.upright ? size.y() : size.x();
      page.window = {kMargin, kMargin + kTileHead, page.width - 2 * kMargin,
                     page.height - 2 * kMargin - kTileAround};
      const Point shift(kMargin - c * (page.window.width - kTileOverlap),
                        kMargin + kTileHead - r * (page.window.height - kTileOverlap));
      for (Mark m : drawn.marks) {
        for (Point& p : m.points) p += shift;
        page.inside.push_back(std::move(m));
      }
      page.name = fmt::format("{}{}", static_cast<char>('A' + r % 26), c + 1);
      const Said of =
          tiling.columns * tiling.rows > 1
              ? say("Sheet {} of A1 to {}: glue each over the ticks of the one before.", AsIs(page.name),
                    AsIs(
                        fmt::format("{}{}", static_cast<char>('A' + (tiling.rows - 1) % 26), tiling.columns)))
              : Said();
      page.marks.push_back(text({kMargin, kMargin + 3}, render(title, manner), 3.4, true));
      page.marks.push_back(text({kMargin, kMargin + 7.5}, render(together(of, tells), manner), 3.0));
      ticks(page, c > 0, c + 1 < tiling.columns, r > 0, r + 1 < tiling.rows);
      scaleBar(page.marks, {kMargin, page.height - kMargin - 4}, manner);
      out.push_back(std::move(page));
    }
  return out;
}

} // namespace columna
