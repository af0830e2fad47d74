#include "face/face_layer.h"

#include "edit/face_edit.h"
#include "face/face_changes.h"
#include "head/wearing.h"
#include "kit/say.h"
#include "theme/theme.h"

#include <QKeyEvent>
#include <QPainterPath>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kReach = 9;  ///< pixels from a mark that it is taken at
constexpr double kStep = 0.5; ///< mm an arrow key moves a pad
constexpr double kFine = 0.1; ///< and with Shift

/// The figure's place of a direction in a view's plane.
Vec3 inSpace(const Vec2& by, View view) {
  return view == View::Front   ? Vec3(0, by.x(), by.y())
         : view == View::Above ? Vec3(by.x(), by.y(), 0)
                               : Vec3(by.x(), 0, by.y());
}

QPainterPath pathOf(const std::vector<Polygon>& polygons, const Viewport& v) {
  QPainterPath out;
  for (const Polygon& polygon : polygons) {
    QPolygonF points;
    for (const Vec2& p : polygon) points << v.at(p);
    out.addPolygon(points);
    out.closeSubpath();
  }
  return out;
}

/// The letter on a pin's flag, by its place in the list.
QString letterOf(size_t index) { return QString(QChar(static_cast<char16_t>(u'A' + index % 26))); }

} // namespace

std::optional<QRectF> FaceLayer::instead(View view) const {
  const QRectF seen = view_.seen(view);
  return seen.isEmpty() ? std::nullopt : std::optional(seen);
}

Vec3 FaceLayer::shownPlace(Vec3 local, View view) const {
  if (view == View::Side) local.y() = -local.y();
  return session_.plan().figure->head->toFigure(local);
}

void FaceLayer::paintUnder(QPainter& p, const Viewport& v, bool /*large*/) {
  if (!view_.body()) return;
  p.setPen(QPen(theme().farLine, 1));
  p.setBrush(theme().farFill);
  p.drawPath(pathOf(view_.silhouette(v.view), v));
}

void FaceLayer::paintOn(QPainter& p, const Viewport& v, bool /*large*/) {
  const Figure& figure = session_.plan().figure;
  if (!figure.head) return;
  const Theme& t = theme();
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  p.setRenderHint(QPainter::SmoothPixmapTransform);
  const QPainterPath outline = pathOf(view_.outline(v.view), v);
  const FaceView::Picture* picture = view_.picture(v.view, v.scale);
  if (!picture || session_.inRun()) {
    p.setPen(Qt::NoPen);
    p.setBrush(t.coat);
    p.drawPath(outline);
  }
  if (picture) {
    p.setOpacity(session_.inRun() ? 0.55 : 1);
    const QRectF& mm = picture->mm;
    p.drawImage(QRectF(v.at(Vec2(mm.left(), mm.bottom())), v.at(Vec2(mm.right(), mm.top()))), picture->image);
    p.setOpacity(1);
  }
  if (session_.inRun() || !picture) {
    p.setPen(QPen(t.ink, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawPath(outline);
  }
  if (view_.lines() && v.view != View::Above) paintLines(p, v);
  p.restore();
}

void FaceLayer::paintOver(QPainter& p, const Viewport& v, bool large) {
  if (!session_.plan().figure->head) {
    if (!large) return;
    p.setPen(theme().ink);
    p.setFont(typeface(16));
    p.drawText(v.clip, Qt::AlignCenter,
               tr("There is no head for this animal yet: its tubes are all there is."));
    return;
  }
  if (!view_.sums()) return;
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  paintPads(p, v);
  paintFlats(p, v);
  paintStems(p, v);
  paintPins(p, v, large);
  paintMeasured(p, v);
  p.restore();
}

/// Half of the head's height, and half of the lower half: the lines a face is begun with.
void FaceLayer::paintLines(QPainter& p, const Viewport& v) const {
  const QRectF seen = view_.seen(v.view);
  // Of the head's own box: ears and horns are not halved.
  const Figure& figure = session_.plan().figure;
  const Tube& body = figure.tubes[static_cast<size_t>(figure.head->tube)];
  double low = 1e9;
  double high = -1e9;
  for (const Ring& r : body.rings) {
    const double half = std::hypot(r.ru * r.u.z(), r.rv * r.v.z());
    low = std::min(low, r.centre.z() - half);
    high = std::max(high, r.centre.z() + half);
  }
  const Theme& t = theme();
  QPen dots(t.ink, 1.4, Qt::DotLine);
  p.setFont(typeface(11));
  for (const auto& [share, words] : {std::pair(0.5, tr("half")), std::pair(0.25, tr("quarter"))}) {
    const double y = v.at(Vec2(0, low + share * (high - low))).y();
    const double left = v.at(Vec2(seen.left(), 0)).x();
    const double right = v.at(Vec2(seen.right(), 0)).x();
    p.setPen(dots);
    p.drawLine(QPointF(left, y), QPointF(right, y));
    p.setPen(t.ink);
    p.drawText(QPointF(right + px(4), y + px(4)), words);
  }
}

void FaceLayer::paintPads(QPainter& p, const Viewport& v) const {
  const FaceSums& sums = *view_.sums();
  const WornHead& head = *session_.plan().figure->head;
  for (const FacePad& pad : sums.report.pads) {
    const HeadFeature& f = *pad.feature;
    const bool chosen = view_.pick() == FacePick{FacePick::Kind::Pad, f.id};
    if (!chosen && view_.pick().kind != FacePick::Kind::None) continue;
    const auto at = pixelOf({FacePick::Kind::Pad, f.id}, v);
    if (!at) continue;
    QColor line = theme().woad;
    if (!chosen) {
      line.setAlpha(150);
      p.setPen(QPen(line, 1));
      p.setBrush(Qt::NoBrush);
      p.drawEllipse(*at, 3.0, 3.0);
      continue;
    }
    // The oval as it is seen: its farthest place each way round the view.
    for (const RoughHead::Oval& oval : ovalsOf(f)) {
      const Eigen::Matrix3d spread = head.length * oval.axes.transpose() * oval.radii.asDiagonal();
      const Eigen::Matrix3d world = head.axes * spread;
      const Vec3 centre = head.toFigure(head.length * oval.at);
      QPolygonF ring;
      for (int k = 0; k < 48; ++k) {
        const double a = 2 * std::numbers::pi * k / 48;
        const Vec3 way = world.transpose() * inSpace(Vec2(std::cos(a), std::sin(a)), v.view);
        ring << v.at(Vec3(centre + world * way.normalized()));
      }
      QColor wash = theme().wash;
      wash.setAlpha(f.mode == FeatureMode::Press ? 60 : 120);
      p.setPen(QPen(line, 2, f.mode == FeatureMode::Press ? Qt::DashLine : Qt::SolidLine));
      p.setBrush(wash);
      p.drawPolygon(ring);
    }
  }
}

void FaceLayer::paintFlats(QPainter& p, const Viewport& v) const {
  for (const FaceFlat& flat : view_.sums()->report.flats) {
    const FacePick pick{FacePick::Kind::Flat, flat.flat->id};
    const bool chosen = view_.pick() == pick;
    if (!chosen && view_.pick().kind != FacePick::Kind::None) continue;
    const auto at = pixelOf(pick, v);
    if (!at) continue;
    QColor line = theme().woad;
    if (!chosen) line.setAlpha(150);
    p.setBrush(Qt::NoBrush);
    const double r = chosen ? 5 : 3;
    if (chosen) { // seen on dark wool too
      p.setPen(QPen(theme().card, 4));
      p.drawEllipse(*at, r, r);
    }
    p.setPen(QPen(line, chosen ? 2 : 1));
    p.drawEllipse(*at, r, r);
  }
}

void FaceLayer::paintStems(QPainter& p, const Viewport& v) const {
  if (view_.pick().kind != FacePick::Kind::Eye) return;
  const FaceSums& sums = *view_.sums();
  for (const FaceEye& eye : sums.report.eyes) {
    if (view_.pick().id != eye.eye->id || eye.stem.length <= 0) continue;
    const auto pin = std::find_if(sums.report.pins.begin(), sums.report.pins.end(),
                                  [&](const FacePin& each) { return each.id == eye.eye->id; });
    if (pin == sums.report.pins.end()) continue;
    const Vec3 in = holeWay(*eye.eye, eye.stem.azimuth);
    for (const double side : {1.0, -1.0}) {
      if (side < 0 && !eye.eye->twin) continue;
      const Vec3 flip(1, side, 1);
      const WornHead& head = *session_.plan().figure->head;
      p.setPen(QPen(theme().woad, 2, Qt::DashLine));
      p.drawLine(v.at(head.toFigure(pin->at.cwiseProduct(flip))),
                 v.at(head.toFigure((pin->at + eye.stem.length * in).cwiseProduct(flip))));
    }
  }
}

void FaceLayer::paintPins(QPainter& p, const Viewport& v, bool large) const {
  const FaceSums& sums = *view_.sums();
  const Theme& t = theme();
  const auto& pins = sums.report.pins;
  if (pins.empty()) return;
  for (size_t i = 0; i < pins.size(); ++i) {
    const FacePin& pin = pins[i];
    const bool chosen = view_.pick() == FacePick{FacePick::Kind::Pin, pin.id};
    if (!large && !chosen) continue;
    const QPointF at = v.at(shownPlace(pin.at, v.view));
    if (chosen && i > 0) {
      // The tape as it lies: the chord brought on to the surface.
      QPolygonF tape;
      for (int k = 0; k <= 12; ++k) {
        const Vec3 on = sums.field.onto(pins.front().at + k / 12.0 * (pin.at - pins.front().at));
        tape << v.at(shownPlace(on, v.view));
      }
      p.setPen(QPen(t.woad, 2));
      p.setBrush(Qt::NoBrush);
      p.drawPolyline(tape);
    }
    p.setPen(QPen(t.card, 1));
    p.setBrush(t.piece(static_cast<int>(i)));
    const double r = chosen ? 5 : 3.5;
    p.drawEllipse(at, r, r);
    if (!large) continue;
    p.setFont(typeface(11, QFont::Bold));
    const QString letter = letterOf(i);
    QString text = letter;
    if (chosen) {
      text = tr("%1 %2").arg(letter, str(Name(pinName(pin.id))));
      if (pin.tape && i > 0)
        text += QStringLiteral(" · ") + QString::fromStdString(printLength(*pin.tape, session_.units(), 1));
    }
    const QRectF box(at + QPointF(px(7), -px(17)),
                     QSizeF(QFontMetricsF(p.font()).horizontalAdvance(text) + px(8), px(16)));
    if (chosen) {
      p.setPen(QPen(t.woad, 1));
      p.setBrush(t.card);
      p.drawRoundedRect(box, 3, 3);
      p.setPen(t.ink);
      p.drawText(box, Qt::AlignCenter, text);
    } else {
      // Readable on wool of any colour.
      p.setPen(t.card);
      p.drawText(box.translated(1, 1), Qt::AlignLeft | Qt::AlignVCenter, text);
      p.setPen(t.ink);
      p.drawText(box, Qt::AlignLeft | Qt::AlignVCenter, text);
    }
  }
}

void FaceLayer::paintMeasured(QPainter& p, const Viewport& v) const {
  for (const auto& [pin, place] : view_.sums()->measured.places) {
    const bool near = v.view != View::Side || place.y() <= 0 || !pin.right;
    if (!near) continue;
    const QPointF at = v.at(session_.plan().figure->head->toFigure(
        v.view == View::Side && !pin.right ? Vec3(place.x(), -place.y(), place.z()) : place));
    p.setPen(QPen(theme().logwood, 2));
    p.drawLine(at - QPointF(5, 5), at + QPointF(5, 5));
    p.drawLine(at - QPointF(5, -5), at + QPointF(5, -5));
  }
}

std::optional<QPointF> FaceLayer::pixelOf(const FacePick& pick, const Viewport& v) const {
  const FaceSums* sums = view_.sums();
  if (!sums || !session_.plan().figure->head) return std::nullopt;
  const double length = session_.plan().figure->head->length;
  if (pick.kind == FacePick::Kind::Pad)
    for (const FacePad& pad : sums->report.pads)
      if (pad.feature->id == pick.id)
        return v.at(
            shownPlace(length * (pad.feature->at + pad.feature->to.value_or(pad.feature->at)) / 2, v.view));
  if (pick.kind == FacePick::Kind::Pin || pick.kind == FacePick::Kind::Eye)
    for (const FacePin& pin : sums->report.pins)
      if (pin.id == pick.id) return v.at(shownPlace(pin.at, v.view));
  if (pick.kind == FacePick::Kind::Flat)
    for (const FaceFlat& flat : sums->report.flats)
      if (flat.flat->id == pick.id) { // its middle
        const HeadFlat& f = *flat.flat;
        return v.at(
            shownPlace(length * (f.base[0] + f.base[1]) / 2 + flat.length / 2 * f.axis.normalized(), v.view));
      }
  return std::nullopt;
}

FacePick FaceLayer::pickAt(const Viewport& v, const QPointF& at) const {
  const FaceSums* sums = view_.sums();
  if (!sums) return {};
  FacePick best;
  double least = px(kReach);
  const auto look = [&](const FacePick& pick, double handicap) {
    const auto where = pixelOf(pick, v);
    if (!where) return;
    const double away = std::hypot(where->x() - at.x(), where->y() - at.y()) + handicap;
    if (away >= least) return;
    least = away;
    best = pick;
  };
  for (const FaceEye& eye : sums->report.eyes) look({FacePick::Kind::Eye, eye.eye->id}, 0);
  for (const FacePad& pad : sums->report.pads) look({FacePick::Kind::Pad, pad.feature->id}, 0.5);
  for (const FaceFlat& flat : sums->report.flats) look({FacePick::Kind::Flat, flat.flat->id}, 0.5);
  for (const FacePin& pin : sums->report.pins) look({FacePick::Kind::Pin, pin.id}, 1);
  return best;
}

bool FaceLayer::press(const Viewport& v, const QPointF& at, bool /*large*/) {
  const FacePick pick = pickAt(v, at);
  view_.choose(pick);
  drag_.reset();
  if (face::moves(pick)) drag_ = Drag{pick, at, false, v.view == View::Side ? -1.0 : 1.0};
  return true;
}

void FaceLayer::nudge(const Viewport& v, const Vec2& by, double side, const QString& run) {
  const WornHead& head = *session_.plan().figure->head;
  Vec3 local = head.axes.transpose() * inSpace(by, v.view) / head.length;
  local.y() *= side;
  const FacePick& pick = view_.pick();
  (void)session_.apply(tr("%1 moved").arg(str(Name(pinName(pick.id)))),
                       pick.kind == FacePick::Kind::Pad ? edit::padMoved(session_.project(), pick.id, local)
                                                        : edit::partMoved(session_.project(), pick.id, local),
                       run);
}

void FaceLayer::move(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers /*keys*/) {
  if (!drag_) return;
  const Vec2 by = v.mm(at) - v.mm(drag_->last);
  if (!drag_->moved && by.norm() * v.scale < 3) return;
  drag_->moved = true;
  view_.setHand(v.view);
  drag_->last = at;
  nudge(v, by, drag_->side, QStringLiteral("pad-") + str(drag_->part.id));
}

bool FaceLayer::release(const Viewport& /*v*/, const QPointF& /*at*/) {
  if (drag_ && drag_->moved) session_.endRun();
  letGo();
  return false;
}

void FaceLayer::letGo() {
  drag_.reset();
  view_.setHand({});
}

std::optional<QString> FaceLayer::over(const Viewport& v, const QPointF& at, bool /*large*/) const {
  const FacePick pick = pickAt(v, at);
  if (pick.kind == FacePick::Kind::None) return std::nullopt;
  return str(Name(pinName(pick.id)));
}

bool FaceLayer::key(QKeyEvent* event, const Viewport& v) {
  const double step = event->modifiers().testFlag(Qt::ShiftModifier) ? kFine : kStep;
  Vec2 by(0, 0);
  switch (event->key()) {
  case Qt::Key_Left:
    by = {-step, 0};
    break;
  case Qt::Key_Right:
    by = {step, 0};
    break;
  case Qt::Key_Up:
    by = {0, step};
    break;
  case Qt::Key_Down:
    by = {0, -step};
    break;
  case Qt::Key_J:
    view_.nextPin();
    return true;
  case Qt::Key_Escape:
    if (view_.pick().kind == FacePick::Kind::None) return false;
    view_.choose({});
    return true;
  default:
    return false;
  }
  if (!face::moves(view_.pick())) return false;
  nudge(v, by, 1, {});
  return true;
}

} // namespace columna
