// Where the views lie on the mat, and what lies where in them.
#include "kit/parts.h"
#include "mat/mat.h"
#include "session/stance_view.h"
#include "stage/mat_layer.h"
#include "theme/theme.h"
#include "turn/turntable.h"

#include <QtMath>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kRulerTop = 24;
constexpr int kRulerLeft = 32;
constexpr double kUsualBand = 0.3; ///< of the mat, at most
constexpr double kPartBand = 0.44; ///< where a part is shown from all sides
constexpr int kBand = 136;         ///< the lower band with the two small views

} // namespace

const Plan& Mat::shown() const { return stage().look().stance ? session_.stance().plan() : session_.plan(); }

void Mat::showTurntable(bool on) {
  roundOn_[&stage()] = on;
  place();
  placeTurntable();
  if (on && table_->isVisible())
    table_->setFocus();
  else
    setFocus();
  update();
}

bool Mat::turntableOn() const {
  const StageLook::Round round = stage().look().round;
  if (round == StageLook::Round::None) return false;
  const auto chosen = roundOn_.find(&stage());
  return chosen == roundOn_.end() ? round == StageLook::Round::First : chosen->second;
}

void Mat::placeTurntable() {
  const StageLook look = stage().look();
  const QRectF large = ports_[0].clip;
  table_->setGeometry(0, 0, width(), look.roundCovers ? height() : qFloor(large.bottom()));
  table_->setVisible(turntableOn());
  tableKey_->setVisible(look.round != StageLook::Round::None && textScale() <= 1.4);
  tableKey_->setText(turntableOn() ? tr("flat views") : tr("turntable"));
  tableKey_->setAccessibleName(tableKey_->text());
  const QSize size = tableKey_->sizeHint();
  tableKey_->setGeometry(width() - size.width() - px(16), qRound(ports_[0].clip.top()) + px(10), size.width(),
                         size.height());
  tableKey_->raise();
}

QRectF Mat::centreArea() const {
  const double top = frame(kRulerTop);
  // Wide enough for its own figures, whatever the text's size.
  const double left = std::max<double>(
      frame(kRulerLeft), QFontMetricsF(typeface(11)).horizontalAdvance(QStringLiteral("-200")) + px(10));
  return {left, top, width() - left, height() - top};
}

void Mat::place() {
  const StageLook look = stage().look();
  if (look.roundCovers && turntableOn()) return; // it covers the views
  const Figure& f = shown().figure;
  const double coat = shown().wool->coatThickness;
  const QRectF area = centreArea();
  if (held_ && held_->movesFigure()) return; // nothing moves under the hand
  if (three()) {
    placeThree(area);
    return;
  }
  // The mat never lets the small views crowd out the large one.
  // Large text on a small screen leaves one view; V turns it.
  const double band = area.height() < 2.6 * frame(kBand)
                          ? 0
                          : (look.part ? area.height() * kPartBand
                                       : std::min<double>(frame(kBand), area.height() * kUsualBand));
  const QRectF main(area.left(), area.top(), area.width(), area.height() - band);
  const auto& order = kOrder[static_cast<size_t>(main_)];
  const auto boundsOf = [&](View view) {
    const QRectF b = shapes_.of(f, coat, view).bounds;
    return QRectF(b.x() * f.scale, b.y() * f.scale, b.width() * f.scale, b.height() * f.scale);
  };
  const std::optional<QRectF> picture = instead(order[0]);
  const QRectF large = picture ? *picture : boundsOf(order[0]);
  ports_[0].view = order[0];
  ports_[0].clip = main;
  if (fitted_ && !frozen_) {
    const double sides = frame(picture ? 12 : look.sides);
    const double above = frame(picture ? 36 : look.above);
    const double below = frame(picture ? 8 : main_ == View::Side ? 64 : 24);
    const double scale = std::max(0.05, std::min((main.width() - 2 * sides) / large.width(),
                                                 (main.height() - above - below) / large.height()));
    ports_[0].scale = scale;
    const double w = large.width() * scale;
    const double spare = main.height() - above - below - large.height() * scale;
    ports_[0].origin = {main.left() + (main.width() - w) / 2 - large.left() * scale,
                        main.bottom() - below - spare / 2 + large.top() * scale};
  }
  const double each = area.width() / 2;
  for (size_t i = 1; i < 3; ++i) {
    const std::optional<QRectF> other = instead(order[i]);
    const QRectF b = other && look.part ? *other : boundsOf(order[i]);
    Viewport& v = ports_[i];
    v.view = order[i];
    v.clip = QRectF(area.left() + (i == 1 ? 0 : each + px(16)), main.bottom(), i == 1 ? each : each - px(16),
                    band);
    const QRectF room = v.clip.adjusted(px(16), px(30), -px(i == 1 ? 16 : 130), -px(10));
    v.scale = std::max(0.02, std::min({room.width() / b.width(), room.height() / b.height(),
                                       look.part ? ports_[0].scale : ports_[0].scale / 2}));
    const double x =
        i == 1 ? room.left()
               : room.left() + std::min<double>(px(40), std::max(0.0, room.width() - b.width() * v.scale));
    v.origin = {x - b.left() * v.scale,
                room.bottom() - (room.height() - b.height() * v.scale) / 2 + b.top() * v.scale};
  }
}

/// Side and front stand on one ground line, above lies under the side view; one scale for all.
void Mat::placeThree(const QRectF& area) {
  const Figure& f = shown().figure;
  const double coat = shown().wool->coatThickness;
  const auto boundsOf = [&](View view) {
    const QRectF b = shapes_.of(f, coat, view).bounds;
    return QRectF(b.x() * f.scale, b.y() * f.scale, b.width() * f.scale, b.height() * f.scale);
  };
  const QRectF side = boundsOf(View::Side);
  const QRectF front = boundsOf(View::Front);
  const QRectF above = boundsOf(View::Above);
  const double left = std::min(side.left(), above.left());
  const double across = std::max(side.right(), above.right()) - left;
  const double high = std::max(side.bottom(), front.bottom()); // y grows upwards here
  const double mark = frame(84);                               // room for the size marks
  const double gap = frame(34);
  if (fitted_ && !frozen_)
    ports_[0].scale = std::max(
        0.02, std::min((area.width() - 2 * mark - 2 * gap) / (across + front.width()),
                       (area.height() - frame(44) - frame(56) - frame(24)) / (high + above.height())));
  const double s = ports_[0].scale;
  const double spare =
      std::max(0.0, area.height() - frame(44) - frame(56) - frame(24) - (high + above.height()) * s);
  const double ground = area.top() + frame(40) + high * s + spare * 0.4;
  if (fitted_ && !frozen_) ports_[0].origin = {area.left() + mark - left * s, ground};
  const QPointF o = ports_[0].origin;
  const double edge = o.x() + (left + across) * s + mark;
  const double under = o.y() + frame(50) + (fitted_ ? spare * 0.2 : 0);
  ports_[0].view = View::Side;
  ports_[0].clip = QRectF(area.left(), area.top(), edge - area.left(), under - area.top());
  ports_[1].view = View::Front;
  ports_[1].scale = s;
  ports_[1].origin = {edge + gap - front.left() * s, o.y()};
  ports_[1].clip = QRectF(edge, area.top(), area.right() - edge, area.height());
  ports_[2].view = View::Above;
  ports_[2].scale = s;
  ports_[2].origin = {o.x(), under + frame(22) + above.bottom() * s};
  ports_[2].clip = QRectF(area.left(), under, edge - area.left(), area.bottom() - under);
}

bool Mat::three() const {
  // Large text leaves room for one view; V turns it.
  return three_ && stage().look().three && textScale() <= 1.4;
}

void Mat::showThree(bool on) {
  three_ = on;
  if (on) main_ = View::Side;
  fit();
}

const Viewport& Mat::port(View view) const {
  for (const Viewport& v : ports_)
    if (v.view == view) return v;
  return ports_[0];
}

void Mat::fit() {
  fitted_ = true;
  table_->fit();
  place();
  update();
}

void Mat::zoom(double factor) {
  const QPointF at = ports_[0].clip.center();
  fitted_ = false;
  const double next = std::clamp(ports_[0].scale * factor, 0.05, 60.0);
  ports_[0].origin = at + (ports_[0].origin - at) * (next / ports_[0].scale);
  ports_[0].scale = next;
  place();
  update();
}

void Mat::trueSize() { zoom(screenPixelsPerMm_ / ports_[0].scale); }

void Mat::setThroughWool(bool on) {
  throughWool_ = on;
  table_->setThroughWool(on);
  update();
}

void Mat::enlarge(View view) {
  three_ = false;
  main_ = view;
  fitted_ = true;
  place();
  update();
}

int Mat::portAt(const QPointF& pixel) const {
  for (size_t i = 0; i < ports_.size(); ++i)
    if (ports_[i].clip.contains(pixel)) return static_cast<int>(i);
  return -1;
}

int Mat::limbAt(const Viewport& v, const QPointF& pixel) {
  const Plan& plan = shown();
  const Vec2 mm = v.mm(pixel);
  return shapes_.limbAt(plan.figure, plan.wool->coatThickness, v.view,
                        QPointF(mm.x() / plan.figure->scale, mm.y() / plan.figure->scale));
}

QPoint Mat::pointOf(int limb) {
  const Figure& f = shown().figure;
  const FigureLimb& l = f.limbs[static_cast<size_t>(limb)];
  for (auto it = l.bones.rbegin(); it != l.bones.rend(); ++it) {
    const FigureBone& b = f.bones[static_cast<size_t>(*it)];
    const QPointF at = ports_[0].at(Vec3((b.begin + b.end) / 2));
    if (limbAt(ports_[0], at) == limb) return at.toPoint();
  }
  return ports_[0].at(f.bones[static_cast<size_t>(l.bones.front())].begin).toPoint();
}

} // namespace columna
