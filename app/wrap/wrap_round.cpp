#include "wrap/wrap_round.h"

#include "kit/say.h"
#include "measure/quantity.h"
#include "pose/carried.h"
#include "session/build_view.h"
#include "session/stance_view.h"
#include "theme/theme.h"
#include "turn/raster.h"

#include <QPainter>
#include <QtMath>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

void WrapRound::paint(QPainter& painter, const Camera& camera, const QSize& size) const {
  paintGirths(painter, camera);
  paintPads(painter, camera, size.width());
}

QString WrapRound::hint() const {
  return session_.build().finished()
             ? Session::tr("girths as felted, by the tape; drag to turn, X shows the wire")
             : Session::tr("girths by the tape as they should be now; dashes are the finished outline");
}

/// The girths of the parts in the middle, as they should read now, over their rings.
void WrapRound::paintGirths(QPainter& p, const Camera& camera) const {
  const Plan& plan = session_.plan();
  const Figure& posed = session_.stance().plan().figure;
  const Theme& t = theme();
  const std::vector<LimbMoment> moment = session_.build().moment();
  p.setFont(typeface(13));
  std::vector<QRectF> taken;
  for (const bool mineFirst : {true, false})
    for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
      const FigureLimb& limb = plan.figure->limbs[l];
      const bool mine = static_cast<int>(l) == session_.selected();
      if (mine != mineFirst || limb.kind == LimbKind::Digits || (limb.side != 0 && !mine)) continue;
      for (const Girth& g : plan.wool->limbs[l].girths) {
        const FigureBone& bone = posed.bones[static_cast<size_t>(g.bone)];
        const Vec3 on = bone.begin + g.at * (bone.end - bone.begin);
        // Square to the bone as it is seen, on the upper side; straight up where it points at the eye.
        const QPointF top = camera.at(on);
        const QPointF along = camera.at(bone.end) - camera.at(bone.begin);
        const double length = std::hypot(along.x(), along.y());
        QPointF out = length > 4 ? QPointF(along.y(), -along.x()) / length : QPointF(0, -1);
        if (out.y() > 0.2 || (std::abs(out.y()) <= 0.2 && out.x() > 0)) out = -out;
        const double reach = std::max(g.across, g.deep) / 2 * camera.scale;
        const double now = session_.build().finished() ? (g.felted > 0 ? g.felted : g.finished)
                                                       : girthAtMoment(g, moment[l]);
        const QString text = QString::fromStdString(printLengthFigure(now, session_.units(), 0));
        const double w = p.fontMetrics().horizontalAdvance(text);
        const QPointF beside = top + out * (reach + px(12) + w / 2 * std::abs(out.x()));
        const QPointF at = beside + QPointF(-w / 2, px(4));
        const QRectF box(at.x() - 3, at.y() - px(12), w + 6, px(15));
        if (std::any_of(taken.begin(), taken.end(), [&](const QRectF& r) { return r.intersects(box); }))
          continue;
        taken.push_back(box);
        p.setPen(QPen(mine ? t.woad : t.faint, mine ? 1.5 : 1));
        p.drawLine(top + out * reach, top + out * (reach + px(8)));
        p.setPen(mine ? t.woad : t.ink);
        p.drawText(at, text);
      }
    }
}

/// Lenses where pads go, named to the right of the figure.
void WrapRound::paintPads(QPainter& p, const Camera& camera, int width) const {
  const Plan& plan = session_.plan();
  const Figure& posed = session_.stance().plan().figure;
  const Theme& t = theme();
  const int at = stepAt(session_.build().steps(), session_.build().built());
  const BuildStep* now = at < 0 ? nullptr : &session_.build().steps()[static_cast<size_t>(at)];
  std::vector<QRectF> taken;
  for (size_t l = 0; l < plan.wool->limbs.size(); ++l)
    for (size_t k = 0; k < plan.wool->limbs[l].pads.size(); ++k) {
      const Pad& pad = plan.wool->limbs[l].pads[k];
      const bool under = now && now->kind == BuildStep::Kind::Pad && now->limb == static_cast<int>(l) &&
                         now->pad == static_cast<int>(k);
      if (!under && static_cast<int>(l) != session_.selected()) continue;
      for (int side = 0; side < pad.count; ++side) {
        // The neutral place goes into the stance with its bone.
        const auto b = static_cast<size_t>(pad.bones[pad.bones.size() / 2]);
        Vec3 rest = pad.centre;
        if (side == 1) rest.y() = -rest.y();
        const Vec3 place = carried(rest, plan.figure->bones[b], posed.bones[b]);
        const Vec3 half = (posed.bones[b].end - posed.bones[b].begin).normalized() * pad.length / 2;
        const QPointF c = camera.at(place);
        const QPointF along = camera.at(Vec3(place + half)) - c;
        p.save();
        p.translate(c);
        p.rotate(std::atan2(along.y(), along.x()) * 180 / std::numbers::pi);
        p.setPen(QPen(t.woad, under ? 2.5 : 1.5, under ? Qt::SolidLine : Qt::DashLine));
        QColor fill = t.card;
        fill.setAlpha(under ? 150 : 70);
        p.setBrush(fill);
        p.drawEllipse(QPointF(0, 0), std::max<double>(px(8), std::hypot(along.x(), along.y())),
                      std::max<double>(px(5), pad.width / 2 * camera.scale * 0.6));
        p.restore();
        p.setFont(typeface(13, QFont::DemiBold));
        // A name too long for the room beside the figure is shortened, its weight is not.
        const QString grams = u' ' + QString::fromStdString(printMass(pad.grams, session_.units()));
        const double room = width - c.x() - px(90) - p.fontMetrics().horizontalAdvance(grams);
        const QString words =
            p.fontMetrics().elidedText(str(Name(pad.place)), Qt::ElideRight, std::max(px(40), qFloor(room))) +
            grams;
        const double w = p.fontMetrics().horizontalAdvance(words);
        // Named to the right of the figure, each on a line of its own.
        QRectF box(c.x() + px(70), c.y() - px(9), w + px(10), px(19));
        box.moveRight(std::min<double>(box.right(), width - px(6)));
        while (std::any_of(taken.begin(), taken.end(), [&](const QRectF& r) { return r.intersects(box); }))
          box.translate(0, px(20));
        if (side == 1) continue; // one name serves both
        taken.push_back(box);
        p.setPen(QPen(t.woad, 1));
        p.drawLine(c, QPointF(box.left(), box.center().y()));
        p.setPen(Qt::NoPen);
        p.setBrush(t.ground);
        p.drawRoundedRect(box, 4, 4);
        p.setPen(t.ink);
        p.drawText(box, Qt::AlignCenter, words);
      }
    }
}

} // namespace columna
