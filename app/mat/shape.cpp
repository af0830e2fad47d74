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

void Shapes::follow(std::optional<View> only) {
  only_ = only;
  if (only) return;
  // Let go: what was drawn coarsely is drawn well.
  for (Kept& kept : views_)
    for (auto& limb : kept.limbs)
      if (limb && limb->coarse) {
        limb.reset();
        kept.whole.reset();
      }
  for (Kept& kept : views_)
    if (kept.coarse) kept.whole.reset();
}

const QPainterPath& ViewShape::core() const {
  if (kept.isEmpty()) kept = toPath(drawnIn(body, coatShare, 1), 1);
  return kept;
}

const QPainterPath& LimbShape::core() const {
  if (kept.isEmpty()) kept = toPath(drawnIn(polygons, coatShare, 1), 1);
  return kept;
}

Shapes::Kept& Shapes::kept(const Figure& figure, double coat, View view) {
  const double share = coat / figure.scale;
  Kept& kept = views_[static_cast<size_t>(view)];
  const bool wait = only_ && *only_ != view && kept.whole && kept.limbs.size() == figure.limbs.size();
  if (figure.shapeKey != kept.shape && !wait) {
    // Limbs whose surface did not change keep their outlines.
    kept.limbs.resize(figure.limbs.size());
    for (size_t l = 0; l < kept.limbs.size(); ++l)
      if (kept.limbs[l] && kept.limbs[l]->surface != surfaceKey(figure, static_cast<int>(l)))
        kept.limbs[l].reset();
    kept.whole.reset();
    kept.shape = figure.shapeKey;
  }
  kept.limbs.resize(figure.limbs.size());
  // At another size the same coat is another share of it: the outlines stay, what lies under the coat does
  // not. Under the hand it waits: the difference is less than a line is wide.
  if (std::abs(share - kept.coatShare) > 1e-9 && !(only_ && kept.whole)) {
    for (auto& limb : kept.limbs)
      if (limb) limb->setCoat(share);
    if (kept.whole) kept.whole->setCoat(share);
    kept.coatShare = share;
  }
  return kept;
}

const ViewShape& Shapes::of(const Figure& figure, double coat, View view) {
  Kept& kept = this->kept(figure, coat, view);
  if (kept.whole) return *kept.whole;
  ViewShape shape;
  if (only_) {
    // Under the hand limbs are not united: painted one over the other they look it.
    for (size_t i = 0; i < figure.limbs.size(); ++i) {
      const LimbShape& one = limb(figure, coat, view, static_cast<int>(i));
      const bool far = isFar(figure.limbs[i], view);
      (far ? shape.far : shape.near).addPath(one.outline);
      if (!far) shape.kept.addPath(one.core());
    }
    shape.kept.addPath(toPath(seams(figure, view, coat), figure.scale));
    for (QPainterPath* path : {&shape.near, &shape.far, &shape.kept}) path->setFillRule(Qt::WindingFill);
  }
  std::vector<std::vector<Polygon>> near;
  std::vector<std::vector<Polygon>> far;
  for (size_t i = 0; i < figure.limbs.size() && !only_; ++i)
    (isFar(figure.limbs[i], view) ? far : near)
        .push_back(limb(figure, coat, view, static_cast<int>(i)).polygons);
  if (!near.empty()) {
    shape.body = united(near, 1);
    shape.near = toPath(shape.body, 1);
  }
  shape.coatShare = coat / figure.scale;
  if (!far.empty()) shape.far = toPath(united(far, 1), 1);
  for (const FigureFlat& flat : figure.flats) {
    if (only_) { // under the hand the felt's edge is left out
      Polygon points;
      for (const Vec3& p : flat.outline) points.push_back(project(p, view));
      shape.flats.addPath(toPath({points}, figure.scale));
    } else {
      shape.flats.addPath(toPath(flatOutline(flat, view, figure.scale), figure.scale));
    }
  }
  shape.flats.setFillRule(Qt::WindingFill);
  shape.bounds = shape.near.boundingRect() | shape.far.boundingRect() | shape.flats.boundingRect();
  kept.whole = std::move(shape);
  kept.coarse = only_.has_value();
  return *kept.whole;
}

const LimbShape& Shapes::limb(const Figure& figure, double coat, View view, int limb) {
  auto& slot = kept(figure, coat, view).limbs[static_cast<size_t>(limb)];
  if (!slot) {
    LimbShape made;
    made.surface = surfaceKey(figure, limb);
    made.coatShare = coat / figure.scale;
    made.coarse = only_.has_value();
    made.polygons = outline(figure, {limb}, view, 0, made.coarse ? 12 : 36);
    for (Polygon& polygon : made.polygons)
      for (Vec2& at : polygon) at /= figure.scale;
    made.outline = toPath(made.polygons, 1);
    slot = std::move(made);
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
