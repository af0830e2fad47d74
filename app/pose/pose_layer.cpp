#include "pose/pose_layer.h"

#include "edit/pose_edit.h"
#include "judge/pose_words.h"
#include "kit/say.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "theme/theme.h"

#include <QCoreApplication>
#include <QKeyEvent>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>
#include <map>

namespace columna {
double sagMagnified(const PoseReport& report) {
  const double wanted = 0.1 * report.figure.overallHeight;
  if (report.sagMost < 1e-6) return 1;
  for (const double times : {1.0, 2.0, 5.0, 10.0, 20.0, 50.0, 100.0})
    if (report.sagMost * times >= wanted * 0.5) return times;
  return 200;
}

int PoseLayer::pointAt(const Viewport& v, const QPointF& pixel) const {
  const Plan& plan = session_.stance().plan();
  int best = -1;
  double least = px(10);
  for (const int point : posableJoints(plan)) {
    const Vec3& at = plan.skeleton->points[static_cast<size_t>(point)].at;
    double away = QLineF(v.at(at), pixel).length();
    // Left and right lie on each other from the side: the near one comes first.
    if (v.view == View::Side && at.y() > 0) away += px(2);
    if (away < least) {
      least = away;
      best = point;
    }
  }
  return best;
}

std::optional<QString> PoseLayer::over(const Viewport& v, const QPointF& at, bool /*large*/) const {
  const int point = pointAt(v, at);
  return point >= 0 ? std::optional(nameOf(point)) : std::nullopt;
}

bool PoseLayer::key(QKeyEvent* event, const Viewport& v) {
  const bool shift = event->modifiers().testFlag(Qt::ShiftModifier);
  QPointF way;
  switch (event->key()) {
  case Qt::Key_J:
    cycle(shift ? -1 : 1);
    return true;
  case Qt::Key_Escape:
    if (active_ < 0) return false;
    letGo();
    return true;
  case Qt::Key_Left:
    way = {-1, 0};
    break;
  case Qt::Key_Right:
    way = {1, 0};
    break;
  case Qt::Key_Up:
    way = {0, 1};
    break;
  case Qt::Key_Down:
    way = {0, -1};
    break;
  default:
    return false;
  }
  if (active_ < 0) return false;
  nudge(v, way * (shift ? 10 : 1)); // a millimetre a press, ten with Shift
  return true;
}

bool PoseLayer::press(const Viewport& v, const QPointF& pixel, bool /*large*/) {
  held_ = pointAt(v, pixel);
  if (held_ < 0) return false;
  active_ = held_;
  // The limb whose joint it is.
  const Plan& plan = session_.plan();
  for (size_t l = 0; l < plan.skeleton->limbs.size(); ++l)
    for (const WireRun& run : plan.skeleton->limbs[l])
      if (std::find(run.points.begin() + 1, run.points.end(), held_) != run.points.end() &&
          plan.figure->limbs[l].kind != LimbKind::Digits)
        session_.select(static_cast<int>(l));
  return true;
}

void PoseLayer::drag(const Viewport& v, int point, const QPointF& pixel, const QString& run) {
  const auto joint = edit::jointOfPoint(session_.plan(), point);
  if (!joint) return;
  Vec3 to = session_.stance().plan().skeleton->points[static_cast<size_t>(point)].at;
  const Vec2 mm = v.mm(pixel);
  switch (v.view) {
  case View::Side:
    to.x() = mm.x();
    to.z() = mm.y();
    break;
  case View::Front: {
    const Vec2 unit = project(Vec3(0, 1, 0), View::Front);
    to.y() = mm.x() / (unit.x() == 0 ? 1 : unit.x());
    to.z() = mm.y();
    break;
  }
  case View::Above: {
    const Vec2 unit = project(Vec3(0, 1, 0), View::Above);
    to.x() = mm.x();
    to.y() = mm.y() / (unit.y() == 0 ? 1 : unit.y());
    break;
  }
  }
  changes::dragJoint(session_, *joint, to, view_.planted(), run);
}

void PoseLayer::move(const Viewport& v, const QPointF& pixel, Qt::KeyboardModifiers /*keys*/) {
  if (held_ >= 0) drag(v, held_, pixel, QStringLiteral("drag pose"));
}

bool PoseLayer::release(const Viewport& /*v*/, const QPointF& /*pixel*/) {
  if (held_ < 0) return false;
  held_ = -1;
  session_.endRun();
  return false;
}

void PoseLayer::cycle(int step) {
  const std::vector<int> all = posableJoints(session_.stance().plan());
  if (all.empty()) return;
  const auto found = std::find(all.begin(), all.end(), active_);
  const int count = static_cast<int>(all.size());
  const int at = found == all.end() ? (step > 0 ? -1 : count) : static_cast<int>(found - all.begin());
  active_ = all[static_cast<size_t>((at + step + count) % count)];
  session_.note(nameOf(active_));
}

void PoseLayer::nudge(const Viewport& v, const QPointF& mm) {
  if (active_ < 0) return;
  const QPointF now = v.at(session_.stance().plan().skeleton->points[static_cast<size_t>(active_)].at);
  drag(v, active_, now + QPointF(mm.x() * v.scale, -mm.y() * v.scale), QString());
}

QString PoseLayer::nameOf(int point) const {
  return str(Name(session_.plan().skeleton->points[static_cast<size_t>(point)].name));
}

void PoseLayer::paintUnder(QPainter& p, const Viewport& v, bool large) {
  const Theme& t = theme();
  const PoseReport& r = session_.stance().report();
  if (v.view != View::Above || r.standing.base.support.size() < 3) return;
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  // What it stands on.
  QPolygonF hull;
  for (const Vec2& c : r.standing.base.support) hull << v.at(Vec3(c.x(), c.y(), 0));
  p.setPen(QPen(r.standing.base.stands ? t.alder : t.madder, large ? 2 : 1.5));
  QColor fill = t.wash;
  fill.setAlpha(150);
  p.setBrush(fill);
  p.drawPolygon(hull);
  p.restore();
}

void PoseLayer::paintOver(QPainter& p, const Viewport& v, bool large) {
  const Theme& t = theme();
  const PoseReport& r = session_.stance().report();
  const Plan& plan = session_.stance().plan();
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  const Vec3& centre = r.sums.armature.centre;
  if (large && r.sums.stable && v.view != View::Above) {
    // The sag beside the pose: the wires where they come to rest, drawn larger.
    const double times = sagMagnified(r);
    QPen ghost(t.logwood, 1.4);
    ghost.setDashPattern({3, 3});
    p.setPen(ghost);
    for (const FrameMember& m : r.sums.armature.frame.members) {
      const auto at = [&](int n) {
        return v.at(Vec3(r.sums.armature.frame.nodes[static_cast<size_t>(n)].at +
                         times * r.sums.under.moved[static_cast<size_t>(n)].head<3>()));
      };
      p.drawLine(at(m.i), at(m.j));
    }
    p.setPen(t.logwood);
    p.setFont(typeface(13));
    p.drawText(
        QRectF(v.clip.left() + px(16), v.clip.bottom() - px(28), v.clip.width() - px(32), px(20)),
        Qt::AlignRight | Qt::AlignVCenter,
        QStringLiteral("%1").arg(
            times > 1
                ? QCoreApplication::translate("columna::PoseLayer", "dashes: sag, drawn %1 times; most %2")
                      .arg(times)
                      .arg(str(printLength(r.sagMost, session_.units(), 1)))
                : QCoreApplication::translate("columna::PoseLayer", "dashes: sag under its weight; most %1")
                      .arg(str(printLength(r.sagMost, session_.units(), 1)))));
  }
  if (v.view == View::Above && r.standing.base.support.size() >= 3) {
    QPolygonF hull;
    for (const Vec2& each : r.standing.base.support) hull << v.at(Vec3(each.x(), each.y(), 0));
    p.setPen(QPen(r.standing.base.stands ? t.alder : t.madder, large ? 2.5 : 1.5));
    p.setBrush(Qt::NoBrush);
    p.drawPolygon(hull);
  }
  if (v.view == View::Above && !r.standing.rosette.empty()) {
    // How far it can tip each way: a rosette about the weight's place, with a ring at what is wanted.
    const QPointF c = v.at(Vec3(centre.x(), centre.y(), 0));
    const double unit = (large ? px(130) : px(30)) / 0.7; // pixels a radian
    const double wanted = session_.catalog().pose.tipNeeded * M_PI / 180;
    QPolygonF petals;
    for (const RosetteRay& ray : r.standing.rosette) {
      const Vec2 way = project(Vec3(std::cos(ray.direction), std::sin(ray.direction), 0), View::Above);
      const double reach = std::clamp(ray.tip, 0.0, 0.8) * unit;
      petals << c + QPointF(way.x() * reach, -way.y() * reach);
    }
    QColor petal = t.alder;
    petal.setAlpha(60);
    p.setPen(QPen(t.alder, 1.2));
    p.setBrush(petal);
    p.drawPolygon(petals);
    QPen ring(t.madder, 1);
    ring.setDashPattern({3, 3});
    p.setPen(ring);
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(c, wanted * unit, wanted * unit);
    if (r.standing.falls.norm() > 0.5) {
      const Vec2 way = project(Vec3(r.standing.falls.x(), r.standing.falls.y(), 0), View::Above);
      p.setPen(QPen(t.madder, 2, Qt::SolidLine, Qt::RoundCap));
      p.drawLine(c, c + QPointF(way.x(), -way.y()) * px(large ? 44 : 22));
    }
  }
  // The weight's place: a quartered disc, and from the side the plumb line under it.
  const QPointF c = v.at(centre);
  const double radius = px(large ? 8 : 5);
  if (v.view != View::Above && r.sums.armature.weight > 0) {
    QPen plumb(t.ink, 1);
    plumb.setDashPattern({4, 4});
    p.setPen(plumb);
    p.drawLine(c, v.at(Vec3(centre.x(), centre.y(), 0)));
  }
  if (r.sums.armature.weight > 0) {
    p.setPen(QPen(t.ink, 1.4));
    p.setBrush(t.card);
    p.drawEllipse(c, radius, radius);
    p.setBrush(t.ink);
    p.drawPie(QRectF(c.x() - radius, c.y() - radius, 2 * radius, 2 * radius), 0, 90 * 16);
    p.drawPie(QRectF(c.x() - radius, c.y() - radius, 2 * radius, 2 * radius), 180 * 16, 90 * 16);
  }
  if (large) {
    paintJointMarks(p, plan, r, session_.selected(), session_.units(),
                    [&](const Vec3& at) { return v.at(at); });
    if (active_ >= 0) {
      p.setPen(QPen(t.woad, 2));
      p.setBrush(Qt::NoBrush);
      p.drawEllipse(v.at(plan.skeleton->points[static_cast<size_t>(active_)].at), px(11), px(11));
    }
  }
  p.restore();
}

} // namespace columna
