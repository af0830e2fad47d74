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

} // namespace

Vec3 FaceLayer::inSpace(const Vec2& by, View view) {
  return view == View::Front   ? Vec3(0, by.x(), by.y())
         : view == View::Above ? Vec3(by.x(), by.y(), 0)
                               : Vec3(by.x(), 0, by.y());
}

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
  QColor wool = theme().coat;
  wool.setAlpha(90);
  p.setPen(QPen(theme().faint, 1));
  p.setBrush(wool);
  p.drawPath(pathOf(view_.silhouette(v.view), v));
}

void FaceLayer::paintOn(QPainter& p, const Viewport& v, bool /*large*/) {
  const Figure& figure = session_.plan().figure;
  if (!figure.head) return;
  const Theme& t = theme();
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  const bool moves = session_.inRun() && !view_.waits(v.view);
  p.setRenderHint(QPainter::SmoothPixmapTransform, !moves); // a frame's time is short
  const FaceView::Picture* picture = view_.picture(v.view, v.scale);
  const QPainterPath outline = moves || !picture ? pathOf(view_.outline(v.view), v) : QPainterPath();
  if (!picture || moves) {
    p.setPen(Qt::NoPen);
    p.setBrush(t.coat);
    p.drawPath(outline);
  }
  if (picture) {
    p.setOpacity(moves ? 0.55 : 1);
    const QRectF& mm = picture->mm;
    p.drawImage(QRectF(v.at(Vec2(mm.left(), mm.bottom())), v.at(Vec2(mm.right(), mm.top()))), picture->image);
    p.setOpacity(1);
  }
  if (moves || !picture) {
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
  paintPlace(p, v);
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

std::optional<Vec3> FaceLayer::placeAt(const Viewport& v, const QPointF& at) const {
  const FaceSums* sums = view_.sums();
  if (!sums || !session_.plan().figure->head) return std::nullopt;
  const WornHead& head = *session_.plan().figure->head;
  const Vec3 towards = v.view == View::Front   ? Vec3(1, 0, 0)
                       : v.view == View::Above ? Vec3(0, 0, 1)
                                               : Vec3(0, -1, 0);
  const Vec3 on = head.toHead(inSpace(v.mm(at), v.view));
  return sums->field.hit(on, head.axes.transpose() * towards);
}

bool FaceLayer::press(const Viewport& v, const QPointF& at, bool /*large*/) {
  const FacePick pick = pickAt(v, at);
  drag_.reset();
  if (pick.kind == FacePick::Kind::None)
    if (const auto place = placeAt(v, at)) {
      view_.choosePlace(*place);
      return true;
    }
  view_.choose(pick);
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
  if (view_.pick().kind == FacePick::Kind::Place && view_.sums()) {
    const WornHead& head = *session_.plan().figure->head;
    view_.choosePlace(view_.sums()->field.onto(view_.place() + head.axes.transpose() * inSpace(by, v.view)));
    return true;
  }
  if (!face::moves(view_.pick())) return false;
  nudge(v, by, 1, {});
  return true;
}

} // namespace columna
