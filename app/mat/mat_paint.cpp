#include "mat/mat.h"
#include "mat/ruler.h"
#include "measure/whole.h"
#include "session/build_view.h"
#include "stage/mat_layer.h"
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

} // namespace

void Mat::paintGrid(QPainter& p) {
  const Viewport& v = ports_[0];
  const RulerScale scale = rulerScale(v.scale, session_.units());
  // Opaque, and as bars on whole pixels: sharp, and a fraction of the time.
  const auto mixed = [](int ground, int line) { return qRound(0.55 * ground + 0.45 * line); };
  const QColor& under = theme().ground;
  const QColor& rule = theme().rule;
  const QColor line(mixed(under.red(), rule.red()), mixed(under.green(), rule.green()),
                    mixed(under.blue(), rule.blue()));
  const QRectF c = v.clip;
  const QRect all = c.toAlignedRect();
  for (double x = std::ceil(v.mm(c.topLeft()).x() / scale.major) * scale.major;
       v.at(Vec2(x, 0)).x() < c.right(); x += scale.major)
    p.fillRect(QRect(qRound(v.at(Vec2(x, 0)).x()), all.top(), 1, all.height()), line);
  for (double y = std::ceil(v.mm(c.bottomLeft()).y() / scale.major) * scale.major;
       v.at(Vec2(0, y)).y() > c.top(); y += scale.major)
    p.fillRect(QRect(all.left(), qRound(v.at(Vec2(0, y)).y()), all.width(), 1), line);
}

const MatWool* Mat::wool() {
  const StageLook look = stage().look();
  if (look.bare || look.felt || look.built || look.part) return nullptr;
  // Under the hand the other views' outlines are not made: the coat's colour has to do.
  wool_.hold(shapes_.coarse() || session_.inRun());
  if (wool_.held()) return &wool_;
  const Plan& plan = shown();
  std::array<MatWool::Wanted, 3> views;
  for (size_t i = 0; i < ports_.size(); ++i) {
    const Viewport& v = ports_[i];
    const QRectF b = shapes_.of(plan.figure, plan.wool->coatThickness, v.view).bounds;
    const double s = plan.figure->scale;
    const bool seen = v.clip.height() >= 1 && !(i == 0 && turntableOn());
    views[i] = {v.view, seen ? QRectF(b.left() * s, b.top() * s, b.width() * s, b.height() * s) : QRectF(),
                v.scale};
  }
  wool_.want(plan.figure, views);
  return &wool_;
}

void Mat::paintMain(QPainter& p) {
  const Plan& plan = shown();
  const Theme& t = theme();
  const StageLook look = stage().look();
  Viewport& v = ports_[0];
  p.save();
  p.setClipRect(v.clip);
  p.setRenderHint(QPainter::Antialiasing);
  const FigurePaint how{look, session_.selected(), hovered_, throughWool_, session_.units(), false, wool()};
  const bool building = look.built && !session_.build().finished();
  const Plan& drawn = building ? session_.build().plan(look.stance) : plan;
  if (building) paintGhost(p, v);
  FigurePainter painter(p, v, drawn, building ? building_ : shapes_, how);
  if (v.view != View::Above && !look.part) {
    p.setPen(QPen(t.ink, 1));
    const double y = v.at(Vec2(0, 0)).y();
    p.drawLine(QPointF(v.clip.left(), y), QPointF(v.clip.right(), y));
  }
  const bool covered = instead(v.view).has_value();
  for (MatLayer* layer : layers()) layer->paintUnder(p, v, true);
  if (!covered) painter.body();
  for (MatLayer* layer : layers()) layer->paintOn(p, v, true);
  if ((look.wire || throughWool_ || building) && !covered) painter.wire();
  if (look.joints || throughWool_) painter.joints();
  for (MatLayer* layer : layers()) layer->paintOver(p, v, true);
  if (look.girths) {
    painter.girths();
    painter.grams();
  }
  if (look.joints) painter.findings();
  if (look.length && v.view == View::Side) paintLength(p);
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  const QPointF head(v.clip.left() + px(16), v.clip.top() + px(24));
  p.drawText(head, viewName(v.view));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(viewName(v.view));
  p.setFont(typeface(13));
  p.setPen(t.faint);
  if (!covered) p.drawText(head + QPointF(w + px(14), 0), look.hint);
  p.restore();
}

std::optional<QRectF> Mat::instead(View view) const {
  for (const MatLayer* layer : layers())
    if (auto other = layer->instead(view)) return other;
  return std::nullopt;
}

QPainterPath Mat::bodyPath(const Viewport& v) {
  const Plan& plan = shown();
  const ViewShape& shape = shapes_.of(plan.figure, plan.wool->coatThickness, v.view);
  const double s = v.scale * plan.figure->scale;
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
  const StageLook look = stage().look();
  const Theme& t = theme();
  p.setPen(QPen(t.rule, 1));
  if (!three())
    p.drawLine(QPointF(centreArea().left(), ports_[1].clip.top()), QPointF(width(), ports_[1].clip.top()));
  for (size_t i = 1; i < ports_.size(); ++i) {
    const Viewport& v = ports_[i];
    if (v.clip.height() < 1 || !v.clip.intersects(dirty)) continue;
    p.save();
    p.setClipRect(v.clip);
    const FigurePaint how{look, session_.selected(), -1, throughWool_, session_.units(), true, wool()};
    FigurePainter painter(p, v, plan, shapes_, how);
    const bool covered = look.part && instead(v.view).has_value();
    if (v.view != View::Above && !covered) {
      p.setPen(QPen(t.ink, 1));
      const QRectF b = shapes_.of(plan.figure, plan.wool->coatThickness, v.view).bounds;
      const double s = plan.figure->scale;
      p.drawLine(v.at(Vec2(b.left() * s, 0)) - QPointF(px(16), 0),
                 v.at(Vec2(b.right() * s, 0)) + QPointF(px(16), 0));
    }
    for (MatLayer* layer : layers()) layer->paintUnder(p, v, false);
    if (!covered) painter.body();
    for (MatLayer* layer : layers()) layer->paintOn(p, v, false);
    if (look.wire || throughWool_) painter.wire();
    if (look.joints) painter.letters();
    for (MatLayer* layer : layers()) layer->paintOver(p, v, three());
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
      std::abs(percent - 100) < 0.5 ? tr("true size") : tr("%1 % of true size").arg(nearestWhole(percent));
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
        shapes_.limb(f, shown().wool->coatThickness, v.view, session_.selected()).outline.boundingRect();
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

void Mat::paintLength(QPainter& p) {
  const Figure& f = shown().figure;
  const Viewport& v = ports_[0];
  const QRectF b = shapes_.of(f, shown().wool->coatThickness, View::Side).bounds;
  const double y = v.at(Vec2(0, 0)).y() + frame(42);
  const QLineF line(QPointF(v.at(Vec2(b.left() * f.scale, 0)).x(), y),
                    QPointF(v.at(Vec2(b.right() * f.scale, 0)).x(), y));
  p.setPen(QPen(theme().faint, 1));
  paintDimension(p, line);
  p.setPen(theme().ink);
  p.setFont(typeface(13, QFont::DemiBold));
  paintPatched(p, line.center(),
               tr("%1 over all").arg(QString::fromStdString(printLength(f.totalLength, session_.units()))));
}

} // namespace columna
