#include "make/bench_parts.h"

#include "anatomy/limb_place.h"
#include "kit/say.h"
#include "make/step_words.h"
#include "mat/figure_painter.h"
#include "session/build_view.h"
#include "session/stance_view.h"
#include "theme/theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace columna {

double benchScale(const QSize& window) {
  constexpr double wide = 1280;
  constexpr double high = 800;
  return std::max(0.6, std::min(window.width() / wide, window.height() / high));
}

QFont benchType(double pixels, double scale, int weight) {
  QFont font = typeface(pixels, weight);
  font.setPixelSize(std::max(12, qRound(pixels * scale)));
  return font;
}

BenchKey::BenchKey(const QString& key, QWidget* parent) : QAbstractButton(parent), key_(key) {
  setFocusPolicy(Qt::NoFocus); // its key does it, wherever the focus is
  setCursor(Qt::PointingHandCursor);
}

void BenchKey::say(const QString& does) {
  setText(does);
  setAccessibleName(does);
  updateGeometry();
  update();
}

void BenchKey::setScale(double scale) {
  scale_ = scale;
  updateGeometry();
}

QSize BenchKey::sizeHint() const {
  const double cap = QFontMetricsF(benchType(22, scale_)).horizontalAdvance(key_) + 26 * scale_;
  const double words = QFontMetricsF(benchType(22, scale_)).horizontalAdvance(text());
  return {qRound(std::max(cap, 44 * scale_) + 10 * scale_ + words + 8 * scale_), qRound(64 * scale_)};
}

void BenchKey::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  p.setFont(benchType(22, scale_));
  const double cap = std::max(QFontMetricsF(p.font()).horizontalAdvance(key_) + 26 * scale_, 44 * scale_);
  const double high = 44 * scale_;
  const QRectF r(1, (height() - high) / 2, cap, high);
  p.setPen(QPen(isEnabled() ? t.faint : t.rule, 1.4));
  p.setBrush(underMouse() && isEnabled() ? t.wash : t.card);
  p.drawRoundedRect(r, 5, 5);
  p.setPen(isEnabled() ? t.ink : t.faint);
  p.drawText(r, Qt::AlignCenter, key_);
  p.drawText(QRectF(r.right() + 10 * scale_, 0, width() - r.right(), height()), Qt::AlignVCenter, text());
}

void BenchBar::set(double share, bool hatched) {
  share_ = std::clamp(share, 0.0, 1.0);
  hatched_ = hatched;
  update();
}

void BenchBar::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  const QRectF r(rect());
  if (hatched_) {
    p.setPen(QPen(t.weld, 1));
    p.setBrush(QBrush(t.weld, Qt::BDiagPattern));
    p.drawRect(r.adjusted(0.5, 0.5, -0.5, -0.5));
    p.fillRect(QRectF(r.left(), r.top(), r.width() * share_, r.height()), t.weld);
    return;
  }
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(Qt::NoPen);
  p.setBrush(t.rule);
  p.drawRoundedRect(r, r.height() / 2, r.height() / 2);
  p.setBrush(t.woad);
  if (share_ > 0)
    p.drawRoundedRect(QRectF(r.left(), r.top(), std::max(r.height(), r.width() * share_), r.height()),
                      r.height() / 2, r.height() / 2);
}

BenchPicture::BenchPicture(Session& session, MakeView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  setAccessibleName(tr("The figure as it stands now"));
  connect(&view_, &MakeView::changed, this, qOverload<>(&QWidget::update));
  connect(&session_.build(), &BuildView::changed, this, qOverload<>(&QWidget::update));
}

void BenchPicture::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  p.fillRect(rect(), t.card);
  p.setPen(QPen(t.rule, 1));
  p.drawLine(0, 0, 0, height());
  const Plan& whole = session_.stance().plan();
  const ViewShape& shape = whole_.of(whole.figure, whole.wool->coatThickness, View::Side);
  const double margin = 40 * scale_;
  const QRectF room = QRectF(rect()).adjusted(margin, 70 * scale_, -margin, -70 * scale_);
  const double module = whole.figure->scale;
  const QRectF bounds(shape.bounds.left() * module, shape.bounds.top() * module,
                      shape.bounds.width() * module, shape.bounds.height() * module);
  if (bounds.isEmpty() || room.isEmpty()) return;
  Viewport v;
  v.view = View::Side;
  v.scale = std::min(room.width() / bounds.width(), room.height() / bounds.height());
  v.clip = rect();
  v.origin = QPointF(room.center().x() - bounds.center().x() * v.scale,
                     room.center().y() + bounds.center().y() * v.scale);
  // The finished outline in dashes, and within it what is there.
  QPen dashed(t.faint, 1.6 * scale_);
  dashed.setDashPattern({5, 4});
  p.setPen(dashed);
  p.setBrush(Qt::NoBrush);
  const double s = v.scale * module;
  p.drawPath(QTransform(s, 0, 0, -s, v.origin.x(), v.origin.y()).map(shape.near));
  const Plan& now = session_.build().plan(true);
  FigurePaint how;
  how.look.built = how.look.felt = how.look.wire = true;
  const Step* step = view_.now();
  how.units = session_.units();
  FigurePainter painter(p, v, now, shapes_, how);
  painter.body();
  painter.wire();
  if (step && step->limb >= 0) {
    // Lit by its edge: its wool stays as it is.
    p.setPen(QPen(t.woad, 4 * scale_));
    p.setBrush(Qt::NoBrush);
    const double part = v.scale * now.figure->scale;
    p.drawPath(QTransform(part, 0, 0, -part, v.origin.x(), v.origin.y())
                   .map(shapes_.limb(now.figure, now.wool->coatThickness, View::Side, step->limb).outline));
  }
  if (step && step->limb >= 0) paintGoals(p, v, now);
  p.setFont(benchType(22, scale_));
  p.setPen(t.faint);
  p.drawText(QRectF(rect()).adjusted(32 * scale_, 28 * scale_, 0, 0), Qt::AlignLeft | Qt::AlignTop,
             tr("as it stands now"));
  p.setPen(t.woad);
  const QString lit = tr("lit");
  const QRectF foot = QRectF(rect()).adjusted(32 * scale_, 0, -8, -20 * scale_);
  p.drawText(foot, Qt::AlignLeft | Qt::AlignBottom, lit);
  p.setPen(t.faint);
  p.drawText(foot.adjusted(QFontMetricsF(p.font()).horizontalAdvance(lit) + 8 * scale_, 0, 0, 0),
             Qt::AlignLeft | Qt::AlignBottom, tr("this one, dashed when done"));
}

/// A ring round the part where each girth is taken, and the figure beside it.
void BenchPicture::paintGoals(QPainter& p, const Viewport& v, const Plan& plan) {
  const Theme& t = theme();
  const Step& step = *view_.now();
  for (const Goal& g : step.goals) {
    if (g.what != Goal::What::Round) continue;
    const LimbPlace place = limbPlace(plan.figure, step.limb, g.along);
    const QPointF c = v.at(place.at);
    const QPointF d = v.at(Vec3(place.at + place.way)) - c;
    const double turn = std::atan2(d.y(), d.x());
    const double r = g.value / (2 * 3.14159265358979) * v.scale;
    p.save();
    p.translate(c);
    p.rotate(turn * 180 / 3.14159265358979);
    p.setPen(QPen(t.woad, 3 * scale_));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(QPointF(0, 0), std::max(3.0, r * 0.22), r);
    p.restore();
    const QString words = numberOf(g, g.value, session_.units());
    p.setFont(benchType(48, scale_, QFont::DemiBold));
    const double w = QFontMetricsF(p.font()).horizontalAdvance(words);
    // Beside the figure, on the side that has more room.
    const bool left = c.x() > width() / 2.0;
    const double x = left ? std::max(16 * scale_, c.x() - r - 60 * scale_ - w)
                          : std::min(width() - 16 * scale_ - w, c.x() + r + 60 * scale_);
    const QPointF from(left ? x + w + 8 * scale_ : x - 8 * scale_, c.y());
    p.setPen(QPen(t.card, 5 * scale_));
    p.drawLine(from, c + QPointF(left ? -r * 0.22 : r * 0.22, 0));
    p.setPen(QPen(t.woad, 2 * scale_));
    p.drawLine(from, c + QPointF(left ? -r * 0.22 : r * 0.22, 0));
    const QRectF box(x - 4, c.y() - 30 * scale_, w + 8, 60 * scale_);
    QColor ground = t.card;
    ground.setAlpha(210);
    p.fillRect(box, ground);
    p.setPen(t.ink);
    p.drawText(box, Qt::AlignCenter, words);
  }
}

} // namespace columna
