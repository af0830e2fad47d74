// How Study's layer looks.
#include "anatomy/joint_names.h"
#include "kit/dot.h"
#include "measure/whole.h"
#include "study/study_layer.h"
#include "theme/theme.h"

#include <QPainter>

#include <cmath>

namespace columna {
namespace {

/// Far-side joints' mark, near ones', and the size of both.
constexpr double kJoint = 4;

QTransform modules(const Viewport& v, double scale) {
  const double s = v.scale * scale;
  return {s, 0, 0, -s, v.origin.x(), v.origin.y()};
}

} // namespace

void StudyLayer::paintUnder(QPainter& p, const Viewport& v, bool large) {
  if (!large) return;
  if (const Photo* picture = photo(v.view)) paintPicture(p, v, *picture);
}

void StudyLayer::paintPicture(QPainter& p, const Viewport& v, const Photo& photo) const {
  const QImage& image = view_.picture(photo.entry);
  if (image.isNull()) return;
  const QPointF o = fromPicture(v, {0, 0});
  const QPointF x = fromPicture(v, {1, 0}) - o;
  const QPointF y = fromPicture(v, {0, 1}) - o;
  p.save();
  p.setRenderHint(QPainter::SmoothPixmapTransform);
  p.setTransform(QTransform(x.x(), x.y(), y.x(), y.y(), o.x(), o.y()), true);
  p.drawImage(QRectF(0, 0, photo.width, photo.height), image);
  p.restore();
}

void StudyLayer::paintLandmarks(QPainter& p, const Viewport& v, const Photo& photo) const {
  const Theme& t = theme();
  const Pattern& pattern = session_.plan().pattern;
  const auto proposed = proposeLandmarks(pattern, photo);
  std::map<std::string, Vec2> all = photo.landmarks;
  if (proposed) all.insert(proposed->begin(), proposed->end());
  // The bones between them, firm where both ends are placed.
  for (const PatternBone& b : pattern.bones) {
    if (!b.wire) continue;
    for (const int side : b.twin ? std::vector<int>{1, -1} : std::vector<int>{0}) {
      const auto name = [&](const std::string& joint) {
        return pattern.onMidline(joint) ? joint : sidedKey(joint, side);
      };
      const auto from = all.find(name(b.from));
      const auto to = all.find(name(b.to));
      if (from == all.end() || to == all.end()) continue;
      const bool placed = photo.landmarks.contains(from->first) && photo.landmarks.contains(to->first);
      if (side > 0 && photo.view == View::Side && !placed && !view_.farSide())
        continue; // the far side only once it is placed
      QPen pen(t.card, placed ? 4.5 : 3.5, Qt::SolidLine, Qt::RoundCap);
      p.setPen(pen);
      const QLineF line(fromPicture(v, from->second), fromPicture(v, to->second));
      p.drawLine(line);
      pen = QPen(t.woad, placed ? 2.4 : 1.4, placed ? Qt::SolidLine : Qt::DotLine, Qt::RoundCap);
      p.setPen(pen);
      p.drawLine(line);
    }
  }
  for (const auto& [joint, at] : all) {
    const bool placed = photo.landmarks.contains(joint);
    if (!placed && photo.view == View::Side && joint.starts_with("left-") && !view_.farSide()) continue;
    p.setPen(QPen(placed ? t.card : t.woad, 1.6));
    p.setBrush(placed ? t.woad : t.card);
    p.drawEllipse(fromPicture(v, at), px(placed ? 5.5 : 4), px(placed ? 5.5 : 4));
  }
}

void StudyLayer::paintCompared(QPainter& p, const Viewport& v) const {
  const Plan& plan = session_.plan();
  const Pattern* other = session_.catalog().pattern(view_.compared().toStdString());
  if (!other) return;
  const auto length = [](const Figure& f) {
    for (const FigureLimb& limb : f.limbs)
      if (limb.kind == LimbKind::Trunk) return limb.length;
    return f.overallHeight;
  };
  const auto rump = [](const Figure& f) {
    for (const FigureLimb& limb : f.limbs)
      if (limb.kind == LimbKind::Trunk) return f.bones[static_cast<size_t>(limb.bones.front())].begin;
    return Vec3(0, 0, 0);
  };
  // Trunk on trunk: what differs in the rest shows.
  const Figure unit = inModules(*other);
  const Figure f = figureAtScale(*other, length(plan.figure) / length(unit));
  const ViewShape& shape = comparedShapes_.of(f, 0, v.view);
  const Vec2 shift = project(Vec3(rump(plan.figure) - rump(f)), v.view);
  QTransform m = modules(v, f.scale);
  m = m * QTransform::fromTranslate(shift.x() * v.scale, v.view == View::Above ? -shift.y() * v.scale : 0);
  QPen pen(theme().ink, 1.6);
  pen.setDashPattern({6, 4});
  p.setPen(pen);
  p.setBrush(Qt::NoBrush);
  p.drawPath(m.map(shape.near.united(shape.flats)));
}

void StudyLayer::paintHalving(QPainter& p, const Viewport& v) const {
  if (v.view != View::Front) return;
  const Plan& plan = session_.plan();
  const Figure& f = plan.figure;
  for (size_t l = 0; l < f.limbs.size(); ++l) {
    if (f.limbs[l].kind != LimbKind::Head) continue;
    const QRectF b = modules(v, f.scale)
                         .mapRect(shapes_.limb(f, plan.wool->coatThickness, v.view, static_cast<int>(l))
                                      .outline.boundingRect());
    const QPointF c = b.center();
    const double r = b.height() / 2;
    const Theme& t = theme();
    p.setBrush(Qt::NoBrush);
    QPen pen(t.woad, 1.3);
    p.setPen(pen);
    p.drawEllipse(c, r, r);
    pen.setDashPattern({4, 3});
    p.setPen(pen);
    p.drawLine(c - QPointF(r, 0), c + QPointF(r, 0));
    p.drawLine(c - QPointF(0, r), c + QPointF(0, r));
    const double quarter = r / 2;
    const double half = std::sqrt(r * r - quarter * quarter);
    p.drawLine(c + QPointF(-half, quarter), c + QPointF(half, quarter));
    p.setFont(typeface(12));
    p.setPen(t.ink);
    const double eye = v.at(project(f.eyes.front(), v.view)).y();
    const double off = (eye - c.y()) / (2 * r);
    const QString eyes = std::abs(off) < 0.03 ? tr("eyes on the half")
                         : off > 0            ? tr("eyes %1 % below the half").arg(nearestWhole(off * 100))
                                              : tr("eyes %1 % above the half").arg(nearestWhole(-off * 100));
    p.drawText(QPointF(c.x() + r + px(8), c.y() + px(4)), eyes);
    p.drawText(QPointF(c.x() + half + px(8), c.y() + quarter + px(6)), tr("nose on the quarter"));
    p.drawText(QPointF(c.x() + r * 0.5 + px(8), c.y() - r * 0.8), tr("ears above the eyes"));
    return;
  }
}

void StudyLayer::paintMade(QPainter& p, const Viewport& v) const {
  const Plan& plan = session_.plan();
  for (const MadePart& part : session_.project().made)
    for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
      if (plan.figure->limbs[l].family != part.limb || isFar(plan.figure->limbs[l], v.view)) continue;
      QColor fill = theme().logwood;
      fill.setAlpha(46);
      p.setPen(QPen(theme().logwood, 2));
      p.setBrush(fill);
      p.drawPath(
          modules(v, plan.figure->scale)
              .map(shapes_.limb(plan.figure, plan.wool->coatThickness, v.view, static_cast<int>(l)).outline));
    }
}

void StudyLayer::paintOver(QPainter& p, const Viewport& v, bool large) {
  const Theme& t = theme();
  const Plan& plan = session_.plan();
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  if (!session_.project().made.empty()) paintMade(p, v);
  if (view_.way() == Way::Compare && !view_.compared().isEmpty()) paintCompared(p, v);
  if (view_.halving()) paintHalving(p, v);
  const Photo* picture = photo(v.view);
  if (picture) {
    if (fitSimilarity(plan.pattern, *picture)) {
      // The figure as it stands, laid over the picture.
      const ViewShape& shape = shapes_.of(plan.figure, plan.wool->coatThickness, v.view);
      const QTransform toMm = QTransform::fromScale(plan.figure->scale, plan.figure->scale) * overlay(v.view);
      const QTransform m = toMm * QTransform(v.scale, 0, 0, -v.scale, v.origin.x(), v.origin.y());
      QPen pen(t.card, 3);
      p.setBrush(Qt::NoBrush);
      p.setPen(pen);
      p.drawPath(m.map(shape.near));
      pen = QPen(t.ink, 1.4);
      pen.setDashPattern({5, 4});
      p.setPen(pen);
      p.drawPath(m.map(shape.near));
    }
    paintLandmarks(p, v, *picture);
  }
  // What is not under the hand waits.
  if (grip_ && dragView_ != v.view) {
    p.restore();
    return;
  }
  for (const Grip& g : grips(v)) {
    if (g.kind == Grip::Kind::Ring) {
      p.setPen(QPen(t.card, 1.2));
      p.setBrush(t.woad);
      p.save();
      p.translate(g.at);
      p.rotate(45);
      const double s = frame(large ? 4 : 3);
      p.drawRect(QRectF(-s, -s, 2 * s, 2 * s));
      p.restore();
    } else if (g.kind == Grip::Kind::Joint) {
      const std::string name = withoutSide(plan.pattern, g.joint);
      const auto& moved = session_.project().shape.moved;
      const bool changed = moved.contains(name) || moved.contains(g.joint);
      const bool far = v.view == View::Side && g.joint.starts_with("left-");
      p.setOpacity(far ? 0.45 : 1);
      paintDot(p, g.at, frame(large ? kJoint : 3), QPen(changed ? t.woad : t.ink, changed ? 2.2 : 1.2),
               t.card);
      p.setOpacity(1);
    }
  }
  if (active_ && large)
    for (const Grip& g : grips(v))
      if (g.kind == active_->kind && g.joint == active_->joint && g.bone == active_->bone &&
          g.place == active_->place && g.edge == active_->edge) {
        p.setPen(QPen(t.woad, 2));
        p.setBrush(Qt::NoBrush);
        p.drawEllipse(g.at, px(10), px(10));
      }
  if (line_) {
    p.setPen(QPen(t.card, 4));
    p.drawLine(*line_);
    p.setPen(QPen(t.madder, 2));
    p.drawLine(*line_);
  }
  p.restore();
}

} // namespace columna
