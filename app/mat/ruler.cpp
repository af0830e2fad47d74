#include "mat/ruler.h"

#include "theme/theme.h"

#include <cmath>

namespace columna {
namespace {

QString figure(double mm, UnitSystem units) {
  return QString::fromStdString(units == UnitSystem::Metric ? printNumber(mm, 1)
                                                            : printNumber(mm / kMmPerInch, 3));
}

/// Calls tick(pixel along the ruler, mm, major) for every tick between two pixels.
template <class Tick>
void eachTick(double from, double to, double origin, double scale, const RulerScale& r, Tick&& tick) {
  const double first = std::min((from - origin) / scale, (to - origin) / scale);
  const double last = std::max((from - origin) / scale, (to - origin) / scale);
  for (auto i = static_cast<long>(std::ceil(first / r.minor)); static_cast<double>(i) * r.minor <= last;
       ++i) {
    const double mm = static_cast<double>(i) * r.minor;
    const double share = mm / r.major;
    tick(origin + mm * scale, mm, std::abs(share - std::round(share)) < 1e-6);
  }
}

} // namespace

RulerScale rulerScale(double scale, UnitSystem units) {
  const double inch = kMmPerInch;
  const std::vector<RulerScale> steps =
      units == UnitSystem::Metric
          ? std::vector<RulerScale>{{1, 0.5}, {2, 1},    {5, 1},    {10, 2},    {20, 5},
                                    {50, 10}, {100, 20}, {200, 50}, {500, 100}, {1000, 200}}
          : std::vector<RulerScale>{{inch / 8, inch / 16}, {inch / 4, inch / 16}, {inch / 2, inch / 8},
                                    {inch, inch / 4},      {2 * inch, inch / 2},  {4 * inch, inch},
                                    {8 * inch, 2 * inch},  {16 * inch, 4 * inch}, {32 * inch, 8 * inch}};
  for (const RulerScale& step : steps)
    if (step.major * scale >= px(45)) return step;
  return steps.back();
}

void paintTopRuler(QPainter& p, const QRectF& area, double origin, double scale, UnitSystem units,
                   const std::optional<std::pair<double, double>>& reach) {
  const Theme& t = theme();
  p.save();
  p.setClipRect(area);
  p.fillRect(area, t.ground);
  p.setFont(typeface(11));
  const RulerScale r = rulerScale(scale, units);
  eachTick(area.left(), area.right(), origin, scale, r, [&](double x, double mm, bool major) {
    p.setPen(QPen(t.faint, 1));
    p.drawLine(QPointF(x, area.bottom()), QPointF(x, area.bottom() - px(major ? 7 : 4)));
    if (!major) return;
    p.setPen(t.faint);
    p.drawText(QRectF(x - px(30), area.top(), px(60), area.height() - px(7)), Qt::AlignCenter,
               figure(mm, units));
  });
  if (reach) p.fillRect(QRectF(reach->first, area.bottom() - 5, reach->second - reach->first, 5), t.woad);
  p.restore();
}

void paintLeftRuler(QPainter& p, const QRectF& area, double origin, double scale, UnitSystem units,
                    const std::optional<std::pair<double, double>>& reach) {
  const Theme& t = theme();
  p.save();
  p.setClipRect(area);
  p.fillRect(area, t.ground);
  p.setFont(typeface(11));
  const RulerScale r = rulerScale(scale, units);
  eachTick(area.top(), area.bottom(), origin, -scale, r, [&](double y, double mm, bool major) {
    p.setPen(QPen(t.faint, 1));
    p.drawLine(QPointF(area.right(), y), QPointF(area.right() - px(major ? 7 : 4), y));
    if (!major || y - px(8) < area.top()) return;
    p.setPen(t.faint);
    p.drawText(QRectF(area.left(), y - px(8), area.width() - px(9), px(16)),
               Qt::AlignRight | Qt::AlignVCenter, figure(mm, units));
  });
  if (reach) p.fillRect(QRectF(area.right() - 5, reach->first, 5, reach->second - reach->first), t.woad);
  p.restore();
}

} // namespace columna
