#include "sheet/outline_svg.h"

#include "anatomy/outline.h"

#include <fmt/format.h>

#include <algorithm>

namespace columna {
namespace {

struct Box {
  double left = 1e9, right = -1e9, low = 1e9, high = -1e9;
};

Box boxOf(const std::vector<Polygon>& polygons) {
  Box b;
  for (const Polygon& polygon : polygons)
    for (const Vec2& p : polygon) {
      b.left = std::min(b.left, p.x());
      b.right = std::max(b.right, p.x());
      b.low = std::min(b.low, p.y());
      b.high = std::max(b.high, p.y());
    }
  return b;
}

std::string path(const std::vector<Polygon>& polygons, double dx, double dy) {
  std::string out;
  for (const Polygon& polygon : polygons) {
    for (size_t i = 0; i < polygon.size(); ++i)
      out += fmt::format("{}{:.2f} {:.2f}", i == 0 ? "M" : "L", polygon[i].x() + dx, dy - polygon[i].y());
    out += "Z";
  }
  return out;
}

} // namespace

std::string outlineSvg(const Figure& figure) {
  constexpr double margin = 10;
  const auto side = silhouette(figure, View::Side);
  const auto front = silhouette(figure, View::Front);
  const auto above = silhouette(figure, View::Above);
  const Box s = boxOf(side);
  const Box f = boxOf(front);
  const Box a = boxOf(above);
  const double base = margin + std::max(s.high, f.high);
  const double width = std::max(s.right - s.left, a.right - a.left) + (f.right - f.left) + 3 * margin;
  const double height = base - std::min(s.low, f.low) + (a.high - a.low) + 2 * margin;
  std::string out =
      fmt::format("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" "
                  "width=\"{0:.2f}mm\" height=\"{1:.2f}mm\" viewBox=\"0 0 {0:.2f} {1:.2f}\">\n",
                  width, height);
  const double x = margin - std::min(s.left, a.left);
  const auto group = [&out](const char* id, const std::string& d) {
    out += fmt::format(
        "<g id=\"{}\"><path fill=\"none\" stroke=\"#2E2621\" stroke-width=\"0.3\" d=\"{}\"/></g>\n", id, d);
  };
  group("side", path(side, x, base));
  group("front", path(front, x + std::max(s.right, a.right) + margin - f.left, base));
  group("above", path(above, x, base - std::min(s.low, f.low) + margin + a.high));
  return out + "</svg>\n";
}

} // namespace columna
