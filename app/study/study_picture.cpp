// Where a picture that is traced lies on the mat, and the figure over it.
#include "study/study_layer.h"

#include <algorithm>

namespace columna {

bool StudyLayer::tracing(View view) const { return photo(view) != nullptr; }

Similarity StudyLayer::atRest(const Photo& photo) const {
  const Figure& f = session_.plan().figure;
  const QRectF b = shapes_.of(f, session_.plan().wool->coatThickness, photo.view).bounds;
  Similarity s;
  s.turn = photo.straighten;
  s.scale = photo.mmPerPixel > 0
                ? f.scale / photo.mmPerPixel
                : std::max(photo.width / (b.width() * 1.12), photo.height / (b.height() * 1.12));
  // The picture's middle lies on the figure's.
  const Vec2 middle(photo.width / 2.0, photo.height / 2.0);
  const Vec2 off = middle - s.toPicture(Vec2(b.center().x(), b.center().y()));
  s.shift += Vec2(off.x(), -off.y());
  return s;
}

std::optional<QRectF> StudyLayer::instead(View view) const {
  return photo(view) ? std::optional(pictureBounds(view)) : std::nullopt;
}

QRectF StudyLayer::pictureBounds(View view) const {
  const Photo* p = photo(view);
  const Similarity rest = atRest(*p);
  const double scale = session_.plan().figure->scale;
  QPolygonF corners;
  for (const auto& [x, y] :
       {std::pair(0, 0), std::pair(p->width, 0), std::pair(p->width, p->height), std::pair(0, p->height)}) {
    const Vec2 at = rest.toModel(Vec2(x, y)) * scale;
    corners << QPointF(at.x(), at.y());
  }
  return corners.boundingRect();
}

Vec2 StudyLayer::toPicture(const Viewport& v, const QPointF& at) const {
  return atRest(*photo(v.view)).toPicture(v.mm(at) / session_.plan().figure->scale);
}

QPointF StudyLayer::fromPicture(const Viewport& v, const Vec2& at) const {
  return v.at(Vec2(atRest(*photo(v.view)).toModel(at) * session_.plan().figure->scale));
}

QTransform StudyLayer::overlay(View view) const {
  const Photo* p = photo(view);
  if (!p) return {};
  const auto fit = fitSimilarity(session_.plan().pattern, *p);
  if (!fit) return {};
  const Similarity rest = atRest(*p);
  const double scale = session_.plan().figure->scale;
  const auto map = [&](const Vec2& mm) { return Vec2(rest.toModel(fit->toPicture(mm / scale)) * scale); };
  const Vec2 o = map({0, 0});
  const Vec2 x = map({1, 0}) - o;
  const Vec2 y = map({0, 1}) - o;
  return {x.x(), x.y(), y.x(), y.y(), o.x(), o.y()};
}

} // namespace columna
