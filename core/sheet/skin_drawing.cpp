#include "sheet/skin_drawing.h"

#include "anatomy/plane.h"

#include <algorithm>

namespace columna {

Drawing skinDrawing(const SkinPattern& skin) {
  constexpr double between = 12; // mm between the two of a pair
  constexpr double bar = 50;     // mm to check a print by
  Drawing out;
  out.layers = {{"finished", {}, {}}, {"cut", {}, {}}, {"notes", {}, {}}};
  Bounds2 box;
  box.take(skin.finished);
  box.take(skin.cut);
  const double wide = box.size().x();
  Layer2d& notes = out.layers[2];
  for (const bool right : {false, true}) {
    if (right && !skin.twin) continue;
    const auto at = [&](const Vec2& p) {
      return Vec2(right ? wide + between + box.high.x() - p.x() : p.x() - box.low.x(), p.y());
    };
    const auto draw = [&](size_t layer, const std::vector<Vec2>& outline) {
      if (outline.empty()) return;
      DrawnLine line{{}, true};
      for (const Vec2& p : outline) line.points.push_back(at(p));
      out.layers[layer].lines.push_back(std::move(line));
    };
    draw(0, skin.finished);
    draw(1, skin.cut);
    Vec2 middle(0, 0);
    for (const Vec2& p : skin.finished) middle += p / static_cast<double>(skin.finished.size());
    notes.texts.push_back({at(middle), 4, skin.id + (skin.twin ? (right ? " R" : " L") : "")});
  }
  const double under = box.low.y() - 10;
  notes.lines.push_back({{{0, under}, {bar, under}}, false});
  for (const double x : {0.0, bar}) notes.lines.push_back({{{x, under - 2}, {x, under + 2}}, false});
  notes.texts.push_back({{0, under - 7}, 4, "50 mm"});
  out.low = Vec2(0, under - 10);
  out.high = Vec2(std::max(skin.twin ? 2 * wide + between : wide, bar), box.high.y() + 2);
  return out;
}

} // namespace columna
