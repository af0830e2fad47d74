#include "mat/mat.h"
#include "mat/ruler.h"
#include "theme/theme.h"

#include <QPainter>

#include <cmath>

namespace columna {
namespace {

QString viewName(View view) {
  switch (view) {
  case View::Front:
    return Mat::tr("from the front");
  case View::Above:
    return Mat::tr("from above");
  case View::Side:
    break;
  }
  return Mat::tr("from the right");
}

void arrowEnds(QPainter& p, const QLineF& line) {
  const QLineF unit = line.unitVector();
  const QPointF normal(-(unit.dy()), unit.dx());
  for (const QPointF& end : {line.p1(), line.p2()}) p.drawLine(end - normal * px(5), end + normal * px(5));
}

/// Text with a patch of ground under it.
void patchText(QPainter& p, const QPointF& centre, const QString& text) {
  const QFontMetricsF m(p.font());
  const QRectF box(centre.x() - m.horizontalAdvance(text) / 2 - 8, centre.y() - m.height() / 2,
                   m.horizontalAdvance(text) + 16, m.height());
  p.fillRect(box, theme().ground);
  p.drawText(box, Qt::AlignCenter, text);
}

} // namespace

void Mat::paintGrid(QPainter& p) {
  const Viewport& v = ports_[0];
  const RulerScale scale = rulerScale(v.scale, session_.units());
  QColor line = theme().rule;
  line.setAlphaF(0.45F);
  p.setPen(QPen(line, 1));
  const QRectF c = v.clip;
  for (double x = std::ceil(v.mm(c.topLeft()).x() / scale.major) * scale.major;
       v.at(Vec2(x, 0)).x() < c.right(); x += scale.major)
    p.drawLine(QPointF(v.at(Vec2(x, 0)).x(), c.top()), QPointF(v.at(Vec2(x, 0)).x(), c.bottom()));
  for (double y = std::ceil(v.mm(c.bottomLeft()).y() / scale.major) * scale.major;
       v.at(Vec2(0, y)).y() > c.top(); y += scale.major)
    p.drawLine(QPointF(c.left(), v.at(Vec2(0, y)).y()), QPointF(c.right(), v.at(Vec2(0, y)).y()));
}

void Mat::paintMain(QPainter& p) {
  const Plan& plan = shown();
  const Theme& t = theme();
  Viewport& v = ports_[0];
  p.save();
  p.setClipRect(v.clip);
  p.setRenderHint(QPainter::Antialiasing);
  const FigurePaint how{session_.stage(), session_.selected(), hovered_,
                        throughWool_,     session_.units(),    false,
                        session_.bare()};
  const bool wrapping = session_.stage() == Stage::Wrap;
  const Plan& drawn = wrapping ? session_.builtPlan() : plan;
  if (wrapping && !session_.finished()) paintGhost(p, v);
  FigurePainter painter(p, v, drawn, wrapping && !session_.finished() ? building_ : shapes_, how);
  if (v.view != View::Above) {
    p.setPen(QPen(t.ink, 1));
    const double y = v.at(Vec2(0, 0)).y();
    p.drawLine(QPointF(v.clip.left(), y), QPointF(v.clip.right(), y));
  }
  const bool picture = study_->tracing(v.view);
  study_->paintUnder(p, v);
  const bool posing = session_.stage() == Stage::Pose;
  if (posing) pose_.paintUnder(p, v, true);
  if (!picture) painter.body();
  if (wrapping) marks_.paint(p, v, bodyPath(v), plan.figure);
  const bool showWire = session_.stage() == Stage::Wire || throughWool_ || (wrapping && !session_.finished());
  if (showWire && !picture) painter.wire();
  if (session_.stage() == Stage::Wire || throughWool_) painter.joints();
  ends_.paint(p, v);
  study_->paintOver(p, v, true);
  if (posing) pose_.paintOver(p, v, true);
  if (wrapping && session_.finished() && !session_.marking()) {
    painter.girths();
    painter.grams();
  }
  if (session_.stage() == Stage::Wire) {
    paintTags(p);
    painter.findings();
  }
  if (session_.stage() == Stage::Study) {
    if (!picture) paintSizeMarks(p);
  } else if (v.view == View::Side && !posing)
    paintLength(p);
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  const QPointF head(v.clip.left() + px(16), v.clip.top() + px(24));
  p.drawText(head, viewName(v.view));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(viewName(v.view));
  p.setFont(typeface(13));
  p.setPen(t.faint);
  const QString more = session_.stage() == Stage::Wrap
                           ? (session_.marking() ? tr("draw round the area; Esc leaves it")
                                                 : tr("girths as felted; dashes are the finished outline"))
                       : picture                          ? QString()
                       : session_.stage() == Stage::Study ? tr("drag joints, rings and marks")
                       : posing                           ? tr("drag a joint to pose; X shows the wire")
                                                          : QString();
  p.drawText(head + QPointF(w + px(14), 0), more);
  p.restore();
}

QPainterPath Mat::bodyPath(const Viewport& v) {
  const Plan& plan = shown();
  const ViewShape& shape = shapes_.of(plan.figure, plan.wool.coatThickness, v.view);
  const double s = v.scale * plan.figure.scale;
  return QTransform(s, 0, 0, -s, v.origin.x(), v.origin.y()).map(shape.near);
}

/// The finished outline, as one lays work on the drawing.
void Mat::paintGhost(QPainter& p, const Viewport& v) {
  QPen dashed(theme().faint, 1.2);
  dashed.setDashPattern({5, 4});
  p.setPen(dashed);
  p.setBrush(Qt::NoBrush);
  p.drawPath(bodyPath(v));
}

void Mat::paintSmall(QPainter& p, const QRectF& dirty) {
  const Plan& plan = shown();
  const Theme& t = theme();
  p.setPen(QPen(t.rule, 1));
  if (!three())
    p.drawLine(QPointF(centreArea().left(), ports_[1].clip.top()), QPointF(width(), ports_[1].clip.top()));
  for (size_t i = 1; i < ports_.size(); ++i) {
    const Viewport& v = ports_[i];
    if (v.clip.height() < 1 || !v.clip.intersects(dirty)) continue;
    p.save();
    p.setClipRect(v.clip);
    const ViewShape& shape = shapes_.of(plan.figure, plan.wool.coatThickness, v.view);
    const FigurePaint how{session_.stage(), session_.selected(), -1, throughWool_, session_.units(), true,
                          session_.bare()};
    FigurePainter painter(p, v, plan, shapes_, how);
    if (v.view != View::Above) {
      p.setPen(QPen(t.ink, 1));
      const QRectF b = shape.bounds;
      const double s = plan.figure.scale;
      p.drawLine(v.at(Vec2(b.left() * s, 0)) - QPointF(px(16), 0),
                 v.at(Vec2(b.right() * s, 0)) + QPointF(px(16), 0));
    }
    if (session_.stage() == Stage::Pose) pose_.paintUnder(p, v, false);
    painter.body();
    if (session_.stage() == Stage::Wrap) marks_.paint(p, v, bodyPath(v), plan.figure);
    if (session_.stage() == Stage::Wire || throughWool_) painter.wire();
    if (session_.stage() == Stage::Wire) painter.letters();
    if (session_.stage() == Stage::Pose) pose_.paintOver(p, v, false);
    study_->paintOver(p, v, three());
    p.setPen(t.ink);
    p.setFont(typeface(13, QFont::DemiBold));
    p.drawText(v.clip.topLeft() + QPointF(px(three() || i == 1 ? 16 : 0), px(three() && i == 1 ? 24 : 22)),
               viewName(v.view));
    p.restore();
  }
  paintZoom(p);
}

void Mat::paintZoom(QPainter& p) {
  if (textScale() > 1.4) return; // no room beside the small views
  const double percent = 100 * ports_[0].scale / screenPixelsPerMm_;
  p.setFont(typeface(13));
  const QString text =
      std::abs(percent - 100) < 0.5 ? tr("true size") : tr("%1 % of true size").arg(qRound(percent));
  p.setPen(theme().ink);
  const double y = three() ? height() - px(66) : ports_[1].clip.top() + px(8);
  p.drawText(QRectF(width() - px(220), y, px(204), px(22)), Qt::AlignRight | Qt::AlignVCenter, text);
}

void Mat::paintRulers(QPainter& p) {
  const Viewport& v = ports_[0];
  const double top = centreArea().top();
  const double left = centreArea().left();
  std::optional<QRectF> reach;
  if (session_.selected() >= 0) {
    const Figure& f = shown().figure;
    const QRectF b =
        shapes_.limb(f, shown().wool.coatThickness, v.view, session_.selected()).outline.boundingRect();
    const QPointF a = v.at(Vec2(b.left() * f.scale, b.bottom() * f.scale));
    const QPointF c = v.at(Vec2(b.right() * f.scale, b.top() * f.scale));
    reach = QRectF(a, c);
  }
  paintTopRuler(p, QRectF(left, 0, width() - left, top), v.origin.x(), v.scale, session_.units(),
                reach ? std::optional(std::pair(reach->left(), reach->right())) : std::nullopt);
  paintLeftRuler(p, QRectF(0, top, left, v.clip.height()), v.origin.y(), v.scale, session_.units(),
                 reach ? std::optional(std::pair(reach->top(), reach->bottom())) : std::nullopt);
  p.fillRect(QRectF(0, 0, left, top), theme().ground);
  p.fillRect(QRectF(0, v.clip.bottom(), left, height() - v.clip.bottom()), theme().ground);
  p.setPen(theme().faint);
  p.setFont(typeface(11));
  p.drawText(QRectF(0, 0, left - 4, top), Qt::AlignRight | Qt::AlignVCenter,
             QString::fromStdString(std::string(lengthUnit(session_.units()))));
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(QPointF(left, top), QPointF(left, height()));
  p.drawLine(QPointF(0, top), QPointF(width(), top));
}

void Mat::paintTags(QPainter& p) {
  const Plan& plan = shown();
  const Viewport& v = ports_[0];
  const QRectF body = [&] {
    const QRectF b = shapes_.of(plan.figure, plan.wool.coatThickness, v.view).bounds;
    const double s = plan.figure.scale;
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
  const auto pixel = [&](int point) { return v.at(plan.skeleton.points[static_cast<size_t>(point)].at); };
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
    if (isFar(plan.figure.limbs[static_cast<size_t>(piece.limbs.front())], v.view))
      for (const double x : {-14.0, -44.0, 20.0, 50.0})
        tries.emplace_back(far.x() + px(x), v.at(Vec2(0, 0)).y() + px(17));
    for (const double y : {-6.0, -30.0, -54.0, 14.0})
      for (const double x : {34.0, -34.0, 60.0, -60.0, 90.0}) tries.push_back(far + QPointF(px(x), px(y)));
    place(far, tries, index);
  }
}

void Mat::paintSizeMarks(QPainter& p) {
  const Theme& t = theme();
  p.setFont(typeface(13, QFont::DemiBold));
  for (const SizeMark& mark : sizeMarks()) {
    const bool settled = session_.project().size.by == mark.by;
    p.setPen(QPen(settled ? t.woad : t.faint, settled ? 2 : 1));
    p.drawLine(mark.line);
    arrowEnds(p, mark.line);
    p.setPen(settled ? t.woad : t.ink);
    patchText(p, mark.line.center(), mark.text);
    p.setPen(QPen(t.card, 1.5));
    p.setBrush(settled ? t.woad : t.hollow);
    p.drawEllipse(mark.handle, px(7), px(7));
  }
}

void Mat::paintLength(QPainter& p) {
  const Figure& f = shown().figure;
  const Viewport& v = ports_[0];
  const QRectF b = shapes_.of(f, shown().wool.coatThickness, View::Side).bounds;
  const double y = v.at(Vec2(0, 0)).y() + frame(42);
  const QLineF line(QPointF(v.at(Vec2(b.left() * f.scale, 0)).x(), y),
                    QPointF(v.at(Vec2(b.right() * f.scale, 0)).x(), y));
  p.setPen(QPen(theme().faint, 1));
  p.drawLine(line);
  arrowEnds(p, line);
  p.setPen(theme().ink);
  p.setFont(typeface(13, QFont::DemiBold));
  patchText(p, line.center(),
            tr("%1 over all").arg(QString::fromStdString(printLength(f.totalLength, session_.units()))));
}

} // namespace columna
