// What FaceLayer draws over the head: pads, flat parts, stems, pins, what was measured, a chosen place.
#include "face/face_layer.h"

#include "head/wearing.h"
#include "kit/say.h"
#include "theme/theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

/// The letter on a pin's flag, by its place in the list.
QString letterOf(size_t index) { return QString(QChar(static_cast<char16_t>(u'A' + index % 26))); }

} // namespace

void FaceLayer::paintPads(QPainter& p, const Viewport& v) const {
  const FaceSums& sums = *view_.sums();
  const WornHead& head = *session_.plan().figure->head;
  for (const FacePad& pad : sums.report.pads) {
    const HeadFeature& f = *pad.feature;
    const bool chosen = view_.lit({FacePick::Kind::Pad, f.id});
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
    const bool chosen = view_.lit(pick);
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
  const FaceSums& sums = *view_.sums();
  for (const FaceEye& eye : sums.report.eyes) {
    if (!view_.lit({FacePick::Kind::Eye, eye.eye->id}) || eye.stem.length <= 0) continue;
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

void FaceLayer::paintPlace(QPainter& p, const Viewport& v) const {
  if (view_.pick().kind != FacePick::Kind::Place) return;
  const QPointF at = v.at(shownPlace(view_.place(), v.view));
  for (const auto& [colour, width] : {std::pair(theme().card, 4), std::pair(theme().woad, 2)}) {
    p.setPen(QPen(colour, width));
    p.drawLine(at - QPointF(6, 0), at + QPointF(6, 0));
    p.drawLine(at - QPointF(0, 6), at + QPointF(0, 6));
  }
}

} // namespace columna
