#include "sheet/view_drawing.h"

#include "sheet/wire_pages.h"

#include <algorithm>
#include <set>
#include <utility>

namespace columna {
namespace {

constexpr Rgb kCoat{240, 233, 220};

} // namespace

ViewDrawing drawView(const Plan& plan, View view) {
  const auto outlines = silhouette(plan.figure, view);
  double left = 1e9;
  double right = -1e9;
  double low = view == View::Above ? 1e9 : 0;
  double top = -1e9;
  for (const Polygon& polygon : outlines)
    for (const Vec2& p : polygon) {
      left = std::min(left, p.x());
      right = std::max(right, p.x());
      top = std::max(top, p.y());
      if (view == View::Above) low = std::min(low, p.y());
    }
  const double pad = 5;
  const auto place = [&](const Vec2& p) { return Point(p.x() - left + pad, top - p.y() + pad); };
  ViewDrawing whole{view, {}, right - left + 2 * pad, top - low + 2 * pad};
  std::vector<Mark>& out = whole.marks;
  for (const Polygon& polygon : outlines) {
    Mark m;
    for (const Vec2& p : polygon) m.points.push_back(place(p));
    m.closed = true;
    m.filled = true;
    m.fill = kCoat;
    m.stroke = kFaint;
    m.width = 0.3;
    out.push_back(std::move(m));
  }
  if (view != View::Above) out.push_back(line(place({left - pad, 0}), place({right + pad, 0}), 0.2, kFaint));
  const auto at = [&](int point) -> Point {
    return place(project(plan.skeleton->points[static_cast<size_t>(point)].at, view));
  };
  for (size_t i = 0; i < plan.pieces.size(); ++i) {
    const Piece& piece = plan.pieces[i];
    if (piece.limbs.empty() || piece.route.size() < 2) continue;
    if (piece.mirrorOf >= 0 && view == View::Side) continue; // twins lie on each other
    std::set<std::pair<int, int>> drawn;
    for (size_t k = 0; k + 1 < piece.route.size(); ++k) {
      const int a = piece.route[k];
      const int b = piece.route[k + 1];
      if (!drawn.insert({std::min(a, b), std::max(a, b)}).second) continue;
      Mark wire = line(at(a), at(b), std::max(0.8, piece.diameter), pieceColour(i));
      out.push_back(wire);
      for (const int point : {a, b}) {
        Mark joint;
        joint.kind = Mark::Kind::Disc;
        joint.points = {at(point)};
        joint.size = 1.1;
        joint.filled = true;
        joint.fill = Rgb{255, 255, 255};
        joint.stroke = kInk;
        out.push_back(joint);
      }
    }
    if (piece.route.empty()) continue;
    const Point tip = at(piece.route[piece.route.size() / 2]);
    out.push_back(text(tip + Point(2.5, -2.5), piece.tag, 4, true));
  }
  return whole;
}

std::string_view viewWords(View view) {
  switch (view) {
  case View::Front:
    return named("Front view");
  case View::Above:
    return named("View from above");
  case View::Side:
    break;
  }
  return named("Side view, from the right,");
}

} // namespace columna
