#include "mat/shape.h"

#include <cmath>

namespace columna {

QPainterPath toPath(const std::vector<Polygon>& polygons, double unit) {
  QPainterPath path;
  for (const Polygon& polygon : polygons) {
    for (size_t i = 0; i < polygon.size(); ++i) {
      const QPointF p(polygon[i].x() / unit, polygon[i].y() / unit);
      if (i == 0) path.moveTo(p);
      else path.lineTo(p);
    }
    path.closeSubpath();
  }
  return path;
}

const ViewShape& Shapes::of(const Figure& figure, double coat, View view) {
  const double share = coat / figure.scale;
  if (figure.patternId != pattern_ || std::abs(share - coatShare_) > 1e-9) {
    pattern_ = figure.patternId;
    coatShare_ = share;
    made_ = {};
  }
  const auto v = static_cast<size_t>(view);
  ViewShape& shape = views_[v];
  if (made_[v]) return shape;
  made_[v] = true;
  shape = {};
  std::vector<int> near;
  std::vector<int> far;
  for (size_t i = 0; i < figure.limbs.size(); ++i) {
    const int l = static_cast<int>(i);
    (isFar(figure.limbs[i], view) ? far : near).push_back(l);
    shape.limbs.push_back(toPath(outline(figure, {l}, view), figure.scale));
    shape.limbCores.push_back(toPath(outline(figure, {l}, view, coat), figure.scale));
  }
  shape.near = toPath(outline(figure, near, view), figure.scale);
  shape.core = toPath(outline(figure, near, view, coat), figure.scale);
  if (!far.empty()) shape.far = toPath(outline(figure, far, view), figure.scale);
  for (const FigureFlat& flat : figure.flats) {
    Polygon points;
    for (const Vec3& p : flat.outline) points.push_back(project(p, view));
    shape.flats.addPath(toPath({points}, figure.scale));
  }
  shape.flats.setFillRule(Qt::WindingFill);
  shape.bounds = toPath(silhouette(figure, view), figure.scale).boundingRect();
  return shape;
}

} // namespace columna
