#include "sheet/outline_svg.h"

#include "anatomy/outline.h"
#include "anatomy/plane.h"

#include <fmt/format.h>

#include <algorithm>

namespace columna {
namespace {

Bounds2 boundsOf(const std::vector<Polygon>& polygons) {
  Bounds2 b;
  for (const Polygon& polygon : polygons) b.take(polygon);
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
  const Bounds2 s = boundsOf(side);
  const Bounds2 f = boundsOf(front);
  const Bounds2 a = boundsOf(above);
  const double base = margin + std::max(s.high.y(), f.high.y());
  const double width =
      std::max(s.high.x() - s.low.x(), a.high.x() - a.low.x()) + (f.high.x() - f.low.x()) + 3 * margin;
  const double height = base - std::min(s.low.y(), f.low.y()) + (a.high.y() - a.low.y()) + 2 * margin;
  std::string out =
      fmt::format("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" "
                  "width=\"{0:.2f}mm\" height=\"{1:.2f}mm\" viewBox=\"0 0 {0:.2f} {1:.2f}\">\n",
                  width, height);
  const double x = margin - std::min(s.low.x(), a.low.x());
  const auto group = [&out](const char* id, const std::string& d) {
    out += fmt::format(
        "<g id=\"{}\"><path fill=\"none\" stroke=\"#2E2621\" stroke-width=\"0.3\" d=\"{}\"/></g>\n", id, d);
  };
  group("side", path(side, x, base));
  group("front", path(front, x + std::max(s.high.x(), a.high.x()) + margin - f.low.x(), base));
  group("above", path(above, x, base - std::min(s.low.y(), f.low.y()) + margin + a.high.y()));
  return out + "</svg>\n";
}

} // namespace columna
