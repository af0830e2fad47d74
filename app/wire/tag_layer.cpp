#include "wire/tag_layer.h"

#include "mat/figure_painter.h"
#include "theme/theme.h"

#include <algorithm>
#include <cmath>

namespace columna {

void TagLayer::paintOver(QPainter& p, const Viewport& v, bool large) {
  if (!large) return;
  const Plan& plan = session_.plan();
  const QRectF body = [&] {
    const QRectF b = shapes_.of(plan.figure, plan.wool->coatThickness, v.view).bounds;
    const double s = plan.figure->scale;
    return QRectF(v.at(Vec2(b.left() * s, b.bottom() * s)), v.at(Vec2(b.right() * s, b.top() * s)));
  }();
  std::vector<QRectF> taken;
  const auto place = [&](const QPointF& anchor, const std::vector<QPointF>& tries, int index) {
    for (const QPointF& at : tries) {
      const bool left = at.x() >= anchor.x();
      const QRectF box(left ? at.x() : at.x() - px(26), at.y() - px(11), px(26), px(22));
      if (!v.clip.adjusted(0, px(30), 0, 0).contains(box)) continue;
      if (std::any_of(taken.begin(), taken.end(), [&](const QRectF& r) { return r.intersects(box); }))
        continue;
      taken.push_back(box);
      p.setPen(QPen(theme().ink, 1));
      p.drawLine(anchor, at);
      paintTag(p, at, left, QString::fromStdString(plan.pieces[static_cast<size_t>(index)].tag),
               theme().piece(index));
      return;
    }
  };
  const auto pixel = [&](int point) { return v.at(plan.skeleton->points[static_cast<size_t>(point)].at); };
  for (size_t i = 0; i < plan.pieces.size(); ++i) {
    const Piece& piece = plan.pieces[i];
    const int index = static_cast<int>(i);
    if (piece.route.empty()) continue;
    const QPointF first = pixel(piece.route.front());
    if (piece.limbs.empty()) { // a lashing: below the belly
      std::vector<QPointF> tries;
      for (const double x : {0.0, 30.0, -30.0, 60.0, -60.0})
        tries.emplace_back(first.x() + px(x), body.top() - px(14));
      place(first, tries, index);
      continue;
    }
    const QPointF far = pixel(piece.route[piece.route.size() / 2]);
    const bool across = std::abs(far.x() - first.x()) > body.width() * 0.5;
    if (across) { // along the body: a tag beyond each end
      for (const QPointF& end : {first, far}) {
        const double d = end.x() < body.center().x() ? -1 : 1;
        place(end,
              {end + QPointF(d * px(16), 0), end + QPointF(d * px(16), -px(26)),
               end + QPointF(d * px(16), px(26))},
              index);
      }
      continue;
    }
    std::vector<QPointF> tries;
    // A limb of the other side lies behind this one: its tag goes under the ground line, on the other hand.
    if (isFar(plan.figure->limbs[static_cast<size_t>(piece.limbs.front())], v.view))
      for (const double x : {-14.0, -44.0, 20.0, 50.0})
        tries.emplace_back(far.x() + px(x), v.at(Vec2(0, 0)).y() + px(17));
    for (const double y : {-6.0, -30.0, -54.0, 14.0})
      for (const double x : {34.0, -34.0, 60.0, -60.0, 90.0}) tries.push_back(far + QPointF(px(x), px(y)));
    place(far, tries, index);
  }
}

} // namespace columna
