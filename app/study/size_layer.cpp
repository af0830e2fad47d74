#include "study/size_layer.h"

#include "edit/figure_edit.h"
#include "kit/say.h"
#include "mat/figure_painter.h"
#include "session/changes.h"
#include "study/study_layer.h"
#include "theme/theme.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kReach = 12; ///< pixels: how near a handle takes the hand

} // namespace

std::vector<SizeLayer::Mark> SizeLayer::marks(const Viewport& v) const {
  if (v.view != View::Side || study_.tracing(v.view)) return {};
  const Figure& f = session_.plan().figure;
  const auto [back, front] = edit::alongFigure(f);
  const auto say = [&](double mm) { return str(printLength(mm, session_.units())); };
  const QPointF ground = v.at(Vec2(front, 0));
  const double x1 = ground.x() + px(52);
  const double x2 = v.at(Vec2(back, 0)).x() - px(40);
  const QPointF top(x1, v.at(Vec2(0, f.overallHeight)).y());
  const QPointF shoulder(x2, v.at(Vec2(0, f.shoulderHeight)).y());
  // The body's length is shown back from its foremost point.
  const double y = ground.y() + px(28);
  const QPointF nose(v.at(Vec2(front, 0)).x(), y);
  const QPointF rump(v.at(Vec2(front - f.bodyLength, 0)).x(), y);
  return {
      {SizeBy::OverallHeight, QLineF(QPointF(x1, ground.y()), top), top, say(f.overallHeight)},
      {SizeBy::ShoulderHeight, QLineF(QPointF(x2, ground.y()), shoulder), shoulder, say(f.shoulderHeight)},
      {SizeBy::BodyLength, QLineF(rump, nose), nose, say(f.bodyLength)}};
}

std::optional<QPointF> SizeLayer::handleOf(const Viewport& v, SizeBy by) const {
  for (const Mark& mark : marks(v))
    if (mark.by == by) return mark.handle;
  return std::nullopt;
}

std::optional<SizeBy> SizeLayer::markAt(const Viewport& v, const QPointF& at) const {
  for (const Mark& mark : marks(v))
    if (QLineF(mark.handle, at).length() < px(kReach)) return mark.by;
  return std::nullopt;
}

std::optional<QString> SizeLayer::over(const Viewport& v, const QPointF& at, bool large) const {
  return large && markAt(v, at) ? std::optional(Session::tr("drag to size the figure")) : std::nullopt;
}

bool SizeLayer::press(const Viewport& v, const QPointF& at, bool large) {
  held_ = large ? markAt(v, at) : std::nullopt;
  return held_.has_value();
}

void SizeLayer::move(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers /*keys*/) {
  if (!held_) return;
  const Vec2 mm = v.mm(at);
  double size = *held_ == SizeBy::BodyLength ? edit::lengthFromNose(session_.plan().figure, mm.x()) : mm.y();
  // Whole millimetres (sixteenths of an inch) under the hand; finer sizes are typed.
  const double step = session_.units() == UnitSystem::Metric ? 1 : kMmPerInch / 16;
  size = std::clamp(std::round(size / step) * step, kSmallestMm, kLargestMm);
  (void)changes::setSize(session_, *held_, size, QStringLiteral("drag size"));
}

bool SizeLayer::release(const Viewport& /*v*/, const QPointF& /*at*/) {
  held_.reset();
  session_.endRun();
  return false;
}

void SizeLayer::paintOver(QPainter& p, const Viewport& v, bool large) {
  if (!large) return;
  const Theme& t = theme();
  p.setFont(typeface(13, QFont::DemiBold));
  for (const Mark& mark : marks(v)) {
    const bool settled = session_.project().size.by == mark.by;
    p.setPen(QPen(settled ? t.woad : t.faint, settled ? 2 : 1));
    paintDimension(p, mark.line);
    p.setPen(settled ? t.woad : t.ink);
    paintPatched(p, mark.line.center(), mark.text);
    p.setPen(QPen(t.card, 1.5));
    p.setBrush(settled ? t.woad : t.hollow);
    p.drawEllipse(mark.handle, px(7), px(7));
  }
}

} // namespace columna
