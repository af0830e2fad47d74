#include "mat/shape.h"

#include <cmath>

namespace columna {

QPainterPath toPath(const std::vector<Polygon>& polygons, double unit) {
  QPainterPath path;
  for (const Polygon& polygon : polygons) {
    for (size_t i = 0; i < polygon.size(); ++i) {
      const QPointF p(polygon[i].x() / unit, polygon[i].y() / unit);
      if (i == 0)
        path.moveTo(p);
      else
        path.lineTo(p);
    }
    path.closeSubpath();
  }
  return path;
}

Shapes::Kept& Shapes::kept(const Figure& figure, double coat, View view) {
  const double share = coat / figure.scale;
  Kept& kept = views_[static_cast<size_t>(view)];
  const bool stale = figure.shapeKey != kept.shape || std::abs(share - kept.coatShare) > 1e-9;
  const bool wait = only_ && *only_ != view && kept.whole && kept.limbs.size() == figure.limbs.size();
  if (stale && !wait) {
    kept = {};
    kept.shape = figure.shapeKey;
    kept.coatShare = share;
  }
  kept.limbs.resize(figure.limbs.size());
  return kept;
}

const ViewShape& Shapes::of(const Figure& figure, double coat, View view) {
  Kept& kept = this->kept(figure, coat, view);
  if (kept.whole) return *kept.whole;
  ViewShape shape;
  std::vector<int> near;
  std::vector<int> far;
  for (size_t i = 0; i < figure.limbs.size(); ++i)
    (isFar(figure.limbs[i], view) ? far : near).push_back(static_cast<int>(i));
  const std::vector<Polygon> body = outline(figure, near, view);
  shape.near = toPath(body, figure.scale);
  shape.core = toPath(drawnIn(body, coat, figure.scale), figure.scale);
  if (!far.empty()) shape.far = toPath(outline(figure, far, view), figure.scale);
  for (const FigureFlat& flat : figure.flats) {
    Polygon points;
    for (const Vec3& p : flat.outline) points.push_back(project(p, view));
    shape.flats.addPath(toPath({points}, figure.scale));
  }
  shape.flats.setFillRule(Qt::WindingFill);
  shape.bounds = shape.near.boundingRect() | shape.far.boundingRect() | shape.flats.boundingRect();
  kept.whole = std::move(shape);
  return *kept.whole;
}

const LimbShape& Shapes::limb(const Figure& figure, double coat, View view, int limb) {
  auto& slot = kept(figure, coat, view).limbs[static_cast<size_t>(limb)];
  if (!slot) {
    const std::vector<Polygon> alone = outline(figure, {limb}, view);
    slot = LimbShape{toPath(alone, figure.scale), toPath(drawnIn(alone, coat, figure.scale), figure.scale)};
  }
  return *slot;
}

int Shapes::limbAt(const Figure& figure, double coat, View view, const QPointF& at) {
  const ViewShape& whole = of(figure, coat, view);
  if (!whole.bounds.contains(at)) return -1;
  for (const bool far : {false, true}) {
    int best = -1;
    double least = 1e18;
    for (size_t l = 0; l < figure.limbs.size(); ++l) {
      if (isFar(figure.limbs[l], view) != far) continue;
      const QPainterPath& path = limb(figure, coat, view, static_cast<int>(l)).outline;
      if (!path.contains(at)) continue;
      const QRectF box = path.boundingRect();
      if (box.width() * box.height() < least) {
        least = box.width() * box.height();
        best = static_cast<int>(l);
      }
    }
    if (best >= 0) return best;
  }
  return -1;
}

} // namespace columna
