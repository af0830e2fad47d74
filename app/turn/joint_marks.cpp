#include "turn/joint_marks.h"

#include "kit/dot.h"
#include "kit/say.h"
#include "kit/verdict_mark.h"
#include "theme/theme.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

namespace columna {
namespace {

/// The worst joint report at each point.
std::map<int, const JointReport*> byPoint(const PoseReport& report) {
  std::map<int, const JointReport*> out;
  for (const JointReport& j : report.joints) {
    const auto [it, fresh] = out.emplace(j.hold.point, &j);
    if (!fresh && j.level > it->second->level) it->second = &j;
  }
  return out;
}

} // namespace

std::vector<int> posableJoints(const Plan& plan) {
  std::vector<int> out;
  for (size_t l = 0; l < plan.skeleton->limbs.size(); ++l) {
    if (plan.figure->limbs[l].kind == LimbKind::Digits) continue;
    for (const WireRun& run : plan.skeleton->limbs[l])
      for (const int point : run.points)
        if (!plan.skeleton->points[static_cast<size_t>(point)].id.ends_with("-root") &&
            std::find(out.begin(), out.end(), point) == out.end())
          out.push_back(point);
  }
  return out;
}

void paintJointMarks(QPainter& p, const Plan& plan, const PoseReport& report, int selected, UnitSystem units,
                     const std::function<QPointF(const Vec3&)>& at) {
  const Theme& t = theme();
  const auto verdicts = byPoint(report);
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  std::vector<QPointF> places;
  QPointF middle(0, 0);
  for (const int point : posableJoints(plan)) {
    const QPointF place = at(plan.skeleton->points[static_cast<size_t>(point)].at);
    places.push_back(place);
    middle += place;
    paintDot(p, place, px(4), QPen(t.ink, 1.4), t.card);
  }
  if (!places.empty()) middle /= static_cast<double>(places.size());
  std::vector<QRectF> taken;
  const auto clear = [&](const QRectF& box) {
    return std::none_of(taken.begin(), taken.end(),
                        [&](const QRectF& other) { return other.intersects(box); }) &&
           std::none_of(places.begin(), places.end(),
                        [&](const QPointF& each) { return box.contains(each); });
  };
  for (const Level level : {Level::Wrong, Level::Doubtful, Level::Good})
    for (const auto& [point, joint] : verdicts) {
      const bool mine = joint->hold.limb == selected;
      if (joint->level != level || (level == Level::Good && !mine)) continue;
      const QPointF place = at(plan.skeleton->points[static_cast<size_t>(point)].at);
      // Beside the figure, away from its middle, a line leading to its joint; what it means is said next to
      // it.
      const double radius = px(mine ? 8 : 7);
      const QString words = level == Level::Good ? QString() : str(joint->brief, units);
      p.setFont(typeface(12, mine ? QFont::DemiBold : QFont::Normal));
      const double wide = words.isEmpty() ? 0 : QFontMetricsF(p.font()).horizontalAdvance(words) + px(5);
      const double away = std::atan2(place.y() - middle.y(), place.x() - middle.x());
      const auto boxOf = [&](const QPointF& c) {
        return QRectF(c.x() >= place.x() ? c.x() - radius : c.x() - radius - wide, c.y() - radius,
                      2 * radius + wide, 2 * radius);
      };
      const auto spot = [&]() -> std::optional<QPointF> {
        for (const double far : {30.0, 48.0, 66.0})
          for (const double turn : {0.0, 0.5, -0.5, 1.0, -1.0, 1.5, -1.5}) {
            const QPointF c = place + px(far) * QPointF(std::cos(away + turn), std::sin(away + turn));
            if (clear(boxOf(c))) return c;
          }
        return std::nullopt; // so crowded that its limb's card has to say it
      };
      if (const auto c = spot()) {
        const QRectF box = boxOf(*c);
        taken.push_back(box);
        p.setPen(QPen(t.ink, 1));
        p.drawLine(place, *c);
        paintVerdict(p, *c, radius, level);
        p.setPen(t.ink);
        p.drawText(
            QRectF(c->x() >= place.x() ? c->x() + radius + px(4) : box.left(), c->y() - px(10), wide, px(20)),
            Qt::AlignVCenter | Qt::AlignLeft, words);
      }
    }
  p.restore();
}

} // namespace columna
