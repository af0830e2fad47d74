#include "shell/length_section.h"

#include "kit/say.h"
#include "mat/figure_painter.h"
#include "theme/theme.h"

#include <QPainter>
#include <QPainterPath>

#include <cmath>

namespace columna {
namespace {

/// Half of a bone's depth at a place, mm.
double halfDeep(const FigureBone& bone, double at) { return stationAt(bone, at).deep / 2; }

QString shortName(const WirePoint& point, const FigureLimb& limb) {
  if (point.id.ends_with("-root")) return LengthSection::tr("spine");
  std::string_view name = point.name;
  // The limb is named above: "tip of the left foreleg" is its tip, and its elbow needs no side.
  const std::string own = " of the " + lowerFirst(limb.name);
  if (name.ends_with(own)) name.remove_suffix(own.size());
  for (const std::string_view side : {"left ", "right "})
    if (name.starts_with(side)) name.remove_prefix(side.size());
  return str(Name(name));
}

/// The limb straightened: half its depth over the distance from its root, mm.
QPolygonF straightened(const Plan& plan, const WireRun& run) {
  QPolygonF upper;
  double at = 0;
  for (size_t s = 0; s + 1 < run.points.size(); ++s) {
    const double length = plan.skeleton->segmentLength(run, s);
    if (const int b = run.segmentBone[s]; b >= 0) {
      const FigureBone& bone = plan.figure->bones[static_cast<size_t>(b)];
      const Vec3 from = plan.skeleton->points[static_cast<size_t>(run.points[s])].at;
      const double t0 = (from - bone.begin).norm() / bone.length;
      for (int i = 0; i <= 8; ++i) {
        const double share = i / 8.0;
        upper << QPointF(at + share * length,
                         halfDeep(bone, std::min(1.0, t0 + share * length / bone.length)));
      }
    }
    at += length;
  }
  return upper;
}

} // namespace

LengthSection::LengthSection(Session& session, const Stages& stages, QWidget* parent)
    : QWidget(parent), session_(session), stages_(stages) {
  setAccessibleName(tr("Lengthwise section of the limb"));
}

QSize LengthSection::sizeHint() const { return {px(272), px(150)}; }

void LengthSection::paintEvent(QPaintEvent* /*event*/) {
  const Plan& plan = session_.plan();
  const int l = session_.selected();
  if (l < 0) return;
  const auto& runs = plan.skeleton->limbs[static_cast<size_t>(l)];
  if (runs.empty()) return;
  const WireRun& run = runs.front();
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);

  const double total = plan.skeleton->length(run);
  const QPolygonF upper = straightened(plan, run);
  if (upper.isEmpty()) return;
  double deepest = 1;
  for (const QPointF& u : upper) deepest = std::max(deepest, u.y());
  const double drawn = px(84);
  const double scale = std::min((width() - px(14)) / total, drawn / (2 * deepest));
  const double mid = px(6) + deepest * scale;
  const double left = px(8);
  const double coat = plan.wool->coatThickness;
  const auto outlineOf = [&](double less) {
    QPolygonF top;
    QPolygonF bottom;
    for (const QPointF& u : upper) {
      const double h = std::max(0.0, u.y() - less) * scale;
      top << QPointF(left + u.x() * scale, mid - h);
      bottom.prepend(QPointF(left + u.x() * scale, mid + h));
    }
    QPainterPath path;
    path.addPolygon(top + bottom);
    path.closeSubpath();
    return path;
  };
  p.setPen(QPen(t.ink, 1.5));
  p.setBrush(t.coat);
  p.drawPath(outlineOf(0));
  p.setPen(Qt::NoPen);
  const bool felt = stageOn(stages_, session_).look().felt;
  p.setBrush(felt ? t.wool : t.core);
  p.drawPath(outlineOf(coat));

  const int piece = plan.pieceOf(l);
  if (plan.limbs[static_cast<size_t>(l)].wired && piece >= 0) {
    QPainterPath line(QPointF(left, mid));
    line.lineTo(left + total * scale, mid);
    paintWire(p, line, std::max(2.5, plan.limbs[static_cast<size_t>(l)].section.bundle() * scale), piece, 1,
              true, felt);
  }
  // Joints and their distances below; names that would run into each other are left out, the ends kept.
  const double axis = mid + deepest * scale + px(16);
  p.setPen(QPen(t.faint, 1));
  p.drawLine(QPointF(left, axis), QPointF(left + total * scale, axis));
  p.setFont(typeface(12));
  double at = 0;
  double taken = -1e9;
  double takenName = -1e9;
  for (size_t i = 0; i < run.points.size(); ++i) {
    const double x = left + at * scale;
    p.setPen(QPen(t.card, 1.4));
    p.setBrush(t.woad);
    p.drawEllipse(QPointF(x, mid), px(4.5), px(4.5));
    p.setPen(QPen(t.faint, 1));
    p.drawLine(QPointF(x, axis - px(4)), QPointF(x, axis + px(4)));
    const bool last = i + 1 == run.points.size();
    const QFontMetricsF m(p.font());
    const auto text = [&](const QString& s, double y, double& edge, const QColor& colour) {
      const double w = m.horizontalAdvance(s);
      double from = i == 0 ? x - px(4) : last ? std::min(x - w / 2, width() - w - 1) : x - w / 2;
      from = std::max(0.0, from);
      if (from < edge + px(4)) return;
      p.setPen(colour);
      p.drawText(QPointF(from, y), s);
      edge = from + w;
    };
    text(QString::fromStdString(printLengthFigure(at, session_.units(), 0)), axis + px(18), taken, t.ink);
    text(i == 0 && run.segmentBone.front() < 0
             ? tr("spine")
             : shortName(plan.skeleton->points[static_cast<size_t>(run.points[i])],
                         plan.figure->limbs[static_cast<size_t>(l)]),
         axis + px(34), takenName, t.faint);
    if (!last) at += plan.skeleton->segmentLength(run, i);
  }
}

} // namespace columna
