#include "turn/framing.h"

#include "anatomy/plane.h"

#include <algorithm>

namespace columna {

Vec3 middleOf(const Figure& figure) {
  Vec3 low(1e9, 1e9, 1e9);
  Vec3 high = -low;
  for (const Tube& tube : figure.tubes)
    for (const Ring& r : tube.rings) {
      const Vec3 half = Vec3::Constant(std::max(r.ru, r.rv));
      low = low.cwiseMin(r.centre - half);
      high = high.cwiseMax(r.centre + half);
    }
  for (const FigureFlat& flat : figure.flats)
    for (const Vec3& p : flat.outline) {
      low = low.cwiseMin(p);
      high = high.cwiseMax(p);
    }
  return (low + high) / 2;
}

void frameRound(Camera& camera, const Figure& figure, const QRectF& room) {
  camera.scale = 1;
  camera.middle = QPointF(0, 0);
  Bounds2 box;
  const auto take = [&](const QPointF& at, double half) {
    box.take(Vec2(at.x() - half, at.y() - half));
    box.take(Vec2(at.x() + half, at.y() + half));
  };
  for (const Tube& tube : figure.tubes)
    for (const Ring& r : tube.rings) take(camera.at(r.centre), 0.9 * std::max(r.ru, r.rv));
  for (const FigureFlat& flat : figure.flats)
    for (const std::vector<Vec3>* places : {&flat.outline, &flat.sheet})
      for (const Vec3& p : *places) take(camera.at(p), flat.thickness / 2);
  const QRectF seen(box.low.x(), box.low.y(), box.size().x(), box.size().y());
  camera.scale = std::max(0.02, std::min(room.width() / std::max(1.0, seen.width()),
                                         room.height() / std::max(1.0, seen.height())));
  camera.middle = room.center() - camera.scale * seen.center();
}

} // namespace columna
